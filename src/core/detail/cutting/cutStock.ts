import { fillsOf } from './fills.ts';
import { leastToOpen } from './leastToOpen.ts';

/** Rod, tube, wire or strip: `count` null is bought as needed. */
export interface StockBar {
  id: string;
  /** mm. */
  length: number;
  count: number | null;
  /** Of one; 0 for what is owned. */
  price: number;
}

export interface CutPiece {
  id: string;
  length: number;
  count: number;
}

export interface CutQuestion {
  stock: readonly StockBar[];
  pieces: readonly CutPiece[];
  /** What a cut takes away, mm. */
  kerf: number;
}

export interface CutPlan {
  cuts: { stock: string; pieces: string[]; rest: number }[];
  cost: number;
  /** Total length of what is opened, mm. */
  opened: number;
  /** Nothing costs less, nor opens less at that cost. */
  proved: boolean;
  /** Pieces that no stock holds, or that no stock is left for. */
  missing: { id: string; count: number }[];
}

/** What a plan is judged by, in this order. */
export interface Burden {
  missing: number;
  cost: number;
  opened: number;
}

/** One bar with what is cut from it: how many of each length. */
interface Cut {
  stock: number;
  fill: readonly number[];
}

/** Bars opened in search, and different remainders remembered. */
const MOST_STEPS = 60_000;
const EPSILON = 1e-9;

const isLess = (one: Burden, other: Burden): boolean =>
  one.missing !== other.missing
    ? one.missing < other.missing
    : Math.abs(one.cost - other.cost) > EPSILON
      ? one.cost < other.cost
      : one.opened < other.opened - EPSILON;

/** Pieces cut from stock at the lowest cost, then from the least length of opened stock. Depth first: each time the longest
 *  piece left gets a bar, which is filled until nothing more fits, since what is moved up from later bars costs nothing. Bounded
 *  from below by what the lengths left must open. Throws RangeError, by name, for lengths, counts and prices that cannot be. */
export function cutStock(question: CutQuestion): CutPlan {
  requireSound(question);
  const { stock, pieces, kerf } = question;
  const longest = Math.max(0, ...stock.filter(({ count }) => count !== 0).map(({ length }) => length));
  const lengths = [
    ...new Set(
      pieces.flatMap(({ length, count }) => (count > 0 && length <= longest + EPSILON ? [length] : [])),
    ),
  ];
  lengths.sort((p, q) => q - p);
  const wanted = lengths.map((length) =>
    pieces.reduce((sum, piece) => (piece.length === length ? sum + piece.count : sum), 0),
  );
  const { cuts, isProved } = search(question, lengths, wanted);
  const queues = lengths.map((length) =>
    pieces.flatMap((piece) =>
      piece.length === length ? Array.from({ length: piece.count }, () => piece.id) : [],
    ),
  );
  const done = cuts.map(({ stock: bar, fill }) => {
    const cut = fill.flatMap((count, at) => queues[at]!.splice(0, count));
    const used = fill.reduce((sum, count, at) => sum + count * (lengths[at]! + kerf), 0);
    return { stock: stock[bar]!.id, pieces: cut, rest: Math.max(0, stock[bar]!.length - used) };
  });
  const left = queues.flat();
  return {
    cuts: done,
    cost: cuts.reduce((sum, { stock: bar }) => sum + stock[bar]!.price, 0),
    opened: cuts.reduce((sum, { stock: bar }) => sum + stock[bar]!.length, 0),
    proved: isProved,
    missing: pieces.flatMap(({ id, length, count }) => {
      const lacking = lengths.includes(length) ? left.filter((each) => each === id).length : count;
      return lacking > 0 ? [{ id, count: lacking }] : [];
    }),
  };
}

function requireSound({ stock, pieces, kerf }: CutQuestion): void {
  if (!(kerf >= 0)) throw new RangeError(`A cut takes ${kerf} mm away: give 0 or more.`);
  const ids = new Set<string>();
  for (const { id, length, count, price } of stock) {
    if (!(length > 0) || !Number.isFinite(length))
      throw new RangeError(`The stock ${id} is ${length} mm long: give more than 0.`);
    if (count !== null && !(Number.isInteger(count) && count >= 0))
      throw new RangeError(
        `There are ${count} of the stock ${id}: give a whole number, or nothing for as many as needed.`,
      );
    if (!(price >= 0)) throw new RangeError(`The stock ${id} costs ${price}: give 0 or more.`);
  }
  for (const { id, length, count } of pieces) {
    if (ids.has(id)) throw new RangeError(`The piece ${id} is given twice.`);
    ids.add(id);
    if (!(length > 0) || !Number.isFinite(length))
      throw new RangeError(`The piece ${id} is ${length} mm long: give more than 0.`);
    if (!(Number.isInteger(count) && count >= 0))
      throw new RangeError(`There are ${count} of the piece ${id}: give a whole number.`);
  }
}

function search({ stock, kerf }: CutQuestion, lengths: readonly number[], wanted: readonly number[]) {
  const left = [...wanted];
  const bars = stock.map(({ count }) => count ?? Infinity);
  const path: Cut[] = [];
  const known = new Map<string, Burden>();
  let best: { burden: Burden; cuts: Cut[] } | undefined;
  const sofar = { isProved: true };
  let steps = 0;
  const step = (so: Burden): void => {
    if (++steps > MOST_STEPS) {
      sofar.isProved = false;
      return;
    }
    const first = left.findIndex((count) => count > 0);
    if (first < 0) {
      if (!best || isLess(so, best.burden)) best = { burden: so, cuts: [...path] };
      return;
    }
    const least = leastToOpen(stock, bars, lengths, left, kerf);
    const bound = { missing: so.missing, cost: so.cost + least.cost, opened: so.opened + least.opened };
    if (best && !isLess(bound, best.burden)) return;
    const key = `${left.join()} ${bars.join()}`;
    const before = known.get(key);
    if (before && !isLess(so, before)) return;
    known.set(key, so);
    const options = optionsFor(first);
    for (const { bar, fill } of options) {
      take(bar, fill, -1);
      path.push({ stock: bar, fill });
      step({
        missing: so.missing,
        cost: so.cost + stock[bar]!.price,
        opened: so.opened + stock[bar]!.length,
      });
      path.pop();
      take(bar, fill, 1);
    }
    // While more can be bought nothing need be left out.
    const canBuy = stock.some(({ length, count }) => count === null && length >= lengths[first]! - EPSILON);
    if (canBuy) return;
    left[first]!--;
    step({ ...so, missing: so.missing + 1 });
    left[first]!++;
  };
  const take = (bar: number, fill: readonly number[], sign: 1 | -1): void => {
    bars[bar]! += sign;
    fill.forEach((count, at) => (left[at]! += sign * count));
  };
  /** Bars for the longest piece left, each with what fills it: the cheap ones first, then those with the least waste. */
  const optionsFor = (first: number) =>
    stock
      .flatMap(({ length, price }, bar) => {
        if (bars[bar]! <= 0 || length < lengths[first]! - EPSILON) return [];
        // Of two alike one stands for both.
        const twin = stock.findIndex(
          (each, at) => at < bar && bars[at]! > 0 && each.length === length && each.price === price,
        );
        if (twin >= 0) return [];
        const { fills, isWhole } = fillsOf(
          length + kerf,
          lengths.map((each) => each + kerf),
          left,
          first,
        );
        if (!isWhole) sofar.isProved = false;
        return fills.map(({ fill, used }) => ({
          bar,
          fill,
          waste: length + kerf - used,
          each: price / used,
        }));
      })
      .sort((p, q) => p.each - q.each || p.waste - q.waste);
  step({ missing: 0, cost: 0, opened: 0 });
  // Where the search broke off, the bound may still say that nothing is better.
  const least = leastToOpen(
    stock,
    stock.map(({ count }) => count ?? Infinity),
    lengths,
    wanted,
    kerf,
  );
  const found = best!;
  const isBound = !isLess({ missing: 0, ...least }, found.burden);
  return { cuts: found.cuts, isProved: sofar.isProved || isBound };
}
