import type { Paper, Printing } from '../../kit/index.ts';

/** Sheets by their names, mm. */
export const PAPER_SIZES: Readonly<Record<Exclude<Paper, 'own'>, readonly [number, number]>> = {
  a4: [210, 297],
  letter: [215.9, 279.4],
  a5: [148, 210],
};

/** Size of the sheet, mm. */
export const sheetSize = ({ paper, widthMm, heightMm }: Printing): readonly [number, number] =>
  paper === 'own' ? [widthMm, heightMm] : PAPER_SIZES[paper];

/** Whether something lies within the margins of a sheet, upright or, where it may be turned, on its side. */
export function fitsOn(
  { width, height, margin }: { width: number; height: number; margin: number },
  item: { width: number; height: number },
  turn = true,
): boolean {
  const [wide, tall] = [width - 2 * margin, height - 2 * margin];
  if (!turn) return item.width <= wide && item.height <= tall;
  const [short, long] = [Math.min(item.width, item.height), Math.max(item.width, item.height)];
  return short <= Math.min(wide, tall) && long <= Math.max(wide, tall);
}
