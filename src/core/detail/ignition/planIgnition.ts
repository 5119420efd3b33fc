import { scaledRun, type ScaledRun } from '../runs.ts';
import { cylindersOf, type Cylinder, type EngineLayout, type Numbering, type Place } from './cylinders.ts';

export interface IgnitionQuestion {
  layout: EngineLayout;
  numbering: Numbering;
  /** By place instead: see `cylindersOf`; empty or absent for the numbering above. */
  ownNumbers?: readonly number[];
  /** Every cylinder once, by number. */
  firingOrder: readonly number[];
  source: IgnitionSource;
  /** Clips and looms along the way: a lead passes those that name its cylinder, in this order. */
  guides: readonly { at: Place; cylinders: readonly number[] }[];
  /** Share of its route by which a lead is longer, so that it hangs: 0 for none. */
  slack: number;
  /** Denominator of the scale. */
  scale: number;
  /** Outside diameter of the real lead, mm. */
  realMm: readonly [number, number];
}

export type IgnitionSource =
  /** A cap (upright or lying) whose rotor turns as seen from its outside. `firstDeg`: tower of the cylinder that fires first,
   *  clockwise from the front or, for one that lies, from above. */
  | {
      kind: 'distributor' | 'magneto';
      lies: boolean;
      at: Place;
      capRadiusMm: number;
      towers: number;
      rotor: 'clockwise' | 'anticlockwise';
      firstDeg: number;
      /** 2 where every cylinder has two plugs, each with a cap of its own. */
      plugs: 1 | 2;
    }
  /** One on every plug: no lead at all. */
  | { kind: 'coil-per-plug' };

export interface Lead {
  cylinder: number;
  /** 1, or 2 for the second cap. */
  cap: 1 | 2;
  /** From 0 in the sense of the rotor; and where it stands, degrees clockwise as seen from outside. */
  tower: number;
  towerDeg: number;
  route: Place[];
  /** To be cut, slack and both ends in their holes included, mm. */
  lengthMm: number;
}

export interface IgnitionPlan {
  cylinders: Cylinder[];
  leads: Lead[];
  /** Wire and drill; null where there is no lead. */
  wire: ScaledRun | null;
  /** Cylinders whose leads run side by side and fire one after the other: kept apart by a separator. */
  apart: [number, number][];
  /** Leads by their place in `leads`, in the order in which they are glued, so that none shuts off the hole of another; and
   *  those that would all the same, since they lie over each other in a ring: they are bent aside. */
  gluing: number[];
  bentAside: number[];
  /** All leads together, mm. */
  totalMm: number;
}

/** Each end goes so far into its hole, mm. */
const IN_HOLE_MM = 1;
const MOST_SLACK = 2;

/** Which tower feeds which plug, how long each lead is, what must be kept apart, and in what order they are glued. Walking
 *  round the cap the way of its rotor gives the firing order. Throws RangeError that says what is wrong. */
export function planIgnition(question: IgnitionQuestion): IgnitionPlan {
  const { layout, numbering, firingOrder, source, slack, scale, realMm } = question;
  const cylinders = cylindersOf(layout, numbering, question.ownNumbers);
  requireOrder(firingOrder, cylinders.length);
  if (!(slack >= 0 && slack <= MOST_SLACK))
    throw new RangeError(`A slack of ${slack} cannot be: give a share from 0 to ${MOST_SLACK}.`);
  if (source.kind === 'coil-per-plug')
    return { cylinders, leads: [], wire: null, apart: [], gluing: [], bentAside: [], totalMm: 0 };
  if (source.towers !== cylinders.length)
    throw new RangeError(
      `The cap has ${source.towers} towers for ${cylinders.length} plugs: give one tower for each cylinder.`,
    );
  if (!(source.capRadiusMm > 0)) throw new RangeError('The cap has no width: give its radius above zero.');
  const leads = ([1, 2] as const)
    .slice(0, source.plugs)
    .flatMap((cap) =>
      firingOrder.map((number, tower) => leadOf(question, source, cylinders, { number, tower, cap })),
    );
  const wire = scaledRun(realMm, scale);
  return {
    cylinders,
    leads,
    wire,
    apart: keptApart(cylinders, question),
    ...gluingOrder(leads, wire.wireMm),
    totalMm: leads.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
  };
}

function requireOrder(order: readonly number[], cylinders: number): void {
  const repeated = order.find((number, at) => order.indexOf(number) !== at);
  if (repeated !== undefined) throw new RangeError(`The firing order names cylinder ${repeated} twice.`);
  const strange = order.find((number) => !Number.isInteger(number) || number < 1 || number > cylinders);
  if (strange !== undefined)
    throw new RangeError(`The firing order names cylinder ${strange}: there are 1 to ${cylinders}.`);
  if (order.length < cylinders) {
    const missing = Array.from({ length: cylinders }, (_, at) => at + 1).filter(
      (each) => !order.includes(each),
    );
    throw new RangeError(`The firing order leaves out ${missing.join(', ')}.`);
  }
}

type Cap = Exclude<IgnitionSource, { kind: 'coil-per-plug' }>;

function leadOf(
  { guides, slack }: IgnitionQuestion,
  source: Cap,
  cylinders: readonly Cylinder[],
  { number, tower, cap }: { number: number; tower: number; cap: 1 | 2 },
): Lead {
  const sense = source.rotor === 'clockwise' ? 1 : -1;
  const towerDeg = (((source.firstDeg + (sense * tower * 360) / source.towers) % 360) + 360) % 360;
  const from = towerAt(source, towerDeg, cap);
  const { plug } = cylinders[number - 1]!;
  const route = [
    from,
    ...guides.filter((guide) => guide.cylinders.includes(number)).map(({ at }) => at),
    plug,
  ];
  const straight = route.slice(1).reduce((sum, to, at) => sum + distance(route[at]!, to), 0);
  return {
    cylinder: number,
    cap,
    tower,
    towerDeg,
    route,
    lengthMm: straight * (1 + slack) + 2 * IN_HOLE_MM,
  };
}

const distance = (a: Place, b: Place) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** A second cap stands beside the first, to the right of it. */
const SECOND_CAP_RADII = 2.5;

/** Where a tower stands: one that stands is looked at from above, its front forward; one that lies from the front, its top up. */
function towerAt({ lies, at: [x, y, z], capRadiusMm }: Cap, degrees: number, cap: 1 | 2): Place {
  const turn = (degrees * Math.PI) / 180;
  const aside = cap === 2 ? -SECOND_CAP_RADII * capRadiusMm : 0;
  // Clockwise from above turns the front to the right; from the front it turns the top to the engine's left.
  return lies
    ? [x, y + aside + capRadiusMm * Math.sin(turn), z + capRadiusMm * Math.cos(turn)]
    : [x + capRadiusMm * Math.cos(turn), y + aside - capRadiusMm * Math.sin(turn), z];
}

/** Neighbours along a bank, or in one guide, that fire one after the other. */
function keptApart(
  cylinders: readonly Cylinder[],
  { firingOrder, guides }: IgnitionQuestion,
): [number, number][] {
  return firingOrder.flatMap((number, at): [number, number][] => {
    const next = firingOrder[(at + 1) % firingOrder.length]!;
    if (next === number || (firingOrder.length === 2 && at === 1)) return [];
    const [a, b] = [cylinders[number - 1]!, cylinders[next - 1]!];
    const beside = a.bank === b.bank && Math.abs(a.row - b.row) === 1;
    const shared = guides.some((guide) => guide.cylinders.includes(number) && guide.cylinders.includes(next));
    return beside || shared ? [[number, next]] : [];
  });
}

/** A lead whose way runs over the plug of another, as seen from above, is glued after it; else the lowest plugs come first, and
 *  of those the ones that are furthest from the cap. */
function gluingOrder(leads: readonly Lead[], wireMm: number): Pick<IgnitionPlan, 'gluing' | 'bentAside'> {
  const covers = leads.map((lead, at) =>
    leads.flatMap((other, place) =>
      place !== at && runsOver(lead, other.route.at(-1)!, wireMm) ? [place] : [],
    ),
  );
  const gluing: number[] = [];
  const bentAside: number[] = [];
  const left = new Set(leads.keys());
  const first = (p: number, q: number) =>
    leads[p]!.route.at(-1)![2] - leads[q]!.route.at(-1)![2] ||
    leads[q]!.lengthMm - leads[p]!.lengthMm ||
    p - q;
  while (left.size > 0) {
    const free = [...left].filter((at) => covers[at]!.every((under) => !left.has(under)));
    const next = [...(free.length > 0 ? free : left)].sort(first)[0]!;
    if (free.length === 0) bentAside.push(next);
    gluing.push(next);
    left.delete(next);
  }
  return { gluing, bentAside };
}

/** Whether a route passes above a plug anywhere nearer than two wires, as seen from above. */
function runsOver({ route }: Lead, [x, y, z]: Place, wireMm: number): boolean {
  const reach = 2 * wireMm;
  return route.slice(1).some((to, at) => {
    const from = route[at]!;
    const [dx, dy, ex, ey] = [to[0] - from[0], to[1] - from[1], from[0] - x, from[1] - y];
    // The stretch within reach: between the roots of |e + t d|^2 = reach^2.
    const [a, b, c] = [dx * dx + dy * dy, ex * dx + ey * dy, ex * ex + ey * ey - reach * reach];
    const root = Math.sqrt(b * b - a * c);
    const ends = a > 0 ? [(-b - root) / a, (-b + root) / a] : c < 0 ? [0, 1] : [];
    const [begins, leaves] = [Math.max(0, ends[0] ?? 1), Math.min(1, ends[1] ?? 0)];
    const height = (t: number) => from[2] + t * (to[2] - from[2]);
    // A line that passes by has no roots, and every comparison with them is false.
    return begins <= leaves && Math.max(height(begins), height(leaves)) > z + wireMm;
  });
}
