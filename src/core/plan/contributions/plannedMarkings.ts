import { isInVersion, type Joint, type Marking } from '../../kit/index.ts';
import {
  baseOf,
  crossingWays,
  isPrinted,
  placeMarkings,
  type CrossingWay,
  type PlacedMarking,
} from '../../livery/index.ts';
import { traysOf, type DividedKit, type PrintedMarking } from '../contribution.ts';
import type { TaskKind } from '../tasks.ts';

/** A marking of the version that is built, with where and how it is brought on. */
export interface PlannedMarking extends PlacedMarking {
  trayIds: string[];
  /** The joint after paint, or between parts that move, that it lies across. */
  crossed?: { joint: Joint; joinId: string | null; ways: CrossingWay[]; way: CrossingWay };
}

/** Kinds of step at which markings go on. */
export const APPLIED: readonly TaskKind[] = ['decal', 'marking'];

export const isFilm = ({ route }: Marking) => route !== 'paint';
const hasClear = (build: DividedKit, trayId: string) =>
  build.trays.find(({ id }) => id === trayId)?.layers?.some(({ kind }) => kind === 'clear') === true;

/** Whether the version that is picked has it. */
export const inVersion = ({ optionId }: Marking, { kit }: DividedKit) => isInVersion(kit, optionId);

/** Where a marking crosses from one part to another that is joined to it later, or moves. */
function crossedBy(placed: PlacedMarking, build: DividedKit): PlannedMarking['crossed'] {
  const ids = new Set(placed.on.map(({ partId }) => partId));
  const between = build.kit.joints.filter(({ a, b }) => ids.has(a) && ids.has(b));
  const moves = ({ motion }: Joint) => motion !== 'none';
  const joint =
    between.find((each) => build.joinOf.has(each.id) && moves(each)) ??
    between.find((each) => build.joinOf.has(each.id)) ??
    between.find(moves);
  if (!joint) return undefined;
  const joinId = build.joinOf.get(joint.id) ?? null;
  const cleared = traysOf(build, [...ids]).some((trayId) => hasClear(build, trayId));
  const ways = crossingWays(placed.marking, { moves: moves(joint), cleared });
  return { joint, joinId, ways, way: ways.find(({ way }) => way === placed.marking.crossing) ?? ways[0]! };
}

const planned = new WeakMap<DividedKit, PlannedMarking[]>();

/** The markings of a build; asked for by each part of this contribution, worked out once. */
export function plannedMarkings(build: DividedKit): PlannedMarking[] {
  const known = planned.get(build) ?? planMarkings(build);
  planned.set(build, known);
  return known;
}

function planMarkings(build: DividedKit): PlannedMarking[] {
  if (build.kit.markings.length === 0) return [];
  return placeMarkings(build.kit)
    .filter(({ marking }) => inVersion(marking, build) !== 'no')
    .map((placed) => {
      const crossed = crossedBy(placed, build);
      return {
        ...placed,
        trayIds: traysOf(
          build,
          placed.on.map(({ partId }) => partId),
        ),
        ...(crossed ? { crossed } : {}),
      };
    });
}

/** What is printed on what colour, for the advice that knows the paint. */
export const printedMarkings = (build: DividedKit): PrintedMarking[] =>
  plannedMarkings(build).flatMap(({ marking, trayIds, under }) => {
    const ink = build.kit.decals.find(({ id }) => id === marking.colourId);
    const [trayId] = trayIds;
    if (!ink || trayId === undefined) return [];
    const { id, name, route } = marking;
    const { lab, transparent } = ink;
    const onWhite = isPrinted(marking) && build.kit.printings[0]?.whitePlate === true;
    const finishId = under[0]?.finishId ?? null;
    const view = build.kit.views.find((each) => each.id === marking.viewId);
    const onBase = finishId === null || !view || finishId === baseOf(view, build.kit);
    return [{ id, name, route, trayId, finishId, onBase, ink: { lab, transparent }, onWhite }];
  });
