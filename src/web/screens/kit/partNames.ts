import { inFrameOrder, partLabel, type Kit, type Part } from '../../../core/kit/index.ts';

export const labelled = (part: Part): string => `${partLabel(part)} ${part.name}`;

/** Parts as options of a select, in the order in which they hang. */
export function partOptions(kit: Kit): { value: string; label: string }[] {
  return inFrameOrder(kit.parts).map((part) => ({ value: part.id, label: labelled(part) }));
}
