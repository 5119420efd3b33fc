import { isPaintedLook, seamLength } from './jointCosts.ts';
import { areaOf, mainFinish } from './kit.ts';
import type { Kit, KitFinish, Part } from './records/index.ts';

/** A place on a sub-assembly in another colour than most of it. */
export interface SecondPlace {
  name: string;
  /** Surface of all its pieces, cm2. */
  cm2: number;
  /** Edge that tape would have to follow, mm; absent where it is brushed up to a line that the plastic gives. */
  tapeMm?: number;
}

/** A colour that shares a piece with the main one of a sub-assembly. */
export interface SecondColour {
  finishId: string;
  places: SecondPlace[];
  cm2: number;
}

/** More seam than this between two colours is taped, not followed by a brush; mm. */
const LONGEST_BY_BRUSH = 60;

/** The finish of most of the surface. */
export function mainOf(held: readonly Part[], finishes: ReadonlyMap<string, KitFinish>): string | undefined {
  const surface = new Map<string, number>();
  for (const part of held) {
    const finish = mainFinish(part, finishes);
    if (finish) surface.set(finish.id, (surface.get(finish.id) ?? 0) + areaOf(part) * part.count);
  }
  return [...surface].sort((p, q) => q[1] - p[1])[0]?.[0];
}

/** Painted finishes beside the main one on parts that are joined before paint: of whole parts that are joined to the main
 *  one, and of zones. Small pieces that are not joined to it are sprayed apart. */
export function secondColours(
  kit: Pick<Kit, 'joints' | 'parts' | 'finishes'>,
  held: readonly Part[],
): SecondColour[] {
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const main = mainOf(held, finishes);
  if (main === undefined) return [];
  const byFinish = new Map<string, SecondPlace[]>();
  const isPaint = (id: string) => isPaintedLook(finishes.get(id)?.look ?? 'bare');
  const add = (finishId: string, place: SecondPlace) =>
    byFinish.set(finishId, [...(byFinish.get(finishId) ?? []), place]);
  const ids = new Map(held.map((part) => [part.id, part]));
  for (const part of held) {
    const own = part.zones[0]?.finishId;
    const joint =
      own !== undefined && own !== main && isPaint(own)
        ? kit.joints.find(({ a, b }) => (a === part.id || b === part.id) && ids.has(a) && ids.has(b))
        : undefined;
    if (joint) {
      const other = ids.get(joint.a === part.id ? joint.b : joint.a)!;
      const seam = seamLength(joint, part, other);
      add(own!, {
        name: part.name,
        cm2: areaOf(part) * part.count,
        ...(seam > LONGEST_BY_BRUSH ? { tapeMm: seam } : {}),
      });
    }
    for (const zone of part.zones.slice(1)) {
      if (!isPaint(zone.finishId)) continue;
      const cm2 = areaOf(part) * zone.share;
      add(zone.finishId, {
        name: `${zone.name || 'zone'} on ${part.name.toLowerCase()}`,
        cm2: cm2 * part.count,
        ...(zone.boundary === 'masked' ? { tapeMm: zone.edgeMm ?? 20 * Math.sqrt(cm2) } : {}),
      });
    }
  }
  return [...byFinish].map(([finishId, places]) => ({
    finishId,
    places,
    cm2: places.reduce((sum, place) => sum + place.cm2, 0),
  }));
}
