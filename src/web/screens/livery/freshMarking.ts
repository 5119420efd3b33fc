import { markingRecord, newRecord, type Marking } from '../../../core/kit/index.ts';

/** A new marking at a place of a view, over all others. */
export const freshMarking = (
  id: string,
  viewId: string | null,
  place: { x: number; y: number },
  others: readonly Marking[],
): Marking => ({
  ...newRecord(markingRecord),
  ...place,
  id,
  viewId,
  name: `marking ${others.length + 1}`,
  order: Math.max(-1, ...others.map(({ order }) => order)) + 1,
});
