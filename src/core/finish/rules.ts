import { bare, figure } from '../figures.ts';
import type { Lab } from '../colour/index.ts';
import { BLUSH_HUMIDITY, COLD_C, DEW_POINT_MARGIN_C, dewPoint, STYRENE_LIMIT_C } from './air.ts';
import { FAMILIES, type PaintFamily } from './families.ts';
import { EDGE_SHARE, EDGE_WEAR, FLATTING_UM, POLISHING_UM } from './film.ts';
import { coatMinutes } from './handsOn.ts';
import { sheenName } from './sheen.ts';
import { isPainted, type Conditions, type Product, type Stack, type StackLayer } from './stack.ts';
import { vividWarm } from './vividWarm.ts';
import { formatMinutes, waitBetweenCoats } from './wait.ts';

/** stop: do not do it; warn: likely to spoil something; note: worth knowing; caution: it can hurt you. */
export type Severity = 'stop' | 'warn' | 'note' | 'caution';

/** What a rule may look at: one layer, what lies around it, and what the evaluation found of it. */
export interface RuleContext {
  stack: Stack;
  conditions: Conditions;
  layer: StackLayer;
  /** The product and family of a painted layer. */
  product?: Product;
  family?: PaintFamily;
  /** The layer directly beneath, and the nearest painted one. */
  below?: StackLayer;
  paintBelow?: StackLayer & { product: Product };
  above: StackLayer[];
  /** Gloss of the surface that this layer goes on, units at 60 degrees. */
  glossUnder: number;
  /** Colour of the surface that this layer goes on. */
  labUnder: Lab;
  /** Full colour of this layer's paint. */
  labFull?: Lab;
  /** Coats needed to close over what is under it; undefined where it never closes. */
  coatsToClose?: number;
  /** dE00 between this layer as planned and its full colour. */
  fromFull?: number;
  /** Dry film of the whole stack on flats, um. */
  totalFilm: number;
  /** Dry clear film on flats, um. */
  clearFilm: number;
  /** Longest bench session, minutes, where a calendar is known. */
  longestSession?: number;
}

export interface FinishRule {
  id: string;
  severity: Severity;
  title: string;
  applies: (context: RuleContext) => boolean;
  /** Why, with the numbers of the case. */
  reason: (context: RuleContext) => string;
  remedy: string;
  source: string;
  /** What it says is true of an evening, not of the stack. */
  ofTheAir?: true;
}

/** A lens or sight glass, flooded in one drop without a second stroke, cm2. */
const ONE_DROP_CM2 = 3;
/** On a piece below this, cm2, flake is seen beside the size of the piece. */
const SMALL_PART_CM2 = 12;

const HANDBOOK = 'ordinary workshop practice; the product label wins';
const bright = ({ layer, product }: RuleContext) =>
  product !== undefined && (layer.kind === 'metal' || product.family === 'chrome-ink');
const isMirror = (product?: Product) =>
  product?.family === 'chrome-ink' || product?.family === 'metal-lacquer';
const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);
const first = ({ below }: RuleContext) => below === undefined;
const sprayed = ({ layer }: RuleContext) => layer.tool === 'airbrush' || layer.tool === 'can';
const surface = ({ surfaceC, temperatureC }: Conditions) => surfaceC ?? temperatureC;

export const FINISH_RULES: readonly FinishRule[] = [
  {
    id: 'hot-over-soft',
    severity: 'warn',
    title: 'Strong solvent over soft paint',
    applies: ({ family, paintBelow }) =>
      family !== undefined &&
      family.bite >= 2 &&
      (paintBelow?.product.family === 'enamel' || paintBelow?.product.family === 'aerosol'),
    reason: ({ family, paintBelow }) =>
      `${capital(family!.name)} over ${FAMILIES[paintBelow!.product.family].name} that is not fully cured wrinkles it. The plan waits ${formatMinutes(FAMILIES[paintBelow!.product.family].fullCure)} at 20 C.`,
    remedy: 'Keep the wait, lay a barrier coat of water acrylic between, or start with dry mist coats.',
    source: HANDBOOK,
  },
  {
    id: 'recoat-window',
    severity: 'note',
    title: 'A recoat window that closes',
    applies: ({ layer, family }) => family?.recoatUntil != null && layer.coats > 1,
    reason: ({ family }) =>
      `${capital(family!.name)} takes its next coat within ${formatMinutes(family!.recoatUntil!)}, or only after ${formatMinutes(family!.recoatAgain ?? family!.fullCure)}; in between it wrinkles.`,
    remedy: 'Spray all its coats in one session; the plan keeps them together.',
    source: HANDBOOK,
  },
  {
    id: 'aerosol-on-styrene',
    severity: 'stop',
    title: 'Aerosol on bare styrene',
    applies: (context) =>
      first(context) && context.family?.bite === 3 && context.stack.substrate.kind !== 'metal',
    reason: () =>
      'The solvent of a household or car aerosol crazes bare styrene, and a crazed surface cannot be polished back.',
    remedy: 'Prime first with a hobby primer and let it cure.',
    source: HANDBOOK,
  },
  {
    id: 'mirror-under-clear',
    severity: 'warn',
    title: 'Clear kills the mirror',
    applies: ({ layer, paintBelow }) => layer.kind === 'clear' && isMirror(paintBelow?.product),
    reason: ({ paintBelow }) =>
      `${capital(FAMILIES[paintBelow!.product.family].name)} loses much of its mirror under most clears.`,
    remedy: 'Leave it bare and fit the part last, or try the clear on a spoon first.',
    source: HANDBOOK,
  },
  {
    id: 'tape-on-mirror',
    severity: 'stop',
    title: 'Tape on bright metal',
    applies: ({ layer, paintBelow }) => layer.kind === 'mask' && isMirror(paintBelow?.product),
    reason: () => 'Tape marks or lifts bright metal and chrome ink.',
    remedy: 'Paint what needs masking first and the bright metal last.',
    source: HANDBOOK,
  },
  {
    id: 'mist-over-decals',
    severity: 'warn',
    title: 'Wet clear on decals',
    applies: ({ layer, family, stack, below }) => {
      if (layer.kind !== 'clear' || !family || family.bite < 1 || (layer.mistCoats ?? 0) > 0) return false;
      return (
        below?.kind === 'decal' ||
        (below?.kind === 'mask' && stack.layers.some(({ kind }) => kind === 'decal'))
      );
    },
    reason: ({ family }) => `A wet first coat of ${family!.name} softens decals and wrinkles their edges.`,
    remedy: 'Begin with two mist coats, well apart, before any wet one.',
    source: HANDBOOK,
  },
  {
    id: 'decal-on-matt',
    severity: 'warn',
    title: 'Decals will silver',
    applies: ({ layer, glossUnder }) => layer.kind === 'decal' && glossUnder < 45,
    reason: ({ glossUnder }) =>
      `The surface under the decals is ${sheenName(glossUnder)} (about ${Math.round(glossUnder)} gloss units); air stays under the film and shows as silver.`,
    remedy: 'Lay a gloss coat first; a matt or satin clear can follow the decals.',
    source: HANDBOOK,
  },
  {
    id: 'decal-unprotected',
    severity: 'note',
    title: 'Decals without clear',
    applies: ({ layer, above }) => layer.kind === 'decal' && !above.some(({ kind }) => kind === 'clear'),
    reason: () => 'Nothing covers the decals: their film edges show and handling wears them.',
    remedy: 'Add a clear, or keep it so if decals over the clear are your way.',
    source: HANDBOOK,
  },
  {
    id: 'wash-unsealed',
    severity: 'warn',
    title: 'Wash on unsealed paint',
    applies: ({ layer, paintBelow }) =>
      layer.kind === 'wash' && paintBelow?.kind !== 'clear' && paintBelow?.product.family !== 'lacquer',
    reason: () => 'The thinner of a wash attacks paint that is bare or still soft.',
    remedy: 'Seal with a clear coat first, or use a water-based wash.',
    source: HANDBOOK,
  },
  {
    id: 'wash-on-matt',
    severity: 'warn',
    title: 'Wash on matt stains',
    applies: ({ layer, glossUnder }) => layer.kind === 'wash' && glossUnder < 25,
    reason: ({ glossUnder }) =>
      `On a surface of ${Math.round(glossUnder)} gloss units a wash soaks in and cannot be wiped back.`,
    remedy: 'Put the wash on over gloss and make the surface matt afterwards.',
    source: HANDBOOK,
  },
  {
    id: 'polish-through',
    severity: 'warn',
    title: 'Too little clear to polish',
    applies: ({ layer, clearFilm }) => {
      const removal = FLATTING_UM + POLISHING_UM;
      return layer.kind === 'polish' && clearFilm > 0 && clearFilm * EDGE_SHARE < EDGE_WEAR * removal + 2;
    },
    reason: ({ clearFilm }) =>
      `Flatting and polishing take about ${FLATTING_UM + POLISHING_UM} µm. There is ${Math.round(clearFilm)} µm of clear on flats but only about ${Math.round(clearFilm * EDGE_SHARE)} µm on edges, which lose half as much again.`,
    remedy: 'Add a clear coat, or keep the cloths off edges and raised lines.',
    source: HANDBOOK,
  },
  {
    id: 'polish-bare-colour',
    severity: 'warn',
    title: 'Polishing without clear',
    applies: ({ layer, clearFilm, stack }) =>
      (layer.kind === 'polish' || layer.kind === 'flat') &&
      clearFilm === 0 &&
      stack.layers.some((other) => other.product?.flakeUm !== undefined),
    reason: () =>
      'Sanding a metallic without clear cuts into its flake: it turns blotchy and cannot be put right.',
    remedy: 'Put a clear over the metallic before any cloth touches it.',
    source: HANDBOOK,
  },
  {
    id: 'not-closed',
    severity: 'warn',
    title: 'Still patchy',
    applies: ({ layer, fromFull }) => layer.kind === 'colour' && fromFull !== undefined && fromFull > 1.5,
    reason: ({ layer, product, fromFull, coatsToClose }) =>
      `After ${layer.coats} ${layer.coats === 1 ? 'coat' : 'coats'} ${product!.name} is still ${figure(fromFull!, 'dE')} from its full shade; ${coatsToClose ? `it closes after ${coatsToClose}` : 'it never closes over this undercoat'}.`,
    remedy: 'Add coats, or lay an undercoat nearer to the colour.',
    source: 'computed: Kubelka-Munk film over this undercoat',
  },
  {
    id: 'light-over-dark',
    severity: 'warn',
    title: 'Light colour over dark',
    applies: ({ layer, labUnder, labFull, coatsToClose }) =>
      layer.kind === 'colour' &&
      labFull !== undefined &&
      labFull.L - labUnder.L > 35 &&
      (coatsToClose === undefined || coatsToClose > 4),
    reason: ({ product, labUnder, labFull, coatsToClose }) =>
      `${product!.name} (L ${Math.round(labFull!.L)}) needs ${coatsToClose ?? 'more than 40'} coats over what is under it (L ${Math.round(labUnder.L)}).`,
    remedy: 'White primer or a neutral silver first saves coats and film.',
    source: 'computed: coats to close over this undercoat',
  },
  {
    id: 'warm-over-grey',
    severity: 'note',
    title: 'Bright red, orange and yellow want white or pink',
    applies: ({ layer, labUnder, labFull }) =>
      layer.kind === 'colour' && labFull !== undefined && vividWarm(labFull) && labUnder.L < 75,
    reason: ({ labUnder }) =>
      `Warm bright pigments hide poorly; over a surface of L ${Math.round(labUnder.L)} they go dull before they close.`,
    remedy: 'Lay white or pink under them.',
    source: HANDBOOK,
  },
  {
    id: 'metal-wants-black',
    severity: 'warn',
    title: 'Bright metal wants gloss black',
    applies: (context) =>
      bright(context) && isMirror(context.product) && (context.labUnder.L > 32 || context.glossUnder < 65),
    reason: ({ labUnder, glossUnder }) =>
      `Under it is a surface of L ${Math.round(labUnder.L)} and ${Math.round(glossUnder)} gloss units; the mirror shows both.`,
    remedy: 'Undercoat with gloss black and let it cure a day.',
    source: HANDBOOK,
  },
  {
    id: 'coarse-flake',
    severity: 'note',
    title: 'Flake too coarse for the scale',
    applies: ({ product, stack }) =>
      (product?.flakeUm ?? 0) * stack.scale > 400 && stack.areaCm2 / (stack.pieces ?? 1) < SMALL_PART_CM2,
    reason: ({ product, stack }) =>
      `A flake of ${product!.flakeUm} µm stands for ${figure((product!.flakeUm! * stack.scale) / 1000, 'mm', 1)} at 1:${stack.scale}; on parts so small it reads as glitter.`,
    remedy: 'Use a finer metallic on them: a marker or metal lacquer.',
    source: 'scale arithmetic',
  },
  {
    id: 'mixed-chemistry',
    severity: 'stop',
    title: 'Two chemistries in one cup',
    applies: ({ product }) => new Set(product?.cupFamilies ?? []).size > 1,
    reason: ({ product }) =>
      `The recipe mixes ${[...new Set(product!.cupFamilies)].map((id) => FAMILIES[id].name).join(' with ')}; they curdle.`,
    remedy: 'Keep a recipe within one chemistry.',
    source: HANDBOOK,
  },
  {
    id: 'no-primer',
    severity: 'note',
    title: 'No primer',
    applies: (context) =>
      first(context) && context.layer.kind === 'colour' && context.stack.substrate.kind !== 'plated',
    reason: () =>
      'Without primer the plastic must be keyed and clean, and its own colour works through; it saves film where the fit is tight.',
    remedy: 'Prime, or keep it so where clearance matters more.',
    source: 'two schools: primer everywhere, or only where it earns its thickness',
  },
  {
    id: 'paint-on-plating',
    severity: 'warn',
    title: 'Paint on bare plating',
    applies: (context) =>
      first(context) &&
      context.stack.substrate.kind === 'plated' &&
      context.product !== undefined &&
      context.layer.kind !== 'clear',
    reason: () => 'Paint holds badly on chrome plating and flakes at the first mask.',
    remedy: 'Strip the plating, or key it and prime.',
    source: HANDBOOK,
  },
  {
    id: 'thick-film',
    severity: 'warn',
    title: 'A thick build',
    applies: ({ above, totalFilm }) => above.length === 0 && totalFilm > 150,
    reason: ({ totalFilm }) =>
      `${Math.round(totalFilm)} µm on every face: a hinge or a sliding fit loses ${figure((2 * totalFilm) / 1000, 'mm')}, and fine panel lines fill.`,
    remedy: 'Deepen panel lines before primer, mask joint faces, or drop a coat.',
    source: 'sum of dry film per coat',
  },
  {
    id: 'mask-on-acrylic',
    severity: 'note',
    title: 'Soft under tape',
    applies: ({ layer, paintBelow }) =>
      layer.kind === 'mask' && paintBelow?.product.family === 'water-acrylic',
    reason: () =>
      `Water acrylic stays soft under tape for ${formatMinutes(FAMILIES['water-acrylic'].fullCure)}.`,
    remedy: 'Keep the wait; take the tape off as soon as the second colour is touch dry.',
    source: HANDBOOK,
  },
  {
    id: 'enamel-clear-ambers',
    severity: 'note',
    title: 'Enamel clear ambers',
    applies: ({ layer, product, labUnder }) =>
      layer.kind === 'clear' && product?.family === 'enamel' && labUnder.L > 70,
    reason: () =>
      'Enamel clear is slightly yellow and yellows further with age; on white and cream it shows.',
    remedy: 'Choose a lacquer, water-based or two-part clear over pale colours.',
    source: HANDBOOK,
  },
  {
    id: 'too-humid',
    ofTheAir: true,
    severity: 'stop',
    title: 'Too damp to spray',
    applies: (context) =>
      sprayed(context) &&
      context.family !== undefined &&
      context.conditions.humidity > BLUSH_HUMIDITY &&
      ['lacquer', 'water-acrylic', 'alcohol-acrylic', 'metal-lacquer', 'aerosol'].includes(context.family.id),
    reason: ({ conditions, family }) =>
      `At ${Math.round(conditions.humidity)} % humidity ${family!.id.includes('acrylic') ? 'water acrylic stays wet and runs' : 'lacquer blushes milky white'}; the limit is ${BLUSH_HUMIDITY} %.`,
    remedy: 'Warm and dry the room, or wait for a drier evening.',
    source: HANDBOOK,
  },
  {
    id: 'dew-point',
    ofTheAir: true,
    severity: 'stop',
    title: 'Too near the dew point',
    applies: (context) =>
      sprayed(context) &&
      context.family !== undefined &&
      surface(context.conditions) - dewPoint(context.conditions.temperatureC, context.conditions.humidity) <
        DEW_POINT_MARGIN_C,
    reason: ({ conditions }) => {
      const dew = dewPoint(conditions.temperatureC, conditions.humidity);
      return `The dew point is ${bare(dew, '°C')} C and the part is at ${bare(surface(conditions), '°C')} C: within ${DEW_POINT_MARGIN_C} C water settles under the paint.`;
    },
    remedy: `Warm the part or dry the air until they are more than ${DEW_POINT_MARGIN_C} C apart.`,
    source: 'Magnus formula; common coating practice',
  },
  {
    id: 'cold-bench',
    ofTheAir: true,
    severity: 'warn',
    title: 'A cold bench',
    applies: (context) => first(context) && context.conditions.temperatureC < 15,
    reason: ({ conditions }) =>
      `At ${conditions.temperatureC} C everything cures about ${bare(2 ** ((20 - conditions.temperatureC) / 10), 'times')} times as slowly as at 20 C, and clears may lie rough.`,
    remedy: 'Warm paint and part to room temperature; the plan already counts the longer cures.',
    source: 'twofold for every 10 C',
  },
  {
    id: 'isocyanate',
    severity: 'caution',
    title: 'Isocyanate in two-part clear',
    applies: ({ family }) => family?.id === 'urethane-2k',
    reason: () => 'Sprayed isocyanate harms lungs for good, without smell or warning.',
    remedy:
      'Air-fed mask, or at least the cartridges its safety sheet names; cover skin and eyes; nobody else in the room. The product’s safety sheet and local rules decide.',
    source: 'product safety sheet and local rules',
  },
  {
    id: 'solvent-vapour',
    severity: 'caution',
    title: 'Solvent vapour',
    applies: (context) =>
      sprayed(context) &&
      context.family !== undefined &&
      ['lacquer', 'enamel', 'aerosol', 'metal-lacquer', 'chrome-ink'].includes(context.family.id),
    reason: ({ family }) => `${capital(family!.name)} puts solvent in the air.`,
    remedy:
      'Extraction on, filter mask, no flame or spark. The product’s safety sheet and local rules decide.',
    source: 'product safety sheet and local rules',
  },
  {
    id: 'paint-on-wax',
    severity: 'stop',
    title: 'Paint over wax',
    applies: ({ product, stack, layer }) =>
      product !== undefined &&
      stack.layers.slice(0, stack.layers.indexOf(layer)).some(({ kind }) => kind === 'wax'),
    reason: () => 'Wax lets go of whatever is laid on it: the paint crawls into drops or peels.',
    remedy: 'Move the wax to the top, or take it off with a product made for that and wash clean.',
    source: HANDBOOK,
  },
  {
    id: 'tape-on-foil',
    severity: 'warn',
    title: 'Tape on foil or powder',
    applies: ({ layer, stack }) =>
      layer.kind === 'mask' &&
      stack.layers
        .slice(0, stack.layers.indexOf(layer))
        .some(({ kind }) => kind === 'foil' || kind === 'powder' || kind === 'flock'),
    reason: () => 'Tape takes foil, powder and flock along when it comes off.',
    remedy: 'Mask and paint first; foil, powder and flock come last.',
    source: HANDBOOK,
  },
  {
    id: 'foil-wants-gloss',
    severity: 'note',
    title: 'Foil shows what is under it',
    applies: ({ layer, glossUnder }) => layer.kind === 'foil' && glossUnder < 60,
    reason: ({ glossUnder }) =>
      `Under the foil is a surface of ${Math.round(glossUnder)} gloss units: every grain of it prints through.`,
    remedy: 'Lay it over hard gloss, or over clean smooth plastic.',
    source: HANDBOOK,
  },
  {
    id: 'powder-on-gloss',
    severity: 'warn',
    title: 'Powder will not hold on gloss',
    applies: ({ layer, glossUnder }) => layer.kind === 'powder' && glossUnder > 45,
    reason: ({ glossUnder }) => `At ${Math.round(glossUnder)} gloss units there is no tooth for powder.`,
    remedy: 'Put a matt clear under it.',
    source: HANDBOOK,
  },
  {
    id: 'powder-loose',
    severity: 'note',
    title: 'Powder lies loose',
    applies: ({ layer, above }) => layer.kind === 'powder' && !above.some(({ kind }) => kind === 'clear'),
    reason: () => 'Fingers take it off, and every later handling shows.',
    remedy: 'Leave it for last; a mist of matt clear holds it but swallows about half of its lightness.',
    source: HANDBOOK,
  },
  {
    id: 'stain-wants-light',
    severity: 'warn',
    title: 'Stain disappears over dark',
    applies: ({ layer, labUnder }) => layer.kind === 'stain' && labUnder.L < 45,
    reason: ({ labUnder }) =>
      `The base under the stain has L ${Math.round(labUnder.L)}; a stain only takes light away, so no grain will show.`,
    remedy: 'Lay a light tan base first.',
    source: 'computed: a transparent film over this base',
  },
  {
    id: 'tint-wants-gloss',
    severity: 'note',
    title: 'Tint over a dull surface',
    applies: ({ layer, glossUnder }) => layer.kind === 'tint' && glossUnder < 50,
    reason: ({ glossUnder }) =>
      `At ${Math.round(glossUnder)} gloss units under it the tint loses its depth and gathers in the grain.`,
    remedy: 'Lay it over gloss or bright metal.',
    source: HANDBOOK,
  },
  {
    id: 'tint-by-brush',
    severity: 'warn',
    title: 'Brushed tint shows every stroke',
    applies: ({ layer, stack }) =>
      layer.kind === 'tint' && layer.tool === 'brush' && stack.areaCm2 > ONE_DROP_CM2,
    reason: () => 'Where two strokes overlap the film is double and the colour twice as deep.',
    remedy: 'Spray it in passes; by brush only for lamps and sight glasses, in one drop.',
    source: 'Beer and Lambert: depth follows film',
  },
  {
    id: 'drybrush-on-gloss',
    severity: 'note',
    title: 'Dry-brush skids on gloss',
    applies: ({ layer, glossUnder }) => layer.kind === 'dry-brush' && glossUnder > 60,
    reason: ({ glossUnder }) =>
      `At ${Math.round(glossUnder)} gloss units the brush leaves streaks, not highlights.`,
    remedy: 'Dry-brush over matt or satin, then seal.',
    source: HANDBOOK,
  },
  {
    id: 'unkeyed-gloss',
    severity: 'warn',
    title: 'Water acrylic on slick gloss',
    applies: ({ family, paintBelow, below, glossUnder, layer }) =>
      family?.id === 'water-acrylic' &&
      (layer.kind === 'primer' || layer.kind === 'colour' || layer.kind === 'undercoat') &&
      paintBelow !== undefined &&
      ['urethane-2k', 'enamel', 'lacquer', 'aerosol'].includes(paintBelow.product.family) &&
      glossUnder >= 70 &&
      below?.kind !== 'key' &&
      below?.kind !== 'flat',
    reason: ({ paintBelow }) =>
      `Nothing in water acrylic bites into ${FAMILIES[paintBelow!.product.family].name}; on its gloss the film only lies there and lifts with the tape.`,
    remedy: 'Key the gloss first: add a layer “key” under it.',
    source: HANDBOOK,
  },
  {
    id: 'scuff-two-part',
    severity: 'warn',
    title: 'Two-part clear must be scuffed',
    applies: ({ product, paintBelow, below }) =>
      product !== undefined &&
      paintBelow?.product.family === 'urethane-2k' &&
      below?.kind !== 'key' &&
      below?.kind !== 'flat',
    reason: ({ family, paintBelow }) =>
      family?.id === 'urethane-2k' && paintBelow?.product.family === 'urethane-2k'
        ? 'After its first half hour two-part clear takes another coat only when it is hard and scuffed.'
        : 'Once two-part clear has set, nothing dissolves into it: what follows needs a scuffed surface, and not before a day.',
    remedy: 'Add “key” or “flat” between them.',
    source: HANDBOOK,
  },
  {
    id: 'window-overnight',
    severity: 'warn',
    title: 'The recoat window closes overnight',
    applies: ({ family, layer, stack, conditions, longestSession }) => {
      if (longestSession === undefined || layer.coats < 2 || family?.recoatUntil == null) return false;
      const between = waitBetweenCoats(layer, conditions);
      return 2 * coatMinutes(layer, stack.areaCm2) + between.from > longestSession;
    },
    reason: ({ family, layer, stack, conditions, longestSession }) => {
      const between = waitBetweenCoats(layer, conditions);
      return `Two coats of ${coatMinutes(layer, stack.areaCm2)} min and ${formatMinutes(between.from)} between them need ${formatMinutes(2 * coatMinutes(layer, stack.areaCm2) + between.from)}; the longest evening has ${formatMinutes(longestSession!)}. The window closes after ${formatMinutes(between.until!)}, so the second coat waits ${formatMinutes(family!.recoatAgain ?? family!.fullCure)}.`;
    },
    remedy:
      'Open a longer session in the calendar, paint a smaller part at a time, or take a paint without a window.',
    source: 'computed from the family’s window and the bench calendar',
  },
  {
    id: 'too-cold',
    ofTheAir: true,
    severity: 'stop',
    title: 'Too cold to cure',
    applies: ({ family, conditions }) =>
      family !== undefined &&
      conditions.temperatureC < COLD_C &&
      ['water-acrylic', 'alcohol-acrylic', 'urethane-2k', 'chrome-ink'].includes(family.id),
    reason: ({ family, conditions }) =>
      `At ${bare(conditions.temperatureC, '°C', 0)} C ${family!.name} does not ${family!.id === 'urethane-2k' ? 'cure' : 'close its film'}; it stays soft whatever the clock says.`,
    remedy: `Warm room, part and paint to ${COLD_C + 5} C or more before spraying, and keep them there overnight.`,
    source: HANDBOOK,
  },
  {
    id: 'dryer-warps',
    severity: 'stop',
    title: 'The dehydrator warps styrene',
    applies: (context) =>
      first(context) &&
      (context.conditions.dryerC ?? 0) > STYRENE_LIMIT_C &&
      context.stack.substrate.kind !== 'metal',
    reason: ({ conditions, stack }) =>
      `${stack.substrate.name} gives above about ${STYRENE_LIMIT_C} C; the dehydrator is set to ${conditions.dryerC} C.`,
    remedy: 'Set it to 40 C: that already halves every cure twice.',
    source: HANDBOOK,
  },
  {
    id: 'vinyl-stays-sticky',
    severity: 'stop',
    title: 'Never dries on vinyl',
    applies: (context) =>
      first(context) &&
      context.stack.substrate.kind === 'vinyl' &&
      ['enamel', 'lacquer', 'aerosol', 'oil-wash'].includes(context.family?.id ?? ''),
    reason: ({ family }) =>
      `Plasticiser creeps out of vinyl into ${family!.name}, which stays sticky for good.`,
    remedy: 'Use water acrylic on tyres, or a rubber part painted apart.',
    source: HANDBOOK,
  },
  {
    id: 'solvent-on-clear',
    severity: 'warn',
    title: 'Solvent fogs clear parts',
    applies: (context) =>
      first(context) &&
      context.stack.substrate.kind === 'clear' &&
      (context.family?.bite ?? 0) >= 2 &&
      (context.layer.mistCoats ?? 0) < context.layer.coats,
    reason: ({ family }) =>
      `${capital(family!.name)} crazes and fogs clear styrene, which cannot be sanded away where it is seen.`,
    remedy: 'Use water acrylic on clear parts, or mist coats from far away.',
    source: HANDBOOK,
  },
  {
    id: 'resin-unprimed',
    severity: 'warn',
    title: 'Resin without primer',
    applies: (context) =>
      first(context) &&
      context.stack.substrate.kind === 'resin' &&
      context.product !== undefined &&
      context.layer.kind !== 'primer',
    reason: () => 'Release agent and pinholes: colour peels from bare resin and shows every hole.',
    remedy: 'Wash clean, fill, and prime before colour.',
    source: HANDBOOK,
  },
  {
    id: 'metal-unprimed',
    severity: 'note',
    title: 'Bare metal without primer',
    applies: (context) =>
      first(context) &&
      context.stack.substrate.kind === 'metal' &&
      (context.layer.kind === 'colour' || context.layer.kind === 'undercoat'),
    reason: () => 'Paint chips from brass and white metal at the first bend.',
    remedy: 'Prime with a metal or hobby lacquer primer.',
    source: HANDBOOK,
  },
  {
    id: 'dissolves-wash',
    severity: 'warn',
    title: 'Clear dissolves the wash',
    applies: ({ layer, family, below }) =>
      layer.kind === 'clear' &&
      (family?.bite ?? 0) >= 2 &&
      (below?.kind === 'wash' || below?.kind === 'stain' || below?.kind === 'dry-brush') &&
      (layer.mistCoats ?? 0) === 0,
    reason: ({ family }) =>
      `A wet coat of ${family!.name} lifts what was just laid and floats it into rings.`,
    remedy: 'Begin with mist coats, or seal with water-based clear.',
    source: HANDBOOK,
  },
  {
    id: 'many-coats',
    severity: 'note',
    title: 'A great many coats',
    applies: ({ layer, product }) => product !== undefined && layer.coats > 8,
    reason: ({ layer }) =>
      `${layer.coats} coats lie one on another before the first is dry through: solvent stays in, edges round off, and it shrinks for weeks.`,
    remedy: 'Lay a nearer undercoat, or wait a day after every four coats.',
    source: HANDBOOK,
  },
];

/** The context fields that follow from the stack alone. */
export function neighbours(stack: Stack, index: number) {
  const layer = stack.layers[index]!;
  const beneath = stack.layers.slice(0, index);
  return {
    layer,
    product: isPainted(layer) ? layer.product : undefined,
    family: isPainted(layer) ? FAMILIES[layer.product.family] : undefined,
    below: beneath.at(-1),
    paintBelow: beneath.filter(isPainted).at(-1),
    above: stack.layers.slice(index + 1),
  };
}
