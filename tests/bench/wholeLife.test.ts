import { beforeAll, describe, expect, it } from 'vitest';
import type { BenchSnapshot, BuildRecord, StepRecord } from '../../src/api/index.ts';
import { keepsPin, planBench, type PlanRequest, type PlanView } from '../../src/core/plan/index.ts';
import { seededRandom } from '../../src/core/seededRandom.ts';
import { REPAIR_IDS, type StepEdit } from '../../src/core/kit/index.ts';
import { openDatabase } from '../../src/server/database/open.ts';
import { seedDemo } from '../../src/server/sample/seedDemo.ts';
import { readBuilds, readPlan, readSettings } from '../../src/server/store/benchStore.ts';
import { readCodes, readPaints } from '../../src/server/store/paintStore.ts';

/** A Tuesday at 19:32 by the local clock. */
const MS = new Date(2026, 4, 12, 19, 32).getTime();
const UNCHANGED = { title: '', minutes: null, note: '', parts: 1, withNext: false, leaveOut: false };
type Wishes = BuildRecord['kit']['plan'];

let request: Omit<PlanRequest, 'snapshot'> & { snapshot: BenchSnapshot };
beforeAll(() => {
  const { db } = openDatabase(':memory:');
  seedDemo(db, MS);
  const snapshot: BenchSnapshot = {
    now: MS,
    demo: true,
    settings: readSettings(db),
    builds: readBuilds(db),
    lessons: [],
    materials: [],
    steps: [],
    plan: { ...readPlan(db), fingerprint: '', starts: {} },
  };
  request = { now: MS / 60000, paints: readPaints(db), codes: readCodes(db), snapshot };
});

/** A sub-assembly built from its first step to its last by somebody who is late and early, skips, spoils, feels, pins,
 *  splits and adds as it comes. */
function life(buildId: string, trayId: string, seed: number) {
  const random = seededRandom(seed);
  const whole = request.snapshot.builds.find(({ id }) => id === buildId)!;
  const trays = whole.trays.filter(({ id }) => id === trayId);
  let build: BuildRecord = { ...whole, trays, joins: [], kit: { ...whole.kit, advice: [] } };
  let steps: StepRecord[] = [];
  let stored = request.snapshot.plan;
  let { now } = request;
  let names = 0;
  const view = (): PlanView => {
    const snapshot = { ...request.snapshot, builds: [build], steps, plan: stored };
    const made = planBench({ ...request, snapshot, now });
    const { fingerprint, starts, finish, bound, setupMinutes, proved } = made;
    if (made.replanned && made.problem === null)
      stored = { fingerprint, starts, finish, bound, setupMinutes, proved, version: stored.version + 1 };
    return made;
  };
  return {
    random,
    pick: <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)]!,
    name: () => `n${names++}`,
    now: () => now,
    pass: (minutes: number) => (now += minutes),
    build: () => build,
    steps: () => steps,
    view,
    change: (to: (wishes: Wishes) => Partial<Wishes>) => {
      build = { ...build, kit: { ...build.kit, plan: { ...build.kit.plan, ...to(build.kit.plan) } } };
    },
    tick: ({ id, title, hands }: PlanView['operations'][number]) => {
      const minutes = Math.max(1, Math.round(hands * Math.exp((random() - 0.5) * 1.2)));
      now += minutes;
      steps = [...steps, { operationId: id, buildId, trayId, title, endedAt: now, minutes, note: '' }];
    },
  };
}

/** What must hold of every plan, whatever happened before it. */
function check(view: PlanView, { now, steps, build }: ReturnType<typeof life>): void {
  expect(view.problem).toBeNull();
  const operations = new Map(view.operations.map((operation) => [operation.id, operation]));
  const ended = new Map(steps().map(({ operationId, endedAt }) => [operationId, endedAt]));
  const isLost = new Set(view.missedWindows.map(({ operationId }) => operationId));
  for (const [id, start] of Object.entries(view.starts)) {
    const { hands } = operations.get(id)!;
    expect(ended.has(id), `${id} is done`).toBe(false);
    expect(start, id).toBeGreaterThanOrEqual(now() - 30);
    expect(view.reasons[id]!.text).not.toMatch(/undefined|NaN|null/);
    const isOpen = view.sessions.some((session) => session.start <= start && start + hands <= session.end);
    expect(isOpen || start < now(), `${id} lies in a session`).toBe(true);
  }
  for (const { from, to, minLag, maxLag } of view.arcs) {
    const start = view.starts[to];
    if (start === undefined) continue;
    const planned = view.starts[from];
    const end = planned === undefined ? ended.get(from) : planned + operations.get(from)!.hands;
    if (end === undefined || start < now()) continue;
    expect(start - end, `${from} to ${to}`).toBeGreaterThanOrEqual(minLag);
    if (maxLag !== null && !isLost.has(to))
      expect(start - end, `${from} to ${to}`).toBeLessThanOrEqual(maxLag);
  }
  const hands = Object.entries(view.starts)
    .map(([id, start]) => ({ start, end: start + operations.get(id)!.hands }))
    .sort((a, b) => a.start - b.start);
  hands.slice(1).forEach(({ start }, at) => expect(start).toBeGreaterThanOrEqual(hands[at]!.end));
  expect(view.finish).toBeGreaterThanOrEqual(view.bound);
  for (const { until } of view.curing) expect(until).toBeGreaterThan(now());
  const broken = new Set(view.advice.map(({ id }) => id));
  for (const { id, operationId, start } of build().kit.plan.pins) {
    const planned = view.starts[operationId];
    if (planned === undefined) continue;
    const isKept = keepsPin(planned, start, operations.get(operationId)!.family !== null);
    expect(isKept || broken.has(`${build().id} pin-not-kept ${id}`), `pin of ${operationId}`).toBe(true);
  }
}

describe('a sub-assembly lived through', () => {
  it.each([
    ['tolliver', 'tolliver-hood', 1],
    ['tolliver', 'tolliver-engine', 2],
    ['pellam', 'pellam-hood', 3],
    ['quillon', 'quillon-fork-tubes', 4],
    ['quillon', 'quillon-guards', 5],
  ])('keeps every rule and comes to its end: %s, %s', { timeout: 120_000 }, (buildId, trayId, seed) => {
    const bench = life(buildId, trayId, seed);
    const { random, pick, name } = bench;
    const happened = new Set<string>();
    let view = bench.view();
    const inAll = Object.keys(view.starts).length;
    expect(inAll).toBeGreaterThan(8);
    let plans = 0;
    for (; Object.keys(view.starts).length > 0 && plans < 200; plans++) {
      check(view, bench);
      const doneBefore = bench.steps();
      const coming = view.operations
        .filter(({ id }) => view.starts[id] !== undefined)
        .sort((a, b) => view.starts[a.id]! - view.starts[b.id]!);
      const any = pick(coming);
      const edit = (change: Partial<StepEdit>) => {
        const isOther = ({ operationId }: StepEdit) => operationId !== any.id;
        bench.change(({ stepEdits }) => ({
          stepEdits: [
            ...stepEdits.filter(isOther),
            { id: name(), operationId: any.id, ...UNCHANGED, ...change },
          ],
        }));
      };
      const wait = view.starts[coming[0]!.id]! - bench.now();
      if (wait > 0) bench.pass(wait);
      const chance = random();
      if (chance < 0.05) {
        happened.add('an evening was lost');
        bench.pass(1440);
      } else if (chance < 0.11) {
        happened.add('pinned');
        const session = pick(view.sessions.filter(({ start }) => start > view.starts[any.id]!).slice(0, 6));
        bench.change(({ pins }) => ({
          pins: [...pins, { id: name(), operationId: any.id, start: session.start + pick([0, 30, -300]) }],
        }));
      } else if (chance < 0.15) {
        happened.add('split');
        edit({ parts: 2 });
      } else if (chance < 0.19) {
        happened.add('done in one go');
        edit({ withNext: true });
      } else if (chance < 0.22) {
        happened.add('left out');
        edit({ leaveOut: true });
      } else if (chance < 0.26) {
        happened.add('added');
        bench.change(({ ownSteps }) => ({
          ownSteps: [
            ...ownSteps,
            { id: name(), after: any.id, title: 'Look at it', minutes: 5, waitMinutes: 0, note: '' },
          ],
        }));
      } else if (chance < 0.32 && view.curing.some(({ canBeFelt }) => canBeFelt)) {
        happened.add('felt');
        const { operationId, since } = pick(view.curing.filter(({ canBeFelt }) => canBeFelt));
        bench.change(({ cureChecks }) => ({
          cureChecks: [
            ...cureChecks,
            { id: name(), operationId, minutes: bench.now() - since, isDry: random() < 0.5 },
          ],
        }));
      } else {
        const step = chance > 0.93 && coming[1] ? coming[1] : coming[0]!;
        bench.tick(step);
        if (chance < 0.38) {
          happened.add('went wrong');
          const mishap = { id: name(), redoFrom: step.id, what: 'a run', why: '', at: bench.now() };
          bench.change(({ mishaps }) => ({
            mishaps: [...mishaps, { ...mishap, operationId: step.id, repair: pick(REPAIR_IDS) }],
          }));
        }
      }
      view = bench.view();
      // What is done stays as it was noted.
      expect(bench.steps().slice(0, doneBefore.length)).toEqual(doneBefore);
    }
    expect(view.problem).toBeNull();
    expect(view.starts).toEqual({});
    expect(bench.steps().length).toBeGreaterThan(inAll / 2);
    expect(happened.size).toBeGreaterThan(2);
  });
});
