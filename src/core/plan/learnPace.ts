import { roomFor, type LongestSessions } from './calendar.ts';
import type { PlanOperation } from './operation.ts';
import type { TaskKind } from './tasks.ts';

/** How a builder's minutes compare with the planned ones, for one kind of step. */
export interface Pace {
  kind: TaskKind;
  /** Minutes taken over minutes planned: what the plan counts with from now on. */
  factor: number;
  /** Middle half of the builder's own ratios. */
  from: number;
  to: number;
  steps: number;
}

/** So many steps of a kind weigh as much as the working value they began with. */
const PRIOR_STEPS = 3;
const FEWEST = 2;
/** A step logged at less or more than this share of its plan is a slip of the pen, or was put down and forgotten. */
const SLIP = 8;

/** Learns from the log how long each kind of step takes this builder: the median of the logarithms of the ratios, so
 *  that one evening gone wrong does not count, drawn towards 1 while there are few. Working minutes are those of
 *  `operations` as generated. */
export function learnPace(
  operations: readonly Pick<PlanOperation, 'id' | 'kind' | 'hands'>[],
  log: readonly { operationId: string; minutes: number }[],
): Map<TaskKind, Pace> {
  const planned = new Map(operations.map((operation) => [operation.id, operation]));
  const ratios = new Map<TaskKind, number[]>();
  for (const { operationId, minutes } of log) {
    const operation = planned.get(operationId);
    if (!operation || minutes <= 0 || operation.hands <= 0) continue;
    const ratio = minutes / operation.hands;
    if (ratio > SLIP || ratio < 1 / SLIP) continue;
    ratios.set(operation.kind, [...(ratios.get(operation.kind) ?? []), Math.log(ratio)]);
  }
  const paces = new Map<TaskKind, Pace>();
  for (const [kind, logs] of ratios) {
    if (logs.length < FEWEST) continue;
    const sorted = logs.sort((a, b) => a - b);
    const weight = sorted.length / (sorted.length + PRIOR_STEPS);
    paces.set(kind, {
      kind,
      factor: Math.exp(weight * quantile(sorted, 0.5)),
      from: Math.exp(quantile(sorted, 0.25)),
      to: Math.exp(quantile(sorted, 0.75)),
      steps: sorted.length,
    });
  }
  return paces;
}

/** The value below which a share of sorted numbers lies, straight between its neighbours. */
export function quantile(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1);
  const below = Math.floor(at);
  const above = Math.min(sorted.length - 1, below + 1);
  return sorted[below]! + (at - below) * (sorted[above]! - sorted[below]!);
}

/** Operations with the builder's own minutes, learnt unless they were given; none grows beyond the longest session in
 *  which it can be done, or it could not be planned. */
export function atOwnPace<T extends Pick<PlanOperation, 'kind' | 'hands' | 'ownMinutes' | 'oneGo' | 'place'>>(
  operations: readonly T[],
  paces: ReadonlyMap<TaskKind, Pace>,
  longest: LongestSessions,
): T[] {
  return operations.map((operation) => {
    const {
      kind,
      hands: usual,
      ownMinutes = false,
      oneGo = [{ kind, hands: usual, ownMinutes }],
    } = operation;
    // Each of what is done in one go takes as long as it does by itself.
    const wanted = oneGo.reduce(
      (sum, share) =>
        sum +
        (share.ownMinutes
          ? share.hands
          : Math.max(1, Math.round(share.hands * (paces.get(share.kind)?.factor ?? 1)))),
      0,
    );
    const most = Math.max(usual, roomFor(operation, longest));
    const hands = Math.min(most, Math.max(1, Math.round(wanted)));
    return hands === operation.hands ? operation : { ...operation, hands, usual: operation.hands };
  });
}
