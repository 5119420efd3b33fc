import { describe, expect, it } from 'vitest';
import { typeface } from '../../../../tests/typeface.ts';
import {
  liveryAreaRecord,
  newRecord,
  printingRecord,
  type LiveryArea,
  type Printing,
} from '../../kit/index.ts';
import { areaOf, regionOf, separate } from '../geometry/region.ts';
import { boxAround, readOutline, type Point } from '../geometry/readOutline.ts';
import { measureView } from '../measureView.ts';
import { shapeOf } from '../shapes.ts';
import { cutSheets } from './cutSheets.ts';
import { hpgl, pivotPath } from './hpgl.ts';
import { maskPieces, openingPieces } from './maskPieces.ts';

const BOX = { outline: 'M0 0 H100 V50 H0 Z', openings: [], slope: 1 };
const area = (finishId: string, more: Partial<LiveryArea>): LiveryArea => ({
  ...newRecord(liveryAreaRecord),
  id: finishId,
  viewId: 'v',
  finishId,
  ...more,
});
const masked = (finishId: string) => ({
  colour: finishId,
  mask: [{ border: 'x', lengthMm: 1, kind: 'edge tape' as const }],
});
const pieces = (areas: LiveryArea[], of: string, bleedMm = 3, kerfMm = 0) =>
  maskPieces([{ view: { id: 'v' }, measured: measureView(BOX, areas, 'cream') }], [masked(of)], {
    bleedMm,
    kerfMm,
  });
const mm2 = (rings: Point[][]) => Math.abs(areaOf(regionOf(rings)));

describe('masks that are cut', () => {
  it('follow the border and reach past the outline', () => {
    const band = area('red', { shape: 'band', x: 0, y: 20, height: 8 });
    const [piece, ...more] = pieces([band], 'red');
    expect(more).toEqual([]);
    // At both ends a strip as wide as it bleeds, a little of its sides left free.
    expect(mm2(piece!.rings)).toBeGreaterThan(800 + 2 * 3 * (8 - 0.5));
    expect(mm2(piece!.rings)).toBeLessThan(800 + 2 * 3 * 8);
    expect(piece!.height).toBeCloseTo(8, 2);
    expect(piece).toMatchObject({ stage: 1, finishId: 'red', viewId: 'v', isFrail: false });
    expect(piece!.width).toBeCloseTo(106, 2);
    // Within the outline nothing of another colour is covered.
    expect(mm2(pieces([band], 'red', 0)[0]!.rings)).toBeCloseTo(800, 2);
    expect(mm2(pieces([band], 'red', 0, 0.4)[0]!.rings)).toBeGreaterThan(800 + 0.2 * 2 * 108 - 0.2);
  });

  it('are cut in pieces, with holes, and none for what is sprayed last', () => {
    const disc = area('red', { shape: 'ellipse', x: 50, y: 25, width: 30, height: 30 });
    const [around] = pieces([disc], 'cream', 0);
    expect(around!.rings).toHaveLength(2);
    expect(mm2(around!.rings)).toBeCloseTo(5000 - Math.PI * 15 ** 2, 0);
    const stripes = area('red', { shape: 'stripes', x: 0, y: 25, height: 2, count: 4, gapMm: 1 });
    expect(pieces([stripes], 'red')).toHaveLength(4);
    const last = { colour: 'red', mask: [] };
    const measured = measureView(BOX, [disc], 'cream');
    expect(maskPieces([{ view: { id: 'v' }, measured }], [last], { bleedMm: 0, kerfMm: 0 })).toEqual([]);
  });

  it('are cut for windows as well, to their edge, each as it stands on its view', () => {
    const glass = { id: 'o1', name: 'side glass', path: 'M20 5H50V20H20Z' };
    const arch = { id: 'o2', name: 'arch', path: 'M70 50A10 10 0 0 1 90 50Z' };
    const views = [{ id: 'v', openings: [glass, arch] }];
    const of = (wanted: string[], kerfMm = 0) => openingPieces(views, new Set(wanted), { kerfMm });
    expect(of([])).toEqual([]);
    expect(of(['v o1'])).toMatchObject([{ openingId: 'o1', finishId: null, width: 30, height: 15 }]);
    expect(of(['v o1'], 0.4)[0]!.width).toBeCloseTo(30.4, 3);
    const [, second] = of(['v o1', 'v o2']);
    expect(mm2(second!.rings)).toBeCloseTo((Math.PI * 100) / 2, 0);
    expect(of(['other o1'])).toEqual([]);
  });

  it('say where they are too narrow to be handled', () => {
    const line = area('red', { shape: 'rectangle', x: 50, y: 25, width: 40, height: 0.5 });
    expect(pieces([line], 'red')[0]!.isFrail).toBe(true);
    expect(pieces([{ ...line, height: 1.2 }], 'red')[0]!.isFrail).toBe(false);
  });

  it('are parted into what hangs together, an island within a hole by itself', () => {
    const ring = (half: number): Point[] => [
      [-half, -half],
      [half, -half],
      [half, half],
      [-half, half],
    ];
    const parts = separate(regionOf([ring(30), ring(20), ring(10), ring(5)]));
    expect(parts.map((part) => [part.length, Math.round(areaOf(part))])).toEqual([
      [2, 3600 - 1600],
      [2, 400 - 100],
    ]);
  });

  it('have their holes cut before their edge, which would let them go', () => {
    const disc = area('red', { shape: 'ellipse', x: 50, y: 25, width: 30, height: 30 });
    const printing: Printing = { ...newRecord(printingRecord), id: 'p' };
    const [page] = cutSheets(pieces([disc], 'cream', 0), printing, typeface).pages;
    const [hole, edge] = page!.paths.map(({ d }) => boxAround(readOutline(d).rings)!.width);
    expect(hole).toBeCloseTo(30, 1);
    expect(edge).toBeCloseTo(100, 1);
  });

  it('lie on sheets without touching, what is larger than a sheet named', () => {
    const printing: Printing = { ...newRecord(printingRecord), id: 'p', paper: 'a5', gapMm: 2, marginMm: 8 };
    const stripes = area('red', { shape: 'stripes', x: 0, y: 25, height: 2, count: 6, gapMm: 4 });
    const all = pieces([stripes], 'red');
    const { pages, plots, tooLarge } = cutSheets(all, printing, typeface);
    expect(tooLarge).toEqual([]);
    expect(pages).toHaveLength(1);
    expect(pages[0]!.paths).toHaveLength(6);
    expect(plots[0]!.match(/PU/g)).toHaveLength(7);
    // Printed for the knife by hand a page has its bar, and is made up for a printer that is off.
    const { printed } = cutSheets(all, { ...printing, barMm: 49 }, typeface);
    const wide = (page: (typeof printed)[number], stroke: string | undefined) =>
      page.paths
        .filter((path) => path.stroke === stroke && path.d.length > 60)
        .map(({ d }) => boxAround(readOutline(d).rings)!.width);
    const longest = Math.max(...wide(printed[0]!, '#000000'));
    expect(longest / Math.max(...wide(pages[0]!, '#000000'))).toBeCloseTo(50 / 49, 3);
    expect(printed[0]!.paths.some(({ fill }) => fill !== undefined)).toBe(true);
    expect(pages[0]!.paths.some(({ fill }) => fill !== undefined)).toBe(false);
    const none = cutSheets(all, { ...printing, paper: 'own', widthMm: 60, heightMm: 60 }, typeface);
    expect(none.pages).toEqual([]);
    expect(none.tooLarge).toHaveLength(6);
  });
});

/** The tip of a knife that trails: drawn after its pivot at a fixed distance. */
function tipOf(pivot: readonly Point[], offsetMm: number): Point[] {
  const start = pivot[0]!;
  const towards = Math.atan2(pivot[1]![1] - start[1], pivot[1]![0] - start[0]);
  let tip: Point = [start[0] - offsetMm * Math.cos(towards), start[1] - offsetMm * Math.sin(towards)];
  const path = [tip];
  for (let at = 1; at < pivot.length; at++) {
    const [from, to] = [pivot[at - 1]!, pivot[at]!];
    const steps = Math.max(1, Math.ceil(Math.hypot(to[0] - from[0], to[1] - from[1]) / 0.01));
    for (let step = 1; step <= steps; step++) {
      const [x, y] = [0, 1].map((axis) => from[axis]! + ((to[axis]! - from[axis]!) * step) / steps) as [
        number,
        number,
      ];
      const angle = Math.atan2(y - tip[1], x - tip[0]);
      tip = [x - offsetMm * Math.cos(angle), y - offsetMm * Math.sin(angle)];
      path.push(tip);
    }
  }
  return path;
}

const offLine = ([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number => {
  const [dx, dy] = [bx - ax, by - ay];
  const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy)));
  return Math.hypot(x - ax - t * dx, y - ay - t * dy);
};
const offRing = (point: Point, ring: readonly Point[]): number =>
  Math.min(...ring.map((corner, at) => offLine(point, corner, ring[(at + 1) % ring.length]!)));

describe('a plot for a cutter', () => {
  const square: Point[] = [
    [10, 10],
    [30, 10],
    [30, 25],
    [10, 25],
  ];
  const star: Point[] = Array.from({ length: 10 }, (_, at): Point => {
    const r = at % 2 ? 6 : 14;
    return [20 + r * Math.cos((at * Math.PI) / 5), 20 + r * Math.sin((at * Math.PI) / 5)];
  });
  const [round] = shapeOf({
    shape: 'ellipse',
    x: 20,
    y: 20,
    width: 24,
    height: 12,
    angle: 10,
    path: '',
  }).rings;

  it.each([
    ['a square', square],
    ['a star', star],
    ['an ellipse', round!],
  ])('leads the tip of a trailing knife along %s, all round and on by the overcut', (_, ring) => {
    const tip = tipOf(pivotPath(ring, { offsetMm: 0.25, overcutMm: 0.5 }), 0.25);
    for (const point of tip) expect(offRing(point, ring)).toBeLessThan(0.03);
    for (const corner of ring)
      expect(Math.min(...tip.map(([x, y]) => Math.hypot(x - corner[0], y - corner[1])))).toBeLessThan(0.03);
    // It ends past the beginning.
    const end = tip.at(-1)!;
    expect(Math.hypot(end[0] - ring[0]![0], end[1] - ring[0]![1])).toBeGreaterThan(0.4);
  });

  it('is written in fortieths of a millimetre, from the lower left', () => {
    const text = hpgl([square], 50, { offsetMm: 0, overcutMm: 0 });
    expect(text.split('\n')).toEqual([
      'IN;',
      'SP1;',
      'PU400,1600;',
      'PD1200,1600,1200,1000,400,1000,400,1600;',
      'PU0,0;',
      'SP0;',
      '',
    ]);
    expect(hpgl([[[0, 0]]], 50, { offsetMm: 0, overcutMm: 0 })).not.toContain('PD');
  });
});
