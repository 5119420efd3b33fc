import type { LiveryArea, LiveryView } from '../kit/index.ts';
import { readOutline, type Point } from './geometry/readOutline.ts';
import {
  areaOf,
  crossesItself,
  insideOf,
  regionOf,
  regionOfPath,
  ringsOf,
  together,
  within,
  without,
  type Region,
} from './geometry/region.ts';
import { FOLLOWS_MM, mouldedLines, nearestOn, type MouldedView } from './mouldings/mouldedLines.ts';
import { shapeOf } from './shapes.ts';

/** What is seen of one area, or of the base; mm on the model. */
export interface SeenArea {
  /** Null for the base. */
  areaId: string | null;
  finishId: string | null;
  /** On the flat view, cm2, and on the surface itself: times the slope of the view. */
  flatCm2: number;
  cm2: number;
  rings: Point[][];
}

/** Where two finishes meet on a view. */
export interface SeenBorder {
  a: string;
  b: string;
  lengthMm: number;
  /** Tightest curve; null where it is straight. */
  leastRadiusMm: number | null;
  /** It runs along a moulded line. */
  moulded: boolean;
}

export interface MeasuredView {
  /** All that can be painted of the view, cm2 on the flat. */
  flatCm2: number;
  areas: SeenArea[];
  borders: SeenBorder[];
  /** What is wrong, by area or of the view itself (null). */
  faults: { areaId: string | null; what: string }[];
  /** What can be painted: the outline without its openings. */
  body: Point[][];
}

/** A turn sharper than this is a corner, where tape is cut, and no curve; radians. */
const CORNER = Math.PI / 6;
/** How far beside a line is looked which finish lies there, mm. */
const BESIDE = 0.02;

/** What is seen of every finish of a view, and where they meet. `baseId`: the finish of what no area covers; null where
 *  none is chosen. */
export function measureView(
  view: Pick<LiveryView, 'outline' | 'openings' | 'slope'> & MouldedView,
  areas: readonly LiveryArea[],
  baseId: string | null,
): MeasuredView {
  const faults: MeasuredView['faults'] = [];
  const outline = readOutline(view.outline);
  for (const what of outline.faults) faults.push({ areaId: null, what });
  if (outline.rings.some(crossesItself))
    faults.push({
      areaId: null,
      what: 'The outline crosses itself: what lies in the loop counts as a hole.',
    });
  const openings = view.openings.flatMap(({ name, path }) => {
    const read = readOutline(path);
    for (const what of read.faults) faults.push({ areaId: null, what: `${name}: ${what}` });
    return read.rings.length > 0 ? [regionOf(read.rings)] : [];
  });
  const body = without(regionOf(outline.rings), together(openings));
  const laid = [...areas]
    .sort((p, q) => p.order - q.order)
    .map((area) => ({ area, region: regionIn(area, body, faults) }));
  const seen: Region[] = [];
  let covered: Region = [];
  for (const { region } of [...laid].reverse()) {
    seen.unshift(without(region, covered));
    covered = together([covered, region]);
  }
  const base = without(body, covered);
  const moulded = mouldedLines(view);
  for (const what of moulded.faults) faults.push({ areaId: null, what });
  const onLine = nearestOn(moulded.lines, FOLLOWS_MM);
  const surface = surfaceOn(view);
  const seenArea = (areaId: string | null, finishId: string | null, region: Region): SeenArea => ({
    areaId,
    finishId,
    flatCm2: areaOf(region) / 100,
    cm2: surface(region),
    rings: ringsOf(region),
  });
  return {
    flatCm2: areaOf(body) / 100,
    areas: [
      seenArea(null, baseId, base),
      ...laid.map(({ area }, at) => seenArea(area.id, area.finishId, seen[at]!)),
    ],
    borders: bordersOf(
      [
        { finishId: baseId, region: base },
        ...laid.map(({ area }, at) => ({ finishId: area.finishId, region: seen[at]! })),
      ],
      (point) => onLine(point) !== undefined,
    ),
    faults,
    body: ringsOf(body),
  };
}

/** Surface of a region of a view, cm2: each part of it by its own slope, where that is said. */
function surfaceOn({
  slope,
  regions = [],
}: Pick<LiveryView, 'slope' | 'regions'>): (region: Region) => number {
  const sloped = regions.flatMap((each) =>
    each.slope === undefined ? [] : [{ slope: each.slope, region: regionOfPath(each.path) }],
  );
  return (region) => {
    let left = region;
    let cm2 = 0;
    for (const each of sloped) {
      cm2 += (each.slope * areaOf(within(left, each.region))) / 100;
      left = without(left, each.region);
    }
    return cm2 + (slope * areaOf(left)) / 100;
  };
}

/** What of an area lies on the view; what is wrong with it is said. */
function regionIn(area: LiveryArea, body: Region, faults: MeasuredView['faults']): Region {
  const { rings, faults: own } = shapeOf(area);
  for (const what of own) faults.push({ areaId: area.id, what });
  if (rings.length === 0) return [];
  if (rings.some(crossesItself))
    faults.push({ areaId: area.id, what: 'It crosses itself: what lies in the loop counts as a hole.' });
  const inside = within(regionOf(rings), body);
  if (areaOf(inside) === 0)
    faults.push({ areaId: area.id, what: 'It lies outside the outline: nothing of it is seen.' });
  return inside;
}

/** Longest piece of an edge that is looked at as one, mm: where two areas happen to share an edge, what lies beside it may
 *  change along it. */
const PIECE = 1;

/** Lengths along which two finishes meet: the edges of what is seen of each area, wherever another that lies higher is just
 *  beside it. The lower one is walked: it is cut off exactly where the upper one begins. */
function bordersOf(
  layers: readonly { finishId: string | null; region: Region }[],
  isMoulded: (point: Point) => boolean,
): SeenBorder[] {
  const all = layers.map(({ region, finishId }) => ({
    finishId,
    rings: ringsOf(region),
    isInside: insideOf(region),
  }));
  const found = new Map<string, SeenBorder & { radius: number }>();
  all.forEach(({ finishId, rings }, place) => {
    const above = all.slice(place + 1);
    if (finishId === null || above.length === 0) return;
    const upper = (point: Point) => above.find(({ isInside }) => isInside(point))?.finishId;
    for (const ring of rings) {
      const met = ring.map((from, at) =>
        metAlong(from, ring[(at + 1) % ring.length]!, finishId, upper, isMoulded),
      );
      met.forEach((lengths, at) => {
        for (const [key, { other, moulded, lengthMm }] of lengths) {
          const [a, b] = [finishId, other].sort() as [string, string];
          const border = found.get(`${a} ${b} ${moulded}`) ?? {
            a,
            b,
            lengthMm: 0,
            leastRadiusMm: null,
            moulded,
            radius: Infinity,
          };
          border.lengthMm += lengthMm;
          // Where the border ends the ring goes on along something else.
          const goesOn = met[(at + 1) % ring.length]!.has(key);
          if (goesOn) border.radius = Math.min(border.radius, radiusAt(ring, at));
          found.set(`${a} ${b} ${moulded}`, border);
        }
      });
    }
  });
  return [...found.values()].map(({ radius, ...border }) => ({
    ...border,
    leastRadiusMm: Number.isFinite(radius) ? radius : null,
  }));
}

interface Met {
  other: string;
  moulded: boolean;
  lengthMm: number;
}

/** The lengths of one edge along which other finishes lie just beside it, on either side; apart where it runs along a moulded
 *  line. */
function metAlong(
  from: Point,
  to: Point,
  finishId: string,
  upper: (point: Point) => string | null | undefined,
  isMoulded: (point: Point) => boolean,
): Map<string, Met> {
  const met = new Map<string, Met>();
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const pieces = Math.ceil(length / PIECE);
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  for (let piece = 0; piece < pieces; piece++) {
    const along = ((piece + 0.5) / pieces) * length;
    const beside = (side: number): Point => [
      from[0] + along * ux - side * BESIDE * uy,
      from[1] + along * uy + side * BESIDE * ux,
    ];
    const other = upper(beside(1)) ?? upper(beside(-1));
    if (!other || other === finishId) continue;
    const moulded = isMoulded([from[0] + along * ux, from[1] + along * uy]);
    const key = `${other} ${moulded}`;
    const lengthMm = (met.get(key)?.lengthMm ?? 0) + length / pieces;
    met.set(key, { other, moulded, lengthMm });
  }
  return met;
}

/** Radius of the curve that a ring takes from one of its chords to the next, mm: Infinity for straight lines and corners. */
function radiusAt(ring: readonly Point[], at: number): number {
  const [p, q, r] = [0, 1, 2].map((further) => ring[(at + further) % ring.length]!) as [Point, Point, Point];
  const [first, second] = [Math.hypot(q[0] - p[0], q[1] - p[1]), Math.hypot(r[0] - q[0], r[1] - q[1])];
  const turn = Math.abs(
    Math.atan2(
      (q[0] - p[0]) * (r[1] - q[1]) - (q[1] - p[1]) * (r[0] - q[0]),
      (q[0] - p[0]) * (r[0] - q[0]) + (q[1] - p[1]) * (r[1] - q[1]),
    ),
  );
  // Points lie on a grid: a turn of less, or at what clipping has left of a chord, says nothing.
  const isStump = Math.min(first, second) < 0.5 * Math.max(first, second);
  return isStump || turn > CORNER || turn < 2e-3 ? Infinity : (first + second) / 2 / turn;
}
