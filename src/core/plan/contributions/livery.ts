import { figure } from '../../figures.ts';
import type { Look } from '../../kit/index.ts';
import {
  bodiesOf,
  bordersOfBody,
  edgeMask,
  ratesOf,
  measuredView,
  surfaceOf,
  type ColourBorder,
} from '../../livery/index.ts';
import { COATS, type KitAdvice } from '../advice/kitAdvice.ts';
import type { StepPlace } from '../operation.ts';
import type { DividedKit, DividedLayer, LayerLines, PlanContribution } from '../contribution.ts';

/** A body of a sub-assembly, measured. */
interface MeasuredBody {
  trayId: string;
  viewIds: string[];
  layers: readonly DividedLayer[];
  /** cm2 by finish. */
  surface: ReadonlyMap<string, number>;
  borders: readonly ColourBorder[];
}

/** Surface below which a finish on a view is what clipping left over, cm2. */
const NOTHING_CM2 = 0.05;
/** A share of the body that has moved by so much is worth a word. */
const MOVED = 0.05;

function measuredBodies({ kit, trays }: DividedKit): MeasuredBody[] {
  return bodiesOf(kit, trays).flatMap(({ trayId, views }) => {
    const tray = trays.find(({ id }) => id === trayId);
    if (!tray) return [];
    const measured = views.map((view) => ({ view, measured: measuredView(view, kit) }));
    return [
      {
        trayId,
        viewIds: views.map(({ id }) => id),
        layers: tray.layers ?? [],
        surface: surfaceOf(measured.map((each) => each.measured)),
        borders: bordersOfBody(measured),
      },
    ];
  });
}

const placeOf = (viewIds: string[], masked: string[], colourId: string | null): StepPlace => ({
  viewIds,
  markingIds: [],
  colourId,
  masked,
});

/** Finishes under tape once these layers are on. */
const underTape = (layers: readonly DividedLayer[]): string[] =>
  layers.reduce<string[]>((masked, { kind, finishId }) => {
    if (kind === 'unmask') return [];
    return kind === 'mask' && finishId !== undefined ? [...masked, finishId] : masked;
  }, []);

/** Where each colour of a body falls, and what is under tape by then. */
const colourPlaces = ({ trayId, viewIds, layers }: MeasuredBody): LayerLines[] =>
  layers.flatMap(({ id: layerId, kind, finishId }, at) =>
    kind === 'colour' && finishId !== undefined
      ? [
          {
            trayId,
            layerId,
            kind,
            finishId,
            lines: [],
            on: placeOf(viewIds, underTape(layers.slice(0, at)), finishId),
          },
        ]
      : [],
  );

/** Masks of a body: towards what, with what, and how long. */
function maskLines(
  { trayId, viewIds, layers, surface, borders }: MeasuredBody,
  build: DividedKit,
): LayerLines[] {
  const rates = ratesOf(build.kit);
  const name = (id: string) => (build.finishes.get(id)?.name ?? 'another colour').toLowerCase();
  return layers.flatMap(({ id: layerId, kind, finishId }, at): LayerLines[] => {
    if (kind !== 'mask' || finishId === undefined) return [];
    const later = new Set(layers.slice(at + 1).flatMap((layer) => layer.finishId ?? []));
    const lengths = new Map<string, number>();
    for (const border of borders) {
      const other = border.a === finishId ? border.b : border.b === finishId ? border.a : undefined;
      if (other === undefined || !later.has(other)) continue;
      const key = `${edgeMask(border, rates)} towards ${name(other)}${border.moulded ? ', along the moulded line: press it into the line' : ''}`;
      lengths.set(key, (lengths.get(key) ?? 0) + border.lengthMm);
    }
    const cm2 = surface.get(finishId);
    const next = layers
      .slice(at + 1)
      .find((layer) => layer.kind === 'colour' && layer.finishId !== undefined);
    return [
      {
        trayId,
        layerId,
        kind,
        finishId,
        on: placeOf(viewIds, [...underTape(layers.slice(0, at)), finishId], next?.finishId ?? null),
        lines: [
          ...[...lengths].map(([words, mm]) => `${words}: ${figure(mm, 'mm', 0)}`),
          ...(cm2 === undefined ? [] : [`cover ${figure(cm2, 'cm²', 1)} of ${name(finishId)}`]),
          `tape may stay ${rates.tapeStaysHours} h; after that lay it anew`,
        ],
      },
    ];
  });
}

const SPRAYED: readonly Look[] = ['polished', 'gloss', 'satin', 'matt', 'metal', 'chrome-ink'];

function bodyAdvice(body: MeasuredBody, build: DividedKit): KitAdvice[] {
  const { trayId, layers, surface } = body;
  const said = {
    subject: trayId,
    stage: 'livery' as const,
    page: 'order',
    at: { trays: [trayId], joins: [], kinds: COATS, once: true, until: COATS },
  };
  const shown = [...surface].filter(([, cm2]) => cm2 > NOTHING_CM2);
  const painted = shown.filter(([id]) => SPRAYED.includes(build.finishes.get(id)?.look ?? 'bare'));
  const laid = new Set(layers.flatMap(({ finishId }) => finishId ?? []));
  const missing = painted.filter(([id]) => !laid.has(id));
  // One colour needs no layers of its own: all of the stack is about it.
  if (painted.length < 2 || layers.length === 0) return [];
  if (missing.length > 0)
    return [
      {
        ...said,
        rule: 'colour-without-layers',
        severity: 'warn',
        about: { trays: [trayId] },
        text: `In the livery, not in the stack: ${missing.map(([id]) => build.finishes.get(id)!.name).join(', ')}`,
        why: 'The views show it, and no layer lays it: neither its paint nor its masks are planned.',
        remedy: 'Take the order of colours into the stack, or give one of its layers that colour.',
      },
    ];
  const all = shown.reduce((sum, [, cm2]) => sum + cm2, 0);
  const moved = layers.filter(
    ({ finishId, share }) =>
      finishId !== undefined &&
      share !== undefined &&
      Math.abs(share - (surface.get(finishId) ?? 0) / all) > MOVED,
  );
  if (moved.length === 0) return [];
  return [
    {
      ...said,
      rule: 'areas-have-moved',
      severity: 'note',
      about: { trays: [trayId] },
      text: 'Areas of colour have moved since they were taken into the stack',
      why: `Paint and time are planned for other shares of the body: ${[...new Set(moved.map(({ finishId }) => build.finishes.get(finishId!)?.name ?? 'a colour'))].join(', ')}.`,
      remedy: 'Take the order of colours into the stack again.',
    },
  ];
}

/** Bodies in several colours: their masks, and what the views show that no layer lays. */
export const livery: PlanContribution = {
  id: 'livery',
  layerLines: (build) =>
    measuredBodies(build).flatMap((body) => [...colourPlaces(body), ...maskLines(body, build)]),
  kitAdvice: (build) => measuredBodies(build).flatMap((body) => bodyAdvice(body, build)),
};
