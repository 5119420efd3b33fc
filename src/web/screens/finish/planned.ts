import { diffArrays } from 'diff';
import type { SuggestedLayer } from '../../../core/finish/index.ts';
import { targetLayer, type Mix, type PlannedLayer } from '../../../core/kit/index.ts';

/** Layers as a tray keeps them, from suggested ones; the colour stays what the tray has. */
export function plannedFrom(
  suggested: readonly SuggestedLayer[],
  now: readonly PlannedLayer[],
): PlannedLayer[] {
  const colour: Mix | undefined = targetLayer(now)?.mix;
  const taken = new Set<string>();
  return suggested.map(({ kind, productId, coats, mistCoats, tool }) => {
    let id: string = kind;
    for (let count = 2; taken.has(id); count++) id = `${kind}-${count}`;
    taken.add(id);
    const mix = productId === null ? (kind === 'colour' ? colour : undefined) : { [productId]: 1 };
    return {
      id,
      kind,
      coats,
      tool,
      ...(mistCoats === undefined ? {} : { mistCoats }),
      ...(mix ? { mix } : {}),
    };
  });
}

/** One line of what taking a stack would do to another. */
export interface StackChange {
  what: 'stays' | 'changes' | 'goes' | 'comes';
  before?: PlannedLayer;
  after?: PlannedLayer;
}

/** What becomes of every layer, bottom first: a layer is the same where kind and order agree. */
export function stackChanges(before: readonly PlannedLayer[], after: readonly PlannedLayer[]): StackChange[] {
  let old = 0;
  let next = 0;
  return diffArrays([...before], [...after], {
    comparator: (one, other) => one.kind === other.kind,
  }).flatMap(({ added, removed, count }): StackChange[] =>
    Array.from({ length: count }, () => {
      if (added) return { what: 'comes', after: after[next++]! };
      if (removed) return { what: 'goes', before: before[old++]! };
      const pair = { before: before[old++]!, after: after[next++]! };
      return { what: sameLayer(pair.before, pair.after) ? 'stays' : 'changes', ...pair };
    }),
  );
}

const sameLayer = (one: PlannedLayer, other: PlannedLayer): boolean =>
  one.coats === other.coats &&
  (one.mistCoats ?? 0) === (other.mistCoats ?? 0) &&
  one.tool === other.tool &&
  JSON.stringify(one.mix ?? {}) === JSON.stringify(other.mix ?? {});
