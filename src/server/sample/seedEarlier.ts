import {
  decidedAs,
  inspectionRecord,
  mishapRecord,
  newRecord,
  productIndex,
  verdictRecord,
  type Inspection,
  type Kit,
  type Mishap,
  type Verdict,
} from '../../core/kit/index.ts';
import {
  longestSessions,
  scheduleOperations,
  sessionsToHold,
  stepsOfBuild,
  workThatFits,
  type OperationPlan,
  type PlanOperation,
} from '../../core/plan/index.ts';
import type { Aspect } from '../../core/record/index.ts';
import type { Database } from '../database/open.ts';
import { steps } from '../database/schema.ts';
import { readBuilds, readSettings } from '../store/benchStore.ts';
import { readTaught } from '../store/kitStore.ts';
import { readCodes, readPaints } from '../store/paintStore.ts';
import { insertItem, type EarlierBuild } from './scenario.ts';
import { STALLED_MS, TRIES } from './seedPlans.ts';

/** Minutes taken over minutes planned, one after the other: as steady as a practised hand, and their mean is one. */
const TOOK = [0.92, 1.06, 1, 0.88, 1.12, 0.97, 1.05];
/** This builder is slow at cutting back. */
const SLOW_AT: Partial<Record<PlanOperation['kind'], number>> = { flat: 1.5 };
const MINUTES_A_DAY = 1440;
/** Between a step and looking it over. */
const LOOKED_OVER_AFTER = 30;

interface Planned {
  plan: OperationPlan;
  starts: Readonly<Record<string, number>>;
}

/** A build alone on the bench on an earlier day, by a first plan and some improving of it; `now` in minutes since 1970. */
function planAlone(db: Database, buildId: string, now: number): Planned {
  const { conditions, calendar } = readSettings(db);
  const build = readBuilds(db).find(({ id }) => id === buildId);
  if (!build) throw new Error(`The earlier sample build ${buildId} is none.`);
  const { plan, faults } = stepsOfBuild(build, {
    products: productIndex(readPaints(db)),
    codes: new Map(readCodes(db).map((code) => [code.id, code])),
    conditions,
    longestSession: longestSessions(calendar.sessions).spraying,
    lessons: readTaught(db).lessons,
  });
  if (faults[0]) throw new Error(`The earlier sample build has no plan: ${faults[0].text}`);
  const hands = plan.operations.reduce((sum, operation) => sum + operation.hands, 0);
  const { instance } = workThatFits(plan, [], sessionsToHold(calendar, now, hands), now, []).work;
  const { starts } = scheduleOperations(instance, { evaluations: TRIES, timeMs: STALLED_MS, seed: 1 });
  return {
    plan,
    starts: Object.fromEntries(Object.entries(starts).map(([id, start]) => [id, start + now])),
  };
}

function tick(
  db: Database,
  { plan: { operations, arcs }, starts }: Planned,
): Map<string, { start: number; end: number }> {
  const done = new Map<string, { start: number; end: number }>();
  const inOrder = operations
    .filter(({ id }) => starts[id] !== undefined)
    .sort((a, b) => starts[a.id]! - starts[b.id]!);
  let free = 0;
  for (const [index, { id, buildId, trayId, title, kind, hands }] of inOrder.entries()) {
    // Where one took longer, what follows waits as long as it must.
    const ready = arcs
      .filter(({ to, from }) => to === id && done.has(from))
      .map(({ from, minLag }) => done.get(from)!.end + minLag);
    const start = Math.max(free, starts[id]!, ...ready);
    const minutes = Math.max(1, Math.round(hands * TOOK[index % TOOK.length]! * (SLOW_AT[kind] ?? 1)));
    const end = start + minutes;
    free = end;
    done.set(id, { start, end });
    db.insert(steps)
      .values({ operationId: id, buildId, trayId: trayId ?? null, title, minutes, endedAt: end, note: '' })
      .run();
  }
  return done;
}

/** Gives the earlier sample build its history: every step done when it was planned, what went wrong, what was found, and the
 *  verdict. `minute` since 1970 is the moment of seeding. Returns when each of its cups was mixed. Throws Error for a step that the build does not have. */
export function seedEarlier(
  db: Database,
  earlier: EarlierBuild,
  { evidence }: Pick<Kit, 'evidence'>,
  minute: number,
): number[] {
  const { buildId, daysAgo } = earlier;
  const mishaps = earlier.mishaps.map((said, index): Mishap => ({
    ...newRecord(mishapRecord),
    ...said,
    id: `${buildId}-mishap-${index + 1}`,
  }));
  // The plan grows its repairs; when each went wrong is known once the plan is.
  for (const mishap of mishaps) insertItem(db, 'mishap', buildId, mishap);
  const done = tick(db, planAlone(db, buildId, minute - daysAgo * MINUTES_A_DAY));
  const of = (operationId: string) => {
    const time = done.get(operationId);
    if (!time) throw new Error(`The earlier sample build has no step ${operationId}.`);
    return time;
  };
  for (const mishap of mishaps) {
    const timed: Mishap = { ...mishap, at: of(mishap.operationId).end };
    insertItem(db, 'mishap', buildId, timed);
  }
  for (const [index, { operation, ...said }] of earlier.inspections.entries()) {
    const inspection: Inspection = {
      ...newRecord(inspectionRecord),
      ...said,
      operationId: operation,
      mendId: mishaps.find((each) => said.outcome === 'fix-now' && each.operationId === operation)?.id ?? '',
      at: of(operation).end + LOOKED_OVER_AFTER,
      id: `${buildId}-inspection-${index + 1}`,
    };
    insertItem(db, 'inspection', buildId, inspection);
  }
  const [first] = [...done.values()];
  for (const conflict of evidence)
    insertItem(db, 'evidence', buildId, decidedAs(conflict, conflict.verdict, first!.start));
  const { marks, ...words } = earlier.verdict;
  const verdict: Verdict = {
    ...newRecord(verdictRecord),
    ...words,
    id: `${buildId}-verdict`,
    end: 'finished',
    at: Math.max(...[...done.values()].map(({ end }) => end)),
    marks: Object.entries(marks).map(([aspect, mark]) => ({ aspect: aspect as Aspect, mark })),
  };
  insertItem(db, 'verdict', buildId, verdict);
  return earlier.cups.map(({ before }) => of(before).start - LOOKED_OVER_AFTER);
}
