import type { Inspection } from '../../../core/kit/index.ts';
import { buries, inspectionPoints, type InspectionPoint } from '../../../core/record/index.ts';
import type { PlanView } from '../../../core/plan/index.ts';
import { doneIn } from './doneIn.ts';

/** What is to be looked over in a build, of steps that are done or still to come. */
export const pointsOf = ({ operations }: PlanView, buildId: string): InspectionPoint[] =>
  inspectionPoints(operations.filter((operation) => operation.buildId === buildId));

/** Of that, what is done and nobody wrote anything of; what is under a later coat already can no longer be looked over. */
export function pointsDue(
  view: PlanView,
  buildId: string,
  inspections: readonly Pick<Inspection, 'operationId'>[],
): InspectionPoint[] {
  const looked = new Set(inspections.map(({ operationId }) => operationId));
  const isDone = doneIn(view, buildId);
  const own = view.operations.filter((operation) => operation.buildId === buildId);
  const isBuried = ({ step }: InspectionPoint) =>
    step.trayId !== undefined &&
    own
      .slice(own.findIndex(({ id }) => id === step.id) + 1)
      .some(
        ({ id, trayId, layerId, kind }) =>
          trayId === step.trayId && layerId !== step.layerId && buries(kind) && isDone(id),
      );
  return pointsOf(view, buildId).filter(
    (point) => isDone(point.step.id) && !looked.has(point.step.id) && !isBuried(point),
  );
}
