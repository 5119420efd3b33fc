import { textHash } from '../../textHash.ts';
import type { OperationPlan } from '../operation.ts';
import type { DoneStep } from '../replan.ts';
import type { PlanRequest } from './request.ts';

/** A short text that changes whenever what the schedule depends on does: minutes, waits, paints and places of the steps,
 *  what is done, the calendar and the builder's wishes; not what steps are called. */
export function fingerprintOf(
  request: PlanRequest,
  { operations, arcs }: OperationPlan,
  done: readonly DoneStep[],
): string {
  return textHash(
    JSON.stringify([
      operations.map(({ id, hands, dry, family, chemistry, place }) => [
        id,
        hands,
        dry,
        family,
        chemistry,
        place,
      ]),
      arcs.map(({ from, to, minLag, maxLag }) => [from, to, minLag, maxLag]),
      ...wishesOf(request, done),
    ]),
  );
}

const wishesOf = (
  { snapshot: { settings, builds }, tonightUntil }: PlanRequest,
  done: readonly DoneStep[],
): unknown[] => [
  done.map(({ operationId, endedAt }) => `${operationId}@${endedAt}`),
  [
    settings.calendar,
    builds.map(({ kit: { plan } }) => [plan.pins, plan.deadline, plan.priority]),
    tonightUntil ?? null,
  ],
];
