import { adviceId } from '../advice/advice.ts';
import { operationsOf } from '../benchSteps.ts';
import type { Ahead, PlanContribution } from '../contribution.ts';
import type { PlanOperation } from '../operation.ts';

/** Pictures that were due and are not there, while they can still be taken. */
export const milestones: PlanContribution = { id: 'milestones', advice: adviseOfPictures };

const RULE = 'picture-missing';

/** The advice that the picture of a step is missing, by id. */
export const missingPictureId = ({ id, buildId }: Pick<PlanOperation, 'id' | 'buildId'>): string =>
  adviceId(buildId, RULE, id);

function adviseOfPictures(ahead: Ahead): void {
  const { build, all, own, advise } = ahead;
  const toCome = new Set(own.map(({ id }) => id));
  const settled = new Set(build.milestones.map(({ operationId }) => operationId));
  for (const step of all) {
    if (step.photo === undefined || toCome.has(step.id) || settled.has(step.id)) continue;
    const { join, shutsIn } = closingOf(step, ahead);
    if (!join) continue;
    advise([join], {
      rule: RULE,
      subject: step.id,
      severity: shutsIn ? 'warn' : 'note',
      topic: shutsIn ? 'risk' : 'note',
      about: { trays: step.trayId === undefined ? [] : [step.trayId] },
      text: `No picture yet: ${step.photo}`,
      why: shutsIn
        ? `“${join.title}” shuts it in: afterwards nobody sees it again.`
        : `“${join.title}” puts it together with the rest: it is never again seen from all sides.`,
      remedy: 'Take it now and put it to this card, or say there that none is wanted.',
      stage: 'plan',
    });
  }
}

/** The first join to come that shuts in what a step finished, else the first in which it takes part. */
function closingOf(
  { trayId }: PlanOperation,
  { build, all, starts }: Ahead,
): { join: PlanOperation | undefined; shutsIn: boolean } {
  const soonest = (joinIds: ReadonlySet<string>) =>
    [...joinIds]
      .flatMap((joinId) => operationsOf(build.id, { work: 'assemble', joinId }, all))
      .filter(({ id }) => starts[id] !== undefined)
      .sort((p, q) => starts[p.id]! - starts[q.id]!)[0];
  const shutting = build.kit.consequences.flatMap(({ effect, step, other }) =>
    effect === 'prevents' && step.work === 'assemble' && other.work === 'paint' && other.trayId === trayId
      ? [step.joinId]
      : [],
  );
  const shut = soonest(new Set(shutting));
  if (shut) return { join: shut, shutsIn: true };
  const own = build.joins.filter(({ trayIds }) => trayId !== undefined && trayIds.includes(trayId));
  return { join: soonest(new Set(own.map(({ id }) => id))), shutsIn: false };
}
