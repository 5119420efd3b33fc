import { describe, expect, it } from 'vitest';
import { recoverSpectrum } from '../../colour/index.ts';
import {
  liveryAreaRecord,
  newRecord,
  viewRecord,
  type LiveryArea,
  type LiveryView,
} from '../../kit/index.ts';
import { coatsOver } from './coatsOver.ts';
import { planLivery, type LiveryFinish } from './liveryQuestion.ts';

const CREAM = recoverSpectrum({ L: 88, a: 1, b: 14 });
const NAVY = recoverSpectrum({ L: 22, a: 5, b: -22 });
const finish = (
  id: string,
  spectrum: number[] | null,
  look: LiveryFinish['look'] = 'gloss',
): LiveryFinish => ({
  id,
  name: id,
  look,
  spectrum,
});
const view = (id: string, more: Partial<LiveryView> = {}): LiveryView => ({
  ...newRecord(viewRecord),
  id,
  name: `${id} side`,
  outline: 'M0 0 H100 V50 H0 Z',
  slope: 1,
  ...more,
});
const band = (id: string, viewId: string, finishId: string, more: Partial<LiveryArea> = {}): LiveryArea => ({
  ...newRecord(liveryAreaRecord),
  id,
  viewId,
  finishId,
  name: id,
  shape: 'band',
  x: 50,
  y: 25,
  height: 20,
  ...more,
});

describe('coats over another colour', () => {
  it('are few for dark over light, and want white under light over dark', () => {
    expect(coatsOver(NAVY, CREAM)).toMatchObject({ undercoat: false });
    expect(coatsOver(NAVY, CREAM).coats).toBeLessThanOrEqual(5);
    expect(coatsOver(CREAM, NAVY).undercoat).toBe(true);
    expect(coatsOver(CREAM, null).undercoat).toBe(false);
  });
});

describe('a livery on its views', () => {
  it('adds both sides, and lays the light colour first', () => {
    const { plan, measured, unknown } = planLivery({
      views: ['left', 'right'].map((id) => ({ view: view(id), baseId: 'navy' })),
      areas: [band('l', 'left', 'cream'), band('r', 'right', 'cream')],
      finishes: [finish('navy', NAVY), finish('cream', CREAM)],
    });
    expect(unknown).toEqual([]);
    expect(measured).toHaveLength(2);
    expect(plan!.stages.map((stage) => stage.colour)).toEqual(['cream', 'navy']);
    expect(plan!.stages[0]).toMatchObject({ over: 'primer', guessed: false });
    expect(plan!.stages[0]!.coverCm2).toBeCloseTo(40);
    expect(plan!.stages[0]!.mask.reduce((sum, { lengthMm }) => sum + lengthMm, 0)).toBeCloseTo(400, 0);
  });

  it('compares every way of a narrow area: a hair line by pen, a wide trim by mask or brush', () => {
    const narrowOf = (height: number, look: LiveryFinish['look'] = 'satin') =>
      planLivery({
        views: [{ view: view('left'), baseId: 'navy' }],
        areas: [band('rubber', 'left', 'black', { height })],
        finishes: [finish('navy', NAVY), finish('black', NAVY, look)],
      }).narrow;
    const [line] = narrowOf(0.8);
    expect(line!.finishId).toBe('black');
    expect(line!.widthMm).toBeCloseTo(0.8, 1);
    expect(line!.lengthMm).toBeCloseTo(100, -1);
    expect(line!.offers.map(({ way }) => way)).toContain('marker');
    for (const { offers } of narrowOf(0.8))
      expect(offers.map(({ minutes }) => minutes)).toEqual(
        offers.map(({ minutes }) => minutes).sort((p, q) => p - q),
      );
    // A pen leaves strokes where one does not cover it, and in what is polished.
    expect(narrowOf(2.4)[0]!.offers.map(({ way }) => way)).not.toContain('marker');
    expect(narrowOf(0.8, 'polished')[0]!.offers.map(({ way }) => way)).not.toContain('marker');
    expect(narrowOf(0.8, 'metal')[0]!.offers.map(({ way }) => way)).toContain('foil');
    expect(narrowOf(6)).toEqual([]);
    // A line beside a large area of its colour is still a line.
    const { narrow } = planLivery({
      views: [{ view: view('left'), baseId: 'navy' }],
      areas: [
        band('line', 'left', 'black', { y: 8, height: 0.8 }),
        band('wide', 'left', 'black', { y: 35, height: 16 }),
      ],
      finishes: [finish('navy', NAVY), finish('black', NAVY, 'satin')],
    });
    expect(narrow.map(({ areaId }) => areaId)).toEqual(['line']);
  });

  it('says what it does not know: no finish under the areas, no colour, nothing that is painted', () => {
    const { plan, unknown } = planLivery({
      views: [{ view: view('left'), baseId: null }],
      areas: [band('l', 'left', 'cream'), band('t', 'left', 'bare', { y: 45, height: 4 })],
      finishes: [finish('cream', null), finish('bare', null, 'bare')],
    });
    expect(unknown.join(' ')).toContain('left side: what no area covers has no finish.');
    expect(unknown.join(' ')).toContain('cream has no colour yet');
    // Small enough to be brushed, if it is to be painted at all.
    expect(unknown.join(' ')).not.toContain('undefined');
    expect(plan!.stages.map((stage) => stage.colour)).toEqual(['cream']);
    expect(plan!.stages[0]!.guessed).toBe(true);
  });

  it('brushes a spot and foils a bright line', () => {
    const { plan } = planLivery({
      views: [{ view: view('left'), baseId: 'navy' }],
      areas: [
        band('dot', 'left', 'cream', { shape: 'ellipse', width: 4, height: 4 }),
        band('line', 'left', 'chrome', { y: 10, height: 0.8 }),
      ],
      finishes: [finish('navy', NAVY), finish('cream', CREAM), finish('chrome', null, 'plating')],
    });
    expect(plan!.byHand.map(({ colour, way }) => [colour, way])).toEqual([
      ['cream', 'brush'],
      ['chrome', 'foil'],
    ]);
  });

  it('has no order without colours', () => {
    expect(planLivery({ views: [], areas: [], finishes: [] })).toEqual({
      measured: [],
      narrow: [],
      plan: null,
      unknown: [],
    });
  });
});
