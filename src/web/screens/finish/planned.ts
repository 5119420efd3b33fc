import { diffArrays } from 'diff';
import {
  LAYER_KINDS,
  type LayerKind,
  type SuggestedLayer,
  type TintId,
  type WeatheringLayer,
} from '../../../core/finish/index.ts';
import { targetLayer, type Mix, type PlannedLayer } from '../../../core/kit/index.ts';

type Unnamed = Omit<PlannedLayer, 'id'> & { id?: string };

/** Layers with ids of their own, in order. A layer that takes the place of one of `now` keeps its id, so that steps
 *  already done stay done. */
function named(layers: readonly Unnamed[], now: readonly PlannedLayer[]): PlannedLayer[] {
  const kept: (string | undefined)[] = [];
  let at = 0;
  let old = 0;
  for (const { added, removed, count } of diffArrays<{ kind: LayerKind }>([...now], [...layers], {
    comparator: (one, other) => one.kind === other.kind,
  })) {
    if (added) at += count;
    else if (removed) old += count;
    else for (let i = 0; i < count; i++) kept[at++] = now[old++]!.id;
  }
  const taken = new Set(kept.filter((id) => id !== undefined));
  return layers.map((layer, index) => {
    let id = kept[index];
    for (let count = 1; id === undefined; count++) {
      const free = count === 1 ? layer.kind : `${layer.kind}-${count}`;
      if (!taken.has(free)) id = free;
    }
    taken.add(id);
    return { ...layer, id };
  });
}

/** Everything from the first colour of a stack to its last: the scheme of a body in two colours. */
function scheme(layers: readonly PlannedLayer[]): readonly PlannedLayer[] {
  const first = layers.findIndex(({ kind }) => kind === 'colour');
  return first < 0 ? [] : layers.slice(first, layers.findLastIndex(({ kind }) => kind === 'colour') + 1);
}

/** Layers as a tray keeps them, from suggested ones; its colour stays what the tray has, and where it has several,
 *  so do their masks and their order. */
export function plannedFrom(
  suggested: readonly SuggestedLayer[],
  now: readonly PlannedLayer[],
): PlannedLayer[] {
  const colour: Mix | undefined = targetLayer(now)?.mix;
  const kept = scheme(now);
  return named(
    suggested.flatMap(({ kind, productId, coats, mistCoats, tool }): Unnamed[] => {
      if (kind === 'colour' && productId === null && kept.length > 1) return [...kept];
      const mix = productId === null ? (kind === 'colour' ? colour : undefined) : { [productId]: 1 };
      return [
        {
          kind,
          coats,
          tool,
          ...(mistCoats === undefined ? {} : { mistCoats }),
          ...(mix ? { mix } : {}),
        },
      ];
    }),
    now,
  );
}

/** A stack of the builder's own put on a sub-assembly, which keeps its own colour. */
export function ownStackOn(stack: readonly PlannedLayer[], now: readonly PlannedLayer[]): PlannedLayer[] {
  const colour = targetLayer(now)?.mix;
  const about = targetLayer(stack);
  return named(
    stack.map((layer) => (layer === about && colour ? { ...layer, mix: colour } : layer)),
    now,
  );
}

/** Whether a stack carries something of a weathering plan already, so that laying it again would double it; clears
 *  between the layers tell nothing, and of undercoats only the same one counts. */
export function isWeathered(layers: readonly PlannedLayer[], added: readonly WeatheringLayer[]): boolean {
  return added.some(
    ({ kind, productId }) =>
      kind !== 'clear' &&
      layers.some(
        (layer) => layer.kind === kind && (kind !== 'undercoat' || layer.mix?.[productId] !== undefined),
      ),
  );
}

/** A stack without the weathering that one of some plans laid on it: the plan whose layers all stand where it put
 *  them, the fullest such. Where none does, as when the builder changed one of them, the stack comes back as it is. */
export function unweathered(
  layers: readonly PlannedLayer[],
  plans: readonly (readonly WeatheringLayer[])[],
): readonly PlannedLayer[] {
  const stands = (from: number, added: readonly WeatheringLayer[]) =>
    from >= 0 &&
    added.every(({ kind, productId, coats, tool }, index) => {
      const layer = layers[from + index];
      return (
        layer?.kind === kind && layer.coats === coats && layer.tool === tool && layer.mix?.[productId] === 1
      );
    });
  let bare = layers;
  for (const added of plans) {
    const under = added.filter(({ at }) => at === 'under');
    const over = added.filter(({ at }) => at === 'over');
    const colour = layers.findIndex(({ kind }) => kind === 'colour');
    const top = layers.length - over.length;
    const ground = (colour < 0 ? top : colour) - under.length;
    if (layers.length - added.length >= bare.length || !stands(ground, under) || !stands(top, over)) continue;
    bare = layers.filter((_, at) => at < top && (at < ground || at >= ground + under.length));
  }
  return bare;
}

/** Layers of weathering added to a stack: worn ground beneath its first colour, the rest on top of all. */
export function weathered(
  layers: readonly PlannedLayer[],
  added: readonly WeatheringLayer[],
): PlannedLayer[] {
  const planned = (where: WeatheringLayer['at']) =>
    added
      .filter(({ at }) => at === where)
      .map(({ kind, productId, coats, mistCoats, tool }) => ({
        kind,
        coats,
        tool,
        mix: { [productId]: 1 },
        ...(mistCoats === undefined ? {} : { mistCoats }),
      }));
  const colour = layers.findIndex(({ kind }) => kind === 'colour');
  const at = colour < 0 ? layers.length : colour;
  return named(
    [...layers.slice(0, at), ...planned('under'), ...layers.slice(at), ...planned('over')],
    layers,
  );
}

/** A stack with tints laid in dusted passes beneath its last clear, in the place of those it had. */
export function withTints(
  layers: readonly PlannedLayer[],
  tints: readonly { tint: TintId; passes: number }[],
): PlannedLayer[] {
  const rest = layers.filter(({ kind }) => kind !== 'tint');
  const after = rest.findLastIndex(
    ({ kind }) => kind === 'colour' || kind === 'metal' || kind === 'undercoat',
  );
  const at = after < 0 ? rest.length : after + 1;
  const laid = tints.map(({ tint, passes }): Omit<PlannedLayer, 'id'> => ({
    kind: 'tint',
    mix: { [`generic-tint-${tint}`]: 1 },
    coats: passes,
    mistCoats: passes,
    tool: 'airbrush',
  }));
  return named([...rest.slice(0, at), ...laid, ...rest.slice(at)], rest);
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

/** What putting a stack on another changes, in one line. */
export function changeWords(before: readonly PlannedLayer[], after: readonly PlannedLayer[]): string {
  const words = stackChanges(before, after)
    .filter(({ what }) => what !== 'stays')
    .map(
      ({ what, before: old, after: next }) =>
        `${LAYER_KINDS[(next ?? old)!.kind].name.toLowerCase()} ${what}`,
    );
  return words.length === 0 ? 'nothing' : words.join(', ');
}

const sameLayer = (one: PlannedLayer, other: PlannedLayer): boolean =>
  one.coats === other.coats &&
  (one.mistCoats ?? 0) === (other.mistCoats ?? 0) &&
  one.tool === other.tool &&
  one.finishId === other.finishId &&
  JSON.stringify(one.mix ?? {}) === JSON.stringify(other.mix ?? {});
