import type { Ahead, AdvisedBuild } from '../contribution.ts';
import { CONTRIBUTIONS } from '../contributions/index.ts';
import type { PlanArc, PlanOperation } from '../operation.ts';
import { adviceFrom, byDate, mutedWith, type Advice, type Advise } from './advice.ts';
import { adviseFromKit } from './kitAdvice.ts';

/** Everything there is to say of a build, soonest first. `starts` in minutes since 1970; a step of `operations` without
 *  a start is done; `arcs`: what follows what. What the builder muted is told as a decision, with the note. */
export function adviseBuild(
  build: AdvisedBuild,
  operations: readonly PlanOperation[],
  starts: Readonly<Record<string, number>>,
  now: number,
  arcs: readonly PlanArc[] = [],
): Advice[] {
  const all = operations.filter(({ buildId }) => buildId === build.id);
  const startOf = ({ id }: PlanOperation) => starts[id]!;
  const own = all.filter(({ id }) => starts[id] !== undefined).sort((p, q) => startOf(p) - startOf(q));
  const said: Advice[] = [];
  const advise: Advise = (steps, draft) => said.push(adviceFrom(build.id, draft, steps, startOf));
  const ahead: Ahead = { build, all, arcs, own, starts, startOf, now, advise };
  adviseFromKit(build, { all, own, advise });
  for (const { advice } of CONTRIBUTIONS) advice?.(ahead);
  const muted = new Map(build.muted.map(({ adviceId, note }) => [adviceId, note]));
  return said
    .map((advice) => {
      const note = muted.get(advice.id);
      return note === undefined || advice.severity === 'note' ? advice : mutedWith(advice, note);
    })
    .sort(byDate);
}
