import type { DecodedSchedule } from '../construct/serialGeneration.ts';
import type { IndexedInstance } from './instance.ts';

/** A schedule that is weighed against others. */
export interface Candidate extends DecodedSchedule {
  order: number[];
}

/** A schedule given by its starts, with all that it is weighed by; nothing is said of its lateness. */
export function candidateOf(indexed: IndexedInstance, starts: ArrayLike<number>): Candidate {
  const { operations, windows, family, setup, topological } = indexed;
  const order = [...topological].sort((a, b) => starts[a]! - starts[b]!);
  const made: Candidate = {
    order,
    starts: Int32Array.from(starts),
    finish: 0,
    setupMinutes: 0,
    startSum: 0,
    lateness: 0,
    overdue: 0,
    weighted: 0,
  };
  let kind = -1;
  let painted = -1;
  let session = 0;
  for (const index of order) {
    const { hands, dry, due = Infinity, weight = 0 } = operations[index]!;
    const end = starts[index]! + hands + dry;
    made.finish = Math.max(made.finish, end);
    made.startSum += starts[index]!;
    made.overdue += Math.max(0, end - due);
    made.weighted += weight * end;
    while (windows[session]![1] < starts[index]! + hands) session++;
    const own = family[index]!;
    if (own < 0) continue;
    const change = kind >= 0 && kind !== own ? setup.change[kind]![own]! : 0;
    made.setupMinutes += painted === session ? change : Math.max(change, setup.newWindow);
    kind = own;
    painted = session;
  }
  return made;
}

/** Whether one schedule is better than another: in time first, then by its finish, its set-up and how early the work is. */
export function isBetter(a: Candidate, b: Candidate): boolean {
  if (a.overdue !== b.overdue) return a.overdue < b.overdue;
  const [one, other] = [a.weighted + a.finish, b.weighted + b.finish];
  if (one !== other) return one < other;
  if (a.finish !== b.finish) return a.finish < b.finish;
  if (a.setupMinutes !== b.setupMinutes) return a.setupMinutes < b.setupMinutes;
  return a.startSum < b.startSum;
}
