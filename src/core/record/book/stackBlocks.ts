import { figure } from '../../figures.ts';
import {
  evaluateStack,
  formatMinutes,
  LAYER_KINDS,
  type Conditions,
  type StackEvaluation,
} from '../../finish/index.ts';
import {
  counted,
  NOT_CHOSEN,
  resolveMix,
  resolveStack,
  type PlannedLayer,
  type ProductIndex,
  type Tray,
} from '../../kit/index.ts';
import type { PlannedStep } from '../log/hours.ts';
import type { TickedStep } from '../log/logOf.ts';
import type { BookBlock } from './blocks.ts';

export interface StackSources {
  trays: readonly Omit<Tray, 'position'>[];
  scale: number;
  products: ProductIndex;
  conditions: Conditions;
  steps: readonly TickedStep[];
  operations: readonly (PlannedStep & { trayId?: string; layerId?: string })[];
  day: (minutes: number) => string;
}

function evaluated(
  tray: Omit<Tray, 'position'>,
  { scale, products, conditions }: StackSources,
): StackEvaluation | undefined {
  try {
    return evaluateStack(
      resolveStack(tray, scale, products, () => undefined),
      conditions,
    );
  } catch {
    // A stack that cannot be worked out is told of without its film.
    return undefined;
  }
}

function layerRow(
  tray: Omit<Tray, 'position'>,
  layer: PlannedLayer,
  film: string,
  sources: StackSources,
): string[] {
  const own = sources.operations.filter(({ trayId, layerId }) => trayId === tray.id && layerId === layer.id);
  const ids = new Set(own.map(({ id }) => id));
  const done = sources.steps.filter(({ operationId }) => ids.has(operationId));
  const isLaid = own.length > 0 && new Set(done.map(({ operationId }) => operationId)).size === ids.size;
  const product = layer.mix ? resolveMix(layer.mix, sources.products)?.name : undefined;
  return [
    LAYER_KINDS[layer.kind].name,
    product ?? (LAYER_KINDS[layer.kind].painted ? NOT_CHOSEN : ''),
    String(layer.coats),
    film,
    isLaid
      ? sources.day(Math.max(...done.map(({ endedAt }) => endedAt)))
      : done.length > 0
        ? 'begun'
        : 'not yet',
    done.length === 0 ? '' : formatMinutes(done.reduce((sum, { minutes }) => sum + minutes, 0)),
  ];
}

/** What lies on each sub-assembly, with its film, when it was laid and how long that took. */
export function stackBlocks(sources: StackSources): BookBlock[] {
  const blocks = sources.trays
    .filter(({ layers }) => layers.length > 0)
    .flatMap((tray): BookBlock[] => {
      const stack = evaluated(tray, sources);
      const filmOf = (id: string) => stack?.layers.find((layer) => layer.id === id)?.film.usual;
      const total = stack?.filmFlat.usual;
      return [
        {
          kind: 'part',
          text: `${tray.name}${total === undefined ? '' : `, ${figure(total, 'µm')} in all`}`,
        },
        {
          kind: 'table',
          head: ['Layer', 'Product', 'Coats', 'Film', 'Laid', 'Took'],
          right: [false, false, true, true, false, true],
          rows: tray.layers.map((layer) => {
            const film = filmOf(layer.id);
            return layerRow(
              tray,
              layer,
              film === undefined ? 'not known' : film === 0 ? '' : figure(film, 'µm'),
              sources,
            );
          }),
        },
      ];
    });
  if (blocks.length === 0) return [];
  const count = sources.trays.filter(({ layers }) => layers.length > 0).length;
  return [
    {
      kind: 'text',
      text: `${counted(count, 'stack')}, from the plastic outward. Film is dry and on flats, as worked out from the coats: nobody measures it on a model.`,
    },
    ...blocks,
  ];
}
