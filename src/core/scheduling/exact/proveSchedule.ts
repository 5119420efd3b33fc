import type { OrderSearch, ProvedSchedule, SearchBudget } from './orderSearch.ts';

/** What is known of a schedule. */
export interface KnownSchedule {
  finish: number;
  setupMinutes: number;
}

export interface Proof {
  /** Better than what was known at the start, where there is anything better. */
  better: ProvedSchedule | undefined;
  /** True where nothing is better than `better`, or else than what was known. */
  isProved: boolean;
}

/** Nodes for looks at much earlier finishes, in turn. */
const PROBE_NODES = [500, 2000];

/** The earliest finish: from what is known down to `bound`, before which nothing ends. A few short looks half way to the
 *  bound come first: where they find something, the rest is proved sooner. */
export function proveFinish(
  search: OrderSearch,
  known: KnownSchedule,
  bound: number,
  { nodes, stopped }: SearchBudget,
): Proof {
  let better: ProvedSchedule | undefined;
  let best = known;
  let least = bound;
  const end = search.nodes() + nodes;
  /** Whether the look came to its end. */
  const look = (until: number, most: number): boolean => {
    const left = Math.min(most, end - search.nodes());
    const found = search.look('finish', { finish: until + 1, setupMinutes: 0 }, until, {
      nodes: left,
      stopped,
    });
    if (found.better) best = better = found.better;
    if (found.whole) least = found.better ? best.finish : until + 1;
    return found.whole;
  };
  for (const most of PROBE_NODES) {
    for (let hope = least; hope < best.finish && search.nodes() < end && !stopped();) {
      const until = hope + Math.floor((best.finish - 1 - hope) / 2);
      const isWhole = look(until, most);
      const isFound = best.finish <= until;
      if (isWhole || !isFound) hope = isFound ? best.finish : until + 1;
    }
  }
  if (least < best.finish) look(best.finish - 1, Infinity);
  return { better, isProved: least >= best.finish };
}

/** The least set-up of the schedules that end no later than what is known. */
export function proveSetup(search: OrderSearch, known: KnownSchedule, budget: SearchBudget): Proof {
  const { whole, better } = search.look('setup', known, known.finish, budget);
  return { better, isProved: whole };
}
