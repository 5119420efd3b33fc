import { describe, expect, it } from 'vitest';
import { typeface } from '../../../../tests/typeface.ts';
import { newRecord, printingRecord } from '../../kit/index.ts';
import { boxAround, readOutline, type Point } from '../geometry/readOutline.ts';
import { areaOf, regionOf, within } from '../geometry/region.ts';
import { filmSheets } from './filmSheets.ts';
import { filmTemplates, type FilmLay } from './filmTemplates.ts';

const LAY: FilmLay = { marginMm: 2, weaveDeg: 45, bothSides: false, doubleCurve: false };
const of = (d: string, more: Partial<FilmLay> = {}) =>
  filmTemplates(readOutline(d).rings, { ...LAY, ...more });
const covered = (rings: readonly (readonly Point[])[]) => areaOf(regionOf(rings));

describe('a template of patterned film', () => {
  it('covers all of its area and no more than the margin around it', () => {
    for (const d of [
      'M0 0H40V20H0Z',
      'M0 10 A10 10 0 0 1 20 10 A10 10 0 0 1 0 10 Z',
      'M0 0H40V20H25V8H15V20H0Z',
    ]) {
      const [template] = of(d);
      const area = covered(template!.fold);
      expect(areaOf(within(regionOf(template!.rings), regionOf(template!.fold)))).toBeCloseTo(area, 1);
      expect(template!.cm2 * 100).toBeGreaterThan(area);
      const box = boxAround(template!.fold)!;
      expect(template!.cm2 * 100).toBeLessThan((box.width + 4) * (box.height + 4));
      expect(covered(template!.rings)).toBeCloseTo(100 * template!.cm2, 3);
    }
    expect(of('M0 0H40V20H0Z', { marginMm: 0 })[0]).toMatchObject({ cm2: 8, slits: [] });
  });

  it('has darts where it turns outward, and slits where it turns inward', () => {
    // A disc: of the ring around it as much is taken out as it is longer than its edge.
    const [disc] = of('M0 20 A20 20 0 0 1 40 20 A20 20 0 0 1 0 20 Z');
    const ring = Math.PI * (22 ** 2 - 20 ** 2);
    const taken = ring - (100 * disc!.cm2 - Math.PI * 400);
    const surplus = ring - 2 * Math.PI * 20 * 2;
    expect(disc!.slits).toEqual([]);
    expect(taken / surplus).toBeGreaterThan(0.5);
    expect(taken / surplus).toBeLessThan(1.5);
    // A notch has two corners that turn inward.
    const [notched] = of('M0 0H60V30H40V15H20V30H0Z');
    expect(notched!.slits.length).toBe(2);
    // Round a hole the margin lies within, and tears unless it is slit.
    const [washer] = of('M0 0H60V60H0Z M20 30 A10 10 0 0 0 40 30 A10 10 0 0 0 20 30 Z');
    expect(washer!.slits.length).toBeGreaterThan(6);
  });

  it('is slit along straight edges, too, where the surface curves both ways', () => {
    expect(of('M0 0H60V30H0Z')[0]!.slits).toEqual([]);
    const slits = of('M0 0H60V30H0Z', { doubleCurve: true })[0]!.slits;
    expect(slits.length).toBeGreaterThan(20);
    // None reaches the area itself.
    for (const [inner] of slits) {
      const [x, y] = inner as unknown as Point;
      expect(x < 2 || x > 62 || y < 2 || y > 32).toBe(true);
    }
  });

  it('is the same the other way round for the other side, weave and all', () => {
    const [one, other] = of('M0 0H40L20 20H0Z', { bothSides: true, weaveDeg: 30 });
    expect(other!.isMirrored).toBe(true);
    expect(covered(other!.rings)).toBeCloseTo(covered(one!.rings), 6);
    const slope = ({ arrow: [line] }: typeof one & object) => {
      const [[ax, ay], [bx, by]] = line as unknown as [Point, Point];
      return (by - ay) / (bx - ax);
    };
    expect(slope(one!)).toBeCloseTo(Math.tan(Math.PI / 6), 6);
    expect(slope(other!)).toBeCloseTo(-slope(one!), 6);
  });

  it('is one for each piece that is seen, and none for dust or nothing', () => {
    expect(of('M0 0H10V10H0Z M20 0H30V10H20Z')).toHaveLength(2);
    expect(of('M0 0H0.5V0.5H0Z')).toEqual([]);
    expect(of('')).toEqual([]);
    expect(() => of('M0 0H10V10H0Z', { marginMm: -1 })).toThrow('give 0 or more');
    expect(() => of('M0 0H10V10H0Z', { marginMm: Number.NaN })).toThrow('give 0 or more');
  });

  it('lies on its sheet as it is, never on its side, and says what is too large', () => {
    const own = { ...newRecord(printingRecord), id: 'p', paper: 'own' as const, widthMm: 100, heightMm: 220 };
    const long = of('M0 0H150V20H0Z');
    expect(filmSheets(long, own, typeface).tooLarge).toEqual(long.map(({ id }) => id));
    const { pages, tooLarge } = filmSheets(of('M0 0H20V150H0Z'), own, typeface);
    expect(tooLarge).toEqual([]);
    const sizes = pages[0]!.paths.map(({ d }) => boxAround(readOutline(d).rings)?.height ?? 0);
    expect(Math.max(...sizes)).toBeCloseTo(154, 1);
    const small = { ...own, barMm: 49 };
    const scaled = filmSheets(of('M0 0H20V150H0Z'), small, typeface).pages[0]!.paths;
    expect(Math.max(...scaled.map(({ d }) => boxAround(readOutline(d).rings)?.height ?? 0))).toBeCloseTo(
      (154 * 50) / 49,
      0,
    );
  });
});
