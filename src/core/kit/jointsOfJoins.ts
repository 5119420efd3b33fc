import type { Kit } from './kit.ts';

interface Division {
  trays: readonly { id: string; partIds: readonly string[] }[];
  joins: readonly { id: string; trayIds: readonly string[]; jointIds: readonly string[] }[];
}

/** The joints that every join makes: those that it names, and for one that names none, as one typed by hand, those
 *  between its sub-assemblies that no other join makes. Where two such joins would make the same joint the first does.
 *  Gives ids of joints by id of join. */
export function jointsOfJoins(
  { joints }: Pick<Kit, 'joints'>,
  { trays, joins }: Division,
): ReadonlyMap<string, readonly string[]> {
  const trayOf = new Map(trays.flatMap(({ id, partIds }) => partIds.map((part) => [part, id] as const)));
  const taken = new Set(joins.flatMap(({ jointIds }) => jointIds));
  return new Map(
    joins.map(({ id, trayIds, jointIds }) => {
      if (jointIds.length > 0) return [id, jointIds];
      const own = joints
        .filter((joint) => {
          const [a, b] = [trayOf.get(joint.a), trayOf.get(joint.b)];
          if (a === undefined || b === undefined || a === b || taken.has(joint.id)) return false;
          return trayIds.includes(a) && trayIds.includes(b);
        })
        .map((joint) => joint.id);
      for (const joint of own) taken.add(joint);
      return [id, own];
    }),
  );
}
