import { STOCK_SIZES } from '../detail/index.ts';
import type { Kit } from './records/index.ts';

/** More than this many sheets on each other are no shim any more. */
const MOST_SHEETS = 3;

/** Sheets on each other, thickest first, mm. */
export interface SheetStack {
  mm: number;
  sheets: number[];
}

/** All heights that up to three sheets can make, fewest sheets first for each height. */
export function stacksOf(sheets: readonly number[]): SheetStack[] {
  const sizes = [...new Set(sheets)].sort((p, q) => q - p);
  const found = new Map<number, number[]>([[0, []]]);
  const grow = (held: number[], from: number) => {
    if (held.length === MOST_SHEETS) return;
    for (let at = from; at < sizes.length; at++) {
      const next = [...held, sizes[at]!];
      const mm = Math.round(next.reduce((sum, sheet) => sum + sheet, 0) * 1000) / 1000;
      const known = found.get(mm);
      if (!known || known.length > next.length) found.set(mm, next);
      grow(next, at);
    }
  };
  grow([], 0);
  return [...found].map(([mm, held]) => ({ mm, sheets: held })).sort((p, q) => p.mm - q.mm);
}

/** The stack that comes nearest to a height, of equals the lower. */
export function nearestStack(stacks: readonly SheetStack[], wanted: number): SheetStack {
  return stacks.reduce((best, stack) =>
    Math.abs(stack.mm - wanted) < Math.abs(best.mm - wanted) ? stack : best,
  );
}

/** What to lay under something that is to come up by so much, mm, from the sheets on hand, or from those that are sold where nobody
 *  wrote them down. */
export function packingFor(mm: number, { stances }: Pick<Kit, 'stances'>): SheetStack {
  const onHand = stances[0]?.shimsMm ?? [];
  return nearestStack(stacksOf(onHand.length > 0 ? onHand : STOCK_SIZES.sheet), mm);
}

/** "0.5 + 0.25 mm", or that no sheet is thin enough. */
export const packingWords = ({ sheets }: SheetStack): string =>
  sheets.length === 0 ? 'no sheet is thin enough' : `sheet of ${sheets.join(' + ')} mm`;
