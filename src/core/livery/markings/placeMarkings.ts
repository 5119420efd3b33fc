import type { Kit, LiveryView, Marking } from '../../kit/index.ts';
import { baseOf, measuredView } from '../bodies.ts';
import { boxAround, type Box } from '../geometry/readOutline.ts';
import {
  areaOf,
  regionOf,
  regionOfPath,
  together,
  within,
  without,
  type Region,
} from '../geometry/region.ts';
import { remembered } from '../remembered.ts';
import { ringsOfMarking } from '../shapes.ts';

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

/** More of a marking beside the outline than this is no slip of the hand. */
export const BESIDE_SHARE = 0.02;
/** A share below this is a matter of drawing, not of paint. */
const LEAST_SHARE = 0.01;
/** What two markings may share of their surface before one lies on the other, mm2. */
const TOUCHING = 0.05;

/** What a marking covers on its view, and the box around it. */
function footprint(marking: Marking): { region: Region; box: Box } {
  const rings = ringsOfMarking(marking);
  return { region: regionOf(rings), box: boxAround(rings) ?? { x: 0, y: 0, width: 0, height: 0 } };
}

const meets = (one: Box, other: Box): boolean =>
  one.x < other.x + other.width &&
  other.x < one.x + one.width &&
  one.y < other.y + other.height &&
  other.y < one.y + one.height;

/** Liveries of a few builds, each as it was lately. */
const MOST_LIVERIES = 20;

/** All markings of a kit, each with what it lies on. */
export const placeMarkings = remembered(
  MOST_LIVERIES,
  (kit: Kit) =>
    JSON.stringify([
      kit.markings,
      kit.liveryAreas,
      kit.views.map((view) => [view, baseOf(view, kit)]),
      kit.parts.map(({ id }) => id),
    ]),
  placed,
);

function placed(kit: Kit): PlacedMarking[] {
  const footprints = new Map(kit.markings.map((marking) => [marking.id, footprint(marking)]));
  const lays = new Map(kit.views.map((view) => [view.id, layOf(view, kit)]));
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
    const { region, box } = footprints.get(marking.id)!;
    // Most lie nowhere near each other: only those whose boxes meet are clipped.
    const below = kit.markings.filter(
      (other) =>
        other.viewId === view.id &&
        other.id !== marking.id &&
        isBelow(other, marking, kit.markings) &&
        meets(box, footprints.get(other.id)!.box),
    );
    return {
      marking,
      ...onView(region, lays.get(view.id)!),
      over: below
        .filter(({ id }) => areaOf(within(region, footprints.get(id)!.region)) > TOUCHING)
        .map(({ id }) => id),
    };
  });
}

const isBelow = (a: Marking, b: Marking, all: readonly Marking[]): boolean =>
  a.order < b.order || (a.order === b.order && all.indexOf(a) < all.indexOf(b));

/** A view as far as its markings ask: the region of each part and of each finish on it. */
function layOf(view: LiveryView, kit: Kit) {
  const measured = measuredView(view, kit);
  const body = regionOf(measured.body);
  const parts = (view.regions ?? []).map(({ partId, path }) => ({
    id: partId,
    region: within(regionOfPath(path), body),
  }));
  const rest = without(body, together(parts.map(({ region }) => region)));
  const seen = measured.areas.flatMap(({ finishId, rings }) =>
    finishId === null ? [] : [{ id: finishId, region: regionOf(rings) }],
  );
  return {
    body,
    parts: byId([...parts, ...(view.partId === null ? [] : [{ id: view.partId, region: rest }])]),
    finishes: byId(seen),
  };
}

/** Regions that bear one name as one. */
function byId(all: readonly { id: string; region: Region }[]): { id: string; region: Region }[] {
  const regions = new Map<string, Region[]>();
  for (const { id, region } of all) regions.set(id, [...(regions.get(id) ?? []), region]);
  return [...regions].map(([id, each]) => ({ id, region: together(each) }));
}

function onView(
  region: Region,
  { body, parts, finishes }: ReturnType<typeof layOf>,
): Pick<PlacedMarking, 'on' | 'under' | 'beside'> {
  const whole = areaOf(region);
  const share = (other: Region) => (whole > 0 ? areaOf(within(region, other)) / whole : 0);
  const shares = (all: readonly { id: string; region: Region }[]) =>
    all
      .map((each) => ({ id: each.id, share: share(each.region) }))
      .filter((each) => each.share >= LEAST_SHARE)
      .sort((p, q) => q.share - p.share);
  return {
    on: shares(parts).map(({ id, ...of }) => ({ partId: id, ...of })),
    under: shares(finishes).map(({ id, ...of }) => ({ finishId: id, ...of })),
    beside: Math.max(0, 1 - share(body)),
  };
}
