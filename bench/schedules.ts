/** The scheduler on fresh instances: how many small ones are proved, and how far a short search is from a long one. */
import { scheduleOperations } from '../src/core/plan/index.ts';
import { randomInstance } from '../src/core/scheduling/randomInstance.ts';
import { timed } from './timed.ts';

/** The same work shape at any size: enough evenings for it. */
const instanceOf = (seed: number, size: number) => randomInstance(seed, size, Math.max(60, size));

/** Prints shares, gaps in per cent of the finish, and ratios of times. */
export function schedules(seed: number): void {
  for (const [size, limit] of [
    [10, 0.2],
    [15, 0.2],
    [20, 1],
  ] as const) {
    const runs = Array.from({ length: 20 }, (_, run) =>
      timed(() => scheduleOperations(instanceOf(seed * 100 + run, size), { timeMs: 1000 * limit })),
    );
    const proved = runs.filter(({ made, seconds }) => made.optimal && seconds <= 1.1 * limit).length;
    // Of those not proved, how many a search of twenty times the time still betters.
    const bettered = runs.filter(({ made }, run) => {
      if (made.optimal) return false;
      const { finish, setupMinutes } = scheduleOperations(instanceOf(seed * 100 + run, size), {
        timeMs: 20_000 * limit,
      });
      return finish < made.finish || (finish === made.finish && setupMinutes < made.setupMinutes);
    }).length;
    const slowest = Math.max(...runs.map(({ seconds }) => seconds));
    console.log(
      `schedules of ${size} steps: ${proved} of ${runs.length} proved in their time, the slowest ${(limit / slowest).toFixed(1)} times within it; a search of twenty times that betters ${bettered}`,
    );
  }
  const large = instanceOf(seed, 1500);
  const whole = timed(() => scheduleOperations(large, { evaluations: 1, timeMs: 60_000 }));
  console.log(
    `schedules of 1500 steps: a plan ${(0.5 / whole.seconds).toFixed(1)} times within 500 ms, ${((100 * (whole.made.finish - whole.made.lowerBound)) / whole.made.lowerBound).toFixed(1)} % above the bound`,
  );
  for (const [size, short, long] of [
    [60, 2000, 20_000],
    [150, 2000, 20_000],
    [300, 10_000, 40_000],
  ] as const) {
    const instance = instanceOf(seed, size);
    let first = Infinity;
    let firstFinish = 0;
    const began = performance.now();
    const quick = scheduleOperations(instance, {
      timeMs: short,
      onImproved: ({ finish }) => {
        if (first < Infinity) return;
        first = performance.now() - began;
        firstFinish = finish;
      },
    });
    const patient = scheduleOperations(instance, { timeMs: long, seed: seed + 1 });
    const best = Math.min(quick.finish, patient.finish);
    const tries = 2000;
    const { seconds } = timed(() => scheduleOperations(instance, { evaluations: tries, timeMs: 1e9 }));
    console.log(
      `schedules of ${size} steps: first plan ${(50 / first).toFixed(1)} times within 50 ms and ${((100 * (firstFinish - best)) / best).toFixed(1)} % above the best; after ${short / 1000} s ${((100 * (quick.finish - best)) / best).toFixed(2)} % above, the bound ${((100 * (best - quick.lowerBound)) / best).toFixed(1)} % below; ${Math.round(tries / seconds).toLocaleString('en')} orders a second`,
    );
  }
}
