import type { GluedJoint } from './gluedJoints.ts';
import type { PlanArc, PlanOperation } from './operation.ts';

/** A plain step for tests: twenty minutes by hand at the bench. */
export function plainOperation(id: string, change: Partial<PlanOperation> = {}): PlanOperation {
  return {
    id,
    buildId: 'b',
    trayId: 'body',
    kind: 'fill',
    title: id,
    place: 'bench',
    hands: 20,
    dry: 0,
    family: null,
    chemistry: null,
    because: `Why ${id}.`,
    details: [],
    hazards: [],
    cautions: [],
    lessons: [],
    ...change,
  };
}

/** A plain lag for tests, minutes. */
export const plainArc = (from: string, to: string, minLag = 0, maxLag: number | null = null): PlanArc => ({
  from,
  to,
  minLag,
  maxLag,
  because: `${from} first`,
});

/** A joint of two bare faces of styrene, for tests. */
export const plainGluedJoint = (words: string): GluedJoint => ({
  words,
  adhesive: 'cement-thin',
  preparation: 'hold together dry',
  strongMinutes: 1440,
  isTyre: false,
});
