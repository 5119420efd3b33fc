import { dropRatios } from './ratios.ts';

/** A part of the simplex of mixing fractions, with the drop ratios that lie in it. */
export interface RatioNode {
  /** Indices into RatioTree.corners, one for each paint. */
  corners: number[];
  /** Indices into RatioTree.ratios; only leaves carry them. */
  ratios: number[];
  children: RatioNode[];
}

/** The drop ratios of n paints arranged by halving the simplex of fractions; the same for every choice of
 *  paints, so it is built once for a search. */
export interface RatioTree {
  ratios: number[][];
  /** Mixing fractions at the corners of nodes. */
  corners: number[][];
  root: RatioNode;
}

const LEAF_SIZE = 3;

/** Builds the tree for n >= 2 paints; the root is the smallest simplex that holds every ratio. */
export function buildRatioTree(n: number, maxDrops: number): RatioTree {
  const ratios = dropRatios(n, maxDrops);
  const fractions = ratios.map((drops) => {
    const total = drops.reduce((sum, count) => sum + count, 0);
    return drops.map((count) => count / total);
  });
  const corners: number[][] = [];
  const known = new Map<string, number>();
  const cornerIndex = (fraction: number[]) => {
    const key = fraction.map((value) => value.toFixed(9)).join();
    const index = known.get(key) ?? corners.push(fraction) - 1;
    known.set(key, index);
    return index;
  };
  const least = 1 / maxDrops;
  const rootCorners = Array.from({ length: n }, (_, i) =>
    cornerIndex(Array.from({ length: n }, (_, j) => least + (i === j ? 1 - n * least : 0))),
  );

  const build = (nodeCorners: number[], members: number[], weights: number[][]): RatioNode => {
    const node: RatioNode = { corners: nodeCorners, ratios: members, children: [] };
    if (members.length <= LEAF_SIZE) return node;
    const [i, j] = longestEdge(nodeCorners.map((corner) => corners[corner]!));
    const middle = cornerIndex(
      corners[nodeCorners[i]!]!.map((value, axis) => (value + corners[nodeCorners[j]!]![axis]!) / 2),
    );
    for (const [kept, dropped] of [
      [i, j],
      [j, i],
    ] as const) {
      const inside = members
        .map((_, at) => at)
        .filter((at) => {
          const [here, there] = [weights[at]![kept]!, weights[at]![dropped]!];
          return kept === i ? here >= there : here > there;
        });
      if (inside.length === 0) continue;
      const childCorners = nodeCorners.map((corner, at) => (at === dropped ? middle : corner));
      const childWeights = inside.map((at) =>
        weights[at]!.map((weight, axis) => {
          if (axis === kept) return weight - weights[at]![dropped]!;
          return axis === dropped ? 2 * weight : weight;
        }),
      );
      node.children.push(
        build(
          childCorners,
          inside.map((at) => members[at]!),
          childWeights,
        ),
      );
    }
    node.ratios = [];
    return node;
  };

  const everything = ratios.map((_, index) => index);
  const scale = 1 - n * least;
  const barycentric = fractions.map((fraction) =>
    fraction.map((value) => (scale > 1e-12 ? (value - least) / scale : 1 / n)),
  );
  return { ratios, corners, root: build(rootCorners, everything, barycentric) };
}

function longestEdge(points: number[][]): [number, number] {
  let best: [number, number] = [0, 1];
  let longest = -1;
  for (let i = 0; i < points.length; i++) {
    for (let j = i + 1; j < points.length; j++) {
      const length = points[i]!.reduce((sum, value, axis) => sum + (value - points[j]![axis]!) ** 2, 0);
      if (length > longest + 1e-12) {
        longest = length;
        best = [i, j];
      }
    }
  }
  return best;
}
