import { seededRandom } from '../../seededRandom.ts';
import { fillSheets, topOf, type Piece, type Placed, type PlacingRule } from './maximalRectangles.ts';

interface Room {
  width: number;
  height: number;
}

/** The work that is spent in all tries together. */
const MOST_WORK = 100_000;
/** Work of filling sheets with so many pieces: each looks at the free rectangles that the others left. */
const workOf = (pieces: readonly Piece[]): number => pieces.length * (1 + pieces.length / 60);
const EPSILON = 1e-9;
/** How far a piece may stray from its place in the order, as a share of all. */
const NOISE = [0.1, 0.3, 0.8];
const RULES: readonly PlacingRule[] = ['short-side', 'bottom-left'];

const areaOf = (pieces: readonly Piece[]): number =>
  pieces.reduce((sum, { width, height }) => sum + width * height, 0);
const piecesOn = (placed: readonly Placed[]): Piece[] => placed.map(({ piece }) => piece);

const ORDERS: readonly ((p: Piece, q: Piece) => number)[] = [
  (p, q) => q.width * q.height - p.width * p.height,
  (p, q) => Math.max(q.width, q.height) - Math.max(p.width, p.height),
  (p, q) => q.height - p.height || q.width - p.width,
  (p, q) => q.width + q.height - (p.width + p.height),
  (p, q) => q.width - p.width || q.height - p.height,
  (p, q) => Math.min(q.width, q.height) - Math.min(p.width, p.height),
];

/** Sheets of pieces: constructed in several orders, then improved by taking a few sheets apart and filling them anew in a
 *  disturbed order (ruin and recreate), towards fewer sheets and then towards a lower last one. The lowest comes last: it is
 *  the one whose rest can be cut off. */
export function searchSheets(room: Room, pieces: readonly Piece[], leastSheets: number): Placed[][] {
  const work = { left: MOST_WORK, random: seededRandom(pieces.length) };
  let best = lowestLast(
    ORDERS.flatMap((order) =>
      RULES.map((rule) => {
        work.left -= workOf(pieces);
        return lowestLast(fillSheets(room, [...pieces].sort(order), rule).sheets);
      }),
    ).reduce((one, other) => (isBetter(other, one) ? other : one)),
  );
  while (best.length > leastSheets && work.left > 0) {
    const fewer = onFewer(room, best, work);
    if (!fewer) break;
    best = lowestLast(fewer);
  }
  return lowered(room, best, areaOf(pieces), work);
}

interface Work {
  left: number;
  random: () => number;
}

const lowestLast = (sheets: readonly Placed[][]): Placed[][] =>
  [...sheets].sort((p, q) => topOf(q) - topOf(p));

const isBetter = (one: readonly Placed[][], other: readonly Placed[][]): boolean =>
  one.length < other.length ||
  (one.length === other.length && topOf(one.at(-1)!) < topOf(other.at(-1)!) - EPSILON);

/** Pieces in one of the orders, each a little out of its place. */
function disturbed(pieces: readonly Piece[], { random }: Work): Piece[] {
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)]!;
  const noise = pick(NOISE);
  const sorted = [...pieces].sort(pick(ORDERS));
  return sorted
    .map((piece, at) => ({ piece, key: at / sorted.length + noise * random() }))
    .sort((p, q) => p.key - q.key)
    .map(({ piece }) => piece);
}

/** The same pieces on one sheet fewer, or undefined where the work that is left does not find it: the emptiest sheet is
 *  dissolved, and pairs of others are filled anew with what is left over until nothing is. */
function onFewer(room: Room, sheets: readonly Placed[][], work: Work): Placed[][] | undefined {
  const byArea = [...sheets].sort((p, q) => areaOf(piecesOn(q)) - areaOf(piecesOn(p)));
  let rest = piecesOn(byArea.pop()!);
  let current = byArea;
  if (current.length === 0) return undefined;
  // Half of what is left is kept for a last sheet that is low.
  const enough = work.left / 2;
  while (rest.length > 0 && work.left > enough) {
    const many = Math.min(current.length, 1 + Math.floor(3 * work.random()));
    const order = current.map((sheet) => ({ sheet, key: work.random() })).sort((p, q) => p.key - q.key);
    const [taken, others] = [order.slice(0, many), order.slice(many)];
    const pool = [...rest, ...taken.flatMap(({ sheet }) => piecesOn(sheet))];
    work.left -= workOf(pool);
    const rule = RULES[Math.floor(RULES.length * work.random())]!;
    const found = fillSheets(room, disturbed(pool, work), rule, many);
    // Sideways steps keep it from standing still.
    if (areaOf(found.rest) > areaOf(rest) * 1.02 + EPSILON) continue;
    rest = found.rest;
    current = [...others.map(({ sheet }) => sheet), ...found.sheets];
  }
  return rest.length === 0 ? current : undefined;
}

/** The same number of sheets, the last of them lower where that can be found. */
function lowered(room: Room, sheets: readonly Placed[][], area: number, work: Work): Placed[][] {
  let best = lowestLast(sheets);
  // No last sheet can be lower than what the others cannot hold.
  const lowest = Math.max(0, area / room.width - (best.length - 1) * room.height);
  while (work.left > 0 && topOf(best.at(-1)!) > lowest + EPSILON) {
    const others = best.slice(0, -1);
    const partner = others.length > 0 && work.random() < 0.8 ? Math.floor(work.random() * others.length) : -1;
    const pool = [...piecesOn(best.at(-1)!), ...(partner < 0 ? [] : piecesOn(others[partner]!))];
    work.left -= workOf(pool);
    const rule = RULES[Math.floor(RULES.length * work.random())]!;
    const found = fillSheets(room, disturbed(pool, work), rule, partner < 0 ? 1 : 2);
    if (found.rest.length > 0) continue;
    const next = lowestLast([...others.filter((_, at) => at !== partner), ...found.sheets]);
    if (isBetter(next, best)) best = next;
  }
  return best;
}
