import type { FaultId } from '../choices.ts';

export const POINT_KINDS = [
  'straight',
  'primer',
  'colour',
  'edges',
  'decals',
  'clear',
  'polish',
  'fit',
  'symmetry',
  'last',
] as const;
export type PointKind = (typeof POINT_KINDS)[number];

export interface PointFacts {
  name: string;
  /** Kinds of step after the last of which it is due. */
  after: readonly string[];
  /** Each layer is looked over by itself, rather than the sub-assembly once. */
  eachLayer: boolean;
  lookFor: readonly FaultId[];
  /** With what, and from where. */
  how: string;
}

export const POINTS: Readonly<Record<PointKind, PointFacts>> = {
  straight: {
    name: 'Set straight',
    after: ['straighten', 'true'],
    eachLayer: false,
    lookFor: ['crooked'],
    how: 'on a flat plate: nothing rocks, a square stands against both sides; again the next day, since plastic comes back',
  },
  primer: {
    name: 'After primer',
    after: ['primer'],
    eachLayer: false,
    lookFor: ['scratch', 'sink', 'seam', 'dust', 'dry-spray'],
    how: 'a lamp held low, so that light runs along the surface; turn the part, not the lamp',
  },
  colour: {
    name: 'After colour',
    after: ['colour', 'metal', 'tint'],
    eachLayer: true,
    lookFor: ['dust', 'run', 'orange-peel', 'thin-cover', 'mismatch'],
    how: 'once touch dry, under a lamp and in daylight, beside its spoon or chip',
  },
  edges: {
    name: 'Mask edges',
    after: ['unmask'],
    eachLayer: true,
    lookFor: ['bled-edge', 'torn-edge', 'thin-cover'],
    how: 'a loupe along the whole edge, while the colour can still be wiped',
  },
  decals: {
    name: 'After decals',
    after: ['decal', 'marking'],
    eachLayer: false,
    lookFor: ['silvered', 'crooked', 'fingerprint'],
    how: 'dry, from a low angle; left and right beside each other',
  },
  clear: {
    name: 'After clear',
    after: ['clear'],
    eachLayer: false,
    lookFor: ['dust', 'run', 'orange-peel', 'dry-spray', 'silvered', 'thin-cover'],
    how: 'the reflection of a straight edge over every panel; raised lines and edges last',
  },
  polish: {
    name: 'After polish',
    after: ['polish', 'wax'],
    eachLayer: false,
    lookFor: ['burn-through', 'dull', 'scratch'],
    how: 'one lamp in a dark room; edges first',
  },
  fit: {
    name: 'Fits after paint',
    after: ['refit'],
    eachLayer: false,
    lookFor: ['tight-fit', 'crooked'],
    how: 'put together without glue, moved through its whole way',
  },
  symmetry: {
    name: 'Symmetry',
    after: ['stance'],
    eachLayer: false,
    lookFor: ['crooked'],
    how: 'from straight ahead, behind and above, with a thread over the middle; both sides measured to the plate',
  },
  last: {
    name: 'Last look',
    after: ['inspect'],
    eachLayer: false,
    lookFor: ['crooked', 'fingerprint', 'dull', 'mismatch'],
    how: 'by daylight beside the reference, at the same angle and height, every side',
  },
};

/** A step of the plan, as far as looking over asks. */
export interface LookedStep {
  id: string;
  buildId: string;
  trayId?: string;
  layerId?: string;
  kind: string;
  title: string;
}

/** Something to look over once a step is done. */
export interface InspectionPoint {
  kind: PointKind;
  /** The step after which it is due. */
  step: LookedStep;
}

/** What is to be looked over, each after the last step of its kind on its sub-assembly, in the order of the steps. Steps that are done
 *  again after a mishap count as what they repeat, so that the repetition is looked over. */
export function inspectionPoints(steps: readonly LookedStep[]): InspectionPoint[] {
  const last = new Map<string, InspectionPoint>();
  for (const step of steps)
    for (const kind of POINT_KINDS) {
      const { after, eachLayer } = POINTS[kind];
      if (!after.includes(step.kind)) continue;
      const of = `${step.buildId} ${step.trayId ?? ''} ${kind} ${eachLayer ? (step.layerId ?? step.id) : ''}`;
      // Where it stands anew, it is due at the later place.
      last.delete(of);
      last.set(of, { kind, step });
    }
  return [...last.values()];
}
