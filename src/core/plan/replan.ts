import type { Session } from './calendar.ts';
import { FELT_WITHIN } from './learnCures.ts';
import { SPRAY_BOOTH, type OperationPlan, type PlanArc, type PlanOperation } from './operation.ts';
import type { ScheduleInstance } from '../scheduling/index.ts';

/** A step that was done: when its hands-on part really ended (minutes since 1970). */
export interface DoneStep {
  operationId: string;
  endedAt: number;
}

export interface RemainingWork {
  /** What is left to schedule, minutes counted from `origin`. */
  instance: ScheduleInstance;
  /** Minutes since 1970 that minute 0 of the instance stands for. */
  origin: number;
  /** Recoat windows that closed before the next coat came, or that close before it can: the arcs, when they close, and
   *  from when on there is cure enough instead. */
  missedWindows: { arc: PlanArc; until: number; from: number }[];
}

/** Minutes to set up the airbrush: for a session, and between paints. */
export const SETUP = { newWindow: 5, sameChemistry: 6, otherChemistry: 10 };
/** After a missed window the paint must cure for this many minutes since its last coat. */
const MISSED_WINDOW_CURE = 48 * 60;

/** The scheduling problem that is left now: done steps become bounds on what follows them, a recoat window
 *  that has closed becomes a wait for cure, and sessions begin now. Times in minutes since 1970. `lost`: steps whose open
 *  window is given up. */
export function remainingWork(
  { operations, arcs }: OperationPlan,
  done: readonly DoneStep[],
  sessions: readonly Session[],
  now: number,
  lost: ReadonlySet<string> = new Set(),
): RemainingWork {
  const endedAt = new Map(done.map((step) => [step.operationId, step.endedAt]));
  const left = operations.filter(({ id }) => !endedAt.has(id));
  const missedWindows: RemainingWork['missedWindows'] = [];
  const earliest = new Map<string, number>();
  const latest = new Map<string, number>();
  /** When a step can begin that is ready at some minute, its set-up done. */
  const firstChance = (ready: number, { hands, place, family }: PlanOperation) => {
    const setUp = family === null ? 0 : SETUP.newWindow;
    const session = sessions.find(
      ({ start, end, spraying }) =>
        Math.max(ready, start + setUp) + hands <= end && !(place === SPRAY_BOOTH && spraying === false),
    );
    return session ? Math.max(ready, session.start + setUp) : Infinity;
  };

  for (const arc of arcs) {
    const ended = endedAt.get(arc.from);
    if (ended === undefined || endedAt.has(arc.to)) continue;
    let ready = ended + arc.minLag - now;
    if (arc.maxLag !== null) {
      const until = ended + arc.maxLag;
      const next = left.find(({ id }) => id === arc.to);
      const chance = next ? firstChance(Math.max(now, ended + arc.minLag), next) : Infinity;
      if (chance + SETUP.otherChemistry - SETUP.newWindow <= until && !lost.has(arc.to)) {
        latest.set(arc.to, Math.min(latest.get(arc.to) ?? Infinity, until - now));
      } else {
        ready = ended + MISSED_WINDOW_CURE - now;
        missedWindows.push({ arc, until, from: ended + MISSED_WINDOW_CURE });
      }
    }
    earliest.set(arc.to, Math.max(earliest.get(arc.to) ?? 0, ready));
  }

  const families = [...new Set(left.flatMap(({ family }) => family ?? []))];
  const chemistry = new Map(left.map((operation) => [operation.family, operation.chemistry]));
  return {
    origin: now,
    missedWindows,
    instance: {
      format: 'kit-schedule-instance',
      version: 1,
      name: 'bench',
      windows: sessions.map(({ start, end }) => [start - now, end - now]),
      ...(sessions.some(({ spraying }) => spraying === false)
        ? { boothOpen: sessions.map(({ spraying }) => spraying !== false) }
        : {}),
      operations: left.map(({ id, hands, family, dry, place }) => ({
        id,
        hands,
        family,
        dry,
        needsBooth: place === SPRAY_BOOTH,
        earliest: earliest.get(id),
        latest: latest.get(id),
      })),
      arcs: arcs.filter(({ from, to }) => !endedAt.has(from) && !endedAt.has(to)),
      setup: {
        newWindow: SETUP.newWindow,
        combine: 'max',
        families,
        change: families.map((from) =>
          families.map((to) => {
            if (from === to) return 0;
            return chemistry.get(from) === chemistry.get(to) ? SETUP.sameChemistry : SETUP.otherChemistry;
          }),
        ),
      },
    },
  };
}

export interface Curing {
  operationId: string;
  /** Minutes since 1970. */
  since: number;
  until: number;
  /** A finger can tell whether it is dry: paint, and not cured right through. */
  canBeFelt: boolean;
}

/** What is curing at a moment: done steps whose next step must still wait, or that cannot be handled yet. */
export function curingNow(
  { operations, arcs }: OperationPlan,
  done: readonly DoneStep[],
  now: number,
): Curing[] {
  const finished = new Set(done.map(({ operationId }) => operationId));
  return done
    .flatMap(({ operationId, endedAt }) => {
      const operation = operations.find(({ id }) => id === operationId);
      if (!operation) return [];
      const waits = arcs
        .filter(({ from, to }) => from === operationId && !finished.has(to))
        .flatMap(({ minLag }) => (minLag > 0 ? [minLag] : []));
      // Free for the first that may follow; what waits longer, as a tyre for the full cure, says so itself.
      const until = endedAt + (waits.length > 0 ? Math.min(...waits) : operation.dry);
      return until > now
        ? [
            {
              operationId,
              since: endedAt,
              until,
              canBeFelt: operation.chemistry !== null && until - endedAt < FELT_WITHIN,
            },
          ]
        : [];
    })
    .sort((a, b) => a.until - b.until);
}
