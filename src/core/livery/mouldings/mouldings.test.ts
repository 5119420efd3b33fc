import { describe, expect, it } from 'vitest';
import { liveryAreaRecord, newRecord, type LiveryArea } from '../../kit/index.ts';
import { seededRandom } from '../../seededRandom.ts';
import { readOutline } from '../geometry/readOutline.ts';
import { areaOf, regionOf, within } from '../geometry/region.ts';
import { measureView } from '../measureView.ts';
import { bordersOfBody } from '../order/liveryQuestion.ts';
import { startingOutline, stretched } from '../views/startingOutlines.ts';
import { mirrorImage } from '../views/mirrorImage.ts';
import { areaBeside, sidesOfLine } from './areaBeside.ts';
import { laidAlong } from './laidAlong.ts';
import { mouldedLines, nearestOn } from './mouldedLines.ts';

const line = (path: string, id = 'l') => ({ id, name: 'crease', path });
const BOX = { outline: 'M0 0 H100 V50 H0 Z', openings: [], slope: 1 };
const area = (more: Partial<LiveryArea>): LiveryArea => ({
  ...newRecord(liveryAreaRecord),
  id: 'a',
  viewId: 'v',
  finishId: 'red',
  name: 'red',
  ...more,
});
const courseOf = (path: string) => mouldedLines({ mouldings: [line(path)] }).lines[0]!.points;
const seenOf = (path: string) =>
  areaOf(within(regionOf(readOutline(path).rings), regionOf(readOutline(BOX.outline).rings)));

describe('borders along moulded lines', () => {
  it('are told from those that cross open paint, and masked at another pace', () => {
    const view = { ...BOX, mouldings: [line('M0 20 H100')] };
    const { borders } = measureView(view, [area({ shape: 'band', y: 24, height: 8 })], 'cream');
    expect(borders).toHaveLength(2);
    for (const moulded of [true, false])
      expect(borders.find((each) => each.moulded === moulded)!.lengthMm).toBeCloseTo(100, 1);
    expect(bordersOfBody([{ view, measured: measureView(view, [], 'cream') }])).toEqual([]);
    // Half a millimetre beside the line is no longer along it.
    const beside = measureView(view, [area({ shape: 'band', y: 24.5, height: 8 })], 'cream').borders;
    expect(beside).toMatchObject([{ moulded: false }]);
  });

  it('follow the edge of a door as well, and only as far as the line goes', () => {
    const view = {
      ...BOX,
      regions: [{ id: 'r', partId: 'door', path: 'M40 10 H60 V40 H40 Z' }],
      mouldings: [line('M0 20 H30')],
    };
    const door = measureView(
      view,
      [area({ shape: 'rectangle', x: 50, y: 25, width: 20, height: 30 })],
      'cream',
    );
    expect(door.borders).toMatchObject([{ moulded: true }]);
    const { borders } = measureView(view, [area({ shape: 'band', y: 10, height: 20 })], 'cream');
    const length = (moulded: boolean) => borders.find((each) => each.moulded === moulded)!.lengthMm;
    expect(length(true)).toBeCloseTo(30, 0);
    expect(length(true) + length(false)).toBeCloseTo(100, 1);
  });

  it('say what is no line, and keep the rest', () => {
    const view = { ...BOX, mouldings: [line('M5 5', 'p'), line('banana', 'b'), line('M0 20 H100', 'c')] };
    const { faults } = measureView(view, [], 'cream');
    expect(faults.map(({ what }) => what).join(' ')).toMatch(/single point.*cannot be read/);
    expect(mouldedLines(view).lines.map(({ id }) => id)).toEqual(['c']);
  });
});

describe('the nearest point of some lines', () => {
  it('is that of every segment looked at in turn', () => {
    const random = seededRandom(11);
    const points = Array.from({ length: 60 }, () => [100 * random(), 100 * random()] as const);
    const near = nearestOn([{ points }], 3);
    for (let round = 0; round < 300; round++) {
      const [x, y] = [100 * random(), 100 * random()];
      let least = Infinity;
      for (let at = 1; at < points.length; at++) {
        const [[ax, ay], [bx, by]] = [points[at - 1]!, points[at]!];
        for (let step = 0; step <= 400; step++)
          least = Math.min(
            least,
            Math.hypot(ax + ((bx - ax) * step) / 400 - x, ay + ((by - ay) * step) / 400 - y),
          );
      }
      const found = near([x, y]);
      if (least > 3.2) expect(found).toBeUndefined();
      else if (least < 2.8)
        expect(Math.abs(Math.hypot(found![0] - x, found![1] - y) - least)).toBeLessThan(0.06);
    }
  });
});

describe('colour up to a moulded line', () => {
  it('takes one side of it, whichever way it was drawn, and both sides make the whole', () => {
    for (const path of ['M10 20 H90', 'M90 20 H10', 'M0 20 L100 20']) {
      expect(seenOf(areaBeside(BOX, courseOf(path), 'above'))).toBeCloseTo(2000, 0);
      expect(seenOf(areaBeside(BOX, courseOf(path), 'below'))).toBeCloseTo(3000, 0);
    }
    const curved = courseOf('M5 30 Q50 10 95 28');
    expect(seenOf(areaBeside(BOX, curved, 'above')) + seenOf(areaBeside(BOX, curved, 'below'))).toBeCloseTo(
      5000,
      0,
    );
    for (const path of ['M30 0 V50', 'M30 45 V5'])
      expect(seenOf(areaBeside(BOX, courseOf(path), 'above'))).toBeCloseTo(1500, 0);
  });

  it('fills a line that closes, or all around it', () => {
    const louvre = courseOf('M20 10 H40 V20 H20 Z');
    expect(seenOf(areaBeside(BOX, louvre, 'below'))).toBeCloseTo(200, 1);
    expect(seenOf(areaBeside(BOX, louvre, 'above'))).toBeCloseTo(4800, 1);
  });

  it('calls its sides by how it runs', () => {
    expect(sidesOfLine(courseOf('M0 20 H100'))).toEqual({ above: 'above', below: 'below' });
    for (const path of ['M30 0 V50', 'M30 50 L28 0'])
      expect(sidesOfLine(courseOf(path))).toEqual({ above: 'left of', below: 'right of' });
    expect(sidesOfLine(courseOf('M20 10 H40 V20 H20 Z')).below).toBe('within');
  });

  it('refuses a line that divides nothing', () => {
    expect(() => areaBeside(BOX, courseOf('M0 90 H100'), 'above')).toThrow('does not divide');
    expect(() => areaBeside({ outline: '' }, courseOf('M0 9 H9'), 'above')).toThrow('no outline');
  });

  it('has the border of two colours along the crease of our own outline', () => {
    const view = stretched(startingOutline('coupe'), 188, 46, 'left');
    const [crease] = mouldedLines(view).lines;
    const path = areaBeside(view, crease!.points, 'below');
    const { borders } = measureView(view, [area({ shape: 'path', path })], 'cream');
    const along = (moulded: boolean) =>
      borders.filter((each) => each.moulded === moulded).reduce((sum, { lengthMm }) => sum + lengthMm, 0);
    expect(along(true)).toBeGreaterThan(10 * along(false));
  });
});

describe('an edge laid along a line', () => {
  const lines = mouldedLines({ mouldings: [line('M0 20 H100')] }).lines;

  it('moves what has figures by the least way, and keeps them', () => {
    const band = laidAlong(area({ shape: 'band', x: 50, y: 23.2, height: 8 }), lines)!;
    expect(band).toMatchObject({ y: 24, height: 8 });
    const { borders } = measureView({ ...BOX, mouldings: [line('M0 20 H100')] }, [band], 'cream');
    expect(borders.some(({ moulded }) => moulded)).toBe(true);
    const box = laidAlong(area({ shape: 'rectangle', x: 50, y: 31, width: 30, height: 20 }), lines)!;
    expect(box).toMatchObject({ x: 50, y: 30 });
  });

  it('gives the edge of a path the course of the line', () => {
    const wave = mouldedLines({ mouldings: [line('M0 20 Q50 21.6 100 20')] }).lines;
    const path = laidAlong(area({ shape: 'path', path: 'M10 20.5 H90 V40 H10 Z' }), wave)!;
    const view = { ...BOX, mouldings: [line('M0 20 Q50 21.6 100 20')] };
    const length = (of: LiveryArea, moulded: boolean) =>
      measureView(view, [of], 'cream')
        .borders.filter((each) => each.moulded === moulded)
        .reduce((sum, { lengthMm }) => sum + lengthMm, 0);
    expect(length(path, true)).toBeGreaterThan(78);
    expect(length(path, false)).toBeCloseTo(80 + 2 * 19.4, -1);
  });

  it('leaves alone what is out of reach, runs otherwise, or has no straight edge', () => {
    expect(laidAlong(area({ shape: 'band', x: 50, y: 40, height: 8 }), lines)).toBeUndefined();
    expect(laidAlong(area({ shape: 'band', x: 50, y: 24, height: 8, angle: 30 }), lines)).toBeUndefined();
    expect(laidAlong(area({ shape: 'ellipse', x: 50, y: 20, width: 10, height: 2 }), lines)).toBeUndefined();
  });
});

describe('the mirror image of an area', () => {
  it('is the same again when it is mirrored twice, and covers as much', () => {
    const frame = { x: 0, y: 0, width: 100, height: 50 };
    for (const along of [false, true])
      for (const shape of ['band', 'stripes', 'scallops', 'rectangle', 'ellipse', 'path'] as const) {
        const one = area({ shape, x: 30, y: 20, angle: 25, path: 'M10 10 L30 12 L20 30 Z' });
        const twice = mirrorImage(mirrorImage(one, frame, along), frame, along);
        expect(twice).toMatchObject({ x: 30, y: 20 });
        // From above the length stays where it is, from elsewhere the height does.
        expect(mirrorImage(one, frame, along)).toMatchObject(along ? { x: 30, y: 30 } : { x: 70, y: 20 });
        const seen = (of: LiveryArea) =>
          measureView(BOX, [of], 'cream').areas.find(({ areaId }) => areaId === 'a')!.flatCm2;
        expect(seen(mirrorImage(one, frame, along))).toBeCloseTo(seen(one), 2);
        expect(seen(twice)).toBeCloseTo(seen(one), 2);
      }
  });
});
