import { ciede2000, type Lab } from '../../colour/index.ts';
import { differenceBound, type LabBox } from './differenceBound.ts';

/** Half-spaces of CIELAB that hold every colour nearer to a target than some difference. */
export interface HalfSpaceBound {
  /** How many directions there are; the half-space of direction d holds the Lab with
   *  nL[d] L + na[d] a + nb[d] b <= reachOf(d). */
  count: number;
  nL: Float64Array;
  na: Float64Array;
  nb: Float64Array;
  /** Worked out when first asked for since the ball last changed. */
  reachOf: (direction: number) => number;
  /** Indices of the NEIGHBOURS directions next to direction d start at d * NEIGHBOURS. */
  neighbours: Uint8Array;
  /** Lightness step, and step along a or b, that look about as large as one dE00 near the target. */
  unitL: number;
  unitAB: number;
  /** Sets the difference that the half-spaces hold, and how far beyond the true reach they may lie. */
  hold: (difference: number, slack: number) => void;
}

const DIRECTIONS = 128;
export const NEIGHBOURS = 8;
/** Any reflectance between 0 and 1 has f(X), f(Y), f(Z) between 4/29 and 1. */
const DOMAIN: LabBox = { minL: 0, maxL: 100, minA: -431.1, maxA: 431.1, minB: -172.5, maxB: 172.5 };

/** In a ball beyond this, dE00, cells whose middle lies outside are cut so much finer than the slack. */
const LARGE = 4;
const CLOSER = 4;

interface Cell extends LabBox {
  /** No colour in the box is nearer than this. */
  bound: number;
  halves: [Cell, Cell] | undefined;
}

/** Half-spaces around the colours nearer to `target` than a difference, proved by halving the space of
 *  colours: a cell whose least CIEDE2000 is not below the difference holds none of them, and the farthest
 *  cell that is left gives the reach in a direction. The cells are shared between directions and kept when
 *  the difference changes. Until the first call of `hold` every reach is infinite. */
export function halfSpaceBound(target: Lab): HalfSpaceBound {
  const bound = differenceBound(target);
  const chroma = Math.hypot(target.a, target.b);
  const offset = (target.L - 50) ** 2;
  // About one dE00 along each axis near the target: only the choice of directions and cuts depends on it.
  const unitL = 1 + (0.015 * offset) / Math.sqrt(20 + offset);
  const unitAB = 1 + 0.03 * chroma;

  const nL = new Float64Array(DIRECTIONS);
  const na = new Float64Array(DIRECTIONS);
  const nb = new Float64Array(DIRECTIONS);
  const reach = new Float64Array(DIRECTIONS).fill(NaN);
  let difference = Infinity;
  let slack = Infinity;
  SPHERE.forEach(([x, y, z], d) => {
    nL[d] = x / unitL;
    na[d] = y / unitAB;
    nb[d] = z / unitAB;
  });

  const cellOf = (
    minL: number,
    maxL: number,
    minA: number,
    maxA: number,
    minB: number,
    maxB: number,
    least: number,
  ) => {
    const cell: Cell = { minL, maxL, minA, maxA, minB, maxB, bound: least, halves: undefined };
    cell.bound = Math.max(least, bound(cell));
    return cell;
  };
  const root = cellOf(DOMAIN.minL, DOMAIN.maxL, DOMAIN.minA, DOMAIN.maxA, DOMAIN.minB, DOMAIN.maxB, 0);
  const halve = (cell: Cell): [Cell, Cell] => {
    if (cell.halves) return cell.halves;
    const { minL, maxL, minA, maxA, minB, maxB, bound: least } = cell;
    const spanL = (maxL - minL) / unitL;
    const spanA = (maxA - minA) / unitAB;
    const spanB = (maxB - minB) / unitAB;
    const midL = spanL >= spanA && spanL >= spanB ? (minL + maxL) / 2 : NaN;
    const midA = midL !== midL && spanA >= spanB ? (minA + maxA) / 2 : NaN;
    if (midL === midL) {
      cell.halves = [
        cellOf(minL, midL, minA, maxA, minB, maxB, least),
        cellOf(midL, maxL, minA, maxA, minB, maxB, least),
      ];
    } else if (midA === midA) {
      cell.halves = [
        cellOf(minL, maxL, minA, midA, minB, maxB, least),
        cellOf(minL, maxL, midA, maxA, minB, maxB, least),
      ];
    } else {
      const midB = (minB + maxB) / 2;
      cell.halves = [
        cellOf(minL, maxL, minA, maxA, minB, midB, least),
        cellOf(minL, maxL, minA, maxA, midB, maxB, least),
      ];
    }
    return cell.halves;
  };

  const farthestReach = (d: number): number => {
    if (difference === Infinity) return Infinity;
    const [x, y, z] = [nL[d]!, na[d]!, nb[d]!];
    const farthest = (cell: Cell) =>
      x * (x > 0 ? cell.maxL : cell.minL) +
      y * (y > 0 ? cell.maxA : cell.minA) +
      z * (z > 0 ? cell.maxB : cell.minB);
    const nearest = (cell: Cell) =>
      x * (x > 0 ? cell.minL : cell.maxL) +
      y * (y > 0 ? cell.minA : cell.maxA) +
      z * (z > 0 ? cell.minB : cell.maxB);
    // In a large ball a cell that only a loose bound keeps is worth a closer look.
    const finest = difference > LARGE ? slack / CLOSER : slack;
    let best = -Infinity;
    // Depth first, the farther half first: `best` is the reach of the cells that were not cut further.
    const look = (cell: Cell, outer: number): void => {
      if (cell.bound >= difference || outer <= best) return;
      const span = outer - nearest(cell);
      if (span <= slack && (span <= finest || ciede2000(target, middle(cell)) < difference)) {
        best = outer;
        return;
      }
      const [one, other] = halve(cell);
      const oneOuter = farthest(one);
      const otherOuter = farthest(other);
      if (oneOuter >= otherOuter) {
        look(one, oneOuter);
        look(other, otherOuter);
      } else {
        look(other, otherOuter);
        look(one, oneOuter);
      }
    };
    look(root, farthest(root));
    return best;
  };

  const reachOf = (d: number): number => {
    const known = reach[d]!;
    // NaN alone differs from itself.
    return known === known ? known : (reach[d] = farthestReach(d));
  };
  const hold = (newDifference: number, newSlack: number): void => {
    difference = newDifference;
    slack = newSlack;
    reach.fill(NaN);
  };
  return {
    count: DIRECTIONS,
    nL,
    na,
    nb,
    reachOf,
    neighbours: NEXT_DIRECTIONS,
    unitL,
    unitAB,
    hold,
  };
}

function middle({ minL, maxL, minA, maxA, minB, maxB }: LabBox): Lab {
  return { L: (minL + maxL) / 2, a: (minA + maxA) / 2, b: (minB + maxB) / 2 };
}

/** Directions spread evenly over the sphere along a golden spiral. */
function spiralDirections(count: number): [number, number, number][] {
  const turn = Math.PI * (3 - Math.sqrt(5));
  return Array.from({ length: count }, (_, i) => {
    const z = 1 - (2 * i + 1) / count;
    const radius = Math.sqrt(1 - z * z);
    return [radius * Math.cos(i * turn), radius * Math.sin(i * turn), z];
  });
}

function nextDirections(sphere: [number, number, number][]): Uint8Array {
  return Uint8Array.from(
    sphere.flatMap((here) =>
      sphere
        .map((there, index) => ({
          index,
          along: here[0] * there[0] + here[1] * there[1] + here[2] * there[2],
        }))
        .sort((p, q) => q.along - p.along)
        .slice(1, NEIGHBOURS + 1)
        .map(({ index }) => index),
    ),
  );
}

const SPHERE = spiralDirections(DIRECTIONS);
const NEXT_DIRECTIONS = nextDirections(SPHERE);

/** Squares along each edge of the cube whose faces tell the direction nearest to a vector in those units: face, row and
 *  column as the kernel counts them. */
const SQUARES = 12;
export const CUBE = Uint8Array.from({ length: 6 * SQUARES * SQUARES }, (_, at) => {
  const face = Math.floor(at / (SQUARES * SQUARES));
  const u = (2 * (Math.floor(at / SQUARES) % SQUARES) + 1) / SQUARES - 1;
  const v = (2 * (at % SQUARES) + 1) / SQUARES - 1;
  const w = face % 2 === 0 ? 1 : -1;
  const axis = face >> 1;
  const [x, y, z] = axis === 0 ? [w, u, v] : axis === 1 ? [u, w, v] : [u, v, w];
  let nearest = 0;
  let most = -Infinity;
  SPHERE.forEach((there, index) => {
    const along = there[0] * x + there[1] * y + there[2] * z;
    if (along <= most) return;
    most = along;
    nearest = index;
  });
  return nearest;
});
