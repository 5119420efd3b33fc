import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Mishap, OwnStep } from '../kit/index.ts';
import {
  atOwnPace,
  learnPace,
  lookAhead,
  withOwnSteps,
  withRepairs,
  type LookAheadBuild,
  type Pace,
  type PlanArc,
  type PlanOperation,
} from './index.ts';

const step = (id: string, change: Partial<PlanOperation> = {}): PlanOperation => ({
  id,
  buildId: 'b',
  trayId: 'body',
  kind: 'primer',
  title: id,
  place: 'booth',
  hands: 20,
  dry: 0,
  family: 'lacquer|x',
  chemistry: 'lacquer',
  because: '',
  details: [],
  hazards: [],
  cautions: [],
  holds: [],
  lessons: [],
  ...change,
});
const arc = (from: string, to: string, minLag = 30, maxLag: number | null = null): PlanArc => ({
  from,
  to,
  minLag,
  maxLag,
  because: '',
});
const chain = [step('prime'), step('colour-1'), step('colour-2'), step('clear')];
const arcs = [
  arc('prime', 'colour-1', 60),
  arc('colour-1', 'colour-2', 20, 90),
  arc('colour-2', 'clear', 40),
];

describe('learning a builder’s pace', () => {
  const steps = Array.from({ length: 9 }, (_, at) => step(`s${at}`, { hands: 10 }));
  const log = (minutes: number[]) => minutes.map((took, at) => ({ operationId: `s${at}`, minutes: took }));

  it('follows the median, not the one evening gone wrong, and trusts many steps more than few', () => {
    const usual = learnPace(steps, log([14, 15, 16, 15, 15, 14, 16, 15, 60])).get('primer')!;
    expect(usual.factor).toBeGreaterThan(1.3);
    expect(usual.factor).toBeLessThan(1.5);
    expect(usual.from).toBeLessThanOrEqual(usual.to);
    const few = learnPace(steps, log([15, 15])).get('primer')!;
    expect(few.factor).toBeGreaterThan(1);
    expect(few.factor).toBeLessThan(usual.factor);
  });

  it('learns nothing from one step, from none, or from slips of the pen', () => {
    expect(learnPace(steps, log([30])).size).toBe(0);
    expect(learnPace(steps, []).size).toBe(0);
    expect(learnPace(steps, log([900, 1000, 0])).size).toBe(0);
    expect(learnPace([], log([12, 12])).size).toBe(0);
  });

  it('never plans a step below a minute or beyond the longest session', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 8, noNaN: true }),
        fc.integer({ min: 1, max: 100 }),
        (factor, hands) => {
          const paces = new Map<Pace['kind'], Pace>([
            ['primer', { kind: 'primer', factor, from: 1, to: 1, steps: 5 }],
          ]);
          const [own] = atOwnPace([step('s', { hands })], paces, 120);
          expect(own!.hands).toBeGreaterThanOrEqual(1);
          expect(own!.hands).toBeLessThanOrEqual(120);
          expect(Number.isInteger(own!.hands)).toBe(true);
        },
      ),
    );
    expect(atOwnPace([step('s', { hands: 30 })], new Map(), 120)[0]!.hands).toBe(30);
  });
});

describe('a step that went wrong', () => {
  const mishap: Mishap = {
    id: 'run',
    operationId: 'colour-2',
    redoFrom: 'colour-1',
    repair: 'sand',
    what: 'a run',
    why: 'too wet',
    at: 100,
  };
  const grown = withRepairs(chain, arcs, [mishap]);

  it('grows the repair and what must be done again, and keeps the rest', () => {
    expect(grown.operations.map(({ title }) => title)).toEqual([
      'prime',
      'colour-1',
      'colour-2',
      'Sand back: colour-2',
      'Again: colour-1',
      'Again: colour-2',
      'clear',
    ]);
    for (const before of chain) expect(grown.operations).toContainEqual(before);
    const repair = grown.operations.find(({ id }) => id === 'colour-2/repair~run')!;
    expect(repair.because).toMatch(/a run, because too wet/);
    expect(repair.cautions.join()).toMatch(/safety sheet/);
    expect(repair.family).toBeNull();
  });

  it('puts it between the spoilt step and what follows, lags included', () => {
    const lag = (from: string, to: string) => grown.arcs.find((each) => each.from === from && each.to === to);
    expect(lag('colour-2', 'colour-2/repair~run')).toBeDefined();
    expect(lag('colour-2/repair~run', 'colour-1~run')).toBeDefined();
    expect(lag('colour-1~run', 'colour-2~run')).toMatchObject({ minLag: 20, maxLag: 90 });
    expect(lag('colour-2~run', 'clear')).toMatchObject({ minLag: 40 });
    expect(lag('colour-2', 'clear')).toBeUndefined();
    expect(lag('prime', 'colour-1')).toMatchObject({ minLag: 60 });
  });

  it('can go wrong again, and passes over what nobody knows', () => {
    const twice = withRepairs(chain, arcs, [
      mishap,
      { ...mishap, id: 'dust', operationId: 'colour-2~run', redoFrom: 'colour-2~run', at: 200 },
    ]);
    expect(twice.operations).toHaveLength(9);
    expect(twice.arcs.some(({ from, to }) => from === 'colour-2~run~dust' && to === 'clear')).toBe(true);
    const same = withRepairs(chain, arcs, [{ ...mishap, operationId: 'gone' }]);
    expect(same).toEqual({ operations: chain, arcs });
  });
});

describe('a step of one’s own', () => {
  const own: OwnStep = {
    id: 'x',
    after: 'colour-2',
    title: 'Sand with care',
    minutes: 15,
    waitMinutes: 120,
    note: '',
  };

  it('stands between its place and what followed, with its own wait and cautions', () => {
    const { operations, arcs: lags } = withOwnSteps(chain, arcs, [own]);
    expect(operations.map(({ id }) => id)).toEqual(['prime', 'colour-1', 'colour-2', 'b/own/x', 'clear']);
    expect(operations[3]!.cautions.join()).toMatch(/dust/i);
    expect(lags.find(({ from, to }) => from === 'b/own/x' && to === 'clear')).toMatchObject({ minLag: 120 });
    expect(lags.find(({ from, to }) => from === 'colour-2' && to === 'clear')).toMatchObject({ minLag: 40 });
  });

  it('is passed over where its place is gone, and adding nothing changes nothing', () => {
    expect(withOwnSteps(chain, arcs, [{ ...own, after: 'gone' }])).toEqual({ operations: chain, arcs });
    expect(withOwnSteps(chain, arcs, [])).toEqual({ operations: chain, arcs });
  });
});

describe('looking ahead', () => {
  const now = 1000;
  const operations = [
    step('paint', { layerId: 'colour', title: 'Colour: body' }),
    step('b/join/tail', { trayId: undefined, kind: 'assemble', title: 'Lamps to body', hands: 10, dry: 60 }),
  ];
  const starts = { paint: 2000, 'b/join/tail': 5000 };
  const build = (change: Partial<LookAheadBuild> = {}): LookAheadBuild => ({
    id: 'b',
    name: 'Coupe',
    trays: [
      { id: 'body', name: 'Body', painted: true, tyre: false, needs: [] },
      { id: 'lamps', name: 'Lamps', painted: false, tyre: false, needs: [] },
    ],
    joins: [{ id: 'tail', name: 'Lamps to body', trayIds: ['body', 'lamps'], adhesive: 'canopy glue' }],
    wants: [],
    deadline: null,
    ...change,
  });
  const ids = (change: Partial<LookAheadBuild>) =>
    lookAhead(build(change), operations, starts, now).map(({ id }) => id);

  it('says nothing where nothing is wrong', () => {
    expect(ids({})).toEqual([]);
  });

  it('names cement on paint, and only there', () => {
    const joins = [{ ...build().joins[0]!, adhesive: 'solvent cement, thin' }];
    expect(ids({ joins })).toEqual(['cement tail']);
    const bare = build().trays.map((tray) => ({ ...tray, painted: false }));
    expect(ids({ joins, trays: bare })).toEqual([]);
  });

  it('names paint that is not chosen or not on the shelf, at the step that needs it', () => {
    const needing = (need: Partial<LookAheadBuild['trays'][number]['needs'][number]>) => [
      {
        ...build().trays[0]!,
        needs: [{ layerId: 'colour', name: 'Green', onShelf: true, chosen: true, ...need }],
      },
    ];
    expect(ids({ trays: needing({}) })).toEqual([]);
    expect(
      lookAhead(build({ trays: needing({ onShelf: false }) }), operations, starts, now)[0],
    ).toMatchObject({
      id: 'stock body colour',
      operationId: 'paint',
    });
    expect(ids({ trays: needing({ chosen: false, onShelf: null }) })).toEqual(['colour body colour']);
    // A plain product stands for any on the shelf.
    expect(ids({ trays: needing({ onShelf: null }) })).toEqual([]);
  });

  it('names a tyre on fresh paint, a missed day and what is still to get', () => {
    const trays = [build().trays[0]!, { ...build().trays[1]!, tyre: true }];
    expect(ids({ trays })).toEqual(['tyre tail']);
    expect(ids({ deadline: 5000 })).toEqual(['deadline']);
    expect(ids({ deadline: 5070 })).toEqual([]);
    expect(
      lookAhead(build({ wants: [{ name: 'wire', leadDays: 30, have: false }] }), operations, starts, now)[0]!
        .reason,
    ).toMatch(/longer than the whole plan/);
    expect(ids({ wants: [{ name: 'wire', leadDays: 30, have: true }] })).toEqual([]);
  });

  it('puts what comes soonest first', () => {
    const joins = [{ ...build().joins[0]!, adhesive: 'cement' }];
    const trays = [
      { ...build().trays[0]!, needs: [{ layerId: 'colour', name: 'Green', onShelf: false, chosen: true }] },
      build().trays[1]!,
    ];
    expect(ids({ joins, trays, deadline: 10 })).toEqual(['stock body colour', 'cement tail', 'deadline']);
  });
});
