import { useMemo } from 'react';
import { USUAL_DROP_ML } from '../../../../core/match/index.ts';
import { layerUses, type Kit } from '../../../../core/kit/index.ts';
import {
  carriedOver,
  PHASE_LABELS,
  TASKS,
  taskLabel,
  type PlanView,
  type TaskKind,
} from '../../../../core/plan/index.ts';
import { elapsedOf, hoursBy, logOf, mishapCosts, paintUse, trendsOf } from '../../../../core/record/index.ts';
import type { BuildRecord, CupRecord, StepRecord } from '../../../../api/index.ts';
import type { BuildContext } from '../../../data/buildContext.ts';

/** By what hours are counted. */
export type HoursBy = 'tray' | 'kind' | 'phase';

export interface LogInputs extends Pick<BuildContext, 'paints' | 'products'> {
  build: BuildRecord;
  kit: Kit;
  view: PlanView;
  steps: readonly StepRecord[];
  cups: readonly CupRecord[];
}

/** The log of a build and everything that follows from it. */
export function useLog(
  { build, kit, view, steps: allSteps, cups: allCups, paints, products }: LogInputs,
  by: HoursBy,
) {
  const own = useMemo(() => {
    const paintOf = new Map(paints.map((paint) => [paint.id, paint]));
    const operations = view.operations.filter(({ buildId }) => buildId === build.id);
    const { done, orphans } = carriedOver(
      operations,
      allSteps.filter(({ buildId }) => buildId === build.id),
    );
    return {
      paintOf,
      steps: [...done, ...orphans],
      cups: allCups.filter(({ buildId }) => buildId === build.id),
      operations,
      trayNames: new Map(build.trays.map(({ id, name }) => [id, name])),
    };
  }, [build, view, allSteps, allCups, paints]);
  const events = useMemo(
    () =>
      logOf({
        steps: own.steps,
        cups: own.cups,
        kit,
        paintName: (id) => own.paintOf.get(id)?.name ?? products.get(id)?.name ?? id,
      }),
    [own, kit, products],
  );
  const hours = useMemo(
    () =>
      hoursBy(own.steps, own.operations, ({ trayId, kind }) => {
        if (by === 'tray')
          return trayId === null ? 'the whole build' : (own.trayNames.get(trayId) ?? 'a tray that is gone');
        if (kind === null) return 'no longer planned';
        return by === 'kind' ? taskLabel(kind) : PHASE_LABELS[TASKS[kind as TaskKind].phase];
      }),
    [own, by],
  );
  const rest = useMemo(() => {
    const dropMl = (id: string) => {
      const paint = own.paintOf.get(id);
      return paint?.dropMl ?? USUAL_DROP_ML * (paint?.perDrop ?? 1);
    };
    const cost = (id: string, ml: number): number | undefined => {
      const paint = own.paintOf.get(id);
      return paint && paint.volumeMl > 0 ? (paint.priceCents * ml) / paint.volumeMl : undefined;
    };
    return {
      trends: trendsOf(own.steps, own.operations),
      mishaps: mishapCosts(kit.mishaps, own.steps, own.operations),
      elapsed: elapsedOf(own.steps, view.arcs),
      paint: paintUse(
        layerUses(build.trays, build.scale, products),
        own.operations,
        own.steps,
        own.cups,
        dropMl,
      ).map((use) => ({
        ...use,
        name: own.paintOf.get(use.paintId)?.name ?? products.get(use.paintId)?.name ?? use.paintId,
        cents: cost(use.paintId, Math.max(use.laidMl, use.mixedMl)),
      })),
    };
  }, [own, kit, view.arcs, build, products]);
  return useMemo(() => ({ ...own, ...rest, events, hours }), [own, rest, events, hours]);
}

export type Log = ReturnType<typeof useLog>;
