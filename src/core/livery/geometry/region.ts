import {
  area,
  booleanOpWithPolyTree,
  ClipType,
  difference,
  EndType,
  FillRule,
  inflatePaths,
  intersect,
  JoinType,
  minkowskiSum,
  PolyTree64,
  union,
  type Paths64,
  type PolyPath64,
} from 'clipper2-ts';
import { readOutline, type Point, type Ring } from './readOutline.ts';
import { ringsPath } from './writePath.ts';

/** What some rings enclose, holes taken out: in whole tenths of a micrometre, so that clipping is exact. */
export type Region = Paths64;

/** Tenths of a micrometre: products of two coordinates of some metres still fit a double exactly. */
const UNITS = 10_000;

const inward = (rings: readonly Ring[]): Paths64 =>
  rings.map((ring) => ring.map(([x, y]) => ({ x: Math.round(x * UNITS), y: Math.round(y * UNITS) })));
const outward = (paths: Paths64): Point[][] =>
  paths.map((path) => path.map(({ x, y }): Point => [x / UNITS, y / UNITS]));

/** The region of rings: where they lie within each other every other one is a hole. */
export const regionOf = (rings: readonly Ring[]): Region => union(inward(rings), [], FillRule.EvenOdd);
/** What the closed paths of SVG's language enclose, mm. */
export const regionOfPath = (d: string): Region => regionOf(readOutline(d).rings);
/** The rings of a region. */
export const ringsOf = (region: Region): Point[][] => outward(region);
/** A region as a path; its holes run the other way round. */
export const regionPath = (region: Region): string => ringsPath(ringsOf(region));
export const within = (region: Region, other: Region): Region => intersect(region, other, FillRule.NonZero);
export const without = (region: Region, other: Region): Region => difference(region, other, FillRule.NonZero);
export const together = (regions: readonly Region[]): Region => union(regions.flat(), [], FillRule.NonZero);

/** Chords of rounded corners stay within 5 um of the arc. */
const ARC_UNITS = 0.005 * UNITS;

/** A region grown by so much all round, its outer corners rounded; shrunken where that is negative. */
export const grown = (region: Region, mm: number): Region =>
  mm === 0 ? region : inflatePaths(region, mm * UNITS, JoinType.Round, EndType.Polygon, 2, ARC_UNITS);

/** All that a region passes over as it is moved by so much, mm. */
export function swept(region: Region, [dx, dy]: Point): Region {
  const way = inward([
    [
      [0, 0],
      [dx, dy],
    ],
  ])[0]!;
  const edges = region.flatMap((ring) => minkowskiSum(way, ring, true));
  const moved = region.map((ring) => ring.map(({ x, y }) => ({ x: x + way[1]!.x, y: y + way[1]!.y })));
  // Each by itself: where one runs over the hole of another it fills it.
  return together([region, moved, union(edges, [], FillRule.NonZero)]);
}

/** What of a region hangs together, each with its holes after its edge. */
export function separate(region: Region): Region[] {
  const tree = new PolyTree64();
  booleanOpWithPolyTree(ClipType.Union, region, null, tree, FillRule.NonZero);
  /** Within a hole other pieces may lie. */
  const piecesIn = (holder: PolyPath64): Region[] =>
    childrenOf(holder).flatMap((piece) => {
      const holes = childrenOf(piece);
      return [[piece, ...holes].flatMap(({ poly }) => (poly ? [poly] : [])), ...holes.flatMap(piecesIn)];
    });
  return piecesIn(tree);
}

const childrenOf = (path: PolyPath64): PolyPath64[] =>
  Array.from({ length: path.count }, (_, at) => path.child(at));

/** Square millimetres. */
export const areaOf = (region: Region): number =>
  region.reduce((sum, path) => sum + area(path), 0) / (UNITS * UNITS);

/** Whether a ring crosses itself: filled throughout it covers another area than filled by turns. */
export function crossesItself(ring: Ring): boolean {
  const paths = inward([ring]);
  const throughout = areaOf(union(paths, [], FillRule.NonZero));
  const byTurns = areaOf(union(paths, [], FillRule.EvenOdd));
  const signed = Math.abs(areaOf(paths));
  return (
    Math.abs(throughout - byTurns) > 1e-3 * throughout || Math.abs(throughout - signed) > 1e-3 * throughout
  );
}

/** A test whether a point lies in a region, borders aside. */
export function insideOf(region: Region): (point: Point) => boolean {
  const rings = outward(region).map((ring) => ({
    ring,
    left: Math.min(...ring.map(([x]) => x)),
    right: Math.max(...ring.map(([x]) => x)),
    top: Math.min(...ring.map(([, y]) => y)),
    bottom: Math.max(...ring.map(([, y]) => y)),
  }));
  return ([x, y]) => {
    let winding = false;
    for (const { ring, left, right, top, bottom } of rings) {
      if (x < left || x > right || y < top || y > bottom) continue;
      for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
        const [xi, yi] = ring[i]!;
        const [xj, yj] = ring[j]!;
        if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) winding = !winding;
      }
    }
    return winding;
  };
}
