import { leastSheetsFor } from './leastSheets.ts';
import { searchSheets } from './searchSheets.ts';
import { topOf, type Piece } from './maximalRectangles.ts';

/** Rectangles to print or cut: `count` copies of each, mm; `turn`: it may lie on its side. */
export interface SheetItem {
  id: string;
  width: number;
  height: number;
  count: number;
  turn: boolean;
}

export interface SheetQuestion {
  /** One sheet, mm; `margin` is kept free along its edges. */
  sheet: { width: number; height: number; margin: number };
  /** Room between any two, mm. */
  gap: number;
  items: readonly SheetItem[];
}

/** Where a copy lies: its lower left corner from that of the sheet, mm. */
export interface SheetPlacement {
  id: string;
  copy: number;
  x: number;
  y: number;
  turned: boolean;
}

export interface SheetPacking {
  /** `usedHeight`: from the lower edge of the sheet to the top of the highest, mm. */
  sheets: { placements: SheetPlacement[]; usedHeight: number }[];
  /** No packing takes fewer. */
  leastSheets: number;
}

/** Most rectangles in one question. */
const MOST_COPIES = 5000;
const EPSILON = 1e-9;

/** Packs rectangles onto the fewest sheets found, then onto the least height of the last. Deterministic. Throws RangeError, naming it,
 *  for a size that is not above zero and for an item that fits no sheet. */
export function packSheets({ sheet, gap, items }: SheetQuestion): SheetPacking {
  // With the gap added to every rectangle and to the sheet, two that touch are a gap apart.
  const room = { width: sheet.width - 2 * sheet.margin + gap, height: sheet.height - 2 * sheet.margin + gap };
  const pieces = piecesOf(sheet, gap, items, room);
  if (pieces.length === 0) return { sheets: [], leastSheets: 0 };
  const leastSheets = leastSheetsFor(room, pieces);
  const best = searchSheets(room, pieces, leastSheets);
  return {
    sheets: best.map((placed) => ({
      placements: placed.map(({ piece, x, y, turned }) => ({
        id: piece.id,
        copy: piece.copy,
        x: sheet.margin + x,
        y: sheet.margin + y,
        turned,
      })),
      usedHeight: sheet.margin + topOf(placed) - gap,
    })),
    leastSheets,
  };
}

function piecesOf(
  { width, height, margin }: SheetQuestion['sheet'],
  gap: number,
  items: readonly SheetItem[],
  room: { width: number; height: number },
): Piece[] {
  if (!(width > 0 && height > 0 && Number.isFinite(width * height)))
    throw new RangeError(`A sheet of ${width} by ${height} mm cannot be: give both sides above zero.`);
  if (!(margin >= 0 && gap >= 0))
    throw new RangeError(`Margin and gap are 0 mm or more; they were ${margin} and ${gap}.`);
  if (!(room.width > gap && room.height > gap))
    throw new RangeError(`A margin of ${margin} mm leaves nothing of a sheet of ${width} by ${height} mm.`);
  const pieces = items.flatMap((item): Piece[] => {
    if (!(item.width > 0 && item.height > 0))
      throw new RangeError(`“${item.id}” is ${item.width} by ${item.height} mm: give both sides above zero.`);
    if (!(Number.isInteger(item.count) && item.count >= 0))
      throw new RangeError(`“${item.id}” is wanted ${item.count} times: give a whole number.`);
    const size = { width: item.width + gap, height: item.height + gap };
    const upright = fits(size.width, size.height, room);
    const onSide = item.turn && fits(size.height, size.width, room);
    if (!upright && !onSide && item.count > 0)
      throw new RangeError(
        `“${item.id}”, ${item.width} by ${item.height} mm, fits no sheet of ${width} by ${height} mm with a margin of ${margin} mm.`,
      );
    return Array.from({ length: item.count }, (_, copy) => ({
      id: item.id,
      copy,
      ...size,
      upright,
      onSide: onSide && item.width !== item.height,
    }));
  });
  if (pieces.length > MOST_COPIES)
    throw new RangeError(`${pieces.length} pieces are more than ${MOST_COPIES}: print them in several goes.`);
  return pieces;
}

const fits = (width: number, height: number, room: { width: number; height: number }): boolean =>
  width <= room.width + EPSILON && height <= room.height + EPSILON;
