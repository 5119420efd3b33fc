/** Something must be there before something else can be fitted. */
export interface FittingRule {
  first: string;
  then: string;
  /** "the mirror hangs behind it". */
  because: string;
}

export interface FittingQuestion {
  /** In the order in which they would be taken, were all free. */
  items: readonly string[];
  rules: readonly FittingRule[];
  /** What is to come before everything that does not have to come before it. */
  early?: ReadonlySet<string>;
}

export type FittingOrder =
  | {
      /** Every item, each with the rules that hold it back until the ones before it. */
      order: { id: string; because: FittingRule[] }[];
      ring?: undefined;
    }
  | {
      order?: undefined;
      /** Rules that lead back to where they begin: no order keeps them all. The fewest there are. */
      ring: FittingRule[];
    };

/** An order of fitting that keeps every rule, taking what is early as soon as it may be and the rest as it stands; or the shortest ring
 *  of rules that no order keeps. Rules of what is not among the items are passed over. */
export function orderOfFitting({ items, rules, early = new Set() }: FittingQuestion): FittingOrder {
  const known = new Set(items);
  const kept = rules.filter(({ first, then }) => known.has(first) && known.has(then));
  const ring = shortestRing(kept);
  if (ring) return { ring };
  // What an early one waits for is early as well.
  const isEarly = new Set([...early].filter((id) => known.has(id)));
  for (let before = -1; before < isEarly.size;) {
    before = isEarly.size;
    for (const { first, then } of kept) if (isEarly.has(then)) isEarly.add(first);
  }
  const left = new Set(items);
  const order: { id: string; because: FittingRule[] }[] = [];
  while (left.size > 0) {
    const free = [...left].filter((id) => !kept.some(({ first, then }) => then === id && left.has(first)));
    const id = free.find((each) => isEarly.has(each)) ?? free[0]!;
    order.push({ id, because: kept.filter(({ then }) => then === id) });
    left.delete(id);
  }
  return { order };
}

/** The fewest rules that lead from something back to itself; undefined where there are none. Breadth first from each. */
function shortestRing(rules: readonly FittingRule[]): FittingRule[] | undefined {
  const from = new Map<string, FittingRule[]>();
  for (const rule of rules) from.set(rule.first, [...(from.get(rule.first) ?? []), rule]);
  let best: FittingRule[] | undefined;
  for (const start of from.keys()) {
    const cameBy = new Map<string, FittingRule>();
    const line = [start];
    for (let at = 0; at < line.length && !cameBy.has(start); at++) {
      for (const rule of from.get(line[at]!) ?? []) {
        if (cameBy.has(rule.then)) continue;
        cameBy.set(rule.then, rule);
        line.push(rule.then);
      }
    }
    const last = cameBy.get(start);
    if (!last) continue;
    const ring = [last];
    while (ring[0]!.first !== start) ring.unshift(cameBy.get(ring[0]!.first)!);
    if (!best || ring.length < best.length) best = ring;
  }
  return best;
}
