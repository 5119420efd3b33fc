import { packingFaults } from './packingFaults.ts';
import { packSheets, type SheetItem, type SheetPacking, type SheetQuestion } from './packSheets.ts';
import { fitsOn } from './sheetSize.ts';

/** Things laid on the fewest sheets found, upright or (where they may be turned) on their side, in a packing that was looked over; what is larger than
 *  the sheet is left out. `copies`: how many of each. */
export function layOn<T extends Pick<SheetItem, 'id' | 'width' | 'height'>>(
  sheet: SheetQuestion['sheet'],
  gap: number,
  all: readonly T[],
  copies: (each: T) => number,
  { turn }: { turn: boolean } = { turn: true },
): { laid: T[]; tooLarge: T[]; packing: SheetPacking } {
  const laid = all.filter((each) => fitsOn(sheet, each, turn));
  const items = laid.map((each) => ({
    id: each.id,
    width: each.width,
    height: each.height,
    count: copies(each),
    turn,
  }));
  const question = { sheet, gap, items };
  const packing = packSheets(question);
  const [fault] = packingFaults(question, packing);
  if (fault !== undefined) throw new Error(`The sheets do not hold what they should: ${fault}`);
  return { laid, tooLarge: all.filter((each) => !laid.includes(each)), packing };
}
