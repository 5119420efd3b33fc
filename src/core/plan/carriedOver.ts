import type { PlanOperation } from './operation.ts';
import type { DoneStep } from './replan.ts';

/** The log read against a plan generated anew. */
export interface CarriedOver<Step extends DoneStep> {
  /** Steps that are done, by the names the plan has for them now. */
  done: Step[];
  /** Done work that the plan no longer holds: a change of version, stack or joint took it out. */
  orphans: Step[];
}

/** What was done stays done where the plan was generated anew. A step that came in one piece and now comes in several,
 *  or the other way about, is its first piece. */
export function carriedOver<Step extends DoneStep>(
  operations: readonly Pick<PlanOperation, 'id'>[],
  log: readonly Step[],
): CarriedOver<Step> {
  const known = new Set(operations.map(({ id }) => id));
  const ticked = new Set(log.map(({ operationId }) => operationId));
  const done: Step[] = [];
  const orphans: Step[] = [];
  for (const step of log) {
    const { operationId } = step;
    const other = operationId.endsWith('-1') ? operationId.slice(0, -2) : `${operationId}-1`;
    if (known.has(operationId)) done.push(step);
    else if (known.has(other) && !ticked.has(other)) done.push({ ...step, operationId: other });
    else orphans.push(step);
  }
  return { done, orphans };
}
