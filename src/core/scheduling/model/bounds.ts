import { indexInstance, type IndexedInstance, type ScheduleInstance } from './instance.ts';

/** Earliest start of every operation if the builder had endless hands: lags and sessions alone. Work with
 *  paint cannot begin before the first set-up of its session, whoever pays for that. */
export function earliestStarts({
  operations,
  windows,
  preds,
  topological,
  family,
  needsBooth,
  hasBooth,
  setup,
}: IndexedInstance): number[] {
  const starts = new Array<number>(operations.length).fill(0);
  for (const index of topological) {
    const { hands, earliest = 0 } = operations[index]!;
    let ready = earliest;
    for (const { other, minLag } of preds[index]!) {
      ready = Math.max(ready, starts[other]! + operations[other]!.hands + minLag);
    }
    const need = family[index]! >= 0 ? setup.newWindow : 0;
    const window = windows.find(
      ([from, to], session) =>
        Math.max(ready, from + need) + hands <= to && needsBooth[index]! <= hasBooth[session]!,
    );
    starts[index] = window ? Math.max(ready, window[0] + need) : Infinity;
  }
  return starts;
}

/** Latest start of every operation with which `finish` and all latest starts can still be met, if the builder had endless
 *  hands. */
export function latestStarts(
  { operations, windows, needsBooth, hasBooth, succs, topological }: IndexedInstance,
  finish: number,
): number[] {
  const starts = new Array<number>(operations.length).fill(-Infinity);
  for (const index of [...topological].reverse()) {
    const { hands, dry, latest = Infinity } = operations[index]!;
    const end = succs[index]!.reduce(
      (least, { other, minLag }) => Math.min(least, starts[other]! - minLag),
      Math.min(finish - dry, latest + hands),
    );
    const window = windows.findLast(
      ([from, to], session) => from + hands <= Math.min(end, to) && needsBooth[index]! <= hasBooth[session]!,
    );
    if (window) starts[index] = Math.min(end, window[1]) - hands;
  }
  return starts;
}

/** A finish that no schedule can beat: the longest chain through sessions and lags, or the minute by which
 *  the sessions have room for all the work and the least set-up. */
export function finishBound(instance: IndexedInstance): number {
  const { operations, windows, family, setup } = instance;
  if (operations.length === 0) return 0;
  const starts = earliestStarts(instance);
  const chain = Math.max(...operations.map(({ hands, dry }, i) => starts[i]! + hands + dry));
  // The first set-up lies before the first work with paint.
  const first = Math.min(...starts.map((start, i) => start - (family[i]! >= 0 ? setup.newWindow : 0)));
  let work = operations.reduce((sum, { hands }) => sum + hands, setupBound(instance));
  let filled = 0;
  for (const [from, to] of windows) {
    const room = Math.max(0, to - Math.max(from, first));
    if (room >= work) {
      filled = Math.max(from, first) + work;
      break;
    }
    work -= room;
  }
  return Math.max(chain, filled + Math.min(...operations.map(({ dry }) => dry)));
}

/** The minute before which no schedule of an instance can end; undefined where there is nothing to do, or no session for it. */
export function earliestFinish(instance: ScheduleInstance): number | undefined {
  if (instance.operations.length === 0 || instance.windows.length === 0) return undefined;
  try {
    const bound = finishBound(indexInstance(instance));
    return Number.isFinite(bound) ? bound : undefined;
  } catch {
    // A step longer than any session: the plan itself says so.
    return undefined;
  }
}

/** Set-up minutes that no schedule can beat: one start, and the cheapest change into every further family. */
export function setupBound({ family, setup }: IndexedInstance): number {
  const used = [...new Set(family)].filter((index) => index >= 0);
  if (used.length === 0) return 0;
  const into = used.map((to) =>
    Math.min(...used.filter((from) => from !== to).map((from) => setup.change[from]![to]!)),
  );
  const dearest = Math.max(0, ...into.filter(Number.isFinite));
  const changes = into.filter(Number.isFinite).reduce((sum, minutes) => sum + minutes, 0);
  return setup.newWindow + changes - dearest;
}
