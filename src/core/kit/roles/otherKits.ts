import { wordsOf } from '../../words.ts';
import type { Kit, Part } from '../kit.ts';
import { partsOfStep } from '../sheet/sheetFacts.ts';
import { resolveVersion } from '../version.ts';
import { readName } from './readName.ts';
import { rolesOf } from './suggestRoles.ts';
import type { System } from './systems.ts';

/** Another kit of the same builder, by its build's name. */
export interface OtherKit {
  name: string;
  kit: Kit;
}

/** Where a builder put parts of the same name before, and it is told otherwise here. */
export interface LearntRole {
  partId: string;
  system: System;
  /** Builds in which it was said. */
  from: string[];
}

/** Names that differ in side, end, number, case or plural only. */
const nameKey = (name: string): string => wordsOf(readName(name).stem).join(' ');

/** What the builder said of parts of the same name on other kits, where this kit takes them for something else and nothing
 *  was said here. Where two kits say two things, nothing is learnt. */
export function learntRoles(kit: Kit, others: readonly OtherKit[]): LearntRole[] {
  const said = new Map<string, Map<System, string[]>>();
  for (const { name, kit: other } of others) {
    const parts = new Map(other.parts.map((part) => [part.id, part]));
    for (const { partId, system } of other.roles) {
      const key = nameKey(parts.get(partId)?.name ?? '');
      if (key === '') continue;
      const of = said.get(key) ?? new Map<System, string[]>();
      said.set(key, of.set(system, [...new Set([...(of.get(system) ?? []), name])]));
    }
  }
  const told = new Set(kit.roles.map(({ partId }) => partId));
  return rolesOf(kit).flatMap(({ partId, system }, at): LearntRole[] => {
    if (told.has(partId)) return [];
    const known = [...(said.get(nameKey(kit.parts[at]!.name)) ?? [])];
    const [only] = known;
    return only && known.length === 1 && only[0] !== system
      ? [{ partId, system: only[0], from: only[1] }]
      : [];
  });
}

/** What became of parts of the same name on other kits: in words, a line a kit; nothing where none has one. */
export function elsewhere(part: Part, others: readonly OtherKit[]): string[] {
  const key = nameKey(part.name);
  return others.flatMap(({ name, kit }) => {
    const alike = kit.parts.filter((other) => nameKey(other.name) === key);
    if (key === '' || alike.length === 0) return [];
    const { leftOver } = resolveVersion(kit);
    const steps = kit.sheetSteps.filter((step) =>
      partsOfStep(step).some((id) => alike.some((each) => each.id === id)),
    );
    if (alike.every(({ id }) => leftOver.has(id))) return [`left over on ${name}`];
    if (steps.length > 0) return [`in step ${steps.map(({ number }) => number).join(', ')} on ${name}`];
    return kit.joints.some(({ a, b }) => alike.some(({ id }) => id === a || id === b))
      ? [`built in on ${name}`]
      : [];
  });
}
