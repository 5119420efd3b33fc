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

/** What becomes of every layer, bottom first: layers are the same where kind and order agree (longest common
 *  sequence of kinds). */
export function stackChanges(before: readonly PlannedLayer[], after: readonly PlannedLayer[]): StackChange[] {
  const rows = before.length;
  const columns = after.length;
  const length = Array.from({ length: rows + 1 }, () => new Array<number>(columns + 1).fill(0));
  for (let i = rows - 1; i >= 0; i--) {
    for (let j = columns - 1; j >= 0; j--) {
      length[i]![j] =
        before[i]!.kind === after[j]!.kind
          ? length[i + 1]![j + 1]! + 1
          : Math.max(length[i + 1]![j]!, length[i]![j + 1]!);
    }
  }
  const changes: StackChange[] = [];
  let i = 0;
  let j = 0;
  while (i < rows || j < columns) {
    const old = before[i];
    const next = after[j];
    if (old && next && old.kind === next.kind) {
      changes.push({ what: sameLayer(old, next) ? 'stays' : 'changes', before: old, after: next });
      i++;
      j++;
    } else if (next && (!old || length[i]![j + 1]! >= length[i + 1]![j]!)) {
      changes.push({ what: 'comes', after: next });
      j++;
    } else {
      changes.push({ what: 'goes', before: old! });
      i++;
    }
  }
  return changes;
}

const sameLayer = (one: PlannedLayer, other: PlannedLayer): boolean =>
  one.coats === other.coats &&
  (one.mistCoats ?? 0) === (other.mistCoats ?? 0) &&
  one.tool === other.tool &&
  JSON.stringify(one.mix ?? {}) === JSON.stringify(other.mix ?? {});
