import type { Kit, Part } from '../kit.ts';
import { readName, type End, type Level, type Side } from './readName.ts';
import type { System } from './systems.ts';
import { ALWAYS_AT, THINGS } from './things.ts';

/** What a part is, as far as its name, frame and material tell. */
export interface Role {
  partId: string;
  /** Of the table of things; null where that is not known. */
  thing: string | null;
  /** Null where nothing speaks for one. */
  system: System | null;
  side: Side | null;
  end: End | null;
  level: Level | null;
  /** One of two halves of a thing. */
  half: boolean;
  /** The name without side, end and half. */
  stem: string;
  /** How sure that is, 0..1. */
  confidence: number;
  because: string;
}

const BY_MATERIAL = 0.7;
/** By what it is a bracket, cover or stay of. */
const BY_KIND = 0.7;
const BY_FRAME = 0.5;
/** So many of the known parts of a frame must belong to one system for it to speak for the others. */
const MOST_OF_FRAME = 0.6;
const LEAST_OF_FRAME = 3;

const NONE: ReadonlyMap<string, System> = new Map();

const thingOf = (id: string) => THINGS.find((thing) => thing.id === id)!;

/** Where each part of a kit belongs: from its name in British or American usage, from its material, and at last from
 *  what else is on its frame. What nothing tells is null, with confidence 0. `corrected`: what the builder says of parts, by
 *  id. */
export function suggestRoles(
  parts: readonly Pick<Part, 'id' | 'name' | 'frame' | 'material'>[],
  corrected: ReadonlyMap<string, System> = NONE,
): Role[] {
  const read = parts.map(({ name }) => readName(name));
  // Where a list says "bonnet", its "hood" is the folding top.
  const hasBonnet = parts.some(({ name }) => /\bbonnet\b/i.test(name));
  const roles = parts.map((part, at): Role => {
    const { thing, confidence, belongsTo, side, end, level, half, stem } = read[at]!;
    const meant =
      thing?.id === 'bonnet' && hasBonnet && /\bhood\b/i.test(part.name) ? thingOf('soft-top') : thing;
    const said = corrected.get(part.id);
    if (said !== undefined) {
      // A thing of another system it is not.
      const known = meant?.system === said ? meant.id : null;
      return {
        partId: part.id,
        thing: known,
        system: said,
        side,
        end,
        level,
        half,
        stem,
        confidence: 1,
        because: 'you said so',
      };
    }
    return {
      partId: part.id,
      thing: meant?.id ?? null,
      system: meant?.system ?? belongsTo,
      side,
      end: end ?? ALWAYS_AT[meant?.id ?? ''] ?? null,
      level,
      half,
      stem,
      confidence: meant || belongsTo === null ? confidence : BY_KIND,
      because: meant || belongsTo !== null ? `called ${part.name}` : '',
    };
  });
  const onFrame = new Map<string, Map<System, number>>();
  parts.forEach(({ frame }, at) => {
    const { system } = roles[at]!;
    if (!system) return;
    const counts = onFrame.get(frame) ?? new Map<System, number>();
    onFrame.set(frame, counts.set(system, (counts.get(system) ?? 0) + 1));
  });
  return roles.map((role, at) => (role.system ? role : guessed(role, parts[at]!, onFrame)));
}

function guessed(
  role: Role,
  { material, frame }: Pick<Part, 'frame' | 'material'>,
  onFrame: ReadonlyMap<string, ReadonlyMap<System, number>>,
): Role {
  if (material === 'clear')
    return { ...role, system: 'glass', confidence: BY_MATERIAL, because: 'it is clear' };
  if (material === 'poly')
    return {
      ...role,
      thing: 'bushing',
      system: 'wheels',
      confidence: BY_MATERIAL,
      because: 'soft bushings go into wheels',
    };
  const counts = [...(onFrame.get(frame) ?? [])].sort((p, q) => q[1] - p[1]);
  const known = counts.reduce((sum, [, count]) => sum + count, 0);
  const [first] = counts;
  if (first && known >= LEAST_OF_FRAME && first[1] >= MOST_OF_FRAME * known)
    return {
      ...role,
      system: first[0],
      confidence: BY_FRAME,
      because: `most of frame ${frame} is ${first[0]}`,
    };
  return { ...role, because: 'nothing tells what it is' };
}

/** A role that is taken as known. */
export const isSure = ({ confidence }: Role): boolean => confidence >= BY_MATERIAL;

/** Names are read once for each list of parts: a dozen places ask, and a list is never changed in place. */
const kept = new WeakMap<Kit['parts'], { said: Kit['roles']; roles: readonly Role[] }>();

/** The roles of a kit, as far as they are known and as the builder corrected them. */
export function rolesOf({ parts, roles: said }: Pick<Kit, 'parts' | 'roles'>): readonly Role[] {
  const known = kept.get(parts);
  if (known?.said === said) return known.roles;
  const roles = suggestRoles(parts, new Map(said.map(({ partId, system }) => [partId, system])));
  kept.set(parts, { said, roles });
  return roles;
}
