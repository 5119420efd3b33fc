import type { TickedStep } from './logOf.ts';

/** A step of the plan, as far as hours ask. */
export interface PlannedStep {
  id: string;
  kind: string;
  trayId?: string;
  hands: number;
  /** Minutes before the builder's own pace was learnt; absent where they are the same. */
  usual?: number;
}

/** Minutes by one thing: planned and real ones of the steps that are done. */
export interface Hours {
  key: string;
  steps: number;
  took: number;
  /** As it was reckoned with before anything was learnt, of the steps that the plan still holds. */
  planned: number;
  /** What those same steps took. */
  tookOfPlanned: number;
  /** Minutes of this that are planned still. */
  toCome: number;
}

/** Hours by what `keyOf` says of a done step, most first. A step that the plan no longer holds counts by what it took and has
 *  no planned minutes: `planned` and `tookOfPlanned` leave it out. */
export function hoursBy(
  steps: readonly TickedStep[],
  operations: readonly PlannedStep[],
  keyOf: (step: { operationId: string; trayId: string | null; kind: string | null }) => string,
): Hours[] {
  const planned = new Map(operations.map((operation) => [operation.id, operation]));
  const found = new Map<string, Hours>();
  const at = (key: string): Hours => {
    const known = found.get(key) ?? { key, steps: 0, took: 0, planned: 0, tookOfPlanned: 0, toCome: 0 };
    found.set(key, known);
    return known;
  };
  const done = new Set<string>();
  for (const { operationId, trayId, minutes } of steps) {
    done.add(operationId);
    const operation = planned.get(operationId);
    const hours = at(keyOf({ operationId, trayId, kind: operation?.kind ?? null }));
    hours.steps++;
    hours.took += minutes;
    if (!operation) continue;
    hours.planned += operation.usual ?? operation.hands;
    hours.tookOfPlanned += minutes;
  }
  for (const { id, kind, hands, trayId = null } of operations)
    if (!done.has(id)) at(keyOf({ operationId: id, trayId, kind })).toCome += hands;
  return [...found.values()].sort((p, q) => q.took - p.took || q.toCome - p.toCome);
}

/** How one kind of step compares with what was planned, lately. */
export interface Trend {
  kind: string;
  /** Minutes taken over minutes planned since then. */
  ratio: number;
  steps: number;
  /** Minutes since 1970. */
  since: number;
}

/** From here on, either way, a step went slower or faster than planned. */
const SAME_WITHIN = 0.1;
const FEWEST = 2;

/** Kinds of step that this builder has been slower or faster at, and since when: the longest run up to now of steps that
 *  all went the same way; two at least. */
export function trendsOf(steps: readonly TickedStep[], operations: readonly PlannedStep[]): Trend[] {
  const planned = new Map(operations.map((operation) => [operation.id, operation]));
  const byKind = new Map<string, { at: number; took: number; planned: number }[]>();
  for (const { operationId, minutes, endedAt } of steps) {
    const operation = planned.get(operationId);
    const usual = operation && (operation.usual ?? operation.hands);
    if (!operation || !usual || minutes <= 0) continue;
    const seen = byKind.get(operation.kind) ?? [];
    seen.push({ at: endedAt, took: minutes, planned: usual });
    byKind.set(operation.kind, seen);
  }
  return [...byKind]
    .flatMap(([kind, seen]): Trend[] => {
      const inOrder = seen.sort((p, q) => p.at - q.at);
      const wayOf = (one: { took: number; planned: number }) => {
        const ratio = one.took / one.planned;
        return ratio > 1 + SAME_WITHIN ? 1 : ratio < 1 - SAME_WITHIN ? -1 : 0;
      };
      const way = wayOf(inOrder.at(-1)!);
      const from = inOrder.findLastIndex((one) => wayOf(one) !== way) + 1;
      const run = inOrder.slice(from);
      if (way === 0 || run.length < FEWEST) return [];
      const sum = (of: 'took' | 'planned') => run.reduce((all, each) => all + each[of], 0);
      return [{ kind, ratio: sum('took') / sum('planned'), steps: run.length, since: run[0]!.at }];
    })
    .sort((p, q) => Math.abs(Math.log(q.ratio)) - Math.abs(Math.log(p.ratio)));
}
