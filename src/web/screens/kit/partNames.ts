import { inFrameOrder, partLabel, type Kit, type Part } from '../../../core/kit/index.ts';

export const labelled = (part: Part): string => `${partLabel(part)} ${part.name}`;

type Options = { value: string; label: string }[];

/** A form has a dozen selects of the same parts, and a drawer a dozen forms. */
const known = new WeakMap<readonly Part[], Options>();

/** Parts as options of a select, in the order in which they hang; one and the same list while the parts are. */
export function partOptions({ parts }: Pick<Kit, 'parts'>): Options {
  let options = known.get(parts);
  if (!options) {
    options = inFrameOrder(parts).map((part) => ({ value: part.id, label: labelled(part) }));
    known.set(parts, options);
  }
  return options;
}
