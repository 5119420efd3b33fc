import type { Indexed } from './engineQuestion.ts';

/** A bound on what can be built, from a price for each kind of part: what an engine is worth beyond its cheapest parts, and
 *  the price of all that is at hand. It holds for any prices; these are brought near the least bound by subgradient steps. */
export interface PriceBound {
  /** Of each kind. */
  prices: number[];
  /** Price of all parts at hand. */
  all: number;
  /** What an engine of each type is worth beyond its parts; below zero where it is not worth them. */
  beyond: number[];
}

const ROUNDS = 400;
const MOST_COMBINATIONS = 4000;

export function priceBound(of: Indexed): PriceBound {
  const { supply, types } = of;
  const prices = supply.map(() => 0);
  let best: PriceBound | undefined;
  const ways = types.map(waysOf);
  for (let round = 0; round < ROUNDS; round++) {
    const cheapest = types.map((_, type) => cheapestOf(ways[type]!, prices));
    const beyond = types.map(({ type }, at) => type.value - (cheapest[at]?.price ?? Infinity));
    const all = prices.reduce((sum, price, kind) => sum + price * supply[kind]!, 0);
    const bound = boundOf({ prices, all, beyond }, types);
    if (!best || bound < boundOf(best, types)) best = { prices: [...prices], all, beyond };
    const short = supply.map((count) => -count);
    types.forEach(({ type: { most } }, at) => {
      if (beyond[at]! <= 0) return;
      cheapest[at]!.parts.forEach((count, kind) => (short[kind]! += most * count));
    });
    const length = short.reduce(
      (sum, each, kind) => (each < 0 && prices[kind] === 0 ? sum : sum + each * each),
      0,
    );
    if (length === 0) break;
    // The step shrinks, and aims a little below the best bound so far.
    const step = (0.05 + 0.95 / (1 + round / 20)) * (0.1 * Math.abs(boundOf(best, types)) + 1e-6);
    short.forEach((each, kind) => (prices[kind] = Math.max(0, prices[kind]! + (step * each) / length)));
  }
  return best!;
}

const boundOf = ({ all, beyond }: PriceBound, types: Indexed['types']): number =>
  types.reduce((sum, { type: { most } }, at) => sum + most * Math.max(0, beyond[at]!), all);

/** Parts by kind of one way to fill an engine. */
type Way = ReadonlyMap<number, number>;
interface Ways {
  /** Every way whose kinds agree; absent where there are too many, and then slots are priced one by one. */
  whole?: Way[];
  slots: Indexed['types'][number]['slots'];
}

function waysOf({ slots, agree }: Indexed['types'][number]): Ways {
  if (slots.reduce((product, { kinds }) => product * kinds.length, 1) > MOST_COMBINATIONS) return { slots };
  const whole: Way[] = [];
  const chosen: number[] = [];
  const step = (slot: number): void => {
    if (slot === slots.length) {
      const parts = new Map<number, number>();
      chosen.forEach((kind, at) => parts.set(kind, (parts.get(kind) ?? 0) + slots[at]!.count));
      whole.push(parts);
      return;
    }
    for (const kind of slots[slot]!.kinds) {
      if (!chosen.every((other) => agree(kind, other))) continue;
      chosen.push(kind);
      step(slot + 1);
      chosen.pop();
    }
  };
  step(0);
  return { whole, slots };
}

function cheapestOf(
  { whole, slots }: Ways,
  prices: readonly number[],
): { price: number; parts: Way } | undefined {
  const priceOf = (parts: Way) => {
    let sum = 0;
    for (const [kind, count] of parts) sum += prices[kind]! * count;
    return sum;
  };
  if (!whole) {
    const parts = new Map<number, number>();
    for (const { kinds, count } of slots) {
      const kind = kinds.reduce((least, each) => (prices[each]! < prices[least]! ? each : least));
      parts.set(kind, (parts.get(kind) ?? 0) + count);
    }
    return { price: priceOf(parts), parts };
  }
  let best: { price: number; parts: Way } | undefined;
  for (const parts of whole) {
    const price = priceOf(parts);
    if (!best || price < best.price) best = { price, parts };
  }
  return best;
}
