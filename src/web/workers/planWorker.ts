import { expose } from 'comlink';
import { planView, whatIf, type PlanRequest, type PlanView, type WhatIf } from './planView.ts';

/** Solves every change in turn and tells each as soon as it is known. To cancel, end the worker. */
function tryChanges(request: PlanRequest, onFound: (found: WhatIf) => void): void {
  for (const found of whatIf(request)) onFound(found);
}

/** A plan, the best so far told on the way. To keep that, end the worker. */
function makePlan(request: PlanRequest, onBetter: (soFar: PlanView, share: number) => void): PlanView {
  return planView(request, onBetter);
}

const planWorker = { makePlan, tryChanges };
export type PlanWorker = typeof planWorker;
expose(planWorker);
