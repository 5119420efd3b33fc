import { rolesOf, resolveVersion, type Kit, type Part, type PartBox, type Role } from '../../kit/index.ts';
import type { ModelSize } from './shellOf.ts';

/** A part with its place; `guessed` from what it is, where nobody said. */
export type PlacedPart = Omit<PartBox, 'id'> & { guessed: boolean };

interface Zone {
  /** Shares of the length from the front, of the height from below, and of the width across the middle. */
  along: readonly [number, number];
  up: readonly [number, number];
  across: number;
}

/** Where what belongs to a system usually sits in a car or truck with its engine in front. */
const ZONES: Partial<Record<NonNullable<Role['system']>, Zone>> = {
  engine: { along: [0.06, 0.32], up: [0.15, 0.6], across: 0.4 },
  cabin: { along: [0.42, 0.75], up: [0.2, 0.62], across: 0.75 },
  drive: { along: [0.3, 0.85], up: [0.04, 0.2], across: 0.15 },
  exhaust: { along: [0.3, 0.97], up: [0.01, 0.15], across: 0.5 },
  suspension: { along: [0.1, 0.9], up: [0.03, 0.25], across: 0.8 },
  chassis: { along: [0.03, 0.97], up: [0, 0.12], across: 0.6 },
};

/** What is seen from without, whatever the shell. Of other systems nothing is claimed. */
const OUTSIDE: ReadonlySet<Role['system']> = new Set(['body', 'glass', 'lamps', 'trim', 'wheels', 'deck']);

/** How long, wide and high a part is taken to be: a box with its length and its surface, as wide as high. Undefined where
 *  neither was measured. */
function sizeOf({ lengthMm, areaCm2 }: Part): { long: number; thick: number } | undefined {
  if (lengthMm === null && areaCm2 === null) return undefined;
  const mm2 = areaCm2 === null ? undefined : 100 * areaCm2;
  // A cube has six faces.
  const long = lengthMm ?? Math.sqrt(mm2! / 6);
  // Four long faces and two ends: 4 l t + 2 t^2.
  const thick = mm2 === undefined ? long / 3 : Math.sqrt(long * long + mm2 / 2) - long;
  return { long, thick: Math.min(thick, long) };
}

/** Where the parts of a kit that sit inside the model are: as the builder said, else guessed from the system that each
 *  belongs to, one after the other along it; nothing is guessed of a model without a shell (null), which may be of any kind.
 *  `outside`: parts that belong to the outside; `unknown`: parts of which place or size is not known. */
export function placedParts(
  kit: Kit,
  model: ModelSize | null,
): { placed: PlacedPart[]; outside: string[]; unknown: string[] } {
  const { used } = resolveVersion(kit);
  const said = new Map(kit.partBoxes.map((box) => [box.partId, box]));
  const roles = new Map(rolesOf(kit).map((role) => [role.partId, role]));
  const all = kit.parts.filter(({ id }) => used.has(id));
  const placed: PlacedPart[] = [];
  const outside: string[] = [];
  const unknown: string[] = [];
  const beside = new Map<Role['system'], Part[]>();
  for (const part of all) {
    if (said.has(part.id)) continue;
    const system = roles.get(part.id)?.system ?? null;
    beside.set(system, [...(beside.get(system) ?? []), part]);
  }
  for (const part of all) {
    const box = said.get(part.id);
    const system = roles.get(part.id)?.system ?? null;
    const zone = system === null ? undefined : ZONES[system];
    const size = sizeOf(part);
    if (box) placed.push({ ...box, guessed: false });
    else if (OUTSIDE.has(system)) outside.push(part.id);
    else if (!zone || !size || !model) unknown.push(part.id);
    else {
      const along = beside.get(system)!;
      const place = (along.indexOf(part) + 0.5) / along.length;
      placed.push(guessedIn(zone, place, part, size, roles.get(part.id)?.side, model));
    }
  }
  return { placed, outside, unknown };
}

/** A part in a zone, at a share of its length: no larger than there is room. */
function guessedIn(
  { along, up, across }: Zone,
  place: number,
  { id }: Part,
  { long, thick }: { long: number; thick: number },
  side: Role['side'] | undefined,
  { lengthMm, widthMm, heightMm }: ModelSize,
): PlacedPart {
  const room = (along[1] - along[0]) * lengthMm;
  const width = Math.min(thick, across * widthMm);
  const out = (across * widthMm - width) / 2;
  return {
    partId: id,
    behindMm: along[0] * lengthMm + place * room,
    leftMm: side === 'left' ? out : side === 'right' ? -out : 0,
    upMm: ((up[0] + up[1]) / 2) * heightMm,
    lengthMm: Math.min(long, room),
    widthMm: width,
    heightMm: Math.min(thick, (up[1] - up[0]) * heightMm),
    guessed: true,
  };
}
