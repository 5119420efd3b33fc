import { seatFit, seatsDiffer, type SeatAnswer, type SeatDifference } from '../cabin/index.ts';
import { mainFinish } from './kit.ts';
import type { Kit, KitFinish, Part, Seat, Zone } from './records/index.ts';
import { pairsOf } from './roles/pairs.ts';
import { isSure, rolesOf } from './roles/suggestRoles.ts';
import { resolveVersion } from './version.ts';

/** A seat against roof, wheel, sill and reference. Throws RangeError for measures that are none. */
export const seatOf = (seat: Seat, scale: number): SeatAnswer => seatFit({ ...seat, scale });

/** Two seats that belong together, with what they differ in. */
export interface SeatTwins {
  a: Seat;
  b: Seat;
  differ: SeatDifference[];
}

/** Seats of one part, or of two that are a pair, as they stand in the dry fit. */
export function seatTwins(kit: Pick<Kit, 'seats' | 'parts' | 'roles' | 'pairs' | 'joints'>): SeatTwins[] {
  const paired = new Set(pairsOf(kit).flatMap(({ a, b }) => [`${a} ${b}`, `${b} ${a}`]));
  return kit.seats.flatMap((a, at) =>
    kit.seats.slice(at + 1).flatMap((b): SeatTwins[] => {
      if (a.partId === null || b.partId === null) return [];
      const isPair = a.partId === b.partId || paired.has(`${a.partId} ${b.partId}`);
      return isPair ? [{ a, b, differ: seatsDiffer(a, b) }] : [];
    }),
  );
}

/** Places of other parts that have the colour of a seat. */
export interface SeatColoured {
  part: Part;
  zones: Zone[];
  finish: KitFinish;
  /** A seat that has it. */
  seat: Part;
}

const SEAT_THINGS: readonly string[] = ['seat', 'seat-back'];

/** Zones of parts that are no seats and whose main colour is another, such as arches and humps of a tub. Seats are what the builder
 *  lists as such, and what is surely read as one. */
export function inSeatColour(kit: Kit): SeatColoured[] {
  const { used } = resolveVersion(kit);
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const said = new Set(kit.seats.flatMap(({ partId }) => partId ?? []));
  const read = rolesOf(kit).flatMap((role) =>
    isSure(role) && SEAT_THINGS.includes(role.thing ?? '') ? [role.partId] : [],
  );
  const isSeat = new Set([...said, ...read]);
  const byFinish = new Map<string, Part>();
  for (const part of kit.parts) {
    const finish = isSeat.has(part.id) && used.has(part.id) ? mainFinish(part, finishes) : undefined;
    if (finish && !byFinish.has(finish.id)) byFinish.set(finish.id, part);
  }
  return kit.parts.flatMap((part): SeatColoured[] => {
    if (isSeat.has(part.id) || !used.has(part.id)) return [];
    const main = mainFinish(part, finishes);
    const zones = part.zones
      .slice(1)
      .filter(({ finishId }) => finishId !== main?.id && byFinish.has(finishId));
    const finish = finishes.get(zones[0]?.finishId ?? '');
    if (!finish) return [];
    return [{ part, zones, finish, seat: byFinish.get(finish.id)! }];
  });
}
