import { indexed, type EngineQuestion, type Indexed } from './engineQuestion.ts';
import { priceBound } from './partPrices.ts';
import { shortages, type Shortage } from './shortages.ts';

export interface EngineAllocation {
  built: { engine: string; takes: { slot: string; kind: string; count: number }[] }[];
  value: number;
  /** Nothing that can stand at once is worth more. */
  proved: boolean;
  /** Of every type that could be wanted once more and cannot be built, what is missing; fewest parts first. */
  short: Shortage[];
}

/** Engines decided, and remainders remembered. */
const MOST_STEPS = 60_000;
const MOST_KNOWN = 100_000;

/** One engine: the kind in each of its slots. */
interface Assigned {
  type: number;
  kinds: number[];
}

/** The engines to build at once from the parts at hand, worth most together. Branch and bound, bounded
 *  by prices of parts. Throws RangeError, by name, for a
 *  question that makes no sense. */
export function allocateEngines(question: EngineQuestion): EngineAllocation {
  const of = indexed(question);
  const { assigned, isProved } = search(of);
  const left = [...of.supply];
  const built = assigned.map(({ type, kinds }) => {
    const { id, needs } = of.types[type]!.type;
    return {
      engine: id,
      takes: needs.map(({ slot, count }, at) => {
        left[kinds[at]!]! -= count;
        return { slot, kind: of.kinds[kinds[at]!]!, count };
      }),
    };
  });
  const wanted = of.types.filter(
    ({ type: { id, most } }) => built.filter(({ engine }) => engine === id).length < most,
  );
  const short = wanted.map((type) => shortages(type, left));
  const missing = (each: readonly Shortage[]) => each.reduce((sum, one) => sum + one.missing, 0);
  return {
    built,
    value: assigned.reduce((sum, { type }) => sum + of.types[type]!.type.value, 0),
    proved: isProved,
    short: short.sort((p, q) => missing(p) - missing(q)).flat(),
  };
}

/** Engines one after the other, the dearest type first, each filled slot by slot from the kind with the lowest price: the first
 *  way found is what a careful builder would do, and what the prices say cannot beat the best so far is not followed. */
function search(of: Indexed): { assigned: Assigned[]; isProved: boolean } {
  const { types } = of;
  const value = (type: number) => types[type]!.type.value;
  // What is worth nothing only takes parts away.
  const order = types.map((_, type) => type).filter((type) => value(type) > 0);
  order.sort((p, q) => value(q) - value(p));
  const { prices, all, beyond } = priceBound(of);
  const openFrom = [...order, -1].map((_, place) =>
    order.slice(place).reduce((sum, type) => sum + types[type]!.type.most * Math.max(0, beyond[type]!), 0),
  );
  const areWhole = order.every((type) => Number.isInteger(value(type)));
  const left = [...of.supply];
  const path: Assigned[] = [];
  const known = new Map<string, number>();
  let best: { value: number; assigned: Assigned[] } = { value: 0, assigned: [] };
  let isProved = true;
  let steps = 0;
  const canBeat = (bound: number): boolean =>
    (areWhole ? Math.floor(bound + 1e-6) : bound) > best.value + 1e-9;
  /** One more of a type, or none and on to the next. `sum`: worth so far; `priced`: price of the parts left. */
  const step = (place: number, built: number, sum: number, priced: number): void => {
    if (sum > best.value) best = { value: sum, assigned: [...path] };
    const type = order[place];
    if (type === undefined) return;
    const more = types[type]!.type.most - built;
    const beyondThis = sum + priced + openFrom[place + 1]!;
    if (!canBeat(beyondThis + more * Math.max(0, beyond[type]!))) return;
    if (++steps > MOST_STEPS) {
      isProved = false;
      return;
    }
    const key = `${place} ${more} ${left.join()}`;
    if ((known.get(key) ?? -1) >= sum) return;
    if (known.size < MOST_KNOWN) known.set(key, sum);
    if (more > 0)
      fill(
        type,
        [],
        priced,
        (after) => {
          step(place, built + 1, sum + value(type), after);
        },
        (after) =>
          canBeat(beyondThis - priced + after + value(type) + (more - 1) * Math.max(0, beyond[type]!)),
      );
    step(place + 1, 0, sum, priced);
  };
  /** Every way of filling the slots of one engine from what is left, as far as it may come to something. */
  const fill = (
    type: number,
    kinds: number[],
    priced: number,
    then: (priced: number) => void,
    mayBeat: (priced: number) => boolean,
  ): void => {
    const { slots, agree } = types[type]!;
    const slot = slots[kinds.length];
    if (!slot) {
      path.push({ type, kinds: [...kinds] });
      then(priced);
      path.pop();
      return;
    }
    for (const kind of [...slot.kinds].sort((p, q) => prices[p]! - prices[q]! || left[q]! - left[p]!)) {
      if (left[kind]! < slot.count || !kinds.every((other) => agree(kind, other))) continue;
      const after = priced - prices[kind]! * slot.count;
      if (!mayBeat(after) || steps > MOST_STEPS) continue;
      left[kind]! -= slot.count;
      kinds.push(kind);
      fill(type, kinds, after, then, mayBeat);
      kinds.pop();
      left[kind]! += slot.count;
    }
  };
  step(0, 0, 0, all);
  return { assigned: best.assigned, isProved };
}
