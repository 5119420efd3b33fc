import { productIndex } from '../../core/kit/index.ts';
import {
  generateOperations,
  longestSessions,
  planBench,
  plannableBuild,
  scheduleOperations,
  sessionsToHold,
  workThatFits,
  type OperationPlan,
} from '../../core/plan/index.ts';
import type { Database } from '../database/open.ts';
import { keepPlan, readBuilds, readPlan, readSettings, readSteps, storePlan } from '../store/benchStore.ts';
import { readTaught } from '../store/kitStore.ts';
import { readCodes, readPaints } from '../store/paintStore.ts';

/** When the sample bench was planned before: days ago, the evening before its history begins among them. */
const DAYS_AGO = [17, 14, 10, 7, 3, 1];
/** A first plan and some improving of each. */
export const TRIES = 40;
export const STALLED_MS = 60_000;

/** Every step that the sample builds ask for, done or not. */
export function sampleOperations(db: Database): OperationPlan {
  const products = productIndex(readPaints(db));
  const codes = new Map(readCodes(db).map((code) => [code.id, code]));
  const { conditions, calendar } = readSettings(db);
  const { spraying } = longestSessions(calendar.sessions);
  const each = readBuilds(db).map((build) =>
    generateOperations(plannableBuild(build, products, codes), conditions, spraying),
  );
  return {
    operations: each.flatMap(({ operations }) => operations),
    arcs: each.flatMap(({ arcs }) => arcs),
  };
}

/** Gives the sample bench the plans that it had on earlier evenings, oldest first, each from what was done by then;
 *  `minute` since 1970 is the moment of seeding. */
export function seedPlanHistory(db: Database, plan: OperationPlan, minute: number): void {
  const steps = readSteps(db);
  const { calendar } = readSettings(db);
  const hands = plan.operations.reduce((sum, operation) => sum + operation.hands, 0);
  let previous: Record<string, number> | undefined;
  for (const days of DAYS_AGO) {
    const at = minute - 1440 * days;
    const done = steps.filter(({ endedAt }) => endedAt <= at);
    const { instance } = workThatFits(plan, done, sessionsToHold(calendar, at, hands), at, []).work;
    const known = previous;
    const found = scheduleOperations(instance, {
      evaluations: TRIES,
      timeMs: STALLED_MS,
      seed: days,
      ...(known && {
        previous: Object.fromEntries(
          instance.operations.flatMap(({ id }) => (known[id] === undefined ? [] : [[id, known[id] - at]])),
        ),
      }),
    });
    previous = Object.fromEntries(Object.entries(found.starts).map(([id, start]) => [id, start + at]));
    keepPlan(db, { at, finish: found.finish + at, starts: previous });
  }
}

/** Gives the sample bench its plan of tonight, as a browser would make it: the first that looks finds it. */
export function seedPlan(db: Database, nowMs: number): void {
  const now = Math.floor(nowMs / 60000);
  const { problem, fingerprint, starts, finish, bound, setupMinutes, proved } = planBench({
    now,
    paints: readPaints(db),
    codes: readCodes(db),
    snapshot: {
      settings: readSettings(db),
      builds: readBuilds(db),
      ...readTaught(db),
      steps: readSteps(db),
      plan: readPlan(db),
    },
  });
  if (problem !== null) throw new Error(`The sample bench has no plan: ${problem}`);
  storePlan(db, { fingerprint, starts, finish, bound, setupMinutes, proved }, now);
}
