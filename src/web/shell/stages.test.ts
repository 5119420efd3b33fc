import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { BuildRecord } from '../../api/index.ts';
import { plainOperation } from '../../core/plan/plainPlan.ts';
import { summariseKit, type PlanView } from '../../core/plan/index.ts';
import {
  beltRecord,
  chainRecord,
  dressingRecord,
  paneRecord,
  EMPTY_KIT,
  gaugeRecord,
  newRecord,
  plainPart,
  wheelRecord,
  type Kit,
} from '../../core/kit/index.ts';

// Data modules listen to the window that they are loaded into.
let stageStates: typeof import('./stages.ts').stageStates;
beforeAll(async () => {
  const deaf = { addEventListener: () => undefined, removeEventListener: () => undefined };
  vi.stubGlobal('window', deaf);
  vi.stubGlobal('document', deaf);
  vi.stubGlobal('localStorage', { getItem: () => null });
  ({ stageStates } = await import('./stages.ts'));
});

const colour = { id: 'c', kind: 'colour' as const, coats: 2, tool: 'airbrush' as const };
const tray = (layers: BuildRecord['trays'][number]['layers']) => ({
  id: 't',
  buildId: 'b',
  name: 'Body',
  position: 0,
  areaCm2: 10,
  substrateId: 'styrene-white',
  parts: [],
  layers,
  codeId: null,
  version: 1,
});
const build = (kit: Partial<Kit>, trays: BuildRecord['trays'] = []): BuildRecord => ({
  id: 'b',
  name: 'Coupe',
  subject: '',
  scale: 24,
  version: 1,
  joins: [],
  trays,
  kit: summariseKit({ ...EMPTY_KIT, ...kit }, []),
});
const open = {
  id: 'e',
  title: 'Filter',
  partIds: [],
  stepKind: null,
  sheet: '',
  evidence: '',
  source: '',
  pictureId: null,
  confidence: 'likely' as const,
  verdict: 'open' as const,
  decision: '',
};

describe('the state of the kit stage', () => {
  const kitState = (record: BuildRecord) => stageStates(record, null).kit;

  it('tells the first step, then what is missing, then what is done', () => {
    expect(kitState(build({}))).toEqual({ text: 'no sub-assembly yet', done: false });
    const zone = {
      id: 'main',
      name: '',
      share: 1,
      finishId: 'cream',
      boundary: 'moulded',
      edgeMm: null,
    } as const;
    const parts = [plainPart('A1', { count: 3, zones: [zone] })];
    expect(kitState(build({ parts }))).toEqual({ text: '3 parts, not divided yet', done: false });
    expect(kitState(build({ parts, evidence: [open] }, [tray([])]))).toEqual({
      text: '3 parts, 1 conflict',
      done: false,
    });
    const choices = [{ id: 'c', name: 'Roof', options: [], chosen: null }];
    expect(kitState(build({ parts, choices }, [tray([])])).text).toBe('3 parts, 1 choice open');
    expect(kitState(build({ parts }, [tray([])]))).toEqual({ text: '3 parts in 1 tray', done: true });
    // No tick over a division of parts that nobody gave a finish; what comes clear, plated or of rubber has one.
    const unfinished = [...parts, plainPart('A2'), plainPart('A3', { plated: true })];
    const clear = plainPart('G1', { material: 'clear' });
    expect(kitState(build({ parts: [...unfinished, clear] }, [tray([])]))).toEqual({
      text: '6 parts, 1 without a finish',
      done: false,
    });
  });
});

describe('the states of the other stages', () => {
  it('count colours still to choose', () => {
    const states = stageStates(build({}, [tray([colour, { ...colour, id: 'd', mix: { a: 1 } }])]), null);
    expect(states.colour).toEqual({ text: '1 of 1 colours chosen', done: true });
    expect(stageStates(build({}, [tray([colour])]), null).colour.text).toBe('0 of 1 colours chosen');
    expect(stageStates(build({}, [tray([])]), null).colour).toEqual({
      text: 'nothing to colour yet',
      done: false,
    });
  });

  it('has no tick for a build without a stack, or with a tray of painted parts without one', () => {
    const { finish } = stageStates(build({}, [tray([])]), null);
    expect(finish).toEqual({ text: 'no stack yet', done: false });
    const bare = { ...tray([]), id: 'bare' };
    const record = build({}, [tray([colour]), bare]);
    const painted = { ...record, kit: { ...record.kit, toPaint: { bare: 2 } } };
    expect(stageStates(painted, null).finish).toEqual({ text: '1 tray without a stack', done: false });
    expect(stageStates(record, null).finish.text).toBe('no warnings');
  });

  it('say that the plan is being worked out', () => {
    const { plan, tonight } = stageStates(build({}, [tray([])]), null);
    expect(plan).toEqual({ text: 'working it out', done: false });
    expect(tonight.text).toBe('no step waiting');
  });
});

describe('the states of plan and tonight', () => {
  const NOW = 30_000_000;
  const step = plainOperation('b/t/sand', { trayId: 't', hands: 25, dry: 60 });
  const view = (change: Partial<PlanView>): PlanView => ({
    fingerprint: '',
    operations: [step],
    arcs: [],
    starts: {},
    reasons: {},
    finish: NOW,
    bound: NOW,
    setupMinutes: 0,
    proved: true,
    replanned: false,
    moves: [],
    missedWindows: [],
    curing: [],
    sessions: [{ start: NOW, end: NOW + 120 }],
    findings: {},
    paces: [],
    cures: [],
    advice: [],
    deadlines: {},
    earliest: {},
    leftOut: [],
    tooLong: [],
    problem: null,
    stuck: {},
    ...change,
  });
  const states = (change: Partial<PlanView>) => stageStates(build({}, [tray([colour])]), view(change));

  it('tell when it is ready and what waits tonight', () => {
    const { plan, tonight } = states({ starts: { [step.id]: NOW + 5 } });
    expect(plan).toMatchObject({ done: false });
    expect(plan.text).toMatch(/^ready \w{3} \d+ \w{3}/);
    expect(tonight.text).toMatch(/^1 step, 25 min, /);
    expect(tonight.done).toBe(false);
  });

  it('are done only where nothing is left, not where there is no plan', () => {
    expect(states({}).plan).toEqual({ text: 'nothing left to do', done: true });
    expect(stageStates(build({}), view({})).plan).toEqual({ text: 'nothing to plan yet', done: false });
    expect(states({}).tonight.text).toBe('no step waiting');
    const none = states({ problem: 'The calendar has no bench session at all.' });
    expect(none.plan).toEqual({ text: 'cannot be planned', done: false });
    expect(none.tonight).toEqual({ text: 'no plan to follow', done: false });
    expect(stageStates(build({}, []), view({})).plan.done).toBe(false);
    expect(stageStates(build({}, [tray([colour])]), null).plan).toEqual({
      text: 'working it out',
      done: false,
    });
  });
});

describe('the state of the detail stage', () => {
  const detail = (kit: Partial<Kit>) => stageStates(build({ parts: kit.parts ?? [], ...kit }), null).detail;
  const wheel = { ...newRecord(wheelRecord), id: 'w', name: 'Front', partId: 'rim', count: 2 };
  const chain = { ...newRecord(chainRecord), id: 'c', name: 'Chain', partId: 'rim' };
  const gauge = { ...newRecord(gaugeRecord), id: 'g', name: 'Edge', partId: 'rim', way: 'leave' as const };
  const parts = [{ ...plainPart('rim'), name: 'Rim' }];

  it('counts what is added, and has no tick over nothing', () => {
    expect(detail({})).toEqual({ text: 'nothing added', done: false });
    expect(detail({ parts, wheels: [wheel] })).toEqual({ text: '2 laced wheels', done: true });
    expect(detail({ parts, wheels: [wheel], chains: [chain] }).text).toBe('2 laced wheels, 1 chain');
    expect(detail({ parts, wheels: [wheel], chains: [chain], gauges: [gauge] }).text).toBe(
      '2 laced wheels, 2 kinds more',
    );
  });

  it('counts what is fitted and laid in the cabin, and what is finished in several colours', () => {
    const fork = { ...newRecord(dressingRecord), id: 'd', name: 'Fork', partId: 'rim', count: 2 };
    const pane = { ...newRecord(paneRecord), id: 'p', name: 'Screen', partId: 'rim', intoPartId: 'rim' };
    expect(detail({ parts, dressings: [fork] })).toEqual({ text: '2 forks and discs', done: true });
    expect(detail({ parts, panes: [pane] })).toEqual({ text: '1 pane', done: true });
    const belt = { ...newRecord(beltRecord), id: 'b', name: 'Belt', partId: 'rim' };
    // Without a piece it cannot be cut.
    expect(detail({ parts, belts: [belt] })).toEqual({ text: '1 still open', done: false });
  });

  it('has no tick over what is not decided, names no part, or cannot be made', () => {
    const open = { text: '1 still open', done: false };
    expect(detail({ parts, gauges: [{ ...gauge, way: null }] })).toEqual(open);
    expect(detail({ parts, wheels: [{ ...wheel, partId: null }] })).toEqual(open);
    expect(detail({ parts, chains: [{ ...chain, centresMm: 1 }] })).toEqual(open);
  });
});
