import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FAMILIES } from '../finish/index.ts';
import type { Mishap, OwnStep } from '../kit/index.ts';
import {
  atOwnPace,
  learnPace,
  onceThePaintIs,
  usualRepair,
  withOwnSteps,
  withRepairs,
  type Pace,
  type PlanOperation,
} from './index.ts';
import { plainArc, plainOperation } from './plainPlan.ts';

const AIR = { temperatureC: 20, humidity: 50 };
const step = (id: string, change: Partial<PlanOperation> = {}) =>
  plainOperation(id, {
    kind: 'primer',
    place: 'booth',
    family: 'lacquer|x',
    chemistry: 'lacquer',
    ...change,
  });
const arc = (from: string, to: string, minLag = 30, maxLag: number | null = null) =>
  plainArc(from, to, minLag, maxLag);
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

  it('paces each of what is done in one go by its own kind, and leaves what the builder said', () => {
    const paces = learnPace(steps, log([20, 20, 20, 20, 20, 20, 20, 20, 20]));
    const long = { session: 1000, spraying: 1000 };
    const alone = (hands: number) => atOwnPace([step('x', { hands })], paces, long)[0]!.hands;
    expect(alone(30)).toBeGreaterThan(30);
    const oneGo = [
      { kind: 'primer', hands: 30, ownMinutes: false },
      { kind: 'polish', hands: 40, ownMinutes: false },
      { kind: 'primer', hands: 7, ownMinutes: true },
    ] as const;
    const [together] = atOwnPace([step('x', { hands: 77, oneGo })], paces, long);
    expect(together).toMatchObject({ hands: alone(30) + 40 + 7, usual: 77 });
    expect(atOwnPace([step('y', { hands: 30, ownMinutes: true })], paces, long)[0]!.hands).toBe(30);
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
          const [own] = atOwnPace([step('s', { hands })], paces, { session: 120, spraying: 120 });
          expect(own!.hands).toBeGreaterThanOrEqual(1);
          expect(own!.hands).toBeLessThanOrEqual(120);
          expect(Number.isInteger(own!.hands)).toBe(true);
        },
      ),
    );
    expect(atOwnPace([step('s', { hands: 30 })], new Map(), { session: 120, spraying: 120 })[0]!.hands).toBe(
      30,
    );
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
  const grown = withRepairs(chain, arcs, [mishap], AIR);

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
    expect(lag('colour-2', 'colour-2/repair~run')).toMatchObject({
      minLag: FAMILIES.lacquer.fullCure,
      because: expect.stringMatching(/hard right through/) as unknown,
    });
    expect(lag('colour-2/repair~run', 'colour-1~run')).toBeDefined();
    expect(lag('colour-1~run', 'colour-2~run')).toMatchObject({ minLag: 20, maxLag: 90 });
    expect(lag('colour-2~run', 'clear')).toMatchObject({ minLag: 40 });
    expect(lag('colour-2', 'clear')).toBeUndefined();
    expect(lag('prime', 'colour-1')).toMatchObject({ minLag: 60 });
  });

  it.each([
    ['wipe', 0],
    ['strip', 0],
    ['set-right', 0],
    ['refill', FAMILIES.lacquer.handle],
  ] as const)('begins a repair by %s once the paint is ready for it', (repair, minLag) => {
    const { arcs: lags } = withRepairs(chain, arcs, [{ ...mishap, repair }], AIR);
    expect(lags.find(({ to }) => to === 'colour-2/repair~run')).toMatchObject({ minLag });
    const bare = chain.map((each) => ({ ...each, chemistry: null }));
    const unpainted = withRepairs(bare, arcs, [{ ...mishap, repair }], AIR);
    expect(unpainted.arcs.find(({ to }) => to === 'colour-2/repair~run')).toMatchObject({ minLag: 0 });
  });

  it.each([
    ['colour', 'sand'],
    ['marking', 'sand'],
    ['open', 'refill'],
    ['drill', 'refill'],
    ['clean', 'refill'],
    ['join', 'set-right'],
    ['straighten', 'set-right'],
    ['refit', 'set-right'],
    ['assemble', 'set-right'],
    ['stance', 'set-right'],
  ] as const)('mends %s by “%s” where nobody says otherwise', (kind, repair) => {
    expect(usualRepair(kind)).toBe(repair);
  });

  it('takes apart and sets right by the same kind of step', () => {
    const { operations } = withRepairs(chain, arcs, [{ ...mishap, repair: 'set-right' }], AIR);
    const repair = operations.find(({ id }) => id === 'colour-2/repair~run')!;
    expect(repair).toMatchObject({
      kind: 'primer',
      hazards: ['blades'],
      title: 'Take apart and set right: colour-2',
    });
    const made = step('colour-2', {
      oneGo: [{ kind: 'colour', hands: 90, ownMinutes: false }],
      ownMinutes: true,
      photo: 'red',
    });
    const [, mended] = withRepairs([made], [], [{ ...mishap, redoFrom: made.id }], AIR).operations;
    for (const key of ['oneGo', 'ownMinutes', 'photo']) expect(mended).not.toHaveProperty(key);
    expect(onceThePaintIs('set-right')).toBe('');
    expect(onceThePaintIs('sand')).toMatch(/hard right through/);
  });

  it('can go wrong again, and passes over what nobody knows', () => {
    const twice = withRepairs(
      chain,
      arcs,
      [mishap, { ...mishap, id: 'dust', operationId: 'colour-2~run', redoFrom: 'colour-2~run', at: 200 }],
      AIR,
    );
    expect(twice.operations).toHaveLength(9);
    expect(twice.arcs.some(({ from, to }) => from === 'colour-2~run~dust' && to === 'clear')).toBe(true);
    const same = withRepairs(chain, arcs, [{ ...mishap, operationId: 'gone' }], AIR);
    expect(same).toEqual({ operations: chain, arcs });
  });
});

describe('a repair that goes wrong', () => {
  const first: Mishap = {
    id: 'run',
    operationId: 'colour-2',
    redoFrom: 'colour-1',
    repair: 'sand',
    what: 'a run',
    why: '',
    at: 100,
  };

  it('keeps the order and the recoat windows of the coats that are repeated once more', () => {
    const again = { ...first, id: 'dust', operationId: 'colour-2~run', redoFrom: 'colour-1~run', at: 200 };
    const { arcs: grown } = withRepairs(chain, arcs, [first, again], AIR);
    const lag = (from: string, to: string) => grown.find((each) => each.from === from && each.to === to);
    expect(lag('colour-1~run~dust', 'colour-2~run~dust')).toMatchObject({ minLag: 20, maxLag: 90 });
    expect(lag('colour-2~run~dust', 'clear')).toMatchObject({ minLag: 40 });
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
