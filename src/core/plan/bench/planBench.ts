import { decorate, scheduleOf } from './decorate.ts';
import { deriveInputs } from './derive.ts';
import type { BenchSchedule, PlanRequest, PlanView } from './request.ts';
import { solveBench } from './solve.ts';

/** The best so far, worked out when it is looked at: all of it, or the schedule and what follows from that alone. */
export interface SoFar {
  whole: () => PlanView;
  schedule: () => BenchSchedule;
}

/** Operations, schedule, reasons, what cures and what warns, from the bench as it stands. A stored plan that was
 *  made from the same inputs and is not late is kept as it is. While a plan is being improved, `onBetter` is called
 *  often with the best so far and the share of the search that is done; only who looks pays for it. */
export function planBench(request: PlanRequest, onBetter?: (soFar: SoFar, share: number) => void): PlanView {
  const inputs = deriveInputs(request);
  const solved = solveBench(
    inputs,
    onBetter &&
      ((solution, share) =>
        onBetter(
          {
            whole: () => decorate(inputs, { solution, stuck: {} }),
            schedule: () => scheduleOf(inputs, solution),
          },
          share,
        )),
  );
  return decorate(inputs, solved);
}
