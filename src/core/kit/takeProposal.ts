import { coloursOf, seenAs } from '../finish/index.ts';
import { precedencesOf } from './hardConstraints.ts';
import type { Join, PlannedLayer, Tray } from './build.ts';
import { ADHESIVES, chooseAdhesive, glueJob, type AdhesiveChoice } from './adhesives.ts';
import type { Joint, Kit, KitFinish, Look } from './kit.ts';
import type { SubassemblyProposal } from './proposeSubassemblies.ts';

type TrayPlan = Omit<Tray, 'parts' | 'id'> & { partIds: string[] };

/** What taking a proposal does to the sub-assemblies that are there. */
export interface TakenProposal {
  trays: { id: string | null; key: string; was: string | null; tray: TrayPlan }[];
  /** Sub-assemblies that nothing of the proposal fits. */
  removed: { id: string; name: string }[];
  joins: (Omit<Join, 'trayIds' | 'afterJoinIds'> & {
    trayKeys: string[];
    /** Places in this list of the joins that come before. */
    after: number[];
    jointIds: string[];
  })[];
  /** One line for each thing that changes. */
  changes: string[];
}

const CONTENTS: Partial<Record<Look, PlannedLayer[]>> = {
  polished: [
    { id: 'primer', kind: 'primer', coats: 2, tool: 'airbrush', mix: { 'generic-primer-grey': 1 } },
    { id: 'sand', kind: 'flat', coats: 1, tool: 'hand' },
    { id: 'colour', kind: 'colour', coats: 3, mistCoats: 1, tool: 'airbrush' },
    {
      id: 'clear',
      kind: 'clear',
      coats: 4,
      mistCoats: 2,
      tool: 'airbrush',
      mix: { 'generic-clear-lacquer': 1 },
    },
    { id: 'cloths', kind: 'flat', coats: 1, tool: 'hand' },
    { id: 'polish', kind: 'polish', coats: 1, tool: 'hand' },
  ],
  gloss: [
    { id: 'primer', kind: 'primer', coats: 2, tool: 'airbrush', mix: { 'generic-primer-grey': 1 } },
    { id: 'colour', kind: 'colour', coats: 3, mistCoats: 1, tool: 'airbrush' },
    {
      id: 'clear',
      kind: 'clear',
      coats: 3,
      mistCoats: 1,
      tool: 'airbrush',
      mix: { 'generic-clear-lacquer': 1 },
    },
  ],
  metal: [
    { id: 'black', kind: 'undercoat', coats: 2, tool: 'airbrush', mix: { 'generic-black-gloss': 1 } },
    { id: 'metal', kind: 'metal', coats: 2, tool: 'airbrush', mix: { 'generic-silver': 1 } },
  ],
  'chrome-ink': [
    { id: 'black', kind: 'undercoat', coats: 2, tool: 'airbrush', mix: { 'generic-black-gloss': 1 } },
    { id: 'mirror', kind: 'metal', coats: 1, tool: 'airbrush' },
  ],
  plating: [],
  clear: [],
  bare: [],
};
const PLAIN: PlannedLayer[] = [
  { id: 'primer', kind: 'primer', coats: 1, tool: 'airbrush', mix: { 'generic-primer-grey': 1 } },
  { id: 'colour', kind: 'colour', coats: 2, mistCoats: 1, tool: 'airbrush' },
];

/** A stack to begin with for a finish; all of it can be changed in the finish stage. */
function firstLayers(look: Look): PlannedLayer[] {
  return CONTENTS[look] ?? PLAIN;
}

/** Lays a proposal over the sub-assemblies that are there: each keeps its name, stack and code where at least half
 *  of it stays together, new ones begin with the stack of another of the same finish or a plain one, and joints
 *  made after paint become joins in an order that can be done. */
export function takeProposal(
  proposal: SubassemblyProposal,
  kit: Kit,
  existing: readonly (Tray & { position: number })[],
): TakenProposal {
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const homes = homesOf(proposal, existing);
  const stacks = stacksByFinish(existing, kit, finishes);
  const changes: string[] = [];
  const trays = proposal.trays.map((proposed, position) => {
    const old = homes.get(proposed.key);
    const finish = finishes.get(proposed.finishIds[0] ?? '');
    const borrowed = stacks.get(finish?.id ?? '');
    const first = parts.get(proposed.partIds[0]!)!;
    const tray: TrayPlan = {
      name: old?.name ?? proposed.name,
      partIds: proposed.partIds,
      areaCm2: Math.max(0.1, proposed.areaCm2),
      substrateId: old?.substrateId ?? substrateOf(first),
      layers:
        old?.layers ??
        (borrowed && inOneColour(borrowed, finish!.id)) ??
        (finish ? firstLayers(finish.look) : []),
      codeId: old?.codeId ?? borrowed?.codeId ?? finish?.codeId ?? null,
      position,
    };
    if (!old) changes.push(`New: ${tray.name}, ${proposed.partIds.length} parts`);
    else {
      const before = new Set(old.parts.map(({ id }) => id));
      const gained = proposed.partIds.filter((id) => !before.has(id)).length;
      const lost = before.size - (proposed.partIds.length - gained);
      if (gained + lost > 0) changes.push(`${old.name}: ${gained} parts in, ${lost} out`);
    }
    return { id: old?.id ?? null, key: proposed.key, was: old?.name ?? null, tray };
  });
  const kept = new Set(trays.map(({ id }) => id));
  const removed = existing.filter(({ id }) => !kept.has(id)).map(({ id, name }) => ({ id, name }));
  for (const { name } of removed) changes.push(`Gone: ${name}`);
  return { trays, removed, joins: joinsOf(proposal, kit, parts, finishes), changes };
}

/** The existing sub-assembly that each proposed one continues: most surface shared, and at least half of either. */
function homesOf(proposal: SubassemblyProposal, existing: readonly Tray[]): Map<string, Tray> {
  const pairs = proposal.trays.flatMap(({ key, partIds }) => {
    const held = new Set(partIds);
    return existing.flatMap((tray) => {
      const shared = tray.parts.filter(({ id }) => held.has(id)).length;
      return shared > 0 && 2 * shared >= Math.min(tray.parts.length, held.size)
        ? [{ key, tray, shared }]
        : [];
    });
  });
  const homes = new Map<string, Tray>();
  const taken = new Set<string>();
  for (const { key, tray } of pairs.sort((p, q) => q.shared - p.shared)) {
    if (homes.has(key) || taken.has(tray.id)) continue;
    homes.set(key, tray);
    taken.add(tray.id);
  }
  return homes;
}

/** The stack and code that a finish already has somewhere in the build. */
function stacksByFinish(
  existing: readonly Tray[],
  kit: Kit,
  finishes: ReadonlyMap<string, KitFinish>,
): Map<string, Tray> {
  const finishOf = new Map(kit.parts.map(({ id, zones }) => [id, zones[0]?.finishId]));
  const stacks = new Map<string, Tray>();
  for (const tray of existing) {
    const counts = new Map<string, number>();
    for (const { id } of tray.parts) {
      const finish = finishOf.get(id);
      if (finish !== undefined && finishes.has(finish)) counts.set(finish, (counts.get(finish) ?? 0) + 1);
    }
    const main = [...counts].sort((p, q) => q[1] - p[1])[0]?.[0];
    if (main !== undefined && !stacks.has(main)) stacks.set(main, tray);
  }
  return stacks;
}

/** What a stack lays on the areas of one colour, for a sub-assembly that has that one alone. */
function inOneColour({ layers }: Tray, finishId: string): PlannedLayer[] {
  if (coloursOf(layers).length === 0) return layers;
  return seenAs(layers, finishId)
    .filter(({ kind }) => kind !== 'mask' && kind !== 'unmask')
    .map(({ finishId: _, share: __, ...layer }) => layer);
}

function substrateOf({ material, plated, colour }: Kit['parts'][number]): string {
  if (material === 'clear') return 'styrene-clear';
  if (plated) return 'plated';
  if (material === 'resin' || material === 'vinyl') return material;
  if (material === 'etch' || material === 'white-metal' || material === 'metal') return 'white-metal';
  const shade = /black|grey|gray|red|cream|white/i.exec(colour)?.[0].toLowerCase().replace('gray', 'grey');
  return `styrene-${shade ?? 'white'}`;
}

function joinsOf(
  { assembly }: SubassemblyProposal,
  kit: Kit,
  parts: ReadonlyMap<string, Kit['parts'][number]>,
  finishes: ReadonlyMap<string, KitFinish>,
): TakenProposal['joins'] {
  const joints = new Map(kit.joints.map((joint) => [joint.id, joint]));
  // Small acts between the same sub-assemblies, one after the other, are one step at the bench.
  const grouped: { names: string[]; trayKeys: string[]; jointIds: string[]; after: number[] }[] = [];
  const groupOf = new Map<string, number>();
  const made = new Map<string, number>();
  const needs = closersOf(kit);
  for (const { name, trayKeys, jointIds } of assembly) {
    const key = [...trayKeys].sort().join('|');
    const after = [
      ...new Set(jointIds.flatMap((id) => needs.get(id) ?? []).flatMap((id) => made.get(id) ?? [])),
    ];
    const last = groupOf.get(key);
    const fits = last !== undefined && after.every((before) => before <= last);
    const at = fits ? last : grouped.push({ names: [], trayKeys, jointIds: [], after: [] }) - 1;
    const group = grouped[at]!;
    group.names.push(name);
    group.jointIds.push(...jointIds);
    group.after = [...new Set([...group.after, ...after.filter((before) => before !== at)])];
    groupOf.set(key, at);
    for (const id of jointIds) made.set(id, at);
  }
  return grouped.map(({ names, trayKeys, jointIds, after }) => {
    const choices = jointIds.map((id) => chooseAdhesive(glueJob(joints.get(id)!, 'after', parts, finishes)));
    const glues = [...new Set(choices.filter(({ adhesive }) => adhesive !== 'none').map(({ name }) => name))];
    return {
      // The same joints make the same join, so that one already made stays made.
      id: `join-${jointIds[0]!}`,
      name: names.length === 1 ? names[0]! : `${names[0]!} and ${names.length - 1} more`,
      trayKeys,
      after,
      jointIds,
      minutes: Math.min(
        240,
        Math.round(
          jointIds.reduce((sum, id, at) => sum + minutesOf(joints.get(id)!, choices[at]!, parts), 0),
        ),
      ),
      adhesive: glues.length > 0 ? glues.join(', ') : 'no glue: it is held by its shape',
      setMinutes: Math.max(0, ...choices.map(({ setMinutes }) => setMinutes)),
    };
  });
}

/** Minutes beyond gluing that a kind of joint takes to line up. */
const KIND_MINUTES: Readonly<Record<Joint['kind'], number>> = {
  cement: 0,
  press: 2,
  clip: 2,
  screw: 4,
  hinge: 10,
  glass: 4,
  tyre: 3,
  'sits-in': 3,
};

function minutesOf(
  { a, b, kind }: Joint,
  { adhesive }: AdhesiveChoice,
  parts: ReadonlyMap<string, Kit['parts'][number]>,
): number {
  const repeats = Math.max(parts.get(a)!.count, parts.get(b)!.count);
  // The second of a kind goes quicker than the first.
  return (ADHESIVES[adhesive].minutes + KIND_MINUTES[kind]) * (1 + 0.4 * (repeats - 1));
}

/** For each joint, the joints that must be made before it. */
function closersOf({ joints }: Kit): Map<string, string[]> {
  const needs = new Map<string, string[]>();
  for (const { first, then } of precedencesOf(joints)) {
    const id = joints[then]!.id;
    needs.set(id, [...(needs.get(id) ?? []), joints[first]!.id]);
  }
  return needs;
}
