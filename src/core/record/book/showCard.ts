import type { PagePath, PrintedPage } from '../../formats/index.ts';
import type { Typeface } from '../../livery/index.ts';

/** The card that stands beside a model at a show: A7, lying. */
export const CARD_MM = { width: 105, height: 74 } as const;
const EDGE = 6;
const INK = '#111111';

export interface CardWords {
  title: string;
  /** Subject and scale, who built it, how long; each a line. */
  lines: readonly string[];
  /** The builder's own words, wrapped. */
  words: string;
  /** Colours of the model, #rrggbb. */
  hexes: readonly string[];
}

/** Height of a line of letters, mm, for a font size in mm. */
const LEADING = 1.25;
const TITLE_MM = { most: 11, least: 5 };
const LINE_SIZE = 4.2;
const WORDS_SIZE = 3.6;
const BAR_MM = 5;

const widthOf = (face: Typeface, text: string, size: number): number => face.getAdvanceWidth(text, size);

/** Text broken into lines that are no wider than a width, mm. A word wider than a line is cut. */
export function wrapped(text: string, width: number, measure: (line: string) => number): string[] {
  const lines: string[] = [];
  for (const paragraph of text.split('\n')) {
    let line = '';
    for (const word of paragraph.split(/\s+/).filter(Boolean)) {
      let rest = word;
      const longer = line === '' ? rest : `${line} ${rest}`;
      if (measure(longer) <= width) {
        line = longer;
        continue;
      }
      if (line !== '') lines.push(line);
      while (measure(rest) > width && rest.length > 1) {
        let fits = 1;
        while (fits < rest.length && measure(rest.slice(0, fits + 1)) <= width) fits++;
        lines.push(rest.slice(0, fits));
        rest = rest.slice(fits);
      }
      line = rest;
    }
    if (line !== '') lines.push(line);
  }
  return lines;
}

/** The card as a page of paths at exact size, with the letters that its typeface lacks, and whether words were left out for want
 *  of room. */
export function showCard(
  { title, lines, words, hexes }: CardWords,
  face: Typeface,
): { page: PrintedPage; missing: string[]; isCut: boolean } {
  const width = CARD_MM.width - 2 * EDGE;
  const floor = CARD_MM.height - EDGE - (hexes.length > 0 ? BAR_MM + 2 : 0);
  const paths: PagePath[] = [{ d: `M0 0H${CARD_MM.width}V${CARD_MM.height}H0Z`, stroke: INK, strokeMm: 0.2 }];
  let y = EDGE;
  let isCut = false;
  const write = (text: string, size: number): void => {
    if (y + size > floor) {
      isCut = true;
      return;
    }
    y += size;
    paths.push({ d: face.getPath(text, EDGE, y, size).toPathData(3), fill: INK });
    y += size * (LEADING - 1);
  };
  let size: number = TITLE_MM.most;
  while (size > TITLE_MM.least && widthOf(face, title, size) > width) size -= 0.5;
  for (const line of wrapped(title, width, (each) => widthOf(face, each, size)).slice(0, 2))
    write(line, size);
  y += 1.5;
  for (const text of lines)
    for (const line of wrapped(text, width, (each) => widthOf(face, each, LINE_SIZE))) write(line, LINE_SIZE);
  y += 1;
  for (const line of wrapped(words, width, (each) => widthOf(face, each, WORDS_SIZE)))
    write(line, WORDS_SIZE);
  const each = width / Math.max(1, hexes.length);
  hexes.forEach((hex, at) =>
    paths.push({
      d: `M${EDGE + at * each} ${CARD_MM.height - EDGE - BAR_MM}h${each}v${BAR_MM}h${-each}Z`,
      fill: hex,
    }),
  );
  const letters = new Set([title, ...lines, words].join('').replaceAll(/\s/g, ''));
  return {
    page: { ...CARD_MM, paths: paths.filter(({ d }) => d !== '') },
    missing: [...letters].filter((letter) => face.charToGlyphIndex(letter) === 0),
    isCut,
  };
}
