import { benchTimeline } from '../model/timeline.ts';
import { blockPlacer, scheduleBlocks } from '../construct/blockInsertion.ts';
import type { IndexedInstance } from '../model/instance.ts';

const MOST_ATTEMPTS = 20;
const LOOK_EVERY = 32;
/** Share of the blocks that are put beside others of their paint instead of where they fit first. */
const BESIDE = 0.15;

/** Improves a valid schedule by taking some blocks out and putting them back in where they fit first, in another order.
 *  Better ones are kept, worse ones with a chance that falls as `progress` runs from 0 to 1. Calls `improved` with the
 *  starts of every schedule of less energy than all before; the array is reused. Ends when `over` says so. */
export function largeNeighbourhoodSearch(
  instance: IndexedInstance,
  from: ArrayLike<number>,
  urgency: readonly number[],
  random: () => number,
  {
    energyOf,
    heat,
    progress,
    over,
    improved,
  }: {
    energyOf: (starts: Int32Array, setupMinutes: number) => number;
    /** Energy that may be given up at first. */
    heat: number;
    progress: () => number;
    over: () => boolean;
    improved: (starts: Int32Array) => void;
  },
): void {
  const { size, operations, preds, succs, windows, family } = instance;
  const { blockOf, members } = scheduleBlocks(instance);
  const bench = benchTimeline(instance);
  const { starts } = bench;
  const order = Array.from({ length: size }, (_, index) => index).sort((a, b) => from[a]! - from[b]!);
  let window = 0;
  for (const index of order) {
    while (windows[window]![1] < from[index]! + operations[index]!.hands) window++;
    bench.restore(index, from[index]!, window);
  }
  const isIn = new Uint8Array(members.length).fill(1);
  const before = new Int32Array(size);
  const sessionBefore = new Int32Array(size);
  const ofFamily: number[][] = instance.setup.families.map(() => []);
  for (let index = 0; index < size; index++) if (family[index]! >= 0) ofFamily[family[index]!]!.push(index);
  const blockUrgency = members.map((block) =>
    block.reduce((most, index) => Math.max(most, urgency[index]!), 0),
  );

  const takeOut = (block: number, out: number[]) => {
    if (!isIn[block]) return;
    isIn[block] = 0;
    out.push(block);
    const broken: number[] = [];
    for (const index of members[block]!) {
      before[index] = starts[index]!;
      sessionBefore[index] = bench.sessionOf[index]!;
      bench.remove(index);
      if (family[index]! >= 0) broken.push(bench.brokenWithout(index, sessionBefore[index]));
    }
    // What would need a longer set-up now comes out too.
    for (const index of broken) if (index >= 0) takeOut(blockOf[index]!, out);
  };
  const ends = (index: number) => starts[index]! + operations[index]!.hands + operations[index]!.dry;

  const placeBlock = blockPlacer(instance, bench, blockOf, isIn, MOST_ATTEMPTS);

  /** The end of some work with the same paint, so that the airbrush need not be cleaned in between. */
  const besideItsKind = (block: readonly number[]): number => {
    const kind = family[block.find((index) => family[index]! >= 0) ?? block[0]!]!;
    const alike = kind >= 0 ? ofFamily[kind]! : [];
    const beside = alike[Math.floor(random() * alike.length)];
    return beside === undefined || bench.sessionOf[beside]! < 0
      ? 0
      : starts[beside]! + operations[beside]!.hands;
  };

  /** Puts the blocks back, each as soon as all before it are in. */
  const putBack = (out: readonly number[]): boolean => {
    const noise = random() < 0.5 ? 0.3 : 2;
    const waiting = [...out].sort(
      (a, b) =>
        blockUrgency[b]! * (1 + noise * (random() - 0.5)) - blockUrgency[a]! * (1 + noise * (random() - 0.5)),
    );
    while (waiting.length > 0) {
      const at = waiting.findIndex((block) =>
        members[block]!.every((index) =>
          preds[index]!.every(({ other }) => blockOf[other] === block || isIn[blockOf[other]!]),
        ),
      );
      const block = waiting[at]!;
      if (!placeBlock(members[block]!, random() < BESIDE ? besideItsKind(members[block]!) : 0)) return false;
      isIn[block] = 1;
      waiting.splice(at, 1);
    }
    return true;
  };

  let energy = energyOf(starts, bench.setupMinutes());
  let least = energy;
  let share = 0;
  for (let step = 0; ; step++) {
    if (step % LOOK_EVERY === 0) {
      if (over()) return;
      share = Math.min(1, progress());
    }
    const out: number[] = [];
    const wanted = 2 + Math.floor(random() * random() * 12);
    let finish = 0;
    let last = 0;
    for (let index = 0; index < size; index++) {
      if (ends(index) > finish) {
        finish = ends(index);
        last = index;
      }
    }
    const seed = random() < 0.5 ? last : Math.floor(random() * size);
    takeOut(blockOf[seed]!, out);
    // What lies in one other session, and some of what the first waits for or what waits for it.
    const session = Math.floor(
      random() * (bench.sessionOf[last]! < 0 ? sessionBefore[last]! + 1 : bench.sessionOf[last]! + 1),
    );
    for (const index of [...bench.placed[session]!]) if (out.length < wanted) takeOut(blockOf[index]!, out);
    let at = seed;
    while (out.length < wanted) {
      const arcs = random() < 0.7 ? preds[at]! : succs[at]!;
      const arc = arcs[Math.floor(random() * arcs.length)];
      at = arc && random() < 0.7 ? arc.other : Math.floor(random() * size);
      if (!isIn[blockOf[at]!] && random() < 0.2) break;
      takeOut(blockOf[at]!, out);
    }
    const done = putBack(out);
    const next = done ? energyOf(starts, bench.setupMinutes()) : Infinity;
    if (next <= energy || random() < Math.exp((energy - next) / (heat * (1 - share) ** 2 + 1e-3))) {
      energy = next;
      if (energy < least - 1e-9) {
        least = energy;
        improved(starts);
      }
      continue;
    }
    for (const block of out) {
      for (const index of members[block]!) if (bench.sessionOf[index]! >= 0) bench.remove(index);
    }
    for (const block of out) {
      isIn[block] = 1;
      for (const index of members[block]!) bench.restore(index, before[index]!, sessionBefore[index]!);
    }
  }
}
