import type { Kit, LiveryView, Marking } from '../../kit/index.ts';
import { baseOf, measuredView } from '../bodies.ts';
import { readOutline } from '../geometry/readOutline.ts';
import { areaOf, regionOf, together, within, without, type Region } from '../geometry/region.ts';
import { shapeOf } from '../shapes.ts';

/** Where a marking lies, from the geometry of its view. */
export interface PlacedMarking {
  marking: Marking;
  /** Parts that it lies on with the share of it on each, the most first; none where no view and no part is named. */
  on: { partId: string; share: number }[];
  /** Finishes under it with their shares, the most first; as far as they are known. */
  under: { finishId: string; share: number }[];
  /** Markings that it lies over. */
  over: string[];
  /** Share of it that lies beside the outline or on an opening. */
  beside: number;
}

/** A share below this is a matter of drawing, not of paint. */
const LEAST_SHARE = 0.01;
/** What two markings may share of their surface before one lies on the other, mm2. */
const TOUCHING = 0.05;

/** What a marking covers on its view. */
export const markingRegion = (marking: Marking): Region =>
  regionOf(shapeOf({ ...marking, shape: marking.round ? 'ellipse' : 'rectangle', path: '' }).rings);

/** All markings of a kit, each with what it lies on. */
export function placeMarkings(kit: Kit): PlacedMarking[] {
  const regions = new Map(kit.markings.map((marking) => [marking.id, markingRegion(marking)]));
  return kit.markings.map((marking) => {
    const view = kit.views.find(({ id }) => id === marking.viewId);
    if (!view) {
      const part = kit.parts.find(({ id }) => id === marking.partId);
      return {
        marking,
        on: part ? [{ partId: part.id, share: 1 }] : [],
        under: [],
        over: [],
        beside: 0,
      };
    }
    const region = regions.get(marking.id)!;
    const below = kit.markings.filter(
      (other) => other.viewId === view.id && other.id !== marking.id && isBelow(other, marking, kit.markings),
    );
    return {
      marking,
      ...onView(region, view, kit),
      over: below.filter(({ id }) => areaOf(within(region, regions.get(id)!)) > TOUCHING).map(({ id }) => id),
    };
  });
}

const isBelow = (a: Marking, b: Marking, all: readonly Marking[]): boolean =>
  a.order < b.order || (a.order === b.order && all.indexOf(a) < all.indexOf(b));

function onView(region: Region, view: LiveryView, kit: Kit): Pick<PlacedMarking, 'on' | 'under' | 'beside'> {
  const whole = areaOf(region);
  const measured = measuredView(view, kit);
  const share = (other: Region) => areaOf(within(region, other)) / whole;
  const body = regionOf(measured.body);
  const parts = (view.regions ?? []).map(({ partId, path }) => ({
    partId,
    region: within(regionOf(readOutline(path).rings), body),
  }));
  const rest = without(body, together(parts.map((each) => each.region)));
  const most = <T extends { share: number }>(each: T[]) =>
    each.filter((one) => one.share >= LEAST_SHARE).sort((p, q) => q.share - p.share);
  const on = new Map<string, number>();
  for (const each of [...parts, ...(view.partId === null ? [] : [{ partId: view.partId, region: rest }])])
    on.set(each.partId, (on.get(each.partId) ?? 0) + share(each.region));
  const under = new Map<string, number>();
  const baseId = baseOf(view, kit);
  for (const { areaId, finishId, rings } of measured.areas) {
    const id = areaId === null ? baseId : finishId;
    if (id !== null) under.set(id, (under.get(id) ?? 0) + share(regionOf(rings)));
  }
  return {
    on: most([...on].map(([partId, each]) => ({ partId, share: each }))),
    under: most([...under].map(([finishId, each]) => ({ finishId, share: each }))),
    beside: Math.max(0, 1 - share(body)),
  };
}
