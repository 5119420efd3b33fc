/** An order in which few are open at a time: decided, with a neighbour still to come. Greedy: of those beside what is open
 *  the one that leaves fewest open, begun anew where nothing is. */
export function frontierOrder(neighbours: readonly ReadonlySet<number>[]): number[] {
  const order: number[] = [];
  const done = new Set<number>();
  const open = new Set<number>();
  /** Neighbours still to come, of each. */
  const left = neighbours.map((each, own) => new Set([...each].filter((other) => other !== own)));
  const opensAfter = (own: number): number => {
    const closes = [...neighbours[own]!].filter((other) => open.has(other) && left[other]!.size === 1).length;
    return (left[own]!.size > 0 ? 1 : 0) - closes;
  };
  while (done.size < neighbours.length) {
    const beside = new Set([...open].flatMap((each) => [...left[each]!]));
    const from = beside.size > 0 ? [...beside] : neighbours.flatMap((_, own) => (done.has(own) ? [] : [own]));
    let best = from[0]!;
    let least = Infinity;
    for (const own of from) {
      // Of equals that with fewer neighbours to come: it is closed sooner.
      const cost = opensAfter(own) + left[own]!.size / (neighbours.length + 1);
      if (cost < least) [best, least] = [own, cost];
    }
    order.push(best);
    done.add(best);
    for (const other of neighbours[best]!) {
      left[other]!.delete(best);
      if (open.has(other) && left[other]!.size === 0) open.delete(other);
    }
    if (left[best]!.size > 0) open.add(best);
  }
  return order;
}
