import { LAYER_KINDS, type LayerKind } from '../../finish/index.ts';
import { codeOfLayer, type Look, type Mix, type PlannedLayer, type Tray } from '../../kit/index.ts';
import type { ColourPlan, ColourStage } from './planColours.ts';
import type { Way } from './colourCosts.ts';

/** A colour of a body, as far as its layers ask. */
export interface OrderedColour {
  finishId: string;
  look: Look;
  codeId: string | null;
  /** Share of the body, 0..1. */
  share: number;
  /** What is mixed for the same code elsewhere; absent where nothing is yet. */
  mix?: Mix;
}

export interface OrderedStack {
  layers: PlannedLayer[];
  /** The code that the last colour should look like. */
  codeId: string | null;
  /** Layers of the old stack that belong to no colour of the body. */
  dropped: PlannedLayer[];
}

/** What makes a colour, and what stands between two of them. */
const OF_A_COLOUR: readonly LayerKind[] = ['undercoat', 'colour', 'metal', 'tint', 'stain'];
const BETWEEN: readonly LayerKind[] = ['mask', 'unmask'];
/** What comes before the first colour. */
const GROUND: readonly LayerKind[] = ['strip', 'rinse', 'key', 'primer'];

/** The layers of a body in several colours: what it has under and over its colours stays and is shared; each colour keeps the
 *  layers that it has, or gets plain ones; masks and what is done by hand follow the order. */
export function stackOfOrder(
  tray: Pick<Tray, 'layers' | 'codeId'>,
  plan: ColourPlan,
  colours: readonly OrderedColour[],
): OrderedStack {
  const { before, section, after } = partsOf(tray.layers);
  const { runs, dropped } = runsOf(section, tray, colours);
  const newId = idsBeside(tray.layers);
  const old = (kind: LayerKind) => section.filter((layer) => layer.kind === kind);
  const [masks, unmasks] = [old('mask'), old('unmask')];
  const byHand = (kind: LayerKind, again: PlannedLayer[], colour?: OrderedColour): PlannedLayer => ({
    ...(again.shift() ?? { id: newId(kind), kind, coats: 1, tool: LAYER_KINDS[kind].tool }),
    ...ofColour(colour),
  });
  const colourOf = (id: string) => colours.find(({ finishId }) => finishId === id)!;
  const layersOf = (id: string, make: (colour: OrderedColour) => PlannedLayer[]): PlannedLayer[] => {
    const colour = colourOf(id);
    const run = runs.get(id);
    return (run ?? make(colour)).map((layer) => {
      // A finish without a code may have been given one in the Colour stage.
      const codeId = colour.codeId ?? (run ? codeOfLayer(tray, layer) : null);
      return {
        ...bare(layer),
        ...ofColour(colour),
        ...(layer.kind === 'colour' && codeId !== null ? { codeId } : {}),
      };
    });
  };
  const stages = plan.stages.flatMap((stage) => [
    ...layersOf(stage.colour, (colour) => sprayed(stage, colour, newId)),
    ...(stage.mask.length > 0 ? [byHand('mask', masks, colourOf(stage.colour))] : []),
  ]);
  const hand = plan.byHand.map(({ colour, way }) => ({
    way,
    layers: layersOf(colour, (each) => [inHand(way, each, newId)]),
  }));
  const isMasked = plan.stages.some(({ mask }) => mask.length > 0);
  const layers = [
    ...before,
    ...stages,
    ...(isMasked ? [byHand('unmask', unmasks)] : []),
    ...hand.flatMap((each) => (each.way === 'foil' ? [] : each.layers)),
    ...after,
    // Nothing holds on foil, and tape lifts it: it comes last.
    ...hand.flatMap((each) => (each.way === 'foil' ? each.layers : [])),
  ];
  const last = layers.findLast(({ kind }) => kind === 'colour');
  return { layers, codeId: last?.codeId ?? (last?.finishId === undefined ? tray.codeId : null), dropped };
}

/** A stack as what lies under its colours, these, and what lies over them. */
function partsOf(layers: readonly PlannedLayer[]): Record<'before' | 'section' | 'after', PlannedLayer[]> {
  const isColour = ({ kind, finishId }: PlannedLayer) =>
    finishId !== undefined || OF_A_COLOUR.includes(kind) || BETWEEN.includes(kind);
  const first = layers.findIndex(isColour);
  if (first < 0) {
    const ground = layers.findLastIndex(({ kind }) => GROUND.includes(kind));
    // A sanded primer is ground as well.
    const end = layers[ground + 1]?.kind === 'flat' ? ground + 2 : ground + 1;
    return { before: layers.slice(0, end), section: [], after: layers.slice(end) };
  }
  // A wash or a tint over the clear is none of the colours.
  const covered = layers.findIndex(({ kind }, at) => at > first && (kind === 'clear' || kind === 'decal'));
  const end = covered < 0 ? layers.length : covered;
  const last = layers.findLastIndex((layer, at) => at < end && isColour(layer)) + 1;
  return { before: layers.slice(0, first), section: layers.slice(first, last), after: layers.slice(last) };
}

/** Which layers of the colours belong to which of them: as they say, by the code that they should look like, and where one of
 *  each is left over these two. */
function runsOf(
  section: readonly PlannedLayer[],
  tray: Pick<Tray, 'layers' | 'codeId'>,
  colours: readonly OrderedColour[],
): { runs: Map<string, PlannedLayer[]>; dropped: PlannedLayer[] } {
  const found: PlannedLayer[][] = [[]];
  for (const layer of section) {
    if (BETWEEN.includes(layer.kind)) found.push([]);
    else {
      const owner = found.at(-1)!.at(-1)?.finishId;
      if (owner !== layer.finishId && found.at(-1)!.length > 0) found.push([]);
      found.at(-1)!.push(layer);
    }
  }
  const runs = new Map<string, PlannedLayer[]>();
  const left: PlannedLayer[][] = [];
  for (const run of found.filter(({ length }) => length > 0)) {
    const codes = run.map((layer) => codeOfLayer(tray, layer)).filter((code) => code !== null);
    const owner =
      colours.find(({ finishId }) => finishId === run[0]!.finishId) ??
      colours.find(({ codeId }) => codeId !== null && codes.includes(codeId));
    if (owner && !runs.has(owner.finishId)) runs.set(owner.finishId, run);
    else left.push(run);
  }
  const open = colours.filter(({ finishId }) => !runs.has(finishId));
  if (left.length === 1 && open.length === 1) runs.set(open[0]!.finishId, left.pop()!);
  return { runs, dropped: left.flat() };
}

/** A layer without what it says of the colour that it was of. */
function bare({ finishId: _, share: __, ...layer }: PlannedLayer): PlannedLayer {
  return layer;
}

const ofColour = (colour?: OrderedColour): Pick<PlannedLayer, 'finishId' | 'share'> =>
  colour ? { finishId: colour.finishId, share: Math.round(colour.share * 1000) / 1000 } : {};

const isMetal = (look: Look) => look === 'metal' || look === 'chrome-ink';

function sprayed(
  { coats, undercoat }: ColourStage,
  { look, mix }: OrderedColour,
  newId: (kind: LayerKind) => string,
): PlannedLayer[] {
  const kind = isMetal(look) ? 'metal' : 'colour';
  const white = { 'generic-primer-white': 1 };
  return [
    ...(undercoat
      ? [
          {
            id: newId('undercoat'),
            kind: 'undercoat' as const,
            coats: 1,
            tool: 'airbrush' as const,
            mix: white,
          },
        ]
      : []),
    {
      id: newId(kind),
      kind,
      coats: Math.max(1, Math.min(30, coats)),
      ...(coats > 1 ? { mistCoats: 1 } : {}),
      tool: 'airbrush',
      ...(mix ? { mix } : {}),
    },
  ];
}

function inHand(way: Way, { look, mix }: OrderedColour, newId: (kind: LayerKind) => string): PlannedLayer {
  const kind = way === 'foil' ? 'foil' : way === 'decal' ? 'decal' : isMetal(look) ? 'metal' : 'colour';
  return {
    id: newId(kind),
    kind,
    coats: way === 'brush' ? 2 : 1,
    tool: way === 'brush' || way === 'marker' ? way : LAYER_KINDS[kind].tool,
    ...(mix && way === 'brush' ? { mix } : {}),
  };
}

function idsBeside(layers: readonly PlannedLayer[]): (kind: LayerKind) => string {
  const taken = new Set(layers.map(({ id }) => id));
  return (kind) => {
    let id: string = kind;
    for (let count = 2; taken.has(id); count++) id = `${kind}-${count}`;
    taken.add(id);
    return id;
  };
}
