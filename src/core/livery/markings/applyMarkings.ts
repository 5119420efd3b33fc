import type { Crossing, Marking } from '../../kit/index.ts';
import type { PlacedMarking } from './placeMarkings.ts';

/** A way of bringing a marking over a joint that is made after paint, with minutes of hands. */
export interface CrossingWay {
  way: Crossing;
  minutes: number;
  because: string;
}

/** Working values of an ordinary bench, minutes. */
const APPLY = { each: 6, perCm2: 0.15, curved: 2, double: 6, strong: 14, old: 8 } as const;
/** To bring one film true onto another, minutes. */
export const REGISTER = 8;
const DRY_FIT = 10;
const SLIT = 2;
/** A clear of its own over what is put on after the join. */
const SPOT_CLEAR = 20;

/** Minutes to bring one marking on: cut, wet, place, press down. */
export function applyMinutes({ width, height, surface, film }: Marking): number {
  const stretch = surface === 'flat' ? 0 : APPLY[surface];
  const care = film === null || film === 'sound' ? 0 : APPLY.old;
  return APPLY.each + (APPLY.perCm2 * width * height) / 100 + stretch + care;
}

/** Ways of bringing a marking over a joint, the one of least work first. `moves`: the parts move against each other, so that
 *  film must be cut, whatever it costs. `cleared`: the finish beneath gets a clear coat over its decals. */
export function crossingWays(
  marking: Marking,
  { moves, cleared }: { moves: boolean; cleared: boolean },
): CrossingWay[] {
  const once = applyMinutes(marking);
  const ways: CrossingWay[] = [
    {
      way: 'in-halves',
      minutes: 2 * once + REGISTER,
      because: 'cut at the line first, each half on its own part: the halves must meet',
    },
    {
      way: 'dry-fitted',
      minutes: once + DRY_FIT + SLIT,
      because: 'the parts held together dry, laid in one, slit along the line, parted again',
    },
    ...(moves
      ? []
      : [
          {
            way: 'after-join' as const,
            minutes: once + (cleared ? SPOT_CLEAR : 0),
            because: cleared
              ? 'laid in one over the joint; it lies over the clear, and its edge wants a clear of its own'
              : 'laid in one over the joint',
          },
        ]),
  ];
  return ways.sort((p, q) => p.minutes - q.minutes);
}

/** Markings in an order in which they can go on: what lies beneath first, then the sides one after the other, so that
 *  nothing is held by what is wet. */
export function applyOrder(placed: readonly PlacedMarking[]): PlacedMarking[] {
  const depth = new Map<string, number>();
  const byId = new Map(placed.map((each) => [each.marking.id, each]));
  const depthOf = (id: string): number => {
    const known = depth.get(id);
    if (known !== undefined) return known;
    depth.set(id, 0);
    const found = Math.max(
      0,
      ...(byId.get(id)?.over ?? []).filter((other) => byId.has(other)).map((other) => depthOf(other) + 1),
    );
    depth.set(id, found);
    return found;
  };
  const place = new Map(placed.map(({ marking }, at) => [marking.id, at]));
  return [...placed].sort(
    ({ marking: p }, { marking: q }) =>
      depthOf(p.id) - depthOf(q.id) ||
      (p.viewId ?? '').localeCompare(q.viewId ?? '') ||
      p.x - q.x ||
      place.get(p.id)! - place.get(q.id)!,
  );
}

/** Nearer than this two middles are one, mm. */
const SAME_PLACE = 0.05;

/** How a marking finds its place on one that lies beneath, of which it is a part: a number in its roundel, the second colour of a
 *  badge. Both on the same view. */
export function registerOn(marking: Marking, below: Marking): string {
  const [dx, dy] = [marking.x - below.x, marking.y - below.y];
  const way = (mm: number, more: string, less: string) =>
    Math.abs(mm) < SAME_PLACE ? [] : [`${Math.abs(mm).toFixed(1)} mm ${mm > 0 ? more : less}`];
  const off = [...way(dx, 'to the right', 'to the left'), ...way(dy, 'down', 'up')];
  const place = off.length === 0 ? 'middle on middle' : `its middle ${off.join(' and ')} of that one’s`;
  return `onto ${below.name} once that holds: ${place}, a pencil cross on the tape beside it to line up by`;
}

/** Film thicker than this takes its time in water, um. */
const THICK_UM = 25;

/** How a marking is cut from what it comes on, wetted and laid; in the order of the hands. */
export function handlingOf(marking: Marking): string[] {
  const { route, film, filmUm, artwork } = marking;
  switch (route) {
    case 'paint':
      return ['mask and paint'];
    case 'foil':
      return ['burnish down, cut along its edge with a new blade, pull away the rest'];
    case 'transfer':
      return ['no water: tape it in place, rub it down, burnish through its backing'];
    case 'paper':
      return ['colour its cut edges, lay it in thinned white glue'];
    default:
      return [
        trimOf(route === 'print', film === 'yellowed', artwork.ground !== ''),
        soakOf(film, filmUm),
        softenerFor(marking),
      ];
  }
}

/** A printed sheet is film all over; what the kit prints has its own film, which is left but where it shows. */
const trimOf = (isOwn: boolean, isYellow: boolean, hasGround: boolean): string =>
  isYellow || (isOwn && hasGround)
    ? 'trim right to the print'
    : isOwn
      ? 'trim close, corners rounded'
      : 'leave its film, or trim where it crosses an edge';

const soakOf = (film: Marking['film'], filmUm: number | null): string =>
  film === 'old' || film === 'cracked'
    ? 'a minute in warm water, slid off its paper over the place itself'
    : `${(filmUm ?? 0) > THICK_UM ? '40 to 60' : '15 to 30'} s in water, then on a wet cloth until it slides`;

/** What to set film down with: stronger where it has to stretch, none where it would not bear it. */
export function softenerFor({ surface, film }: Marking): string {
  if (film === 'cracked' || film === 'old')
    return 'no strong softener: this film wrinkles or breaks, warm water and patience';
  if (surface === 'flat') return 'setter only';
  if (surface === 'curved') return 'setter, then mild softener once it lies';
  return 'strong softener in steps, after a try on a spare; cut darts where it stands up';
}
