import type { PlanContribution } from '../contribution.ts';
import type { PlanOperation } from '../operation.ts';

/** What must be decided first: where the sheet and the evidence differ. */
export const decisions: PlanContribution = {
  id: 'decisions',

  holds: ({ kit, trayOf }) =>
    kit.evidence
      .filter(({ verdict }) => verdict === 'open')
      .flatMap(({ title, partIds, stepKind }) =>
        [...new Set(partIds.flatMap((part) => trayOf.get(part) ?? []))].map((trayId) => ({
          trayId,
          stepKind,
          reason: `The sheet and the evidence differ: ${title}. Decide it first.`,
        })),
      ),

  lookAhead({ own, startOf, warn }) {
    const held = new Map<string, PlanOperation[]>();
    for (const step of own) {
      for (const reason of step.holds) held.set(reason, [...(held.get(reason) ?? []), step]);
    }
    for (const [reason, steps] of held) {
      const soonest = steps.reduce((one, other) => (startOf(other) < startOf(one) ? other : one));
      warn(soonest, {
        id: `hold ${reason}`,
        title: `Not decided: ${soonest.title}`,
        reason: steps.length === 1 ? reason : `${reason} It holds ${steps.length} steps; this is the first.`,
        remedy: `Decide it before that evening; ${steps.length === 1 ? 'the step stays' : 'they stay'} locked until then.`,
        stage: 'kit',
      });
    }
  },
};
