import { ciede2000, DAYLIGHT, spectrumToLab, type Lab } from '../colour/index.ts';
import {
  coatsToClose,
  innerLight,
  opaqueSpectrum,
  seenSurface,
  seenThrough,
  underFilm,
  withMirror,
  type InnerLight,
} from '../paint/index.ts';
import { requireConditions } from './air.ts';
import {
  sumFilm,
  edgeFilmOf,
  filmPerCoat,
  layerFilm,
  paintVolume,
  type FilmBand,
  type PaintVolume,
} from './film.ts';
import { handsOnMinutes } from './handsOn.ts';
import { FINISH_RULES, neighbours, type FinishRule, type RuleContext, type Severity } from './rules.ts';
import { mirrorOf, mirrorOfSubstrate } from './mirror.ts';
import { bareGloss, glossAfter } from './sheen.ts';
import { DEFAULT_CONDITIONS, isPainted, type Conditions, type Stack, type StackLayer } from './stack.ts';
import { waitBefore, waitBetweenCoats, waitToHandle, type Wait } from './wait.ts';

export interface Finding {
  ruleId: string;
  severity: Severity;
  layerId: string;
  title: string;
  reason: string;
  remedy: string;
  source: string;
}

export interface LayerEvaluation {
  id: string;
  kind: StackLayer['kind'];
  coats: number;
  /** Dry film on flats, um; edges carry about half. */
  film: FilmBand;
  /** Reflectance as seen at 45:0 with the gloss there is, and colour (D65, 2 degree), after this layer. */
  spectrum: number[];
  lab: Lab;
  /** Gloss units at 60 degrees. */
  gloss: number;
  /** What lies under this layer sends back towards its face. */
  under: InnerLight;
  /** Wait before this layer, from the end of what is beneath; absent for the first. */
  wait?: Wait;
  betweenCoats?: Wait;
  /** Minutes from the start of the stack when the layer can first begin and end, nothing else in the way. */
  begins: number;
  ends: number;
  handsOn: number;
  volume: PaintVolume;
  /** Coats needed to close over what is under a colour; undefined for other layers or where it never closes. */
  coatsToClose?: number;
  /** dE00 from the full shade, for colour layers. */
  fromFull?: number;
}

/** One colour of a body in several: what lies on its areas. */
export interface SeenColour {
  /** Null for what is left of a colour that others are picked out over. */
  finishId: string | null;
  lab: Lab;
  spectrum: number[];
  gloss: number;
  filmFlat: FilmBand;
  clearFilm: number;
  /** Layers that lie there, bottom first. */
  layerIds: string[];
}

export interface StackEvaluation {
  layers: LayerEvaluation[];
  lab: Lab;
  spectrum: number[];
  gloss: number;
  filmFlat: FilmBand;
  filmEdge: FilmBand;
  /** Dry clear on flats before any sanding, um. */
  clearFilm: number;
  handsOn: number;
  /** Minutes from first touch until the finished part can be handled, with no evening lost. */
  elapsed: number;
  findings: Finding[];
  /** Each colour where the stack has several, in the order in which they go on; empty for one. */
  colours: SeenColour[];
  /** What would have been found, had the builder not silenced its rule on that layer. */
  muted: (Finding & { note: string })[];
}

const SEVERITY_ORDER: Severity[] = ['stop', 'warn', 'caution', 'note'];

/** Some of a surface's inner light exchanged for another's. */
function blended(one: InnerLight, other: InnerLight, share: number): InnerLight {
  const between = (a: readonly number[], b: readonly number[]) =>
    a.map((value, band) => (1 - share) * value + share * b[band]!);
  return {
    scattered: between(one.scattered, other.scattered),
    mirrored: between(one.mirrored, other.mirrored),
  };
}

/** Share of the surface that one sweep of a nearly dry brush marks. */
const DRY_BRUSH_COVER = 0.15;
/** More layers than anyone lays; a list longer than this is a mistake. */
export const MOST_LAYERS = 40;

export interface EvaluateOptions {
  /** Longest bench session, minutes: tells which recoat windows close overnight. */
  longestSession?: number;
}

/** Layers that all lie over each other, as `evaluateStack`. */
export function evaluateChain(
  stack: Stack,
  conditions: Conditions = DEFAULT_CONDITIONS,
  { longestSession }: EvaluateOptions = {},
): StackEvaluation {
  requireConditions(conditions);
  requireStack(stack);
  const evaluated: LayerEvaluation[] = [];
  const contexts: Omit<RuleContext, 'totalFilm' | 'clearFilm'>[] = [];
  let gloss = bareGloss(stack.substrate);
  /** What the layers so far send back towards the face that will be on top. */
  let light = innerLight(stack.substrate.reflectance, seenSurface(gloss), mirrorOfSubstrate(stack.substrate));
  let spectrum = seenThrough(light, seenSurface(gloss));
  let clock = 0;

  stack.layers.forEach((layer, index) => {
    const around = neighbours(stack, index);
    const labUnder = spectrumToLab(spectrum, DAYLIGHT);
    const under = light;
    const film = layerFilm(layer);
    const glossUnder = gloss;
    gloss = glossAfter(layer, glossUnder);
    const face = seenSurface(gloss);
    let hiding: Pick<LayerEvaluation, 'coatsToClose' | 'fromFull'> & { labFull?: Lab } = {};
    if (isPainted(layer) && layer.kind === 'dry-brush') {
      // The brush touches raised detail only; what is between keeps its colour.
      const brushed = underFilm(light, { optics: layer.product.optics, thickness: 1e4 });
      light = blended(light, brushed, 1 - (1 - DRY_BRUSH_COVER) ** layer.coats);
    } else if (isPainted(layer)) {
      const { optics } = layer.product;
      light = withMirror(underFilm(under, { optics, thickness: film.usual }), face, mirrorOf(layer.product));
      if (layer.kind === 'colour' || layer.kind === 'metal' || layer.kind === 'undercoat') {
        const labFull = spectrumToLab(opaqueSpectrum(optics, face), DAYLIGHT);
        hiding = {
          labFull,
          coatsToClose: coatsToClose(optics, under, filmPerCoat(layer).usual),
          fromFull: ciede2000(spectrumToLab(seenThrough(light, face), DAYLIGHT), labFull),
        };
      }
    }
    spectrum = seenThrough(light, face);

    const wait = around.below && waitBefore(layer, around.below, conditions);
    const betweenCoats = layer.coats > 1 ? waitBetweenCoats(layer, conditions) : undefined;
    const handsOn = handsOnMinutes(layer, stack.areaCm2);
    // What is laid over a decal or a mask waits for the paint beneath that, too.
    const through = around.paintBelow && isPainted(layer) ? around.paintBelow : undefined;
    const cured = through
      ? evaluated.find(({ id }) => id === through.id)!.ends + waitBefore(layer, through, conditions).from
      : 0;
    const begins = Math.max(clock + (wait?.from ?? 0), cured);
    clock = begins + handsOn + (layer.coats - 1) * (betweenCoats?.from ?? 0);
    const { labFull, ...shown } = hiding;
    evaluated.push({
      id: layer.id,
      kind: layer.kind,
      coats: layer.coats,
      film,
      spectrum,
      lab: spectrumToLab(spectrum, DAYLIGHT),
      gloss,
      under,
      wait,
      betweenCoats,
      begins,
      ends: clock,
      handsOn,
      volume: paintVolume(layer, stack.areaCm2),
      ...shown,
    });
    contexts.push({ ...around, stack, conditions, glossUnder, labUnder, labFull, ...shown });
  });

  const filmFlat = sumFilm(evaluated.map(({ film }) => film));
  const clearFilm = evaluated.reduce((sum, { kind, film }) => sum + (kind === 'clear' ? film.usual : 0), 0);
  const last = stack.layers.at(-1);
  const found = contexts.flatMap((context) =>
    findingsOf({
      ...context,
      totalFilm: filmFlat.usual,
      clearFilm,
      ...(longestSession ? { longestSession } : {}),
    }),
  );
  const noteOn = (finding: Finding) =>
    stack.layers
      .find(({ id }) => id === finding.layerId)
      ?.muted?.find(({ ruleId }) => ruleId === finding.ruleId)?.note;
  return {
    layers: evaluated,
    lab: spectrumToLab(spectrum, DAYLIGHT),
    spectrum,
    gloss,
    filmFlat,
    filmEdge: edgeFilmOf(evaluated.map(({ film }) => film)),
    clearFilm,
    handsOn: evaluated.reduce((sum, { handsOn }) => sum + handsOn, 0),
    elapsed: clock + (last ? waitToHandle(last, conditions).from : 0),
    colours: [],
    findings: found
      .filter((finding) => noteOn(finding) === undefined)
      .filter(onceForEachRule())
      .sort((a, b) => SEVERITY_ORDER.indexOf(a.severity) - SEVERITY_ORDER.indexOf(b.severity)),
    muted: found.flatMap((finding) => {
      const note = noteOn(finding);
      return note === undefined ? [] : [{ ...finding, note }];
    }),
  };
}

function findingsOf(context: RuleContext): Finding[] {
  return FINISH_RULES.filter((rule: FinishRule) => rule.applies(context)).map((rule) => ({
    ruleId: rule.id,
    severity: rule.severity,
    layerId: context.layer.id,
    title: rule.title,
    reason: rule.reason(context),
    remedy: rule.remedy,
    source: rule.source,
  }));
}

/** Air and vapour concern every sprayed layer alike; said once they are heard better. */
function onceForEachRule(): (finding: Finding) => boolean {
  const seen = new Set<string>();
  return ({ ruleId, reason }) => {
    const key = ['too-humid', 'dew-point', 'solvent-vapour', 'isocyanate'].includes(ruleId)
      ? ruleId
      : `${ruleId} ${reason}`;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  };
}

function requireStack({ areaCm2, layers, substrate }: Stack): void {
  if (substrate.kind === 'unknown') {
    throw new RangeError(
      `What this is made of is not known (“${substrate.id}”): choose it in the Kit stage, under Sub-assemblies. Its ${layers.length} layers are kept.`,
    );
  }
  if (!(areaCm2 > 0 && areaCm2 <= 20000)) {
    throw new RangeError(`The area to cover must lie between 0 and 20000 cm2; it is ${areaCm2}.`);
  }
  if (layers.length > MOST_LAYERS) {
    throw new RangeError(
      `A stack takes at most ${MOST_LAYERS} layers; this one has ${layers.length}. Join coats of one paint into one layer.`,
    );
  }
  for (const { id, coats } of layers) {
    if (!Number.isInteger(coats) || coats < 1 || coats > 30) {
      throw new RangeError(`Layer ${id} needs 1 to 30 coats, not ${coats}.`);
    }
  }
}
