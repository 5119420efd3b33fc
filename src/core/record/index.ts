/** Record: inspections and what comes of them. */
export { FAULTS, type FaultId } from './choices.ts';
export { FAULT_FACTS, type FaultFacts } from './inspections/faults.ts';
export {
  inspectionPoints,
  POINTS,
  type InspectionPoint,
  type LookedStep,
  type PointKind,
} from './inspections/points.ts';
export { buries, firstToBury } from './inspections/tooLate.ts';
