import { describe, expect, it } from 'vitest';
import { liveryAreaRecord, newRecord, type LiveryArea } from '../kit/index.ts';
import { seededRandom } from '../seededRandom.ts';
import { insideOf, regionOf } from './geometry/region.ts';
import { readOutline } from './geometry/readOutline.ts';
import { measureView } from './measureView.ts';
import { shapeOf } from './shapes.ts';
import {
  mirroredPath,
  STARTING_OUTLINES,
  startingOutline,
  stretched,
  type StartingOutlineId,
} from './views/startingOutlines.ts';

const BOX = { outline: 'M0 0 H100 V50 H0 Z', openings: [], slope: 1 };
let next = 0;
const area = (finishId: string, more: Partial<LiveryArea>): LiveryArea => ({
  ...newRecord(liveryAreaRecord),
  id: `a${++next}`,
  viewId: 'v',
  finishId,
  name: finishId,
  order: next,
  ...more,
});
const cm2 = (measured: ReturnType<typeof measureView>, finishId: string) =>
  measured.areas.filter((each) => each.finishId === finishId).reduce((sum, each) => sum + each.cm2, 0);

describe('what is seen of a view', () => {
  it('agrees with the formulas of circle, ellipse and band, within a thousandth', () => {
    const circle = measureView(
      BOX,
      [area('red', { shape: 'ellipse', x: 50, y: 25, width: 30, height: 30 })],
      'cream',
    );
    expect(cm2(circle, 'red') / ((Math.PI * 15 ** 2) / 100)).toBeCloseTo(1, 3);
    expect(circle.borders).toHaveLength(1);
    expect(circle.borders[0]!.lengthMm / (Math.PI * 30)).toBeCloseTo(1, 3);
    expect(circle.borders[0]!.leastRadiusMm!).toBeGreaterThan(14);
    expect(circle.borders[0]!.leastRadiusMm!).toBeLessThan(15.5);
    const ellipse = measureView(
      BOX,
      [area('red', { shape: 'ellipse', x: 50, y: 25, width: 60, height: 20, angle: 20 })],
      'cream',
    );
    expect(cm2(ellipse, 'red') / ((Math.PI * 30 * 10) / 100)).toBeCloseTo(1, 3);
    // The curve is tightest at the ends: b squared over a.
    expect(ellipse.borders[0]!.leastRadiusMm! / (100 / 30)).toBeCloseTo(1, 1);
    const band = measureView(BOX, [area('red', { shape: 'band', x: 0, y: 20, height: 8 })], 'cream');
    expect(cm2(band, 'red')).toBeCloseTo(8, 3);
    expect(band.borders).toMatchObject([{ a: 'cream', b: 'red', leastRadiusMm: null }]);
    expect(band.borders[0]!.lengthMm).toBeCloseTo(200, 1);
  });

  it('agrees with the formulas of stripes and scallops, and turns them the other way round', () => {
    const stripes = measureView(
      BOX,
      [area('red', { shape: 'stripes', x: 0, y: 25, height: 2, count: 4, gapMm: 1.5 })],
      'cream',
    );
    expect(cm2(stripes, 'red')).toBeCloseTo(8, 3);
    const inner = stripes.borders.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
    expect(inner).toBeCloseTo(800, 0);
    const scallops = area('red', { shape: 'scallops', x: 50, y: 25, width: 40, height: 30, count: 5 });
    // Each is its height times (0.6 / 3 + 1 / 2) of its length.
    expect(cm2(measureView(BOX, [scallops], 'cream'), 'red')).toBeCloseTo(0.7 * 4 * 3, 2);
    const tips = (angle: number) =>
      shapeOf({ ...scallops, angle }).rings.map((ring) => ring[48]!.map((mm) => Math.round(mm * 10) / 10));
    expect(tips(0)).toEqual([13, 19, 25, 31, 37].map((y) => [70, y]));
    expect(tips(180)).toEqual([37, 31, 25, 19, 13].map((y) => [30, y]));
  });

  it('adds up to the outline without its openings, whatever lies over what', () => {
    for (const id of Object.keys(STARTING_OUTLINES) as StartingOutlineId[]) {
      const random = seededRandom(id.length);
      const view = stretched(startingOutline(id), 180, 50, 'left');
      const areas = Array.from({ length: 12 }, (_, at) =>
        area(`f${at % 5}`, {
          shape: (['band', 'ellipse', 'rectangle', 'stripes', 'scallops'] as const)[at % 5]!,
          x: random() * 180,
          y: random() * 50,
          width: 5 + random() * 60,
          height: 3 + random() * 20,
          angle: random() * 90 - 45,
        }),
      );
      const measured = measureView(view, areas, 'base');
      const sum = measured.areas.reduce((total, { flatCm2 }) => total + flatCm2, 0);
      expect(sum / measured.flatCm2, id).toBeCloseTo(1, 3);
      expect(measured.areas[0]!.cm2).toBeCloseTo(measured.areas[0]!.flatCm2 * view.slope);
      expect(measured.faults.filter(({ areaId }) => areaId === null)).toEqual([]);
    }
  });

  it('agrees with counting random points', () => {
    const random = seededRandom(11);
    const areas = ['red', 'blue', 'red', 'green'].map((finish, at) =>
      area(finish, {
        shape: at % 2 ? 'ellipse' : 'rectangle',
        x: 20 + 20 * at,
        y: 25,
        width: 40,
        height: 30,
        angle: 15 * at,
      }),
    );
    const measured = measureView(BOX, areas, 'cream');
    const tests = areas.map((each) => ({
      finish: each.finishId,
      isIn: insideOf(regionOf(shapeOf(each).rings)),
    }));
    const counts: Record<string, number> = {};
    const POINTS = 40_000;
    for (let at = 0; at < POINTS; at++) {
      const point = [random() * 100, random() * 50] as const;
      const top = tests.findLast(({ isIn }) => isIn(point))?.finish ?? 'cream';
      counts[top] = (counts[top] ?? 0) + 1;
    }
    for (const finish of ['red', 'blue', 'green', 'cream'])
      expect(Math.abs(((counts[finish] ?? 0) / POINTS) * 50 - cm2(measured, finish))).toBeLessThan(0.6);
  });

  it('counts a border once, whichever lies higher, and none between two areas of one finish', () => {
    const halves = (first: string, second: string) =>
      measureView(
        BOX,
        [
          area(first, { shape: 'rectangle', x: 25, y: 25, width: 50, height: 50 }),
          area(second, { shape: 'rectangle', x: 75, y: 25, width: 50, height: 50 }),
        ],
        'cream',
      ).borders;
    expect(halves('red', 'blue')).toMatchObject([{ a: 'blue', b: 'red' }]);
    expect(halves('red', 'blue')[0]!.lengthMm).toBeCloseTo(50, 2);
    expect(halves('red', 'red')).toEqual([]);
    // Where the neighbour changes along one edge, each has its own length.
    const three = measureView(
      BOX,
      [
        area('red', { shape: 'rectangle', x: 50, y: 12.5, width: 100, height: 25 }),
        area('blue', { shape: 'rectangle', x: 20, y: 37.5, width: 40, height: 25 }),
      ],
      'cream',
    ).borders;
    const length = (a: string, b: string) => three.find((each) => each.a === a && each.b === b)!.lengthMm;
    expect(length('blue', 'red')).toBeCloseTo(40, 0);
    expect(length('cream', 'red')).toBeCloseTo(60, 0);
    expect(length('blue', 'cream')).toBeCloseTo(25, 0);
  });

  it('takes the curve of the border alone, not of an arch where it ends', () => {
    const view = { ...BOX, openings: [{ id: 'o', name: 'arch', path: 'M20 50 A12 12 0 0 1 44 50 Z' }] };
    const { borders } = measureView(view, [area('red', { shape: 'band', x: 50, y: 40, height: 6 })], 'cream');
    expect(borders).toMatchObject([{ leastRadiusMm: null }]);
  });

  it('counts surface by the slope of each part on it, and the flat as it is', () => {
    const view = {
      ...BOX,
      slope: 1.2,
      regions: [
        { id: 'r', partId: 'lid', path: 'M0 0H50V50H0Z', slope: 2 },
        { id: 's', partId: 'door', path: 'M60 0H80V50H60Z' },
      ],
    };
    const { areas, flatCm2 } = measureView(
      view,
      [area('red', { shape: 'band', y: 10, height: 20 })],
      'cream',
    );
    const of = (finishId: string) => areas.find((each) => each.finishId === finishId)!;
    expect(of('red').flatCm2).toBeCloseTo(20, 3);
    expect(of('red').cm2).toBeCloseTo(10 * 2 + 10 * 1.2, 3);
    expect(of('cream').cm2).toBeCloseTo(15 * 2 + 15 * 1.2, 3);
    expect(flatCm2).toBeCloseTo(50, 3);
  });

  it('says what is wrong with outlines and areas, and measures the rest', () => {
    const what = (measured: ReturnType<typeof measureView>) =>
      measured.faults.map((each) => each.what).join(' ');
    const outside = area('red', { shape: 'ellipse', x: 500, y: 500, width: 10, height: 10 });
    expect(what(measureView(BOX, [outside], 'cream'))).toContain('outside the outline');
    expect(what(measureView({ ...BOX, outline: 'M0 0 L100 50 L100 0 L0 50 Z' }, [], null))).toContain(
      'crosses itself',
    );
    expect(what(measureView({ ...BOX, outline: 'M0 0 H100 V50 H0' }, [], null))).toContain('does not close');
    expect(what(measureView({ ...BOX, outline: 'M0 0 banana' }, [], null))).toContain('cannot be read');
    expect(what(measureView({ ...BOX, outline: '' }, [], null))).toBe('');
    const bad = measureView(
      BOX,
      [area('red', { shape: 'path', path: 'M0 0 L9' }), area('red', { width: 0, shape: 'ellipse' })],
      'cream',
    );
    expect(what(bad)).toContain('cannot be read');
    expect(what(bad)).toContain('above zero');
    expect(cm2(bad, 'cream')).toBeCloseTo(50, 3);
    const many = `M0 0 ${Array.from({ length: 30_000 }, (_, at) => `L${at} 1`).join(' ')} Z`;
    expect(readOutline(many)).toMatchObject({
      rings: [],
      faults: [expect.stringContaining('more than 20000 points')],
    });
  });

  it('reads curves of every kind to a hundredth of a millimetre', () => {
    const flat = (d: string) => measureView({ outline: d, openings: [], slope: 1 }, [], 'x').flatCm2 * 100;
    expect(flat('M0 10 A10 10 0 0 1 20 10 A10 10 0 0 1 0 10 Z')).toBeCloseTo(Math.PI * 100, 0);
    expect(flat('m0 10 a10 10 0 0 1 20 0 a10 10 0 0 1 -20 0 z')).toBeCloseTo(Math.PI * 100, 0);
    // A parabola's area is two thirds of its box.
    expect(flat('M0 0 Q10 20 20 0 Z')).toBeCloseTo((2 / 3) * 20 * 10, 1);
    expect(flat('M0 0 H10 V10 H0 Z M2 2 V8 H8 V2 Z')).toBeCloseTo(64);
  });

  it('is the same on the other side', () => {
    const view = stretched(startingOutline('coupe'), 188, 46, 'left');
    const right = stretched(startingOutline('coupe'), 188, 46, 'right');
    expect(right.outline).toBe(mirroredPath(view.outline, 188));
    expect(right.openings[1]!.path).toBe(mirroredPath(view.openings[1]!.path, 188));
    // A drawing shows the side that it shows.
    const { isLeft: _, ...drawn } = startingOutline('coupe');
    expect(stretched(drawn, 188, 46, 'right').outline).toBe(view.outline);
    const area_ = (d: string) => measureView({ outline: d, openings: [], slope: 1 }, [], 'x').flatCm2;
    expect(area_(mirroredPath(view.outline, 188))).toBeCloseTo(area_(view.outline), 2);
    expect(() => stretched(startingOutline('box'), 0, 10, 'left')).toThrow('0 by 10 mm');
  });
});
