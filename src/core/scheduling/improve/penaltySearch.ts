import { NEVER, squeezeKernel } from '../kernel/squeezeKernel.ts';
import { earliestStarts, latestStarts } from '../model/bounds.ts';
import type { IndexedInstance } from '../model/instance.ts';

const LOOK_EVERY = 256;
/** Minutes of overrun that may be taken on at first and at last, in mean steps. */
const HOTTEST = 0.35;
const COLDEST = 0.045;
/** Minutes of set-up weigh up to so much beside minutes of overrun, drawn anew for every try: less of it leaves room for
 *  work, but some instances fit only where it is left alone. */
const SETUP_PULL = 1.5;

/** Looks for a schedule that ends by `finish` with no more than so much set-up, by packing its sessions tighter than they
 *  hold and then making it fit.
 *
 *  Every step has a session and a place in it. Where one overruns its session, its latest start or a maximum lag, the
 *  minutes are weighed, as is set-up, most of all beyond what is wanted. Moves to another place, swaps of two steps and
 *  moves of all that recoat windows tie together lower their sum, with rises at a chance that falls as `progress` runs
 *  from 0 to 1; they are worked out in kernel/squeezeMoves.as.ts. Begins with the order of the starts `from`.
 *  Starts by operation once nothing is too much, or undefined where `progress` came to its end first or `finish` is
 *  beyond all reach. */
export function penaltySearch(
  instance: IndexedInstance,
  from: ArrayLike<number>,
  { finish, setupMinutes }: { finish: number; setupMinutes: number },
  random: () => number,
  progress: (moves: number) => number,
): Int32Array | undefined {
  const { size, operations, windows } = instance;
  const reachable = earliestStarts(instance);
  const ends = latestStarts(instance, finish);
  if (reachable.some((start, i) => start > ends[i]!)) return undefined;
  const latest = Int32Array.from(ends, (start) => Math.min(NEVER, start));
  const sessionAt = (minute: number) =>
    Math.max(
      0,
      windows.findLastIndex(([start]) => start <= minute),
    );
  const first = Int32Array.from(reachable, sessionAt);
  const last = Int32Array.from(latest, sessionAt);
  const order = [...instance.topological].sort((a, b) => from[a]! - from[b]!);
  const session = Int32Array.from(last, (most, i) => Math.min(most, sessionAt(from[i]!)));
  for (let at = size - 2; at >= 0; at--)
    session[order[at]!] = Math.min(session[order[at]!]!, session[order[at + 1]!]!);

  const kernel = squeezeKernel(instance, { order, session, latest, first, last });
  kernel.begin(setupMinutes, SETUP_PULL * random(), 2 ** 32 * random());
  const mean = operations.reduce((sum, { hands }) => sum + hands, 0) / size;
  let isFound = kernel.tryMoves(0, 0);
  for (let move = 0; !isFound; move += LOOK_EVERY) {
    const share = progress(move);
    if (share >= 1) return undefined;
    isFound = kernel.tryMoves(LOOK_EVERY, mean * HOTTEST * (COLDEST / HOTTEST) ** share);
  }
  return kernel.starts();
}
