import type { LayerUse } from '../../kit/index.ts';
import type { PlannedStep } from './hours.ts';
import type { LoggedCup, TickedStep } from './logOf.ts';

/** What one mishap has cost: its repair and what was done again for it. */
export interface MishapCost {
  mishapId: string;
  /** Minutes taken so far, and minutes planned still. */
  took: number;
  toCome: number;
  steps: number;
}

/** The mishap for which a step is done; undefined for a step of the plan itself. Of a repetition that went wrong again, the
 *  later one. */
const mishapOf = (operationId: string): string | undefined =>
  operationId.includes('~') ? operationId.slice(operationId.lastIndexOf('~') + 1) : undefined;

/** What mishaps have cost, those that cost most first. */
export function mishapCosts(
  mishaps: readonly { id: string }[],
  steps: readonly TickedStep[],
  operations: readonly PlannedStep[],
): MishapCost[] {
  const costs = new Map(mishaps.map(({ id }) => [id, { mishapId: id, took: 0, toCome: 0, steps: 0 }]));
  const done = new Set<string>();
  for (const { operationId, minutes } of steps) {
    done.add(operationId);
    const cost = costs.get(mishapOf(operationId) ?? '');
    if (!cost) continue;
    cost.took += minutes;
    cost.steps++;
  }
  for (const { id, hands } of operations) {
    const cost = done.has(id) ? undefined : costs.get(mishapOf(id) ?? '');
    if (!cost) continue;
    cost.toCome += hands;
    cost.steps++;
  }
  return [...costs.values()].sort((p, q) => q.took + q.toCome - p.took - p.toCome);
}

interface Lag {
  from: string;
  to: string;
  minLag: number;
}

/** Where the time between the first and the last done step went, minutes. */
export interface Elapsed {
  /** Hands on the model. */
  work: number;
  /** Nothing was done, and what was done next could not have been done sooner: it dried, cured or set. */
  waiting: number;
  /** Nothing was done, though what was done next was ready. */
  away: number;
}

/** How the time of a build went, from its first done step to its last. Steps that overlap count once. */
export function elapsedOf(steps: readonly TickedStep[], lags: readonly Lag[]): Elapsed {
  const inOrder = steps
    .map(({ operationId, endedAt, minutes }) => ({ operationId, start: endedAt - minutes, end: endedAt }))
    .sort((p, q) => p.start - q.start || p.end - q.end);
  const ends = new Map(steps.map(({ operationId, endedAt }) => [operationId, endedAt]));
  const before = new Map<string, Lag[]>();
  for (const lag of lags) before.set(lag.to, [...(before.get(lag.to) ?? []), lag]);
  const elapsed = { work: 0, waiting: 0, away: 0 };
  let until = inOrder[0]?.start ?? 0;
  for (const { operationId, start, end } of inOrder) {
    if (start > until) {
      const ready = (before.get(operationId) ?? []).reduce(
        (latest, { from, minLag }) => Math.max(latest, (ends.get(from) ?? -Infinity) + minLag),
        -Infinity,
      );
      const waited = Math.max(0, Math.min(ready, start) - until);
      elapsed.waiting += waited;
      elapsed.away += start - until - waited;
    }
    elapsed.work += Math.max(0, end - Math.max(start, until));
    until = Math.max(until, end);
  }
  return elapsed;
}

export interface PaintUse {
  paintId: string;
  /** By film and area, of the layers whose steps are all done; and of those that are not. */
  laidMl: number;
  toComeMl: number;
  /** What went into cups, by their drops. */
  mixedMl: number;
  /** Thinner in what is laid, as the airbrush is set. */
  thinnerMl: number;
}

/** Paint used as it was worked out, beside what the cups say; most first. A layer counts as laid once every step of it is
 *  done. `dropMl`: volume of a drop of a paint. */
export function paintUse(
  uses: readonly LayerUse[],
  operations: readonly { id: string; trayId?: string; layerId?: string }[],
  steps: readonly { operationId: string }[],
  cups: readonly Pick<LoggedCup, 'drops' | 'additions'>[],
  dropMl: (paintId: string) => number,
): PaintUse[] {
  const done = new Set(steps.map(({ operationId }) => operationId));
  const open = new Set<string>();
  const known = new Set<string>();
  for (const { id, trayId, layerId } of operations) {
    if (layerId === undefined) continue;
    known.add(`${trayId} ${layerId}`);
    if (!done.has(id)) open.add(`${trayId} ${layerId}`);
  }
  const found = new Map<string, PaintUse>();
  const at = (paintId: string): PaintUse => {
    const use = found.get(paintId) ?? { paintId, laidMl: 0, toComeMl: 0, mixedMl: 0, thinnerMl: 0 };
    found.set(paintId, use);
    return use;
  };
  for (const { trayId, layerId, paintId, ml, thinnerMl } of uses) {
    const layer = `${trayId} ${layerId}`;
    const isLaid = known.has(layer) && !open.has(layer);
    at(paintId)[isLaid ? 'laidMl' : 'toComeMl'] += ml;
    if (isLaid) at(paintId).thinnerMl += thinnerMl;
  }
  for (const { drops, additions } of cups)
    for (const each of [drops, ...additions.map(({ add }) => add)])
      for (const [paintId, count] of Object.entries(each)) at(paintId).mixedMl += count * dropMl(paintId);
  return [...found.values()].sort((p, q) => q.laidMl + q.mixedMl - p.laidMl - p.mixedMl);
}
