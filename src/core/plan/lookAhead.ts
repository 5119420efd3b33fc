import type { Ahead, LookAheadBuild } from './contribution.ts';
import { CONTRIBUTIONS } from './contributions/index.ts';
import type { PlanOperation } from './operation.ts';
import type { Warning } from './warning.ts';

/** What is ahead of a build that a builder would want to know now, soonest first. `starts` in minutes since 1970; a
 *  step of `operations` without a start is done. */
export function lookAhead(
  build: LookAheadBuild,
  operations: readonly PlanOperation[],
  starts: Readonly<Record<string, number>>,
  now: number,
): Warning[] {
  const all = operations.filter(({ buildId }) => buildId === build.id);
  const warnings: (Warning & { at: number })[] = [];
  const startOf = ({ id }: PlanOperation) => starts[id]!;
  const ahead: Ahead = {
    build,
    all,
    own: all.filter(({ id }) => starts[id] !== undefined),
    starts,
    startOf,
    now,
    warn: (operation, warning) =>
      warnings.push({
        ...warning,
        operationId: operation?.id,
        at: operation ? startOf(operation) : Infinity,
      }),
  };
  for (const contribution of CONTRIBUTIONS) contribution.lookAhead?.(ahead);
  return warnings.sort((p, q) => (p.at === q.at ? 0 : p.at - q.at)).map(({ at: _at, ...warning }) => warning);
}
