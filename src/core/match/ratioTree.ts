import { dropRatios } from './ratios.ts';

/** A part of the simplex of mixing fractions, with the drop ratios that lie in it. */
export interface RatioNode {
  /** Indices into RatioTree.corners, one for each paint. */
  corners: Int32Array;
  /** Indices into RatioTree.ratios. */
  ratios: Int32Array;
  /** Weights of the corners that give each ratio's fractions, n for each of `ratios`. */
  weights: Float64Array;
  /** The halves made by cutting each edge, in the order of RatioTree.edges; made when first asked for. */
  halves: (RatioNode[] | undefined)[];
}

/** The drop ratios of n paints in a simplex of fractions that can be halved along any edge; it is the same
 *  for every choice of paints, so the parts made for one choice serve the others. */
export interface RatioTree {
  ratios: number[][];
  /** Mixing fractions at the corners of nodes. */
  corners: number[][];
  /** Pairs of corner positions within a node. */
  edges: [number, number][];
  root: RatioNode;
  /** The parts of a node on both sides of the middle of an edge; a part without ratios is left out. */
  halve: (node: RatioNode, edge: number) => RatioNode[];
}

/** Builds the tree for n >= 2 paints; the root is the smallest simplex that holds every ratio. */
export function buildRatioTree(n: number, maxDrops: number): RatioTree {
  const ratios = dropRatios(n, maxDrops);
  const corners: number[][] = [];
  const known = new Map<string, number>();
  const cornerIndex = (fraction: number[]) => {
    const key = fraction.map((value) => value.toFixed(9)).join();
    const index = known.get(key) ?? corners.push(fraction) - 1;
    known.set(key, index);
    return index;
  };
  const edges: [number, number][] = [];
  for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) edges.push([i, j]);

  const least = 1 / maxDrops;
  const scale = 1 - n * least;
  const root: RatioNode = {
    corners: Int32Array.from({ length: n }, (_, i) =>
      cornerIndex(Array.from({ length: n }, (_, j) => least + (i === j ? scale : 0))),
    ),
    ratios: Int32Array.from(ratios, (_, index) => index),
    weights: Float64Array.from(
      ratios.flatMap((drops) => {
        const total = drops.reduce((sum, count) => sum + count, 0);
        return drops.map((count) => (scale > 1e-12 ? (count / total - least) / scale : 1 / n));
      }),
    ),
    halves: [],
  };

  const chosen = new Int32Array(ratios.length);
  const halve = (node: RatioNode, edge: number): RatioNode[] => {
    const done = node.halves[edge];
    if (done) return done;
    const [i, j] = edges[edge]!;
    const middle = cornerIndex(
      corners[node.corners[i]!]!.map((value, axis) => (value + corners[node.corners[j]!]![axis]!) / 2),
    );
    const parts: RatioNode[] = [];
    for (let side = 0; side < 2; side++) {
      const kept = side === 0 ? i : j;
      const dropped = side === 0 ? j : i;
      let count = 0;
      for (let at = 0; at < node.ratios.length; at++) {
        const gap = node.weights[at * n + i]! - node.weights[at * n + j]!;
        if (side === 0 ? gap < 0 : gap >= 0) continue;
        chosen[count++] = at;
      }
      if (count === 0) continue;
      const part: RatioNode = {
        corners: Int32Array.from(node.corners),
        ratios: new Int32Array(count),
        weights: new Float64Array(count * n),
        halves: [],
      };
      part.corners[dropped] = middle;
      for (let to = 0; to < count; to++) {
        const from = chosen[to]!;
        part.ratios[to] = node.ratios[from]!;
        for (let axis = 0; axis < n; axis++) part.weights[to * n + axis] = node.weights[from * n + axis]!;
        part.weights[to * n + kept]! -= node.weights[from * n + dropped]!;
        part.weights[to * n + dropped]! *= 2;
      }
      parts.push(part);
    }
    return (node.halves[edge] = parts);
  };
  return { ratios, corners, edges, root, halve };
}
