import type { Look } from '../../kit/index.ts';
import type { MeasuredView } from '../measureView.ts';
import {
  byHandMinutes,
  edgeMinutes,
  LIVERY_RATES,
  PRIMER,
  sprayMinutes,
  type LiveryColour,
  type LiveryRates,
  type Way,
} from './colourCosts.ts';
import type { ColourQuestion } from './planColours.ts';

/** Width over length of all that is seen of one colour. */
export interface Strip {
  /** Mean width: twice the area over the edge all round, mm. */
  widthMm: number;
  lengthMm: number;
}

/** A window rubber, a trim, the surround of a lamp: narrow enough that a steady hand is a way. */
export interface NarrowArea extends Strip {
  finishId: string;
  /** The quickest first. */
  offers: { way: Way; minutes: number }[];
}

/** Up to this an area counts as narrow, mm. */
export const NARROW_MM = 3;
/** What the tip of a pen covers in one stroke, mm: wider, its strokes show. */
const NIB_MM = 1.5;
/** What a pen can lay: not what is polished, which its strokes would spoil, nor plating. */
const PENNED: readonly Look[] = ['gloss', 'satin', 'matt', 'metal', 'chrome-ink'];

/** How wide and how long what is seen of each finish is, over all views of a body. */
export function stripsOf(measures: readonly MeasuredView[]): Map<string, Strip> {
  const sums = new Map<string, { mm2: number; edgeMm: number }>();
  for (const { finishId, flatCm2, rings } of measures.flatMap(({ areas }) => areas)) {
    if (finishId === null || flatCm2 <= 0) continue;
    const sum = sums.get(finishId) ?? { mm2: 0, edgeMm: 0 };
    sum.mm2 += 100 * flatCm2;
    for (const ring of rings)
      ring.forEach(([x, y], at) => {
        const [nextX, nextY] = ring[(at + 1) % ring.length]!;
        sum.edgeMm += Math.hypot(nextX - x, nextY - y);
      });
    sums.set(finishId, sum);
  }
  return new Map(
    [...sums].map(([id, { mm2, edgeMm }]) => {
      const widthMm = (2 * mm2) / edgeMm;
      return [id, { widthMm, lengthMm: mm2 / widthMm }];
    }),
  );
}

/** Whether a pen is a way: one stroke covers it. */
export const takesMarker = (look: Look, strip: Strip | undefined): boolean =>
  strip !== undefined && strip.widthMm <= NIB_MM && PENNED.includes(look);

/** The narrow colours of a body with the minutes of every way that is open to each. */
export function narrowAreas(
  { colours, borders, rates: own }: ColourQuestion,
  strips: ReadonlyMap<string, Strip>,
): NarrowArea[] {
  const rates: LiveryRates = { ...LIVERY_RATES, ...own };
  return colours.flatMap((colour) => {
    const strip = strips.get(colour.id);
    if (!strip || strip.widthMm > NARROW_MM) return [];
    const around = borders.filter(({ a, b }) => a === colour.id || b === colour.id);
    const edgeMm = around.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
    const minutesOf = (way: Way): number => {
      if (way !== 'spray') return byHandMinutes({ ...colour, ways: [way] }, edgeMm, rates).minutes;
      const masks = around.reduce((sum, border) => sum + edgeMinutes(border, rates), rates.beginCover);
      return masks + sprayMinutes(colour, widest(colour, around), rates);
    };
    const offers = colour.ways
      .map((way) => ({ way, minutes: minutesOf(way) }))
      .sort((p, q) => p.minutes - q.minutes);
    return [{ finishId: colour.id, ...strip, offers }];
  });
}

/** What most of it lies beside, and so over; the primer where nothing is. */
function widest({ id }: LiveryColour, around: ColourQuestion['borders']): string {
  const longest = [...around].sort((p, q) => q.lengthMm - p.lengthMm)[0];
  return longest === undefined ? PRIMER : longest.a === id ? longest.b : longest.a;
}
