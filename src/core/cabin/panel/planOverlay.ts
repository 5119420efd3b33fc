import { betweenMm, toEdgeMm, type PanelFace, type PanelOpening } from './openings.ts';

export interface OverlayQuestion extends PanelFace {
  /** Thickness of the sheet, mm. */
  gaugeMm: number;
  openings: readonly PanelOpening[];
  /** Drills that are owned, mm. */
  drills: readonly number[];
}

/** How one opening is made. */
export interface OverlayHole {
  id: string;
  name: string;
  /** drill: through at its size; open-out: the largest drill, then a round file; cut: corners drilled, sides cut; knife: too narrow
   *  for any drill. */
  way: 'drill' | 'open-out' | 'cut' | 'knife';
  /** The last drill, mm, 0 for none, and by how much it is off the size that is wanted; negative where it is smaller. */
  drillMm: number;
  offMm: number;
  /** Drills before it, the thinnest first, mm. */
  pilotsMm: number[];
  /** The thinnest web beside it, mm. */
  leastWebMm: number;
}

/** Plastic that stays between two openings, or between one and the edge. */
export interface OverlayWeb {
  a: string;
  /** Null for the edge. */
  b: string | null;
  mm: number;
  verdict: 'holds' | 'weak' | 'breaks';
  /** By how much the two are to be moved apart for it to hold. */
  moveMm: number;
}

export interface OverlayPlan {
  /** In the order in which they are opened. */
  holes: OverlayHole[];
  /** Webs that do not simply hold, the thinnest first. */
  webs: OverlayWeb[];
  /** Everything is drilled before the piece is cut from its sheet, which holds it. */
  drillFirst: boolean;
}

/** A web of less than so many thicknesses of the sheet breaks at the drill, or is bent by it. Working values. */
const WEB_TIMES = { breaks: 2, holds: 3 };
/** From here on a hole is led up to. */
const PILOT_FROM_MM = 1;
const PILOT_MM = 0.5;

const pair = (a: string, b: string | null) => (b === null ? `${a} and the edge` : `${a} and ${b}`);

function checkFace({ widthMm, heightMm, cornerMm, gaugeMm, drills, openings }: OverlayQuestion): void {
  for (const [value, what] of [
    [widthMm, 'width'],
    [heightMm, 'height'],
    [gaugeMm, 'sheet'],
  ] as const)
    if (!(value > 0)) throw new RangeError(`Its ${what} of ${value} mm is none: give more than 0.`);
  if (!(cornerMm >= 0)) throw new RangeError(`Corners of ${cornerMm} mm are none: give 0 or more.`);
  if (drills.length === 0 || drills.some((drill) => !(drill > 0)))
    throw new RangeError('No drill to open it with: say which there are, each thicker than 0.');
  for (const { name, widthMm: wide, heightMm: high } of openings)
    if (!(wide > 0) || !(high > 0)) throw new RangeError(`${name} has no size: give more than 0 mm.`);
}

/** The drill nearest to a diameter; of two as near the thinner, since a hole can be opened out. */
const nearestDrill = (drills: readonly number[], mm: number): number =>
  drills.reduce((best, drill) =>
    Math.abs(drill - mm) < Math.abs(best - mm) - 1e-9 ||
    (Math.abs(Math.abs(drill - mm) - Math.abs(best - mm)) <= 1e-9 && drill < best)
      ? drill
      : best,
  );

function holeOf(
  { id, name, round, widthMm, heightMm }: PanelOpening,
  drills: readonly number[],
): Omit<OverlayHole, 'leastWebMm'> {
  const most = Math.max(...drills);
  if (!round) {
    // A drill in each corner that stays within the opening.
    const side = Math.min(widthMm, heightMm);
    const fitting = drills.filter((drill) => drill <= side / 2);
    if (fitting.length === 0) return { id, name, way: 'knife', drillMm: 0, offMm: 0, pilotsMm: [] };
    const drillMm = Math.max(...fitting);
    return { id, name, way: 'cut', drillMm, offMm: 0, pilotsMm: [] };
  }
  const drillMm = nearestDrill(drills, widthMm);
  const isTooSmall = drillMm === most && widthMm > 1.1 * most;
  return {
    id,
    name,
    way: isTooSmall ? 'open-out' : 'drill',
    drillMm,
    offMm: drillMm - widthMm,
    pilotsMm: pilotsFor(drillMm, drills),
  };
}

/** Drills that lead up to one: a needle hole, and half its size where it is wide. */
function pilotsFor(mm: number, drills: readonly number[]): number[] {
  if (mm < PILOT_FROM_MM) return [];
  const wanted = mm > 4 * PILOT_MM ? [PILOT_MM, mm / 2] : [PILOT_MM];
  return [...new Set(wanted.map((each) => nearestDrill(drills, each)))]
    .filter((each) => each < mm)
    .sort((p, q) => p - q);
}

/** How the face of a panel is opened: a drill for each hole of those there are, what stays between holes and at the edges, and an
 *  order that keeps the piece strong: what stands free first, close pairs later, rectangles last. Throws RangeError where openings
 *  overlap or break out of the face, all of them named, and for sizes that are none. */
export function planOverlay(question: OverlayQuestion): OverlayPlan {
  checkFace(question);
  const { openings, gaugeMm, drills } = question;
  const made = openings.map((opening) => ({ opening, hole: holeOf(opening, drills) }));
  // What is drilled wider leaves less.
  const asMade = made.map(({ opening, hole }) =>
    hole.way === 'drill' && hole.offMm > 0
      ? { ...opening, widthMm: hole.drillMm, heightMm: hole.drillMm }
      : opening,
  );
  const wrong: string[] = [];
  const webs: OverlayWeb[] = [];
  const least = new Map<string, number>();
  const note = (a: PanelOpening, b: PanelOpening | null, mm: number) => {
    if (mm < 0) {
      wrong.push(`${pair(a.name, b?.name ?? null)} overlap by ${(-mm).toFixed(2)} mm`);
      return;
    }
    for (const each of b ? [a, b] : [a]) least.set(each.id, Math.min(least.get(each.id) ?? Infinity, mm));
    const verdict =
      mm < WEB_TIMES.breaks * gaugeMm ? 'breaks' : mm < WEB_TIMES.holds * gaugeMm ? 'weak' : 'holds';
    if (verdict === 'holds') return;
    webs.push({ a: a.id, b: b?.id ?? null, mm, verdict, moveMm: WEB_TIMES.holds * gaugeMm - mm });
  };
  asMade.forEach((one, at) => {
    note(one, null, toEdgeMm(question, one));
    for (const other of asMade.slice(at + 1)) note(one, other, betweenMm(one, other));
  });
  if (wrong.length > 0)
    throw new RangeError(`${wrong.join('; ')}: move them apart, or make one of them smaller.`);

  const holes = made
    .map(({ hole }) => ({ ...hole, leastWebMm: least.get(hole.id)! }))
    .sort((p, q) => {
      const late = (hole: OverlayHole) =>
        hole.way === 'cut' || hole.way === 'knife' ? 2 : hole.leastWebMm < WEB_TIMES.holds * gaugeMm ? 1 : 0;
      return late(p) - late(q) || q.leastWebMm - p.leastWebMm || p.drillMm - q.drillMm;
    });
  return {
    holes,
    webs: webs.sort((p, q) => p.mm - q.mm),
    drillFirst: webs.length > 0,
  };
}
