import type { Look } from '../../kit/index.ts';
import type { MeasuredView } from '../measureView.ts';
import {
  byHandMinutes,
  edgeMinutes,
  PRIMER,
  sprayMinutes,
  type LiveryColour,
  type LiveryRates,
  type Way,
} from './colourCosts.ts';

/** What is seen of an area, as a strip. */
export interface Strip {
  /** Null for what lies under all areas. */
  areaId: string | null;
  finishId: string;
  cm2: number;
  /** All round it, mm. */
  edgeMm: number;
  /** Mean width: twice the area over the edge all round, mm; and the length that goes with it. */
  widthMm: number;
  lengthMm: number;
}

/** A window rubber, a trim, the surround of a lamp: narrow enough that a steady hand is a way. */
export interface NarrowArea extends Strip {
  /** The quickest first. */
  offers: { way: Way; minutes: number }[];
}

/** Up to this an area counts as narrow, mm. */
export const NARROW_MM = 3;
/** What the tip of a pen covers in one stroke, mm: wider, its strokes show. */
const NIB_MM = 1.5;
/** What a pen can lay: not what is polished, which its strokes would spoil, nor plating. */
const PENNED: readonly Look[] = ['gloss', 'satin', 'matt', 'metal', 'chrome-ink'];

/** How wide and how long what is seen of every area is, over all views of a body. */
export const stripsOf = (measures: readonly MeasuredView[]): Strip[] =>
  measures
    .flatMap(({ areas }) => areas)
    .flatMap(({ areaId, finishId, flatCm2, cm2, rings }): Strip[] => {
      const edgeMm = rings.reduce((sum, ring) => sum + around(ring), 0);
      if (finishId === null || !(flatCm2 > 0) || !(edgeMm > 0)) return [];
      const widthMm = (200 * flatCm2) / edgeMm;
      return [{ areaId, finishId, cm2, edgeMm, widthMm, lengthMm: (100 * flatCm2) / widthMm }];
    });

const around = (ring: MeasuredView['body'][number]): number =>
  ring.reduce((sum, [x, y], at) => {
    const [nextX, nextY] = ring[(at + 1) % ring.length]!;
    return sum + Math.hypot(nextX - x, nextY - y);
  }, 0);

/** Whether a pen is a way: one stroke covers each of these. */
export const takesMarker = (look: Look, strips: readonly Strip[]): boolean =>
  strips.length > 0 && strips.every(({ widthMm }) => widthMm <= NIB_MM) && PENNED.includes(look);

/** The narrow ones of some strips with the minutes of every way that is open to each, as if it were brought on by itself.
 *  `colourOf`: what is known of a strip as a colour; undefined where it is not painted. `under`: the colour that lies beneath
 *  most of the body. */
export function narrowAreas(
  strips: readonly Strip[],
  colourOf: (strip: Strip) => LiveryColour | undefined,
  under: string | null,
  rates: LiveryRates,
): NarrowArea[] {
  return strips.flatMap((strip): NarrowArea[] => {
    const colour = strip.areaId !== null && strip.widthMm <= NARROW_MM ? colourOf(strip) : undefined;
    if (!colour) return [];
    const beneath = under === null || under === strip.finishId ? PRIMER : under;
    const edge = {
      a: colour.id,
      b: beneath,
      lengthMm: strip.edgeMm,
      leastRadiusMm: null,
      moulded: false,
      doubleCurve: false,
    };
    const minutesOf = (way: Way): number =>
      way === 'spray'
        ? rates.beginCover + edgeMinutes(edge, rates) + sprayMinutes(colour, beneath, rates)
        : byHandMinutes({ ...colour, ways: [way] }, strip.edgeMm, rates).minutes;
    const offers = colour.ways
      .map((way) => ({ way, minutes: minutesOf(way) }))
      .sort((p, q) => p.minutes - q.minutes);
    return [{ ...strip, offers }];
  });
}
