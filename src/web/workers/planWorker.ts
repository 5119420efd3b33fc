import { expose } from 'comlink';
import { planView, whatIf, type PlanRequest, type WhatIf } from './planView.ts';

/** Solves every change in turn and tells each as soon as it is known. To cancel, end the worker. */
function tryChanges(request: PlanRequest, onFound: (found: WhatIf) => void): void {
  for (const found of whatIf(request)) onFound(found);
}

const planWorker = { planView, tryChanges };
export type PlanWorker = typeof planWorker;
expose(planWorker);
