import { describe, expect, it } from 'vitest';
import { kitWith, plainPart } from '../plainKit.ts';
import { newRecord, partBoxRecord, runRecord, type PartBox, type Run } from '../records/index.ts';
import { bundlesOf } from './bundles.ts';
import { routeOfRun } from './runRoute.ts';

const place = (partId: string, behindMm: number, more: Partial<PartBox> = {}): PartBox => ({
  ...newRecord(partBoxRecord),
  id: partId,
  partId,
  behindMm,
  lengthMm: 10,
  widthMm: 10,
  heightMm: 10,
  ...more,
});
const run = (more: Partial<Run> = {}): Run => ({
  ...newRecord(runRecord),
  id: 'r',
  kind: 'brake-pipe',
  fromPartId: 'a',
  toPartId: 'c',
  ...more,
});
const ids = ['a', 'b', 'c'];
const kit = kitWith({
  parts: ids.map((id) => plainPart(id)),
  partBoxes: [place('a', 0), place('b', 30), place('c', 60)],
});

describe('the route of a run', () => {
  it('is known where the places are, and asks for those that are not', () => {
    expect(routeOfRun(run(), kit, 24)).toMatchObject({
      missing: [],
      // From face to face 50 mm, and 2 mm into each hole.
      lengthMm: 54,
      isMeasured: false,
      through: ['b'],
    });
    const few = { partBoxes: kit.partBoxes.slice(1) };
    expect(routeOfRun(run(), few, 24)).toMatchObject({ missing: ['a'], lengthMm: null, through: [] });
    const past = run({ past: [{ partId: 'd', side: 'over' }] });
    expect(routeOfRun(past, kit, 24)).toMatchObject({ missing: ['d'], lengthMm: null });
  });

  it('goes round what it goes past, longer by that, with slack and ends as they are', () => {
    const high = { widthMm: 20, heightMm: 20 };
    const partBoxes = [kit.partBoxes[0]!, place('b', 30, high), kit.partBoxes[2]!];
    for (const side of ['over', 'under', 'left', 'right'] as const) {
      const { lengthMm, through, route } = routeOfRun(
        run({ past: [{ partId: 'b', side }] }),
        { partBoxes },
        24,
      );
      expect(through).toEqual([]);
      expect(route!.bends).toHaveLength(1);
      // Two slopes: 25 mm along, 5.6 mm to the side, less what the bend cuts off.
      expect(lengthMm).toBeGreaterThan(54);
      expect(lengthMm).toBeLessThan(56);
    }
    const slack = routeOfRun(run({ slackMm: 5, fromEnd: 'unseen' }), kit, 24);
    expect(slack.lengthMm).toBe(54 + 5 + 1);
  });

  it('is as long as it was measured, wherever its parts are', () => {
    expect(routeOfRun(run({ lengthMm: 41 }), kit, 24)).toMatchObject({ lengthMm: 41, isMeasured: true });
    expect(routeOfRun(run({ lengthMm: 41 }), { partBoxes: [] }, 24)).toMatchObject({ lengthMm: 41 });
    // Its way is not the straight one, and nothing is said to be in it; unless it is told past what it goes.
    expect(routeOfRun(run({ lengthMm: 41 }), kit, 24)).toMatchObject({ missing: [], through: [] });
    const past = run({ lengthMm: 41, past: [{ partId: 'b', side: 'over' }] });
    expect(routeOfRun(past, kit, 24)).toMatchObject({ lengthMm: 41, isMeasured: true });
    expect(routeOfRun(past, kit, 24).route).toBeDefined();
  });

  it('says where nothing lies between two places', () => {
    const one = { partBoxes: [place('a', 0), place('c', 5)] };
    const { fault, lengthMm, route } = routeOfRun(run(), one, 24);
    expect(fault).toMatch(/one place/);
    expect([lengthMm, route]).toEqual([null, undefined]);
  });

  it('has no room for a wide bend in a narrow place', () => {
    const hose = run({
      kind: 'radiator-hose',
      past: [
        { partId: 'b', side: 'over' },
        { partId: 'b', side: 'under' },
      ],
    });
    const flat = { partBoxes: [kit.partBoxes[0]!, place('b', 30, { heightMm: 4 }), kit.partBoxes[2]!] };
    const { route, leastMm } = routeOfRun(hose, flat, 24);
    expect(leastMm).toBeCloseTo(4 * 1.5, 9);
    expect(route!.bends.some(({ isTight }) => isTight)).toBe(true);
    // A wire in it, and it bends there.
    expect(routeOfRun({ ...hose, make: 'metal-core' }, kit, 24).leastMm).toBeCloseTo(1.5 * 1.5, 9);
  });
});

describe('bundles', () => {
  it('come by their names, however they are spelt', () => {
    const [loom, ...more] = bundlesOf(
      [
        run({ id: '1', bundle: 'Loom', count: 2 }),
        run({ id: '2', bundle: ' loom ' }),
        run({ id: '3', bundle: '' }),
        run({ id: '4' }),
      ],
      24,
    );
    expect(more).toEqual([]);
    expect(loom).toMatchObject({ name: 'Loom', count: 3 });
    expect(loom!.runs.map(({ id }) => id)).toEqual(['1', '2']);
    // Three of 0.2 mm.
    expect(loom!.mm).toBeCloseTo(0.2 * 2.1547, 4);
  });
});
