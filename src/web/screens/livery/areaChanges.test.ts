import { describe, expect, it } from 'vitest';
import {
  AREA_SHAPES,
  EMPTY_KIT,
  newRecord,
  viewRecord,
  type LiveryArea,
  type LiveryView,
  type Marking,
} from '../../../core/kit/index.ts';
import { measureView } from '../../../core/livery/index.ts';
import { areasOf, freshArea, movedArea, otherSide, raised } from './areaChanges.ts';
import { freshMarking } from './freshMarking.ts';

const view: LiveryView = {
  ...newRecord(viewRecord),
  id: 'v',
  name: 'Cab, left',
  side: 'left',
  outline: 'M10 0 H110 V50 H10 Z',
  openings: [{ id: 'o', name: 'glass', path: 'M20 5 H40 V15 H20 Z' }],
};
let count = 0;
const fresh = () => `n${++count}`;

describe('areas of a view', () => {
  const band = freshArea('b', view, 'band', 'red', []);
  const dot = freshArea('d', view, 'ellipse', 'blue', [band]);

  it('are new in the middle, over all others, and of a size that is seen', () => {
    expect(band).toMatchObject({ x: 60, y: 25, order: 1, viewId: 'v', finishId: 'red' });
    expect(dot.order).toBe(2);
    for (const shape of AREA_SHAPES) {
      const { areas, faults } = measureView(view, [freshArea('x', view, shape, 'red', [])], null);
      expect(faults, shape).toEqual([]);
      expect(areas[1]!.cm2, shape).toBeGreaterThan(1);
    }
  });

  it('move by tenths, a path with all its points', () => {
    expect(movedArea(dot, 0.1, -0.1)).toMatchObject({ x: 60.1, y: 24.9 });
    const path = { ...dot, shape: 'path' as const, path: 'M0 0 L10 0 L10 10 Z' };
    expect(movedArea(path, 0.25, 1).path).toBe('M0.25 1L10.25 1 10.25 11Z');
  });

  it('change places with their neighbour, and stop at the ends', () => {
    expect(raised([band, dot], 'b', 1).map(({ id, order }) => [id, order])).toEqual([
      ['b', 2],
      ['d', 1],
    ]);
    expect(raised([band, dot], 'd', 1)).toEqual([]);
    expect(areasOf({ ...EMPTY_KIT, liveryAreas: [dot, band] }, 'v')).toEqual([band, dot]);
  });

  it('lie mirrored on the other side, with the same surface', () => {
    const slanted: LiveryArea = { ...band, angle: 20, x: 30 };
    const [other, ...areas] = otherSide(view, { areas: [slanted, { ...dot, x: 25 }], markings: [] }, fresh);
    const mirrored = other!.value as LiveryView;
    expect(mirrored).toMatchObject({ side: 'right', name: 'Cab, right' });
    expect(areas.map(({ value }) => (value as LiveryArea).x)).toEqual([90, 95]);
    expect(areas[0]!.value).toMatchObject({ angle: -20, viewId: mirrored.id });
    const flames: LiveryArea = { ...slanted, shape: 'scallops' };
    const [, turned] = otherSide(view, { areas: [flames], markings: [] }, fresh);
    expect(turned!.value).toMatchObject({ shape: 'scallops', angle: 160 });
    const seen = (of: LiveryView, held: readonly LiveryArea[]) =>
      measureView(of, held, 'x').areas.map(({ cm2 }) => cm2.toFixed(2));
    expect(
      seen(
        mirrored,
        areas.map(({ value }) => value as LiveryArea),
      ),
    ).toEqual(seen(view, [slanted, { ...dot, x: 25 }]));
  });

  it('take their markings along: lettering is read as before, what is none is turned', () => {
    const name = { ...freshMarking('m', 'v', { x: 30, y: 5 }, []), name: 'Name, left', angle: 10 };
    const arrow = { ...name, id: 'n', name: 'arrow', lettering: false };
    const [, ...moved] = otherSide(view, { areas: [], markings: [name, arrow] }, fresh);
    expect(moved.map(({ kind }) => kind)).toEqual(['marking', 'marking']);
    expect(moved.map(({ value }) => value)).toMatchObject([
      { x: 90, y: 5, angle: -10, name: 'Name, right', mirrored: false },
      { x: 90, angle: -10, name: 'arrow, the other side', mirrored: true },
    ]);
    // Twice is as it was.
    const turned = moved[1]!.value as Marking;
    const [, back] = otherSide(view, { areas: [], markings: [turned] }, fresh);
    expect(back!.value).toMatchObject({ x: 30, angle: 10, mirrored: false });
  });
});
