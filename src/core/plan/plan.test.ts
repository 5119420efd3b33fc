import { describe, expect, it } from 'vitest';
import { GENERIC_PRODUCTS, SUBSTRATES, type Stack, type StackLayer } from '../finish/index.ts';
import {
  curingNow,
  explainStarts,
  generateOperations,
  localDate,
  plannableBuild,
  remainingWork,
  requireCalendar,
  scheduleOperations,
  upcomingSessions,
  verifySchedule,
  type BenchCalendar,
  type DoneStep,
  type PlannableBuild,
} from './index.ts';
import { EMPTY_KIT, productIndex } from '../kit/index.ts';
import { plainArc, plainGluedJoint, plainOperation } from './plainPlan.ts';
import { summariseKit } from './kitSummary.ts';

const JOINT = plainGluedJoint('Cowl to body');
const AIR = { temperatureC: 20, humidity: 50 };
const product = (id: string) => GENERIC_PRODUCTS.find((generic) => generic.id === id)!;
const stack = (layers: StackLayer[]): Stack => ({
  substrate: SUBSTRATES[0]!,
  areaCm2: 120,
  scale: 24,
  layers,
});
const primer: StackLayer = {
  id: 'primer',
  kind: 'primer',
  product: product('generic-primer-grey'),
  coats: 2,
  tool: 'airbrush',
};
const enamel: StackLayer = {
  id: 'green',
  kind: 'colour',
  product: { ...product('generic-primer-grey'), id: 'green', name: 'Green', family: 'enamel' },
  coats: 2,
  tool: 'airbrush',
};
const clear: StackLayer = {
  id: 'clear',
  kind: 'clear',
  product: product('generic-clear-2k'),
  coats: 2,
  tool: 'airbrush',
};
const polish: StackLayer = { id: 'polish', kind: 'polish', coats: 1, tool: 'hand' };

const NO_KIT = { ...summariseKit(EMPTY_KIT, []), joinsBefore: { body: [JOINT, JOINT, JOINT] } };
const build: PlannableBuild = {
  id: 'b',
  name: 'Build',
  subject: '',
  kit: NO_KIT,
  trays: [
    {
      id: 'body',
      name: 'Body',
      partCount: 4,
      partNames: ['Body shell'],
      stack: stack([primer, enamel, clear, polish]),
    },
    { id: 'chassis', name: 'Chassis', partCount: 1, partNames: ['Frame'], stack: stack([primer]) },
  ],
  joins: [
    {
      id: 'body-on',
      name: 'Body over chassis',
      trayIds: ['body', 'chassis'],
      afterJoinIds: [],
      minutes: 20,
      adhesive: 'cyanoacrylate gel',
      setMinutes: 120,
    },
    {
      id: 'badge-on',
      name: 'Badge',
      trayIds: ['body'],
      afterJoinIds: ['body-on'],
      minutes: 10,
      adhesive: 'PVA',
      setMinutes: 60,
    },
  ],
};
/** Tuesday and Thursday evenings and Saturday mornings. */
const calendar: BenchCalendar = {
  sessions: [
    { day: 2, start: 1170, end: 1290 },
    { day: 4, start: 1170, end: 1290 },
    { day: 6, start: 540, end: 720 },
  ],
  closed: [],
};
/** A Tuesday at 19:30 by the local clock. */
const now = Math.round(new Date(2026, 4, 12, 19, 30).getTime() / 60000);
const minutesOf = (...date: [number, number, number, number, number]) =>
  Math.round(new Date(...date).getTime() / 60000);

function planned(done: DoneStep[] = [], at = now) {
  const plan = generateOperations(build, AIR, 180);
  const work = remainingWork(plan, done, upcomingSessions(calendar, at, 120), at);
  const result = scheduleOperations(work.instance, { evaluations: 1500, timeMs: 60000 });
  return { plan, work, result };
}

describe('calendar', () => {
  it('lists sessions in order, cut to what is left of the running one', () => {
    const sessions = upcomingSessions(calendar, now + 30, 7);
    expect(sessions).toEqual([
      { start: now + 30, end: minutesOf(2026, 4, 12, 21, 30) },
      { start: minutesOf(2026, 4, 14, 19, 30), end: minutesOf(2026, 4, 14, 21, 30) },
      { start: minutesOf(2026, 4, 16, 9, 0), end: minutesOf(2026, 4, 16, 12, 0) },
    ]);
  });

  it('leaves out closed days', () => {
    const closed = { ...calendar, closed: [localDate(new Date(2026, 4, 14))] };
    expect(upcomingSessions(closed, now, 7)).toHaveLength(2);
  });

  it.each<[string, BenchCalendar['sessions'], RegExp]>([
    ['ends before it starts', [{ day: 1, start: 600, end: 540 }], /at least 10 minutes/],
    [
      'overlaps',
      [
        { day: 1, start: 540, end: 700 },
        { day: 1, start: 600, end: 720 },
      ],
      /overlap/,
    ],
    ['lies on no day', [{ day: 9, start: 540, end: 700 }], /one day of the week/],
  ])('refuses a session that %s', (_, sessions, message) => {
    expect(() => requireCalendar({ sessions, closed: [] })).toThrow(message);
  });
});

describe('generateOperations', () => {
  const { operations, arcs } = generateOperations(build, AIR, 180);
  const ids = operations.map(({ id }) => id);

  it('gives every step an id of its own, a reason and minutes', () => {
    expect(new Set(ids).size).toBe(ids.length);
    for (const { because, hands, title } of operations) {
      expect(because.length).toBeGreaterThan(10);
      expect(hands).toBeGreaterThan(0);
      expect(title).not.toMatch(/undefined/);
    }
  });

  it('goes from clean-up through every coat to joints and the last look', () => {
    expect(ids).toEqual([
      'b/body/clean',
      'b/body/join',
      'b/body/primer-1',
      'b/body/primer-2',
      'b/body/green-1',
      'b/body/green-2',
      'b/body/clear-1',
      'b/body/clear-2',
      'b/body/polish',
      'b/chassis/clean',
      'b/chassis/primer-1',
      'b/chassis/primer-2',
      'b/join/body-on',
      'b/join/badge-on',
      'b/touch-in',
      'b/inspect',
      'b/verdict',
    ]);
  });

  it('asks to look a coat over once the last of its layer is on, and says the next coat before', () => {
    const details = (id: string) => operations.find((operation) => operation.id === `b/body/${id}`)!.details;
    expect(details('primer-1').join()).toMatch(/next coat after/);
    expect(details('primer-1').join()).not.toMatch(/under a lamp/);
    expect(details('primer-2').join()).toMatch(/under a lamp: scratches, sinks, seams/);
    expect(details('clear-2').join()).toMatch(/before anything is flatted/);
  });

  it('ties the coats of an enamel by its window and lets lacquer wait', () => {
    const arc = (from: string, to: string) =>
      arcs.find((each) => each.from === `b/body/${from}` && each.to === `b/body/${to}`)!;
    expect(arc('green-1', 'green-2')).toMatchObject({ minLag: 30, maxLag: 120 });
    expect(arc('primer-1', 'primer-2').maxLag).toBeNull();
    expect(arc('clear-2', 'polish').minLag).toBe(7 * 1440);
  });

  it('uses the late window where no session holds two coats', () => {
    const tight = generateOperations(build, AIR, 40);
    const arc = tight.arcs.find(({ to }) => to === 'b/body/green-2')!;
    expect(arc).toMatchObject({ minLag: 48 * 60, maxLag: null });
    expect(arc.because).toMatch(/no session holds two coats/);
  });

  it('puts the caution at the step that needs it', () => {
    const cautions = (id: string) => operations.find((operation) => operation.id === id)!.cautions.join();
    expect(cautions('b/body/clear-1')).toMatch(/Isocyanate/);
    expect(cautions('b/join/body-on')).toMatch(/Cyanoacrylate/);
    expect(cautions('b/join/badge-on')).toBe('');
  });

  it('changes nothing when nothing has changed', () => {
    expect(generateOperations(build, AIR, 180)).toEqual({ operations, arcs });
  });

  it('resolves a build whose paint is not chosen or no longer there', () => {
    const resolved = plannableBuild(
      {
        id: 'x',
        name: 'X',
        subject: '',
        kit: NO_KIT,
        scale: 24,
        joins: [],
        trays: [
          {
            id: 't',
            name: 'T',
            parts: [],
            substrateId: 'gone',
            areaCm2: 10,
            codeId: null,
            position: 0,
            layers: [{ id: 'c', kind: 'colour', mix: { lost: 1 }, coats: 2, tool: 'airbrush' }],
          },
        ],
      },
      productIndex([]),
      new Map(),
    );
    expect(resolved.trays[0]!.stack.layers[0]!.product!.name).toBe('not chosen yet');
    expect(generateOperations(resolved, AIR, 180).operations).toHaveLength(4);
  });
});

describe('replanning', () => {
  it('plans everything, keeps every lag, and a done step is no longer planned', () => {
    const fresh = planned();
    expect(verifySchedule(fresh.work.instance, fresh.result)).toEqual([]);
    const done = [{ operationId: 'b/body/clean', endedAt: now + 20 }];
    const after = planned(done, now + 20);
    expect(Object.keys(after.result.starts)).toHaveLength(Object.keys(fresh.result.starts).length - 1);
    expect(after.result.starts['b/body/clean']).toBeUndefined();
    expect(after.result.starts['b/body/join']).toBeGreaterThanOrEqual(120);
  });

  it('counts a cure from the real end of its step', () => {
    const done = (endedAt: number) => [
      ...['clean', 'join', 'primer-1', 'primer-2', 'green-1', 'green-2', 'clear-1'].map((key) => ({
        operationId: `b/body/${key}`,
        endedAt: now - 20000,
      })),
      { operationId: 'b/body/clear-2', endedAt },
    ];
    const ready = (endedAt: number) => {
      const { work, result } = planned(done(endedAt));
      const { earliest } = work.instance.operations.find(({ id }) => id === 'b/body/polish')!;
      expect(result.starts['b/body/polish']).toBeGreaterThanOrEqual(earliest!);
      return earliest;
    };
    expect(ready(now)).toBe(7 * 1440);
    expect(ready(now - 3 * 1440)).toBe(4 * 1440);
  });

  it('keeps a window that is still open and says when one has closed', () => {
    const prefix = ['clean', 'join', 'primer-1', 'primer-2'].map((key) => ({
      operationId: `b/body/${key}`,
      endedAt: now - 9000,
    }));
    const open = planned([...prefix, { operationId: 'b/body/green-1', endedAt: now - 20 }]);
    expect(open.work.missedWindows).toEqual([]);
    const start = open.result.starts['b/body/green-2']!;
    expect(start).toBeGreaterThanOrEqual(10);
    expect(start).toBeLessThanOrEqual(100);
    const closed = planned([...prefix, { operationId: 'b/body/green-1', endedAt: now - 200 }]);
    expect(closed.work.missedWindows.map(({ arc }) => arc.to)).toEqual(['b/body/green-2']);
    expect(closed.result.starts['b/body/green-2']).toBeGreaterThanOrEqual(48 * 60 - 200);
  });

  it('knows what is curing and until when', () => {
    const { plan } = planned();
    const done = [
      { operationId: 'b/body/clean', endedAt: now - 30 },
      { operationId: 'b/chassis/primer-2', endedAt: now - 60 },
      { operationId: 'unknown', endedAt: now },
    ];
    expect(curingNow(plan, done, now)).toEqual([
      { operationId: 'b/chassis/primer-2', since: now - 60, until: now + 30, canBeFelt: true },
      { operationId: 'b/body/clean', since: now - 30, until: now + 90, canBeFelt: false },
    ]);
    expect(curingNow(plan, done, now + 100)).toEqual([]);
    // A wheel can be fitted again long before a tyre may go on it.
    const wheel = {
      operations: ['coat', 'refit', 'tyre on'].map((id) => plainOperation(id)),
      arcs: [plainArc('coat', 'refit', 60), plainArc('coat', 'tyre on', 7200), plainArc('coat', 'refit', 0)],
    };
    expect(curingNow(wheel, [{ operationId: 'coat', endedAt: now }], now)).toMatchObject([
      { until: now + 60 },
    ]);
  });
});

describe('explainStarts', () => {
  it('gives every start a reason that its numbers bear out', () => {
    const { plan, work, result } = planned();
    const titles = new Map(plan.operations.map(({ id, title }) => [id, title]));
    const reasons = explainStarts(work.instance, result.starts, plan.arcs, titles);
    expect(reasons.size).toBe(work.instance.operations.length);
    const endOf = (id: string) =>
      result.starts[id]! + work.instance.operations.find((operation) => operation.id === id)!.hands;
    for (const [id, { kind, text, byOperation }] of reasons) {
      expect(text).not.toMatch(/undefined|NaN/);
      if (kind === 'cure') {
        const arc = plan.arcs.find(({ from, to }) => from === byOperation && to === id)!;
        expect(result.starts[id]).toBe(endOf(arc.from) + arc.minLag);
      }
      if (kind === 'hands') expect(result.starts[id]).toBe(endOf(byOperation!));
      if (kind === 'session') {
        const window = work.instance.windows.find(
          ([from, to]) => from <= result.starts[id]! && result.starts[id]! < to,
        )!;
        expect(result.starts[id]! - window[0]).toBeLessThanOrEqual(10);
      }
    }
    expect(new Set([...reasons.values()].map(({ kind }) => kind)).size).toBeGreaterThan(2);
  });
});
