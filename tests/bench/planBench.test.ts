import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import type { BenchSnapshot, BuildRecord, PlanRecord } from '../../src/api/index.ts';
import type { BenchStep } from '../../src/core/plan/benchStep.ts';
import { operationsOf } from '../../src/core/plan/benchSteps.ts';
import { openDatabase } from '../../src/server/database/open.ts';
import { seedDemo } from '../../src/server/sample/seedDemo.ts';
import { readBuilds, readPlan, readSettings, readSteps } from '../../src/server/store/benchStore.ts';
import { readTaught } from '../../src/server/store/kitStore.ts';
import { readCodes, readPaints } from '../../src/server/store/paintStore.ts';
import {
  planBench,
  whatIf,
  type PlanOperation,
  type PlanRequest,
  type PlanView,
} from '../../src/core/plan/index.ts';

/** A Tuesday at 19:32 by the local clock. */
const MS = new Date(2026, 4, 12, 19, 32).getTime();
const NOW = MS / 60000;
let request: Omit<PlanRequest, 'snapshot'> & { snapshot: BenchSnapshot };
let first: PlanView;

const of = ({ advice }: PlanView, buildId: string) => advice.filter((each) => each.buildId === buildId);
const stored = (
  { fingerprint, starts, finish, bound, setupMinutes, proved }: PlanView,
  version = 1,
): PlanRecord => ({
  fingerprint,
  starts,
  finish,
  bound,
  setupMinutes,
  proved,
  version,
});
const withSnapshot = (change: Partial<BenchSnapshot>, now = NOW): typeof request => ({
  ...request,
  now,
  snapshot: { ...request.snapshot, ...change },
});

beforeAll(() => {
  // The clock stands still: a search ends by its tries, and finds the same on a slow machine.
  vi.useFakeTimers({ toFake: ['Date'], now: MS });
  const { db } = openDatabase(':memory:');
  seedDemo(db, MS);
  request = {
    now: NOW,
    brief: true,
    paints: readPaints(db),
    codes: readCodes(db),
    snapshot: {
      now: MS,
      demo: true,
      settings: readSettings(db),
      builds: readBuilds(db),
      ...readTaught(db),
      steps: readSteps(db),
      plan: readPlan(db),
    },
  };
  first = planBench(request);
});
afterAll(() => vi.useRealTimers());

describe('planBench on the sample bench', () => {
  it('plans beyond a year where one short evening a week is kept, and has every session at hand', () => {
    const { settings } = request.snapshot;
    const mondays = [{ day: 1, start: 1170, end: 1255 }];
    const { problem, starts, finish, sessions } = planBench(
      withSnapshot({ settings: { ...settings, calendar: { ...settings.calendar, sessions: mondays } } }),
    );
    expect(problem).toBeNull();
    expect(Object.keys(starts)).toHaveLength(Object.keys(first.starts).length);
    expect(finish).toBeGreaterThan(NOW + 365 * 1440);
    for (const [id, start] of Object.entries(starts)) {
      expect(
        sessions.some((session) => start >= session.start && start < session.end),
        id,
      ).toBe(true);
    }
    // A larger bench than this one fills a year of evenings: the lanes and the calendar file need all of them.
    expect(first.sessions.at(-1)!.start).toBeGreaterThan(NOW + 350 * 1440);
  });

  it('plans every step that is not done and explains every start', () => {
    const done = new Set(request.snapshot.steps.map(({ operationId }) => operationId));
    const open = first.operations.filter(({ id }) => !done.has(id)).map(({ id }) => id);
    expect(first.problem).toBeNull();
    expect(Object.keys(first.starts).sort()).toEqual([...open].sort());
    expect(Object.keys(first.reasons).sort()).toEqual([...open].sort());
    for (const { text } of Object.values(first.reasons)) expect(text).not.toMatch(/undefined|NaN/);
  });

  it('puts every step into a session, after what it waits for', () => {
    const hands = new Map(first.operations.map((operation) => [operation.id, operation.hands]));
    for (const [id, start] of Object.entries(first.starts)) {
      expect(start).toBeGreaterThanOrEqual(NOW);
      const inside = first.sessions.some(
        (session) => session.start <= start && start + hands.get(id)! <= session.end,
      );
      expect(inside, id).toBe(true);
    }
    for (const { from, to, minLag, maxLag } of first.arcs) {
      if (first.starts[from] === undefined || first.starts[to] === undefined) continue;
      const lag = first.starts[to] - first.starts[from] - hands.get(from)!;
      expect(lag).toBeGreaterThanOrEqual(minLag);
      if (maxLag !== null) expect(lag).toBeLessThanOrEqual(maxLag);
    }
  });

  it('never has two steps in the builder’s hands at once, over all builds', () => {
    const hands = new Map(first.operations.map((operation) => [operation.id, operation.hands]));
    const busy = Object.entries(first.starts)
      .map(([id, start]) => ({ start, end: start + hands.get(id)! }))
      .sort((a, b) => a.start - b.start);
    busy.slice(1).forEach(({ start }, index) => expect(start).toBeGreaterThanOrEqual(busy[index]!.end));
  });

  it('does before what can no longer be done after, and wires before the body goes on', () => {
    const last = (buildId: string, step: BenchStep) =>
      operationsOf(buildId, step, first.operations).at(-1)?.id;
    const prevented = request.snapshot.builds.flatMap(({ id, kit }) =>
      kit.consequences.flatMap(({ effect, step, other }): [string, string][] => {
        const [before, after] = [last(id, other), last(id, step)];
        return effect === 'prevents' && before !== undefined && after !== undefined ? [[before, after]] : [];
      }),
    );
    expect(prevented.length).toBeGreaterThan(8);
    for (const [before, after] of prevented) {
      if (first.starts[after] === undefined) continue;
      expect(first.starts[before] ?? 0, `${before} before ${after}`).toBeLessThan(first.starts[after]);
    }
    const bodyOn = first.starts['tolliver/join/join-tolliver-body-on']!;
    const wires = first.operations.filter(({ id, kind }) => kind === 'wire' && id.startsWith('tolliver/'));
    expect(wires.length).toBeGreaterThan(0);
    for (const { id } of wires) expect(first.starts[id]!, id).toBeLessThan(bodyOn);
    // Every kind of run that the samples have becomes work of its own.
    expect(first.operations.filter(({ kind }) => kind === 'plumb').length).toBeGreaterThan(2);
    expect(first.operations.filter(({ id }) => id.endsWith('/drill')).length).toBeGreaterThan(3);
  });

  it('warns of a primer that is left out, and of film that closes a joint, while it can be masked', () => {
    const [build, ...others] = request.snapshot.builds as [BuildRecord, ...BuildRecord[]];
    const [primer, ...coats] = first.operations.filter(
      ({ id, kind, buildId, trayId }, _, all) =>
        kind === 'primer' &&
        buildId === build.id &&
        first.starts[id] !== undefined &&
        trayId === all.find((one) => one.kind === 'primer' && first.starts[one.id] !== undefined)!.trayId,
    ) as [PlanOperation, ...PlanOperation[]];
    const leaveOut = ({ id }: PlanOperation) => ({
      id: `edit-${id}`,
      operationId: id,
      title: '',
      minutes: null,
      note: '',
      parts: 1,
      withNext: false,
      leaveOut: true,
    });
    const changedBy = (stepEdits: ReturnType<typeof leaveOut>[]) => {
      const plan = { ...build.kit.plan, stepEdits };
      return planBench(withSnapshot({ builds: [{ ...build, kit: { ...build.kit, plan } }, ...others] }));
    };
    const said = (view: PlanView) => of(view, build.id).map(({ text }) => text);
    expect(said(first)).not.toContain(`Left out: ${primer.title}`);
    expect(said(changedBy([primer, ...coats].map(leaveOut)))).toContain(`Left out: ${primer.title}`);
    const tight = of(first, build.id).find(({ rule }) => rule === 'film-binds')!;
    expect(first.operations.find(({ id }) => id === tight.about.steps[0])!.family).not.toBeNull();
  });

  it('gives the same plan again and keeps a stored one as it is', () => {
    const again = planBench(request);
    expect(again.starts).toEqual(first.starts);
    expect(again.fingerprint).toBe(first.fingerprint);
    const kept = planBench(withSnapshot({ plan: stored(first) }, NOW + 3));
    expect(kept.replanned).toBe(false);
    expect(kept.starts).toEqual(first.starts);
    expect(kept.finish).toBe(first.finish);
  });

  it('makes a new plan when a step is far too late, and says what moved', () => {
    const late = planBench(withSnapshot({ plan: stored(first) }, NOW + 100));
    expect(late.replanned).toBe(true);
    expect(late.moves.length).toBeGreaterThan(0);
    for (const { id, from, to } of late.moves) {
      expect(from).toBe(first.starts[id]);
      expect(to).toBe(late.starts[id]);
    }
  });

  it('stays as it is when a lesson is learnt or a conflict comes up', () => {
    const [build, ...others] = request.snapshot.builds as [BuildRecord, ...BuildRecord[]];
    const kit: BuildRecord['kit'] = {
      ...build.kit,
      advice: [
        ...build.kit.advice,
        {
          rule: 'undecided',
          subject: 'new',
          severity: 'stop',
          text: 'Decide it.',
          why: '',
          stage: 'kit',
          at: {
            trays: [build.trays[0]!.id],
            joins: [],
            kinds: ['clean', 'primer', 'colour', 'clear'],
            once: false,
          },
        },
      ],
    };
    const lesson = {
      id: 'new',
      text: 'Look twice.',
      origin: '',
      kit: 'Tolliver',
      partWord: null,
      material: null,
      stepKind: 'clear',
    };
    const after = planBench(
      withSnapshot({ plan: stored(first), builds: [{ ...build, kit }, ...others], lessons: [lesson] }),
    );
    expect(after.replanned).toBe(false);
    expect(after.starts).toEqual(first.starts);
    expect(after.advice.some(({ text, severity }) => text === 'Decide it.' && severity === 'stop')).toBe(
      true,
    );
    expect(after.operations.some(({ lessons }) => lessons.includes('Look twice.'))).toBe(true);
  });

  it('follows a step that is done and a change of air', () => {
    const [id] = Object.entries(first.starts).sort((a, b) => a[1] - b[1])[0]!;
    const operation = first.operations.find((each) => each.id === id)!;
    const step = {
      operationId: id,
      buildId: operation.buildId,
      trayId: operation.trayId ?? null,
      title: operation.title,
      endedAt: NOW + 20,
      minutes: 20,
      note: '',
    };
    const after = planBench(
      withSnapshot({ plan: stored(first), steps: [...request.snapshot.steps, step] }, NOW + 20),
    );
    expect(after.fingerprint).not.toBe(first.fingerprint);
    expect(after.starts[id]).toBeUndefined();
    const { settings } = request.snapshot;
    const cold = planBench(
      withSnapshot({ settings: { ...settings, conditions: { temperatureC: 12, humidity: 48 } } }),
    );
    const lagOf = ({ arcs }: PlanView) => arcs.reduce((sum, { minLag }) => sum + minLag, 0);
    expect(lagOf(cold)).toBeGreaterThan(lagOf(first));
    expect(cold.finish).toBeGreaterThanOrEqual(cold.bound);
  });

  it('knows what is curing: the wheels, the frame and the tank', () => {
    expect(first.curing.map(({ operationId }) => operationId)).toEqual([
      'pellam/pellam-frame/black-2',
      'tolliver/tolliver-wheels/mirror-2',
      'quillon/quillon-tank/clear-3',
    ]);
    for (const { since, until } of first.curing) {
      expect(since).toBeLessThan(NOW);
      expect(until).toBeGreaterThan(NOW);
    }
  });

  it('warns of each stack by what it is', () => {
    const rules = (tray: string) => first.findings[tray]!.map(({ ruleId }) => ruleId);
    expect(rules('quillon-tank')).toContain('isocyanate');
    expect(rules('tolliver-engine')).toContain('recoat-window');
    expect(rules('tolliver-chrome')).not.toContain('metal-wants-black');
  });

  it('says why there is no plan and keeps everything else', () => {
    const { settings } = request.snapshot;
    const none = planBench(
      withSnapshot({ settings: { ...settings, calendar: { sessions: [], closed: [] } } }),
    );
    expect(none.problem).toMatch(/no bench session/);
    expect(none.curing).toHaveLength(3);
    const short = planBench(
      withSnapshot({
        settings: { ...settings, calendar: { sessions: [{ day: 2, start: 1170, end: 1190 }], closed: [] } },
      }),
    );
    expect(short.problem).toMatch(/no session is longer than 20 min/);
    const empty = planBench(withSnapshot({ builds: [], steps: [] }));
    expect(empty).toMatchObject({ problem: null, operations: [], starts: {}, curing: [] });
  });

  it('looks longer where the device need not be spared, and mostly finds more', () => {
    const usual = planBench({ ...request, brief: false });
    expect(usual).toMatchObject({ problem: null, replanned: true });
    expect(Object.keys(usual.starts)).toHaveLength(Object.keys(first.starts).length);
    expect(usual.finish).toBeLessThanOrEqual(first.finish);
    expect(usual.starts).not.toEqual(first.starts);
  });

  it('tells better plans on the way, each of them whole', () => {
    const told: { finish: number; share: number }[] = [];
    let looks = 0;
    const view = planBench(request, (better, share) => {
      // Whoever looks pays for it: not at every move of the search.
      if (looks++ % 25 > 0) return;
      const soFar = better.whole();
      expect(soFar).toMatchObject(better.schedule());
      told.push({ finish: soFar.finish, share });
      const hands = new Map(soFar.operations.map((operation) => [operation.id, operation.hands]));
      expect(Object.keys(soFar.starts)).toHaveLength(Object.keys(first.starts).length);
      for (const { from, to, minLag, maxLag } of soFar.arcs) {
        if (soFar.starts[from] === undefined || soFar.starts[to] === undefined) continue;
        const lag = soFar.starts[to] - soFar.starts[from] - hands.get(from)!;
        expect(lag).toBeGreaterThanOrEqual(minLag);
        if (maxLag !== null) expect(lag).toBeLessThanOrEqual(maxLag);
      }
    });
    expect(told.length).toBeGreaterThan(0);
    for (const { share } of told) expect(share).toBeLessThanOrEqual(1);
    expect(view.finish).toBeLessThanOrEqual(told[0]!.finish);
  });

  /** The plan with changes of what the builder keeps beside it, from the stored first plan. */
  const changed = (change: Partial<BuildRecord['kit']['plan']>): PlanView =>
    planBench(
      withSnapshot({
        plan: stored(first),
        builds: request.snapshot.builds.map((build) =>
          build.id === 'tolliver'
            ? { ...build, kit: { ...build.kit, plan: { ...build.kit.plan, ...change } } }
            : build,
        ),
      }),
    );

  it('follows what the builder changed of a step, and comes back when that is taken back', () => {
    const step = first.operations.find(
      ({ id, family, buildId, hands }) =>
        buildId === 'tolliver' && family === null && hands > 20 && first.starts[id] !== undefined,
    )!;
    const plain = { title: '', minutes: null, note: '', parts: 1, withNext: false, leaveOut: false };
    const edited = (change: Partial<typeof plain> | { minutes: number }) =>
      changed({ stepEdits: [{ id: 'edit', operationId: step.id, ...plain, ...change }] });
    const split = edited({ parts: 2 });
    expect(split.problem).toBeNull();
    expect(split.starts[`${step.id}-1`]).toBeLessThan(split.starts[`${step.id}-2`]!);
    const out = edited({ leaveOut: true });
    expect(out.starts[step.id]).toBeUndefined();
    expect(out.leftOut).toEqual([{ editId: 'edit', title: step.title }]);
    const long = edited({ minutes: 500 });
    expect(long.problem).toBeNull();
    expect(Object.keys(long.stuck)).toEqual(['tolliver']);
    expect(long.stuck.tolliver).toContain(`“${step.title}” takes 500 min`);
    expect(long.tooLong).toEqual([{ operationId: step.id, hands: 500, longest: 180 }]);
    expect(edited({})).toMatchObject({ replanned: false, starts: first.starts });
  });

  it('plans the other builds where one cannot be, and keeps that plan', () => {
    const step = first.operations.find(({ id, buildId }) => buildId === 'tolliver' && first.starts[id])!;
    const plain = { title: '', minutes: 500, note: '', parts: 1, withNext: false, leaveOut: false };
    const builds = request.snapshot.builds.map((build) =>
      build.id === 'tolliver'
        ? {
            ...build,
            kit: {
              ...build.kit,
              plan: { ...build.kit.plan, stepEdits: [{ id: 'edit', operationId: step.id, ...plain }] },
            },
          }
        : build,
    );
    const view = planBench(withSnapshot({ builds }));
    const planned = new Set(Object.keys(view.starts).map((id) => id.split('/')[0]));
    expect(planned).toEqual(new Set(['pellam', 'quillon']));
    expect(view.replanned).toBe(true);
    const again = planBench(withSnapshot({ builds, plan: stored(view) }));
    expect(again).toMatchObject({ replanned: false, starts: view.starts, stuck: view.stuck });
  });

  it('plans every build where the order of the joins of one leads nowhere or in a circle', () => {
    const pellam = request.snapshot.builds.find(({ id }) => id === 'pellam')!;
    const [one, two] = pellam.joins;
    const broken = pellam.joins.map((join) =>
      join === one
        ? { ...join, afterJoinIds: ['gone', two!.id] }
        : join === two
          ? { ...join, afterJoinIds: [one!.id], trayIds: ['nowhere', ...join.trayIds] }
          : join,
    );
    const view = planBench(
      withSnapshot({
        builds: request.snapshot.builds.map((build) =>
          build.id === 'pellam' ? { ...build, joins: broken } : build,
        ),
      }),
    );
    expect(view).toMatchObject({ problem: null, stuck: {} });
    expect(Object.keys(view.starts)).toHaveLength(Object.keys(first.starts).length);
    const said = of(view, 'pellam').flatMap(({ rule, text }) => (rule === 'contradiction' ? [text] : []));
    expect(said.join(' ')).toMatch(/waits for gone.*joins nowhere.*in a circle/);
  });

  it('holds a pinned step, says when it cannot, and plans it all the same', () => {
    const [id, start] = Object.entries(first.starts)
      .filter(([each]) =>
        first.operations.some((o) => o.id === each && o.buildId === 'tolliver' && o.family === null),
      )
      .sort((a, b) => a[1] - b[1])[20]!;
    const later = first.sessions.find((session) => session.start > start + 3 * 1440)!;
    const pinned = (at: number) => changed({ pins: [{ id: 'pin', operationId: id, start: at }] });
    const kept = pinned(later.start + 15);
    expect(kept.problem).toBeNull();
    expect(kept.starts[id]).toBe(later.start + 15);
    expect(kept.reasons[id]).toEqual({ kind: 'pin', text: 'You pinned it to this moment.' });
    const broken = (view: PlanView) => of(view, 'tolliver').filter(({ rule }) => rule === 'pin-not-kept');
    expect(broken(kept)).toEqual([]);
    const asleep = pinned(later.end + 60);
    expect(asleep.problem).toBeNull();
    expect(asleep.starts[id]).toBeGreaterThan(later.end + 60);
    expect(asleep.reasons[id]!.kind).not.toBe('pin');
    const { title } = first.operations.find((operation) => operation.id === id)!;
    expect(broken(asleep)).toMatchObject([
      { about: { steps: [id] }, text: `Cannot be held: ${title}`, stage: 'plan' },
    ]);
    expect(broken(asleep)[0]!.why).toMatch(/leave no room .* you pinned it; it comes [\d.]+ h later\.$/);
    expect(Object.keys(asleep.starts).sort()).toEqual(Object.keys(first.starts).sort());
  });

  it('keeps a stored plan that holds less, without looking for it again', () => {
    const build = request.snapshot.builds.find(({ id }) => id === 'quillon')!;
    const trays = build.trays.filter(({ id }) => ['quillon-pipes', 'quillon-fork-tubes'].includes(id));
    const builds = [{ ...build, trays, joins: [] }];
    const coats = trays.map(({ id }) =>
      first.operations.find((operation) => operation.id === `quillon/${id}/mirror-1`),
    );
    // Both first mirror coats are on. What is left of the evening holds the second of either, with its set-up, but not both.
    const seconds = coats.map((coat) =>
      first.arcs.find(({ from, maxLag }) => from === coat!.id && maxLag !== null)!,
    );
    const handsOf = (id: string) => first.operations.find((operation) => operation.id === id)!.hands;
    const at = first.sessions[0]!.end - handsOf(seconds[0]!.to) - handsOf(seconds[1]!.to) - 4;
    const steps = seconds.map(({ from, minLag }, k) => {
      const { buildId, trayId = null, title } = coats[k]!;
      return {
        operationId: from,
        buildId,
        trayId,
        title,
        note: '',
        endedAt: at - minLag,
        minutes: handsOf(from),
      };
    });
    const none = { ...stored(first), fingerprint: '', starts: {} };
    const made = planBench(withSnapshot({ builds, steps, plan: none }, at));
    expect(made.problem).toBeNull();
    expect(made.missedWindows).toHaveLength(1);
    const again = planBench(withSnapshot({ builds, steps, plan: stored(made) }, at + 1));
    expect(again).toMatchObject({
      replanned: false,
      starts: made.starts,
      missedWindows: made.missedWindows,
    });
  });

  it('plans what is left where a coat can no longer come before its window closes', () => {
    const arc = first.arcs.find(
      ({ from, to, maxLag }) =>
        maxLag !== null && maxLag < 600 && first.starts[from] !== undefined && first.starts[to] !== undefined,
    )!;
    const coat = first.operations.find(({ id }) => id === arc.from)!;
    // The coat went on just before the bench closed.
    const { end } = first.sessions[0]!;
    const step = {
      operationId: coat.id,
      buildId: coat.buildId,
      trayId: coat.trayId ?? null,
      title: coat.title,
      endedAt: end - 2,
      minutes: 5,
      note: '',
    };
    const after = planBench(
      withSnapshot({ plan: stored(first), steps: [...request.snapshot.steps, step] }, end - 2),
    );
    expect(after.problem).toBeNull();
    expect(after.missedWindows).toContainEqual({
      operationId: arc.to,
      until: end - 2 + arc.maxLag!,
      from: end - 2 + 48 * 60,
    });
    expect(after.starts[arc.to]).toBeGreaterThanOrEqual(end - 2 + 48 * 60);
  });

  it('lets go of a coat that was felt dry, and holds on to one that is still wet', () => {
    const frame = first.curing[0]!;
    const check = { id: 'check', operationId: frame.operationId, minutes: NOW - frame.since };
    const plan = (isDry: boolean) =>
      planBench(
        withSnapshot({
          plan: stored(first),
          builds: request.snapshot.builds.map((build) =>
            frame.operationId.startsWith(`${build.id}/`)
              ? {
                  ...build,
                  kit: { ...build.kit, plan: { ...build.kit.plan, cureChecks: [{ ...check, isDry }] } },
                }
              : build,
          ),
        }),
      );
    expect(plan(true).curing.map(({ operationId }) => operationId)).not.toContain(frame.operationId);
    const wet = plan(false).curing.find(({ operationId }) => operationId === frame.operationId)!;
    expect(wet.until).toBeGreaterThan(frame.until);
    // One coat teaches nothing of the others.
    expect(plan(true).cures).toEqual([]);
  });

  it('tries one more evening by making the whole plan again', () => {
    const tries = whatIf(request);
    const asItIs = tries.next().value!;
    const more = tries.next().value!;
    expect(asItIs).toMatchObject({ name: 'as it is', finish: first.finish });
    expect(more.name).toBe('one more evening, Fridays');
    expect(more.finish).toBeLessThan(asItIs.finish!);
  });
});

describe('a longer look', () => {
  /** One sub-assembly alone, whose plan is proved in a moment. */
  const small = (plan: PlanRecord, longer = false): PlanRequest => {
    const build = request.snapshot.builds.find(({ id }) => id === 'tolliver')!;
    const tray = build.trays.find(({ id }) => id === 'tolliver-boot')!;
    const only = { ...build, trays: [tray], joins: [] };
    return { ...withSnapshot({ builds: [only], plan }), ...(longer ? { longer } : {}) };
  };
  const none = (): PlanRecord => ({ ...request.snapshot.plan, fingerprint: '', starts: {} });

  it('betters a stored plan that is up to date, which is kept otherwise', () => {
    const best = planBench(small(none()));
    expect(best.proved).toBe(true);
    const followed = new Set(best.arcs.map(({ from }) => from));
    const last = best.operations.find(
      ({ id }) => !followed.has(id) && best.starts[id]! === Math.max(...Object.values(best.starts)),
    )!;
    const session = best.sessions.find(({ start }) => start > best.finish)!;
    const worse = {
      ...stored(best),
      starts: { ...best.starts, [last.id]: session.start + 30 },
      finish: session.start + 30 + last.hands + last.dry,
    };
    const kept = planBench(small(worse));
    expect(kept).toMatchObject({ replanned: false, starts: worse.starts, finish: worse.finish });
    const bettered = planBench(small(worse, true));
    expect(bettered).toMatchObject({ replanned: true, finish: best.finish, proved: true });
    expect(bettered.moves.map(({ id }) => id)).toContain(last.id);
  });

  it('goes on from what one that was broken off had found, also where the stored plan is up to date', () => {
    const best = planBench(small(none()));
    const later = Object.fromEntries(
      Object.entries(best.starts).map(([id, start]) => [id, start + 7 * 1440]),
    );
    const weekLater = { ...stored(best), starts: later, finish: best.finish + 7 * 1440 };
    expect(planBench(small(weekLater))).toMatchObject({ replanned: false, finish: weekLater.finish });
    const goneOn = planBench({ ...small(weekLater), goOnFrom: best.starts });
    expect(goneOn).toMatchObject({ replanned: true, starts: best.starts, finish: best.finish });
  });

  it('goes on from steps that are there no longer and without steps that are new', () => {
    const best = planBench(small(none()));
    const [first, ...rest] = Object.entries(best.starts);
    const goneOn = planBench({
      ...small(none()),
      goOnFrom: { ...Object.fromEntries(rest), 'tolliver/gone/step': first![1] },
    });
    expect(goneOn.problem).toBeNull();
    expect(Object.keys(goneOn.starts).sort()).toEqual(Object.keys(best.starts).sort());
    expect(goneOn.finish).toBe(best.finish);
  });

  it('keeps the stored plan where there is no better one', () => {
    const best = planBench(small(none()));
    const again = planBench(small(stored(best), true));
    expect(again).toMatchObject({ replanned: false, starts: best.starts, finish: best.finish, proved: true });
  });
});
