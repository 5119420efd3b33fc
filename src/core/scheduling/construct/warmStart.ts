import { candidateOf, type Candidate } from '../model/candidate.ts';
import type { IndexedInstance, ScheduleInstance } from '../model/instance.ts';
import { verifySchedule } from '../model/verifySchedule.ts';

/** The earlier plan as it was, if it has a start for every operation and keeps every rule. */
export function previousIfItHolds(
  instance: ScheduleInstance,
  indexed: IndexedInstance,
  previous: Record<string, number>,
): Candidate | undefined {
  const closes = indexed.windows.at(-1)?.[1] ?? 0;
  const starts = indexed.operations.map(({ id }) => previous[id] ?? -1);
  if (starts.some((start, i) => start < 0 || start + indexed.operations[i]!.hands > closes)) return undefined;
  const made = candidateOf(indexed, starts);
  const own = Object.fromEntries(indexed.operations.map(({ id }, i) => [id, starts[i]!]));
  return verifySchedule(instance, { ...made, starts: own }).length === 0 ? made : undefined;
}

/** The earlier plan's order, with operations it did not know after those that they wait for. */
export function orderOfPrevious(indexed: IndexedInstance, previous: Record<string, number>): number[] {
  const rank = new Array<number>(indexed.size).fill(0);
  for (const index of indexed.topological) {
    const known = previous[indexed.operations[index]!.id];
    const afterPreds = indexed.preds[index]!.reduce(
      (most, { other }) => Math.max(most, rank[other]! + 0.5),
      0,
    );
    rank[index] = Math.max(known ?? 0, afterPreds);
  }
  return [...indexed.topological].sort((a, b) => rank[a]! - rank[b]!);
}
