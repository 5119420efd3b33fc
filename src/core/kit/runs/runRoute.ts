import {
  bendRoute,
  boxesOnRoute,
  MAKE_FACTS,
  type BentRoute,
  type Point,
  type RouteBox,
} from '../../detail/index.ts';
import { worked } from '../../worked.ts';
import type { Kit, PartBox, PastPart, Run } from '../records/index.ts';
import { makeOfRun, runAtScale } from './runAtScale.ts';

/** So much of each end goes into its hole, or lies behind what hides it, mm. */
const END_MM = { hole: 2, unseen: 3 };
/** It lies so far from what it goes past, mm, and may graze a box by as much. */
const CLEAR_MM = 0.5;

/** How a run is led, as far as the places of its parts are said. */
export interface RunRoute {
  /** Parts whose place is not said. */
  missing: string[];
  route?: BentRoute;
  /** What is wrong with the route. */
  fault?: string;
  /** Parts through which it would go. */
  through: string[];
  /** Least radius for what it is made of, mm. */
  leastMm: number;
  /** Of one piece as it is cut, mm: as it was measured, or else by its route; null where neither is known. */
  lengthMm: number | null;
  isMeasured: boolean;
}

/** A part as a box: x forward, y left, z up, mm. */
export const boxOf = ({
  partId,
  behindMm,
  leftMm,
  upMm,
  lengthMm,
  widthMm,
  heightMm,
}: PartBox): RouteBox => ({
  id: partId,
  min: [-behindMm - lengthMm / 2, leftMm - widthMm / 2, upMm - heightMm / 2],
  max: [-behindMm + lengthMm / 2, leftMm + widthMm / 2, upMm + heightMm / 2],
});

const middle = ({ min, max }: RouteBox): Point => [
  (min[0] + max[0]) / 2,
  (min[1] + max[1]) / 2,
  (min[2] + max[2]) / 2,
];

/** The point of a box that is nearest to another point. */
function nearest({ min, max }: RouteBox, [x, y, z]: Point): Point {
  const clamp = (value: number, axis: 0 | 1 | 2) => Math.min(max[axis], Math.max(min[axis], value));
  return [clamp(x, 0), clamp(y, 1), clamp(z, 2)];
}

const SIDE: Readonly<Record<PastPart['side'], readonly [axis: 0 | 1 | 2, way: 1 | -1]>> = {
  ahead: [0, 1],
  behind: [0, -1],
  left: [1, 1],
  right: [1, -1],
  over: [2, 1],
  under: [2, -1],
};

/** Beside the middle of a face, so far from it. */
function beside(box: RouteBox, side: PastPart['side'], clearMm: number): Point {
  const [axis, way] = SIDE[side];
  const point: [number, number, number] = [...middle(box)];
  point[axis] = (way > 0 ? box.max[axis] : box.min[axis]) + way * clearMm;
  return point;
}

/** The way of a run from part to part, past those that it goes past, with its bends and what it would go through. */
export function routeOfRun(run: Run, { partBoxes }: Pick<Kit, 'partBoxes'>, scale: number): RunRoute {
  const { fromPartId, toPartId, past = [], slackMm = 0, fromEnd, toEnd, lengthMm } = run;
  const boxes = new Map(partBoxes.map((box) => [box.partId, boxOf(box)]));
  const { wireMm } = runAtScale(run, scale);
  const leastMm = MAKE_FACTS[makeOfRun(run)].bendTimes * wireMm;
  const own = [fromPartId, ...past.map(({ partId }) => partId), toPartId];
  const missing = [...new Set(own.filter((id) => !boxes.has(id)))];
  const open = { missing, through: [], leastMm, lengthMm, isMeasured: lengthMm !== null };
  // What was measured goes its own way, unless it is said past what.
  if (lengthMm !== null && past.length === 0) return { ...open, missing: [] };
  const [from, to] = [boxes.get(fromPartId), boxes.get(toPartId)];
  if (missing.length > 0 || !from || !to) return open;

  const corners = past.map(({ partId, side }) => beside(boxes.get(partId)!, side, wireMm / 2 + CLEAR_MM));
  const first = nearest(from, corners[0] ?? middle(to));
  const last = nearest(to, corners.at(-1) ?? first);
  const points = [first, ...corners, last];
  const { answer: route, fault } = worked(() => bendRoute({ points, radiusMm: leastMm }));
  if (!route) return { ...open, fault };
  const others = [...boxes.values()].filter(({ id }) => !own.includes(id));
  const ends = [fromEnd, toEnd].reduce(
    (sum, end) => sum + (end === 'unseen' ? END_MM.unseen : END_MM.hole),
    0,
  );
  return {
    ...open,
    route,
    through: boxesOnRoute(points, others, CLEAR_MM + wireMm / 2),
    lengthMm: lengthMm ?? Math.round(10 * (route.lengthMm + slackMm + ends)) / 10,
  };
}
