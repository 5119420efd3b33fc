import { format } from 'date-fns';
import type { BenchSnapshot, CodeRecord, PaintRecord } from '../../api/index.ts';
import { evaluateStack, LAYER_KINDS, type Finding, type StackEvaluation } from '../../core/finish/index.ts';
import { productIndex } from '../../core/kit/index.ts';
import {
  atOwnCures,
  atOwnPace,
  carriedOver,
  consequencesByStep,
  curingNow,
  earliestFinish,
  explainStarts,
  learnCures,
  learnPace,
  lookAhead,
  longestSessions,
  noLongerPlanned,
  keepsPin,
  scheduleOperations,
  sessionsToHold,
  stepsOfBuild,
  verifySchedule,
  withoutPassed,
  workThatFits,
  type CurePace,
  type Curing,
  type LookAheadBuild,
  type LookAheadTray,
  type OperationPlan,
  type Pace,
  type PlanArc,
  type PlanOperation,
  type RemainingWork,
  type ScheduleInstance,
  type ScheduleResult,
  type Session,
  type StartReason,
  type StepConsequence,
  type Warning,
} from '../../core/plan/index.ts';

type Pin = BenchSnapshot['builds'][number]['kit']['plan']['pins'][number];

export interface PlanRequest {
  snapshot: BenchSnapshot;
  paints: PaintRecord[];
  codes: CodeRecord[];
  /** Minutes since 1970. */
  now: number;
  /** The builder has from now until then tonight, whatever the calendar says; minutes since 1970. */
  tonightUntil?: number;
  /** A better one is looked for, much longer than at first, although the stored plan is up to date. */
  longer?: boolean;
  /** What a search had found that was broken off, starts by step, minutes since 1970: this one goes on from it. */
  goOnFrom?: Record<string, number>;
}

/** Everything that follows from the bench as it stands; times in minutes since 1970. */
export interface PlanView {
  fingerprint: string;
  operations: PlanOperation[];
  arcs: PlanArc[];
  starts: Record<string, number>;
  reasons: Record<string, StartReason>;
  finish: number;
  bound: number;
  setupMinutes: number;
  proved: boolean;
  /** True where this is not the plan that is stored. */
  replanned: boolean;
  /** Steps that start elsewhere than in the stored plan. */
  moves: { id: string; from: number; to: number }[];
  /** Steps whose recoat window has closed, or closes before they can come: when, and until when they wait for cure. */
  missedWindows: { operationId: string; until: number; from: number }[];
  curing: Curing[];
  sessions: Session[];
  findings: Record<string, Finding[]>;
  /** What steps serve, and what they end the chance of, by the id of the step. */
  consequences: Record<string, StepConsequence[]>;
  /** How this builder's minutes compare with the planned ones. */
  paces: Pace[];
  /** How this bench's cures compare with the products' times. */
  cures: CurePace[];
  /** What lies ahead of each build, by build id. */
  warnings: Record<string, Warning[]>;
  /** Days by which builds must be ready, minutes since 1970. */
  deadlines: Record<string, number>;
  /** What no plan could beat for each build, were it the only one; minutes since 1970. */
  earliest: Record<string, number>;
  /** Steps that the builder left out and that would be there otherwise. */
  leftOut: { editId: string; title: string }[];
  /** Steps that no session holds, minutes; they are why there is no plan. */
  tooLong: { operationId: string; hands: number; longest: number }[];
  /** Why there is no plan at all. */
  problem: string | null;
  /** Why single builds have none while the others are planned, by build id. */
  stuck: Record<string, string>;
}

/** Work budget, counted so that it is repeatable: a few seconds on a small machine, since a look at an order
 *  takes longer the more steps it has. The limit in time only guards against a machine that stalls. */
const MOST_EVALUATIONS = 30_000;
const STEPS_LOOKED_AT = 16_000_000;
const TIME_MS = 20_000;
/** So many times the work where the builder asks for a longer look. */
const LONGER = 16;
/** Between two looks at the best so far. */
const TELL_MS = 300;
/** Long enough to tell whether one build can be planned at all. */
const SHORT_LOOK_MS = 2000;
/** A step this late makes a new plan. */
const LATE_MINUTES = 30;

/** Operations, schedule, reasons, what cures and what warns, from the bench as it stands. A stored plan that was
 *  made from the same inputs and is not late is kept as it is. While a plan is being improved, `onBetter` is given the
 *  best so far, checked like the last, some times a second. */
export function planView(
  { snapshot, paints, codes, now, tonightUntil, longer = false, goOnFrom }: PlanRequest,
  onBetter?: (soFar: PlanView, share: number) => void,
): PlanView {
  const { settings, builds, lessons, plan: stored } = snapshot;
  const products = productIndex(paints);
  const codeIndex = new Map(codes.map((code) => [code.id, code]));
  const longest = longestSessions(settings.calendar.sessions);
  const followed = builds.map((build) =>
    stepsOfBuild(build, {
      products,
      codes: codeIndex,
      conditions: settings.conditions,
      longestSession: longest.spraying,
      lessons,
      tools: settings.preferences.tools,
    }),
  );
  const leftOut = followed.flatMap((each) => each.leftOut);
  const grownWhole = followed.map(({ plan }) => plan);
  const { done: steps, orphans } = carriedOver(
    grownWhole.flatMap(({ operations }) => operations),
    snapshot.steps,
  );
  const ticked = new Set(steps.map(({ operationId }) => operationId));
  const grown = grownWhole.map((each) => withoutPassed(each, ticked));
  const generated = grown.flatMap(({ operations }) => operations);
  const paces = learnPace(generated, steps);
  const asGenerated = { operations: generated, arcs: grown.flatMap(({ arcs }) => arcs) };
  const checks = builds.flatMap(({ kit }) => kit.plan.cureChecks);
  const cures = learnCures(asGenerated, checks);
  const cured = atOwnCures(asGenerated, cures, checks);
  const plan: OperationPlan = { ...cured, operations: atOwnPace(cured.operations, paces, longest) };
  const pins = builds.flatMap(({ kit }) => kit.plan.pins);
  const hands = plan.operations.reduce((sum, operation) => sum + operation.hands, 0);
  const sessions = withTonight(sessionsToHold(settings.calendar, now, hands), now, tonightUntil);
  const { work, lessHeld } = workThatFits(plan, steps, sessions, now, pins);
  // A lesson or a decision changes what a step says, not when it is done.
  const timed = plan.operations.map(({ holds: _holds, lessons: _lessons, ...operation }) => operation);
  const fingerprint = fingerprintOf(
    { operations: timed, arcs: plan.arcs },
    steps.map(({ operationId, endedAt }) => `${operationId}@${endedAt}`),
    [
      settings.calendar,
      builds.map(({ kit: { plan: wishes } }) => [wishes.pins, wishes.deadline, wishes.priority]),
      tonightUntil ?? null,
    ],
  );
  const evaluations = new Map(
    followed.flatMap(({ trays }) =>
      trays.map(
        ({ id, stack }) =>
          [id, evaluationOf(stack, settings.conditions, { longestSession: longest.spraying })] as const,
      ),
    ),
  );
  const films = Object.fromEntries(
    [...evaluations].flatMap(([id, evaluation]) => (evaluation ? [[id, evaluation.filmFlat]] : [])),
  );
  const view: PlanView = {
    fingerprint,
    operations: plan.operations,
    arcs: plan.arcs,
    starts: {},
    reasons: {},
    finish: now,
    bound: now,
    setupMinutes: 0,
    proved: true,
    replanned: false,
    moves: [],
    missedWindows: [],
    curing: curingNow(plan, steps, now),
    sessions,
    findings: Object.fromEntries(
      [...evaluations].map(([id, evaluation]) => [id, evaluation?.findings ?? []]),
    ),
    consequences: Object.assign(
      {},
      ...builds.map(({ id, kit }) => consequencesByStep(id, plan.operations, kit.consequences)),
    ) as PlanView['consequences'],
    paces: [...paces.values()],
    cures: [...cures.values()],
    warnings: {},
    deadlines: Object.fromEntries(
      builds.flatMap(({ id, kit }) =>
        kit.plan.deadline === null ? [] : [[id, endOfDay(kit.plan.deadline)] as const],
      ),
    ),
    earliest: Object.fromEntries(
      builds.flatMap(({ id }) => {
        const finish = earliestFinish(partOf(work.instance, `${id}/`));
        return finish === undefined ? [] : [[id, finish + now] as const];
      }),
    ),
    leftOut: leftOut.map(({ editId, step: { title } }) => ({ editId, title })),
    tooLong: tooLongFor(work.instance),
    problem: null,
    stuck: {},
  };
  const shelf = new Map(paints.map((paint) => [paint.id, paint]));
  const warn = () => {
    for (const [at, build] of builds.entries()) {
      view.warnings[build.id] = [
        ...followed[at]!.faults,
        ...orphans.filter(({ buildId }) => buildId === build.id).map(noLongerPlanned),
        ...brokenPins(build.kit.plan.pins, view),
        ...lookAhead(
          {
            ...lookAheadBuild(build, shelf, view.deadlines[build.id] ?? null),
            films,
            leftOut: leftOut.flatMap(({ step }) => (step.buildId === build.id ? [step] : [])),
          },
          view.operations,
          view.starts,
          now,
        ),
      ];
    }
  };
  const isStoredFor = (instance: ScheduleInstance) => isUpToDate(stored, view.fingerprint, instance, now);
  const options = { now, times: longer ? LONGER : 1, goOnFrom, pins };
  /** Fills the view by a plan for some work; why there is none where there is none. */
  const planned = ({ instance, missedWindows }: RemainingWork): string | undefined => {
    aimAt(instance, builds, now);
    view.missedWindows = missedWindows.map(({ arc, until, from }) => ({ operationId: arc.to, until, from }));
    try {
      if (instance.operations.length > 0) fillSchedule(view, instance, stored, options, warn, onBetter);
      else warn();
      return undefined;
    } catch (error) {
      return (error as Error).message;
    }
  };
  const titles = new Map(view.operations.map(({ id, title }) => [id, title]));
  const inWords = (why: string) =>
    why.replace(/"([^"]+)"/g, (quoted, id: string) => (titles.has(id) ? `“${titles.get(id)!}”` : quoted));
  /** Plans the other builds where some cannot be planned at all; false where there is none such, or nothing but them. */
  const plannedWithout = (suspects: BenchSnapshot['builds'], works: () => Iterable<RemainingWork>) => {
    const most = [...lessHeld()].at(-1) ?? work;
    const stuck = new Map(
      suspects.flatMap(({ id }) => {
        const why = whyNone(partOf(most.instance, `${id}/`));
        return why === undefined ? [] : [[id, why] as const];
      }),
    );
    const rest = builds.filter(({ id }) => !stuck.has(id));
    const hasWork = rest.some(({ id }) => partOf(work.instance, `${id}/`).operations.length > 0);
    if (stuck.size === 0 || !hasWork) return false;
    for (const held of works()) {
      if (planned({ ...held, instance: withoutBuilds(held.instance, stuck) }) !== undefined) continue;
      view.stuck = Object.fromEntries([...stuck].map(([id, why]) => [id, inWords(why)]));
      return true;
    }
    return false;
  };
  // The stored plan may be one that holds less, or that a build is left out of; it is looked up rather than searched for
  // again.
  if (!longer && !isStoredFor(work.instance)) {
    const unplanned = builds.filter(({ id }) => isUnplanned(partOf(work.instance, `${id}/`), stored));
    const missing = new Map(unplanned.map(({ id }) => [id, '']));
    for (const held of [work, ...lessHeld()]) {
      if (isStoredFor(held.instance) && planned(held) === undefined) return view;
      if (unplanned.length === 0 || !isStoredFor(withoutBuilds(held.instance, missing))) continue;
      if (plannedWithout(unplanned, () => [held])) return view;
    }
  }
  const why = planned(work);
  if (why === undefined) return view;
  for (const less of lessHeld()) if (planned(less) === undefined) return view;
  if (
    plannedWithout(builds, function* () {
      yield work;
      yield* lessHeld();
    })
  )
    return view;
  view.problem = inWords(why);
  warn();
  return view;
}

/** Why no schedule at all is found for some work, by a short look; undefined where there is one. */
function whyNone(instance: ScheduleInstance): string | undefined {
  if (instance.operations.length === 0) return undefined;
  try {
    scheduleOperations(instance, { evaluations: 1, timeMs: SHORT_LOOK_MS, seed: 7 });
    return undefined;
  } catch (error) {
    return (error as Error).message;
  }
}

/** Whether a build has work of which a stored plan knows nothing. */
const isUnplanned = ({ operations }: ScheduleInstance, { starts }: BenchSnapshot['plan']): boolean =>
  operations.length > 0 && operations.every(({ id }) => starts[id] === undefined);

/** The work without that of some builds. */
function withoutBuilds(instance: ScheduleInstance, gone: ReadonlyMap<string, unknown>): ScheduleInstance {
  const stays = (id: string) => !gone.has(id.slice(0, id.indexOf('/')));
  return {
    ...instance,
    operations: instance.operations.filter(({ id }) => stays(id)),
    arcs: instance.arcs.filter(({ from, to }) => stays(from) && stays(to)),
  };
}

/** Operations that take longer than any session. */
function tooLongFor({ operations, windows, boothOpen }: ScheduleInstance): PlanView['tooLong'] {
  const longestOf = (sprayed: boolean) =>
    windows.reduce(
      (most, [start, end], at) => (sprayed && boothOpen?.[at] === false ? most : Math.max(most, end - start)),
      0,
    );
  const [longest, spraying] = [longestOf(false), longestOf(true)];
  return operations.flatMap(({ id, hands, needsBooth }) => {
    const most = needsBooth ? spraying : longest;
    // Where none can be sprayed at all, a longer session would not help: the plan says what would.
    return hands > most && most > 0 ? [{ operationId: id, hands, longest: most }] : [];
  });
}

const momentText = (minutes: number): string => format(new Date(minutes * 60000), 'EEE d MMM HH:mm');

/** Pins that the plan does not keep, as warnings at their steps. */
function brokenPins(pins: readonly Pin[], { operations, starts }: PlanView): Warning[] {
  return pins.flatMap(({ id, operationId, start: pinned }): Warning[] => {
    const start = starts[operationId];
    const operation = operations.find((each) => each.id === operationId);
    if (!operation || start === undefined || keepsPin(start, pinned, operation.family !== null)) return [];
    return [
      {
        id: `pin ${id}`,
        operationId,
        title: `Cannot be held: ${operation.title}`,
        reason: `You pinned it to ${momentText(pinned)}. What comes before it, a recoat window or the bench’s sessions leave no room for that; it comes ${momentText(start)}.`,
        remedy: 'Let go of the pin, or pin it to a moment at which the bench is open and it is ready.',
        stage: 'plan',
      },
    ];
  });
}

const RANK = { first: 2, usual: 1, last: 0 } as const;

/** Lets the end of every build be due on its day and, where builds differ in rank, count by it. */
function aimAt(instance: ScheduleInstance, builds: BenchSnapshot['builds'], now: number): void {
  const ranks = new Map(builds.map(({ id, kit }) => [id, RANK[kit.plan.priority]]));
  const least = Math.min(...ranks.values());
  const leads = new Set(instance.arcs.map(({ from }) => from));
  for (const operation of instance.operations) {
    if (leads.has(operation.id)) continue;
    const build = builds.find(({ id }) => operation.id.startsWith(`${id}/`));
    if (!build) continue;
    if (build.kit.plan.deadline !== null) operation.due = endOfDay(build.kit.plan.deadline) - now;
    const weight = ranks.get(build.id)! - least;
    if (weight > 0) operation.weight = weight;
  }
}

/** The work of one build alone. */
function partOf(instance: ScheduleInstance, start: string): ScheduleInstance {
  const isOwn = (id: string) => id.startsWith(start);
  return {
    ...instance,
    operations: instance.operations.filter(({ id }) => isOwn(id)),
    arcs: instance.arcs.filter(({ from, to }) => isOwn(from) && isOwn(to)),
  };
}

/** The sessions with tonight's cut or stretched to what the builder really has. */
function withTonight(sessions: Session[], now: number, until: number | undefined): Session[] {
  if (until === undefined || until <= now + 5) return sessions;
  const later = sessions.flatMap((session): Session[] => {
    if (session.end <= until) return [];
    return [{ ...session, start: session.start < until ? until : session.start }];
  });
  const first = later[0];
  // What is left of an evening that was cut short is not worked.
  const cut = first && first.start === until ? later.slice(1) : later;
  const spraying = sessions.find(({ start, end }) => start < until && end > now)?.spraying;
  return [{ start: now, end: until, ...(spraying === false ? { spraying } : {}) }, ...cut];
}

/** Midnight at the end of a local day, minutes since 1970. */
function endOfDay(day: string): number {
  const [year, month, date] = day.split('-').map(Number);
  return Math.round(new Date(year!, month! - 1, date! + 1).getTime() / 60000);
}

function lookAheadBuild(
  { id, name, trays, joins, kit }: BenchSnapshot['builds'][number],
  shelf: ReadonlyMap<string, Pick<PaintRecord, 'name' | 'range' | 'levelMl'>>,
  deadline: number | null,
): Omit<LookAheadBuild, 'films' | 'leftOut'> {
  return {
    id,
    name,
    joins,
    kit,
    wants: kit.wants,
    deadline,
    trays: trays.map((tray) => ({
      id: tray.id,
      name: tray.name,
      painted: tray.layers.some(({ kind }) => LAYER_KINDS[kind].painted),
      tyre: /tyre/i.test(tray.name) || tray.parts.some((part) => /tyre/i.test(part.name)),
      needs: tray.layers.flatMap((layer): LookAheadTray['needs'] => {
        if (!LAYER_KINDS[layer.kind].painted) return [];
        const ids = Object.keys(layer.mix ?? {});
        if (ids.length === 0) {
          return layer.kind === 'colour'
            ? [{ layerId: layer.id, name: 'colour', onShelf: null, chosen: false }]
            : [];
        }
        return ids.map((id) => {
          const paint = shelf.get(id);
          return {
            layerId: layer.id,
            name: paint ? `${paint.name} (${paint.range})` : id,
            onShelf: paint ? paint.levelMl !== null : null,
            chosen: true,
          };
        });
      }),
    })),
  };
}

/** A change that could bring the end nearer, and what it would give. */
export interface WhatIf {
  name: string;
  /** Minutes since 1970; null where no plan was found. */
  finish: number | null;
}

const WEEK = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const DRYER_C = 40;

/** The plan solved again with one more evening on each closed day of the week, and with a dehydrator. Each is a whole
 *  search, not a guess. */
export function* whatIf(request: PlanRequest): Generator<WhatIf, void> {
  const { settings } = request.snapshot;
  const { calendar, conditions } = settings;
  const solve = (changed: Partial<typeof settings>): number | null => {
    const snapshot = {
      ...request.snapshot,
      settings: { ...settings, ...changed },
      plan: { ...request.snapshot.plan, fingerprint: '' },
    };
    const { finish, problem } = planView({ ...request, snapshot });
    return problem === null ? finish : null;
  };
  yield { name: 'as it is', finish: solve({}) };
  const usual = calendar.sessions[0] ?? { start: 19 * 60, end: 21 * 60 };
  for (let day = 0; day < 7; day++) {
    if (calendar.sessions.some((session) => session.day === day)) continue;
    const sessions = [...calendar.sessions, { ...usual, day }];
    yield { name: `one more evening, ${WEEK[day]}s`, finish: solve({ calendar: { ...calendar, sessions } }) };
  }
  const longer = calendar.sessions.map((session) => ({ ...session, end: Math.min(1440, session.end + 30) }));
  yield {
    name: 'half an hour longer each evening',
    finish: solve({ calendar: { ...calendar, sessions: longer } }),
  };
  if (calendar.sessions.some(({ spraying }) => spraying === false)) {
    const anywhere = calendar.sessions.map((session) => ({ ...session, spraying: true }));
    yield {
      name: 'spraying in every session',
      finish: solve({ calendar: { ...calendar, sessions: anywhere } }),
    };
  }
  if (conditions.dryerC === undefined) {
    yield {
      name: `everything dried at ${DRYER_C} °C`,
      finish: solve({ conditions: { ...conditions, dryerC: DRYER_C } }),
    };
  }
}

/** undefined where a stack makes no sense yet. */
function evaluationOf(...args: Parameters<typeof evaluateStack>): StackEvaluation | undefined {
  try {
    return evaluateStack(...args);
  } catch {
    return undefined;
  }
}

/** Whether a stored plan was made from the same inputs, is not late, and holds all that the work must. */
function isUpToDate(
  { fingerprint, starts }: BenchSnapshot['plan'],
  wanted: string,
  { operations }: ScheduleInstance,
  now: number,
): boolean {
  return (
    fingerprint === wanted &&
    operations.every(({ id, hands, latest = Infinity }) => {
      const start = starts[id];
      return start !== undefined && start + hands + LATE_MINUTES > now && start - now <= latest;
    })
  );
}

function fillSchedule(
  view: PlanView,
  instance: ScheduleInstance,
  stored: BenchSnapshot['plan'],
  {
    now,
    times,
    goOnFrom,
    pins,
  }: { now: number; times: number; goOnFrom: PlanRequest['goOnFrom']; pins: readonly Pin[] },
  warn: () => void,
  onBetter?: (soFar: PlanView, share: number) => void,
): void {
  const ids = instance.operations.map(({ id }) => id);
  const upToDate = isUpToDate(stored, view.fingerprint, instance, now);
  const known = Object.fromEntries(
    Object.entries(goOnFrom ?? stored.starts).map(([id, start]) => [id, start - now]),
  );
  if (upToDate && times === 1 && !goOnFrom) keepStored();
  else {
    const previous = ids.some((id) => known[id] !== undefined) ? known : undefined;
    let better: ScheduleResult | undefined;
    let told = -Infinity;
    const result = scheduleOperations(instance, {
      evaluations:
        times * Math.min(MOST_EVALUATIONS, Math.ceil(STEPS_LOOKED_AT / instance.operations.length)),
      timeMs: times * TIME_MS,
      seed: 7,
      previous,
      onImproved: (found) => (better = found),
      onProgress: (share) => {
        if (!onBetter || !better || Date.now() - told < TELL_MS) return;
        take(better);
        onBetter(view, share);
        told = Date.now();
      },
    });
    const problems = verifySchedule(instance, result);
    if (problems.length > 0) throw new Error(problems[0]);
    take(result);
    if (!upToDate || view.moves.length > 0) return;
    keepStored();
  }
  explain();

  function keepStored(): void {
    view.starts = Object.fromEntries(ids.map((id) => [id, stored.starts[id]!]));
    view.finish = stored.finish;
    view.bound = stored.bound;
    view.setupMinutes = stored.setupMinutes;
    view.proved = stored.proved;
    view.replanned = false;
  }
  function take(result: ScheduleResult): void {
    view.starts = Object.fromEntries(ids.map((id) => [id, result.starts[id]! + now]));
    view.finish = result.finish + now;
    view.bound = result.lowerBound + now;
    view.setupMinutes = result.setupMinutes;
    view.proved = result.finish === result.lowerBound;
    view.replanned = true;
    view.moves = ids.flatMap((id) => {
      const from = stored.starts[id];
      const to = view.starts[id]!;
      return from !== undefined && Math.abs(from - to) >= 5 ? [{ id, from, to }] : [];
    });
    explain();
  }
  function explain(): void {
    const titles = new Map(view.operations.map(({ id, title }) => [id, title]));
    const relative = Object.fromEntries(ids.map((id) => [id, view.starts[id]! - now]));
    const broken = new Set(brokenPins(pins, view).map(({ operationId }) => operationId));
    const pinned = new Set(pins.flatMap(({ operationId }) => (broken.has(operationId) ? [] : [operationId])));
    view.reasons = Object.fromEntries(explainStarts(instance, relative, view.arcs, titles, pinned));
    warn();
  }
}

/** A short text that changes whenever the plan's inputs do (FNV-1a, 53 bits in two halves). */
function fingerprintOf(...parts: unknown[]): string {
  const text = JSON.stringify(parts);
  let [low, high] = [0x811c9dc5, 0x1000193];
  for (let i = 0; i < text.length; i++) {
    low = Math.imul(low ^ text.charCodeAt(i), 0x01000193) >>> 0;
    high = Math.imul(high ^ text.charCodeAt(text.length - 1 - i), 0x01000193) >>> 0;
  }
  return `${low.toString(36)}-${high.toString(36)}-${text.length.toString(36)}`;
}
