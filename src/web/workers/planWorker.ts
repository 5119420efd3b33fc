import { expose } from 'comlink';
import {
  mendBothWays,
  planBench,
  whatIf,
  type BenchSchedule,
  type MendQuestion,
  type MendWay,
  type PlanRequest,
  type PlanView,
  type WhatIf,
} from '../../core/plan/index.ts';

/** Between two looks at the best so far: each is worked out, sent and drawn. */
const TELL_MS = 1000;

/** Solves every change in turn and tells each as soon as it is known. To cancel, end the worker. */
function tryChanges(request: PlanRequest, onFound: (found: WhatIf) => void): void {
  for (const found of whatIf(request)) onFound(found);
}

/** The plan with a mend at one time and the other, each told as soon as it is known. To cancel, end the worker. */
function tryMends(request: PlanRequest, question: MendQuestion, onFound: (found: MendWay) => void): void {
  for (const found of mendBothWays(request, question)) onFound(found);
}

/** A plan, the best so far told on the way: whole at first, then only what becomes different. To keep that, end the
 *  worker. */
function makePlan(
  request: PlanRequest,
  onBetter: (soFar: PlanView | BenchSchedule, share: number) => void,
): PlanView {
  let told = -Infinity;
  return planBench(request, (soFar, share) => {
    if (performance.now() - told < TELL_MS) return;
    onBetter(told === -Infinity ? soFar.whole() : soFar.schedule(), share);
    told = performance.now();
  });
}

const planWorker = { makePlan, tryChanges, tryMends };
export type PlanWorker = typeof planWorker;
expose(planWorker);
