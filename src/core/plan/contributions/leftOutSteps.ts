import type { PlanContribution } from '../contribution.ts';
import { TASKS } from '../tasks.ts';

/** What it costs that the builder left a step out. */
export const leftOutSteps: PlanContribution = {
  id: 'left-out',

  advice({ build, all, own, advise }) {
    for (const step of build.leftOut) {
      const { leftOut: risk } = TASKS[step.kind];
      // One coat of several is a matter of taste.
      const isLayerThere = all.some(
        ({ trayId, layerId }) => layerId !== undefined && layerId === step.layerId && trayId === step.trayId,
      );
      if (risk === undefined || isLayerThere) continue;
      const next = own.find(({ trayId, kind }) => trayId === step.trayId && kind !== 'clean');
      if (!next) continue;
      advise([next], {
        rule: 'left-out',
        subject: step.id,
        severity: 'warn',
        text: `Left out: ${step.title}`,
        why: risk,
        remedy: 'Bring it back while you still can: the plan keeps a list of what is left out.',
        stage: 'plan',
      });
    }
  },
};
