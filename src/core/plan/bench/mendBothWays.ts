import { newRecord, mishapRecord, type Mishap, type RepairId } from '../../kit/index.ts';
import { onceThePaintIs, REPAIRS } from '../repairs.ts';
import type { PlanArc, PlanOperation } from '../operation.ts';
import { planBench } from './planBench.ts';
import type { PlanRequest, PlanView } from './request.ts';

/** A fault that could be mended now or once more is on it. */
export interface MendQuestion {
  buildId: string;
  /** The step after which it was found. */
  operationId: string;
  repair: RepairId;
}

/** A build with the mend at one time or the other. */
export interface MendWay {
  when: 'never' | 'now' | 'later';
  /** Minutes of hands left to do on the build. */
  hands: number;
  /** When the build is ready, minutes since 1970; null where no plan was found. */
  ready: number | null;
  /** Steps that are done again. */
  again: string[];
}

/** Its steps after another, on the same sub-assembly, in their order along the arcs. */
function chainAfter(
  stepId: string,
  operations: readonly PlanOperation[],
  arcs: readonly PlanArc[],
): PlanOperation[] {
  const byId = new Map(operations.map((each) => [each.id, each]));
  const trayId = byId.get(stepId)?.trayId;
  if (trayId === undefined) return [];
  const chain: PlanOperation[] = [];
  const seen = new Set([stepId]);
  for (let at: string | undefined = stepId; at !== undefined;) {
    const from: string = at;
    const next = arcs
      .filter((arc) => arc.from === from)
      .map(({ to }) => byId.get(to))
      .find((each) => each?.trayId === trayId && !seen.has(each.id));
    if (next) {
      seen.add(next.id);
      chain.push(next);
    }
    at = next?.id;
  }
  return chain;
}

/** The repairs that the two ways would put into the plan. Now: at the last coat that is on, from which all is done again down to
 *  where it was found. Later: at the last coat of the sub-assembly; absent where that is on already. */
export function mendsOf(
  { operationId, repair }: MendQuestion,
  { operations, arcs, starts }: Pick<PlanView, 'operations' | 'arcs' | 'starts'>,
): { now: Mishap; later?: Mishap } {
  const base = {
    ...newRecord(mishapRecord),
    redoFrom: operationId,
    repair,
    what: 'found when it was looked over',
  };
  const coats = chainAfter(operationId, operations, arcs).filter(({ layerId }) => layerId !== undefined);
  const on = coats.findLast(({ id }) => starts[id] === undefined)?.id ?? operationId;
  const last = coats.at(-1)?.id ?? operationId;
  return {
    now: { ...base, id: 'mend-now', operationId: on },
    ...(last === on ? {} : { later: { ...base, id: 'mend-later', operationId: last } }),
  };
}

/** The plan of the whole bench without a mend, with it now, and with it after all that follows on its sub-assembly: each is solved
 *  anew with the same effort. */
export function* mendBothWays(request: PlanRequest, question: MendQuestion): Generator<MendWay, void> {
  const { snapshot } = request;
  const solve = (mishap?: Mishap): PlanView =>
    planBench({
      ...request,
      brief: true,
      snapshot: {
        ...snapshot,
        plan: { ...snapshot.plan, fingerprint: '' },
        builds: snapshot.builds.map((build) =>
          build.id !== question.buildId || !mishap
            ? build
            : {
                ...build,
                kit: {
                  ...build.kit,
                  plan: { ...build.kit.plan, mishaps: [...build.kit.plan.mishaps, mishap] },
                },
              },
        ),
      },
    });
  const never = solve();
  const { now, later } = mendsOf(question, never);
  yield way('never', never, question.buildId);
  yield way('now', solve(now), question.buildId, now);
  if (later) yield way('later', solve(later), question.buildId, later);
}

function way(
  when: MendWay['when'],
  { operations, starts, problem, stuck }: PlanView,
  buildId: string,
  mishap?: Mishap,
): MendWay {
  const left = operations.filter((each) => each.buildId === buildId && starts[each.id] !== undefined);
  const isPlanned = problem === null && stuck[buildId] === undefined;
  return {
    when,
    hands: left.reduce((sum, { hands }) => sum + hands, 0),
    ready: isPlanned ? Math.max(0, ...left.map(({ id, hands, dry }) => starts[id]! + hands + dry)) : null,
    again: mishap
      ? operations.flatMap(({ id, title }) =>
          id.endsWith(`~${mishap.id}`) && !id.includes('/repair~') ? [title.replace(/^Again: /, '')] : [],
        )
      : [],
  };
}

/** A mend in words: what it takes by hand, and how long it must dry. */
export const mendWords = (repair: RepairId): string => {
  const { name, minutes, waitMinutes } = REPAIRS[repair];
  const once = onceThePaintIs(repair);
  return `${name}${once && `, ${once}`}: ${minutes} min${waitMinutes > 0 ? `, then ${Math.round(waitMinutes / 60)} h to dry` : ''}`;
};
