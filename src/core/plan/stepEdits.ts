import type { StepEdit } from '../kit/index.ts';
import { roomFor, type LongestSessions } from './calendar.ts';
import type { OperationPlan, PlanArc, PlanOperation, StepShare } from './operation.ts';
import { followers, reaches } from './reaches.ts';

const UNLIMITED: LongestSessions = { session: Infinity, spraying: Infinity };

/** The plan as the builder changed it: steps with other words or minutes, in several parts, done in one go with the
 *  next, or left out. The plan is generated as before and this is laid over it, so that nothing is lost where stack or
 *  version change; an edit whose step is gone, or that no longer makes sense, is passed over. */
export function withStepEdits(plan: OperationPlan, edits: readonly StepEdit[]): OperationPlan {
  let { operations, arcs } = plan;
  const editOf = new Map(edits.map((edit) => [edit.operationId, edit]));
  const isLeftOut = new Set(edits.filter(({ leaveOut }) => leaveOut).map(({ operationId }) => operationId));
  operations = operations.map((operation) => {
    const edit = editOf.get(operation.id);
    return edit ? reworded(operation, edit) : operation;
  });
  ({ operations, arcs } = withoutSteps({ operations, arcs }, isLeftOut));
  for (const { operationId, withNext } of edits) {
    const next = withNext ? nextToJoin(operationId, { operations, arcs }) : undefined;
    if (next) ({ operations, arcs } = inOneGo(operationId, next.id, { operations, arcs }));
  }
  for (const { operationId, parts } of edits) {
    if (parts > 1) ({ operations, arcs } = inParts(operationId, parts, { operations, arcs }));
  }
  return { operations, arcs };
}

function reworded(operation: PlanOperation, { title, minutes, note }: StepEdit): PlanOperation {
  return {
    ...operation,
    title: title || operation.title,
    hands: minutes ?? operation.hands,
    ...(minutes === null ? {} : { ownMinutes: true }),
    details: note === '' ? operation.details : [...operation.details, note],
  };
}

/** The plan without some steps: what followed one of them follows what came before it, with the longer of both lags. A
 *  window that the step opened goes with it; one that was open before it stays where the wait leaves room. */
export function withoutSteps({ operations, arcs }: OperationPlan, gone: ReadonlySet<string>): OperationPlan {
  const left = operations.filter(({ id }) => !gone.has(id));
  if (left.length === operations.length) return { operations: [...operations], arcs };
  let lags = arcs;
  for (const { id } of operations) {
    if (!gone.has(id)) continue;
    const into = lags.filter(({ to }) => to === id);
    const outOf = lags.filter(({ from }) => from === id);
    lags = [
      ...lags.filter(({ from, to }) => from !== id && to !== id),
      ...into.flatMap((one) =>
        outOf.map((other): PlanArc => {
          const { minLag, because } = one.minLag > other.minLag ? one : other;
          const isRoom = one.maxLag !== null && one.maxLag >= minLag;
          return { from: one.from, to: other.to, minLag, maxLag: isRoom ? one.maxLag : null, because };
        }),
      ),
    ];
  }
  return { operations: left, arcs: lags };
}

/** Whether a step can be put down and taken up again: a coat cannot. */
export const isDivisible = ({ family }: Pick<PlanOperation, 'family'>): boolean => family === null;

function inParts(id: string, parts: number, { operations, arcs }: OperationPlan): OperationPlan {
  const step = operations.find((operation) => operation.id === id);
  if (!step || !isDivisible(step)) return { operations, arcs };
  const pieces = Array.from({ length: parts }, (_, at): PlanOperation => ({
    ...step,
    id: `${id}-${at + 1}`,
    title: `${step.title}, part ${at + 1} of ${parts}`,
    // The minutes of all parts together stay what they were.
    hands: Math.max(1, Math.floor(((at + 1) * step.hands) / parts) - Math.floor((at * step.hands) / parts)),
    ...(step.oneGo && { oneGo: step.oneGo.map((share) => ({ ...share, hands: share.hands / parts })) }),
    dry: at === parts - 1 ? step.dry : 0,
    because: `${step.because} You do it in ${parts} parts.`,
  }));
  return {
    operations: operations.flatMap((operation) => (operation.id === id ? pieces : [operation])),
    arcs: [
      ...arcs.map((arc): PlanArc => {
        if (arc.to === id) return { ...arc, to: pieces[0]!.id };
        return arc.from === id ? { ...arc, from: pieces.at(-1)!.id } : arc;
      }),
      ...pieces.slice(1).map(({ id: to }, at): PlanArc => {
        return { from: pieces[at]!.id, to, minLag: 0, maxLag: null, because: 'the part before comes first' };
      }),
    ],
  };
}

/** The step that can be done in one go with a step: the first that may follow it at once in the same sub-assembly, with
 *  the same paint or none, and that waits for nothing that waits for the step; undefined where there is none, or
 *  where no session holds both. */
export function nextToJoin(
  id: string,
  { operations, arcs }: OperationPlan,
  longest: LongestSessions = UNLIMITED,
): PlanOperation | undefined {
  const step = operations.find((operation) => operation.id === id);
  if (!step || step.dry > 0) return undefined;
  const follows = new Set(arcs.flatMap(({ from, to, minLag }) => (from === id && minLag === 0 ? [to] : [])));
  const first = operations.find(
    (next) =>
      follows.has(next.id) &&
      next.trayId === step.trayId &&
      next.family === step.family &&
      next.place === step.place &&
      !leadsTo(id, next.id, arcs),
  );
  return first && step.hands + first.hands <= roomFor(step, longest) ? first : undefined;
}

/** Whether a step leads to another by way of a third. */
function leadsTo(from: string, to: string, arcs: readonly PlanArc[]): boolean {
  const after = followers(arcs);
  return (after.get(from) ?? []).some((id) => id !== to && reaches(id, to, after));
}

const sharesOf = ({ oneGo, kind, hands, ownMinutes }: PlanOperation): readonly StepShare[] =>
  oneGo ?? [{ kind, hands, ownMinutes: ownMinutes === true }];

function inOneGo(id: string, nextId: string, { operations, arcs }: OperationPlan): OperationPlan {
  const next = operations.find((operation) => operation.id === nextId)!;
  return {
    operations: operations.flatMap((operation) => {
      if (operation.id === nextId) return [];
      if (operation.id !== id) return [operation];
      const hazards = [...new Set([...operation.hazards, ...next.hazards])];
      return [
        {
          ...operation,
          title: `${operation.title}; then ${next.title[0]!.toLowerCase()}${next.title.slice(1)}`,
          hands: operation.hands + next.hands,
          oneGo: [...sharesOf(operation), ...sharesOf(next)],
          dry: next.dry,
          because: `${operation.because} ${next.because} You do both in one go.`,
          details: [...operation.details, ...next.details],
          hazards,
          cautions: [...new Set([...operation.cautions, ...next.cautions])],
          lessons: [...new Set([...operation.lessons, ...next.lessons])],
          photo: next.photo ?? operation.photo,
        },
      ];
    }),
    arcs: arcs
      .filter(({ from, to }) => !(from === id && to === nextId))
      .map((arc): PlanArc => {
        if (arc.to === nextId) return { ...arc, to: id };
        return arc.from === nextId ? { ...arc, from: id } : arc;
      }),
  };
}
