import { figure } from '../figures.ts';
import {
  coatMinutes,
  FAMILIES,
  formatMinutes,
  hazardsOfLayer,
  isPainted,
  LAYER_KINDS,
  paintVolume,
  settingLine,
  waitBetweenCoats,
  type Conditions,
  type Stack,
  type StackLayer,
  type ToolSettings,
} from '../finish/index.ts';
import type { LayerLines } from './contribution.ts';
import { SPRAY_BOOTH } from './operation.ts';
import type { PlannableTray } from './plannableBuild.ts';
import { addInPieces, type TrayChain } from './trayChain.ts';

const ORDINALS = ['First', 'Second', 'Third', 'Fourth'];

/** What a kit says of the layers of its stacks. */
export interface KitOfLayers {
  finishNames: Readonly<Record<string, string>>;
  layerLines: readonly LayerLines[];
}

/** What a layer is called in the title of its steps: by its colour on a body in several, or counted. */
function layerWord(
  layer: StackLayer,
  { layers }: Stack,
  finishNames: Readonly<Record<string, string>>,
): string {
  const own = layer.finishId === undefined ? undefined : finishNames[layer.finishId];
  if (own !== undefined) return `${LAYER_KINDS[layer.kind].name}, ${own.toLowerCase()}`;
  const colours = layers.filter(({ kind }) => kind === 'colour');
  if (layer.kind !== 'colour' || colours.length < 2) return LAYER_KINDS[layer.kind].name;
  return `${ORDINALS[colours.indexOf(layer)] ?? 'Next'} colour`;
}

/** What to look for once the last coat of a layer is dry, while it can still be mended. */
const LOOK_OVER: Partial<Record<StackLayer['kind'], string>> = {
  primer: 'once dry, under a lamp: scratches, sinks, seams; fill and prime again what shows',
  undercoat: 'once dry, under a lamp: an even ground, no dust',
  colour: 'once dry, under a lamp: dust, runs, orange peel; sand and repeat before anything goes over it',
  metal: 'once dry: no finger marks, no grain; it is not to be touched up later',
  clear: 'once dry, under a lamp: thin edges and runs, before anything is flatted',
};

const BRUSHED_COLOUR =
  'Thin coats that level by themselves; each dries before the next, or the brush lifts it.';

/** Less than a drop is measured by nobody. */
const volumeText = (ml: number): string => (ml < 0.05 ? 'less than 0.1 ml' : figure(ml, 'ml'));

/** Adds the coats of a layer, or the work of one by hand. */
export function addLayer(
  chain: TrayChain,
  tray: PlannableTray,
  layer: StackLayer,
  below: StackLayer | undefined,
  conditions: Conditions,
  longestSession: number,
  own: ToolSettings,
  { finishNames, layerLines }: KitOfLayers,
): void {
  const said = layerLines.filter(
    ({ trayId, layerId = layer.id, kind, finishId }) =>
      trayId === tray.id && layerId === layer.id && kind === layer.kind && finishId === layer.finishId,
  );
  const known = said.flatMap((each) => each.minutes ?? []);
  const minutes =
    known.length > 0 ? known.reduce((sum, each) => sum + each) : coatMinutes(layer, tray.stack.areaCm2);
  const lines = said.flatMap((each) => each.lines);
  const on = said.find((each) => each.on)?.on;
  const place = on ? { on } : {};
  const sandsPrimer = layer.kind === 'flat' && below?.kind === 'primer';
  const title = `${sandsPrimer ? 'Sand primer' : layerWord(layer, tray.stack, finishNames)}: ${tray.name}`;
  const because = sandsPrimer
    ? 'Primer shows every blemish; smooth primer makes smooth colour.'
    : LAYER_KINDS[layer.kind].because;
  if (!isPainted(layer)) {
    addInPieces(chain, minutes * layer.coats, layer.id, {
      layerId: layer.id,
      kind: layer.kind,
      title,
      place: 'bench',
      family: null,
      chemistry: null,
      because,
      details: sandsPrimer
        ? [
            '2000 wet, with a drop of soap',
            'look along the surface under a lamp; fill and prime again what shows',
          ]
        : [...lines, ...LAYER_KINDS[layer.kind].how],
      ...place,
      hazards: hazardsOfLayer(layer.kind, layer.tool, undefined),
    });
    // Only the first piece waits for the layer beneath; the rest follow at will.
    return;
  }
  const { product } = layer;
  const family = FAMILIES[product.family];
  const sprayed = layer.tool === 'airbrush' || layer.tool === 'can';
  const why = sprayed || layer.kind !== 'colour' ? because : BRUSHED_COLOUR;
  const volume = paintVolume(layer, tray.stack.areaCm2, own);
  const between = waitBetweenCoats(layer, conditions);
  // Where two coats and the flash between them do not fit one session, the first window would close overnight.
  const sameEvening = 2 * minutes + between.from <= longestSession;
  const again = family.recoatAgain ?? family.fullCure;
  for (let coat = 1; coat <= layer.coats; coat++) {
    if (coat > 1) {
      if (between.until === null || sameEvening) chain.waitFor(between.from, between.until, between.because);
      else
        chain.waitFor(
          again,
          null,
          `no session holds two coats, so the second waits for the late window of ${family.name}`,
        );
    }
    const mist = coat <= (layer.mistCoats ?? 0);
    chain.add({
      key: layer.coats === 1 ? layer.id : `${layer.id}-${coat}`,
      layerId: layer.id,
      kind: layer.kind,
      title:
        layer.coats === 1
          ? title
          : `${title}, ${sprayed ? (mist ? 'mist ' : 'wet ') : ''}coat ${coat} of ${layer.coats}`,
      place: sprayed ? SPRAY_BOOTH : 'bench',
      hands: minutes,
      family: sprayed ? `${product.family}|${product.id}` : null,
      chemistry: sprayed ? product.family : null,
      because: why,
      details: [
        product.name,
        `${volumeText(volume.paintMl / layer.coats)} paint${volume.thinnerMl > 0 ? ` + ${volumeText(volume.thinnerMl / layer.coats)} thinner` : ''} for this coat`,
        ...lines,
        ...LAYER_KINDS[layer.kind].how,
        settingLine(layer.tool, product.family, mist, own) ?? '',
        coat < layer.coats
          ? `next coat after ${formatMinutes(between.from)}${between.until === null ? '' : `, before ${formatMinutes(between.until)}`}`
          : (LOOK_OVER[layer.kind] ?? ''),
      ].filter(Boolean),
      ...place,
      hazards: hazardsOfLayer(layer.kind, layer.tool, family.id),
    });
  }
}
