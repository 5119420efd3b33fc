import { evaluateStack, type StackEvaluation } from '../../finish/index.ts';
import { productIndex, type FilmOnFlats } from '../../kit/index.ts';
import type { ScheduleInstance } from '../../scheduling/index.ts';
import { longestSessions, sessionsToHold, type LongestSessions, type Session } from '../calendar.ts';
import { carriedOver } from '../carriedOver.ts';
import { atOwnCures, learnCures, type CurePace } from '../learnCures.ts';
import { atOwnPace, learnPace, type Pace } from '../learnPace.ts';
import type { OperationPlan } from '../operation.ts';
import { stepsOfBuild, type BuildSteps } from '../stepsOfBuild.ts';
import { withoutPassed } from '../withoutPassed.ts';
import { workThatFits, type WorkThatFits } from '../workThatFits.ts';
import { fingerprintOf } from './fingerprint.ts';
import type { LoggedStep, PlanRequest } from './request.ts';

/** Everything that a plan is made from: the steps of all builds as this builder works, what of them is done, and the
 *  sessions to come. */
export interface BenchInputs {
  request: PlanRequest;
  longest: LongestSessions;
  /** Steps of each build, in the order of the builds. */
  followed: BuildSteps[];
  /** Steps of all builds as they are scheduled: at the builder's own pace and with the bench's own cures. */
  plan: OperationPlan;
  /** Steps that are done, by the names the plan has for them now; and done work that it no longer holds. */
  done: LoggedStep[];
  orphans: LoggedStep[];
  paces: Pace[];
  cures: CurePace[];
  sessions: Session[];
  fits: WorkThatFits;
  pins: PlanRequest['snapshot']['builds'][number]['kit']['plan']['pins'];
  /** Of what a stored plan must have been made to be still good. */
  fingerprint: string;
  evaluations: ReadonlyMap<string, StackEvaluation | undefined>;
  /** Film on the flats of sub-assemblies, um. */
  films: Record<string, FilmOnFlats>;
  /** Days by which builds must be ready, minutes since 1970. */
  deadlines: Record<string, number>;
}

export function deriveInputs(request: PlanRequest): BenchInputs {
  const { snapshot, now, tonightUntil } = request;
  const { settings, builds } = snapshot;
  const longest = longestSessions(settings.calendar.sessions);
  const followed = followBuilds(request, longest);
  const { done, orphans } = carriedOver(
    followed.flatMap(({ plan }) => plan.operations),
    snapshot.steps,
  );
  const { plan, paces, cures } = atOwnWays(request, followed, done, longest);
  const pins = builds.flatMap(({ kit }) => kit.plan.pins);
  const hands = plan.operations.reduce((sum, operation) => sum + operation.hands, 0);
  const sessions = withTonight(sessionsToHold(settings.calendar, now, hands), now, tonightUntil);
  const evaluations = evaluationsOf(request, followed, longest);
  return {
    request,
    longest,
    followed,
    plan,
    done,
    orphans,
    paces,
    cures,
    sessions,
    fits: workThatFits(plan, done, sessions, now, pins),
    pins,
    fingerprint: fingerprintOf(request, plan, done),
    evaluations,
    films: Object.fromEntries(
      [...evaluations].flatMap(([id, evaluation]) => (evaluation ? [[id, evaluation.filmFlat]] : [])),
    ),
    deadlines: Object.fromEntries(
      builds.flatMap(({ id, kit }) =>
        kit.plan.deadline === null ? [] : [[id, endOfDay(kit.plan.deadline)] as const],
      ),
    ),
  };
}

function followBuilds({ snapshot, paints, codes }: PlanRequest, { spraying }: LongestSessions): BuildSteps[] {
  const { settings, builds, lessons } = snapshot;
  const bench = {
    products: productIndex(paints),
    codes: new Map(codes.map((code) => [code.id, code])),
    conditions: settings.conditions,
    longestSession: spraying,
    lessons,
    tools: settings.preferences.tools,
  };
  return builds.map((build) => stepsOfBuild(build, bench));
}

/** The steps without what the builder went past, with the minutes and cures that this bench has shown. */
function atOwnWays(
  { snapshot: { builds } }: PlanRequest,
  followed: readonly BuildSteps[],
  done: readonly LoggedStep[],
  longest: LongestSessions,
) {
  const ticked = new Set(done.map(({ operationId }) => operationId));
  const grown = followed.map(({ plan }, at) =>
    builds[at]!.kit.end ? onlyDone(plan, ticked) : withoutPassed(plan, ticked),
  );
  const generated: OperationPlan = {
    operations: grown.flatMap(({ operations }) => operations),
    arcs: grown.flatMap(({ arcs }) => arcs),
  };
  const paces = learnPace(generated.operations, done);
  const checks = builds.flatMap(({ kit }) => kit.plan.cureChecks);
  const cures = learnCures(generated, checks);
  const cured = atOwnCures(generated, cures, checks);
  return {
    plan: { ...cured, operations: atOwnPace(cured.operations, paces, longest) },
    paces: [...paces.values()],
    cures: [...cures.values()],
  };
}

/** Of a build that is over, nothing more is planned. */
const onlyDone = ({ operations, arcs }: OperationPlan, ticked: ReadonlySet<string>): OperationPlan => ({
  operations: operations.filter(({ id }) => ticked.has(id)),
  arcs: arcs.filter(({ from, to }) => ticked.has(from) && ticked.has(to)),
});

function evaluationsOf(
  { snapshot: { settings } }: PlanRequest,
  followed: readonly BuildSteps[],
  { spraying: longestSession }: LongestSessions,
): BenchInputs['evaluations'] {
  return new Map(
    followed.flatMap(({ trays }) =>
      trays.map(({ id, stack }) => {
        try {
          return [id, evaluateStack(stack, settings.conditions, { longestSession })] as const;
        } catch {
          // A stack that makes no sense yet is planned all the same.
          return [id, undefined] as const;
        }
      }),
    ),
  );
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
export function endOfDay(day: string): number {
  const [year, month, date] = day.split('-').map(Number);
  return Math.round(new Date(year!, month! - 1, date! + 1).getTime() / 60000);
}

/** The work of one build alone. */
export function partOf(instance: ScheduleInstance, buildId: string): ScheduleInstance {
  return onlyWhere(instance, (id) => id.startsWith(`${buildId}/`));
}

/** The work without that of some builds. */
export const withoutBuilds = (
  instance: ScheduleInstance,
  gone: ReadonlyMap<string, unknown>,
): ScheduleInstance => onlyWhere(instance, (id) => !gone.has(id.slice(0, id.indexOf('/'))));

const onlyWhere = (instance: ScheduleInstance, stays: (id: string) => boolean): ScheduleInstance => ({
  ...instance,
  operations: instance.operations.filter(({ id }) => stays(id)),
  arcs: instance.arcs.filter(({ from, to }) => stays(from) && stays(to)),
});
