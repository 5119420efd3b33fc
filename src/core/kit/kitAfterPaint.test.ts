import { describe, expect, it } from 'vitest';
import { kitAfterPaint } from './kitAfterPaint.ts';
import type { MeasuredPlace } from './kit.ts';
import { plainJoint, plainPart } from './plainKit.ts';

const film = (usual: number) => ({ low: 0.7 * usual, usual, high: 1.4 * usual });
const hole = (id: string, partId: string, change: Partial<MeasuredPlace> = {}): MeasuredPlace => ({
  id,
  partId,
  matingPartId: null,
  name: `hole ${id}`,
  kind: 'hole',
  sizeMm: 1,
  widthMm: null,
  throughMm: null,
  ...change,
});
const parts = ['A1', 'A2', 'A3'].map((id) => plainPart(id, { name: `part ${id}` }));
const joint = (id: string, a: string, b: string, clearanceMm: number | null) =>
  plainJoint(id, a, b, { clearanceMm });

describe('kitAfterPaint', () => {
  it('lists joints made after paint whose clearance is known, tightest first', () => {
    const joints = [
      joint('wide', 'A1', 'A2', 0.6),
      joint('close', 'A1', 'A3', 0.3),
      joint('glued bare', 'A2', 'A3', 0.2),
      joint('never measured', 'A1', 'A2', null),
    ];
    const late = new Set(['wide', 'close', 'never measured']);
    const fits = kitAfterPaint({ parts, joints, fits: [], places: [] }, late, new Map([['A1', film(80)]]));
    expect(fits.joints.map(({ joint: { id }, films }) => [id, films])).toEqual([
      ['close', [80, 0]],
      ['wide', [80, 0]],
    ]);
    expect(fits.joints[0]!.name).toContain('part A1');
    expect(fits.joints[0]!.forecast.leftMm[1]).toBeLessThan(0.3);
  });

  it('goes by a dry fit over the joint as it was drawn', () => {
    const joints = [joint('drawn wide', 'A1', 'A2', 0.6), joint('drawn close', 'A1', 'A3', 0.3)];
    const fit = {
      id: 'f',
      jointId: 'drawn wide',
      stage: 'bare' as const,
      feel: 'tight' as const,
      clearanceMm: 0.1,
      motionChecked: false,
      done: '',
    };
    const order = kitAfterPaint(
      { parts, joints, fits: [fit], places: [] },
      new Set(joints.map(({ id }) => id)),
      new Map(),
    );
    expect(order.joints.map(({ joint: { id } }) => id)).toEqual(['drawn wide', 'drawn close']);
  });

  it('lists places by what becomes of them, then by what is left for their size', () => {
    const places = [
      hole('roomy', 'A1', { sizeMm: 3 }),
      hole('stays', 'A1', { sizeMm: 1.5 }),
      hole('lost', 'A1', { sizeMm: 0.2 }),
      hole('bare', 'A3', { sizeMm: 0.2 }),
    ];
    const fits = kitAfterPaint(
      { parts, joints: [], fits: [], places },
      new Set(),
      new Map([['A1', film(110)]]),
    );
    expect(fits.places.map(({ place: { id } }) => id)).toEqual(['lost', 'stays', 'roomy', 'bare']);
    expect(fits.places.map(({ forecast: { verdict } }) => verdict)).toEqual([
      'lost',
      'stays',
      'stays',
      'stays',
    ]);
  });

  it('counts the film on what goes through, and names both parts', () => {
    const through = hole('post', 'A1', { matingPartId: 'A2', throughMm: 0.9, sizeMm: 1.1 });
    const of = (paint: [string, number][]) =>
      kitAfterPaint(
        { parts, joints: [], fits: [], places: [through] },
        new Set(),
        new Map(paint.map(([id, um]) => [id, film(um)])),
      ).places[0]!;
    expect(of([]).forecast.verdict).toBe('stays');
    expect(of([['A1', 70]]).forecast.verdict).not.toBe('lost');
    expect(
      of([
        ['A1', 70],
        ['A2', 70],
      ]).forecast.verdict,
    ).toBe('lost');
    expect(of([]).name).toBe('part A1: hole post, for part A2');
  });

  it('keeps a place whose part is gone, and says so', () => {
    const { places } = kitAfterPaint(
      { parts, joints: [], fits: [], places: [hole('mirror', 'B9')] },
      new Set(),
      new Map(),
    );
    expect(places[0]!.name).toBe('a part that is gone: hole mirror');
  });
});
