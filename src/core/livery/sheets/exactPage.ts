import svgpath from 'svgpath';
import type { PageImage, PagePath, PrintedPage } from '../../formats/index.ts';
import type { Printing } from '../../kit/index.ts';
import type { Typeface } from '../artwork/readTypeface.ts';
import { textOutline } from '../artwork/textOutline.ts';
import { sheetSize } from './sheetSize.ts';

const BAR_MM = 50;
/** Kept free at the end of a page for the bar and its words, mm. */
const FOOT = 9;

/** A sheet as a printer that is off by some prints it. */
export interface ExactSheet {
  /** mm as the page says. */
  width: number;
  height: number;
  /** What a true millimetre is on the page: more where the printer makes things smaller. */
  factor: number;
  /** What there is to lay things on, in true millimetres. */
  sheet: { width: number; height: number; margin: number };
}

export function exactSheet(printing: Printing): ExactSheet {
  const factor = BAR_MM / printing.barMm;
  const [width, height] = sheetSize(printing);
  return {
    width,
    height,
    factor,
    sheet: { width: width / factor, height: height / factor - FOOT, margin: printing.marginMm / factor },
  };
}

/** A page of paths in true millimetres, with a bar of 50 mm to measure and crosses in the corners, as this printer prints them
 *  at their size. */
export const exactPage = (
  { width, height, factor, sheet }: ExactSheet,
  paths: readonly PagePath[],
  font: Typeface,
  images: readonly PageImage[] = [],
): PrintedPage => ({
  width,
  height,
  paths: [...paths, ...pageMarks(sheet, font)].map((path) => ({
    ...path,
    d: svgpath(path.d).scale(factor).round(4).toString(),
  })),
  ...(images.length > 0
    ? {
        images: images.map((image) => ({
          ...image,
          matrix: image.matrix.map((each) => each * factor) as unknown as PageImage['matrix'],
        })),
      }
    : {}),
});

/** The bar to measure, and crosses by which a second pass finds its place. */
function pageMarks(
  { width, height, margin }: { width: number; height: number; margin: number },
  font: Typeface,
): PagePath[] {
  const bar = Math.min(BAR_MM, width - 2 * margin);
  const y = height + 1;
  const cross = (x: number, at: number) => `M${x - 2} ${at}h4M${x} ${at - 2}v4`;
  const inset = Math.max(3, margin / 2);
  return [
    { d: `M${margin} ${y}h${bar}v1.5h${-bar}Z`, fill: '#000000' },
    {
      d: textOutline(font, `measure me: ${bar === BAR_MM ? BAR_MM : bar.toFixed(1)} mm`, {
        x: margin + bar / 2,
        y: y + 4,
        width: bar,
        height: 2,
      }).d,
      fill: '#000000',
    },
    ...[inset, width - inset].flatMap((x) =>
      [inset, height + FOOT - inset].map((at) => ({ d: cross(x, at), stroke: '#000000', strokeMm: 0.1 })),
    ),
  ];
}
