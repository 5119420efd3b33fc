import type { PlanView } from '../../../core/plan/index.ts';

/** Whether a step of a build is done, as the plan tells: it begins no more. Where there is no plan none is known to be. */
export const doneIn = (
  { starts, problem, stuck }: Pick<PlanView, 'starts' | 'problem' | 'stuck'>,
  buildId: string,
): ((stepId: string) => boolean) => {
  const isPlanned = problem === null && stuck[buildId] === undefined;
  return (stepId) => isPlanned && starts[stepId] === undefined;
};
