import { DAYLIGHT, possibleSpectrum, spectrumToLab, type Lab } from '../../colour/index.ts';
import { SHEEN_GLOSS, TINT_PASS_UM, TINTS, type Life, type Sheen, type TintId } from '../../finish/index.ts';
import type { EffectId } from '../choices.ts';
import { innerLight, nearestPass, seenSurface, tintPasses } from '../../paint/index.ts';

export interface EffectFacts {
  name: string;
  group: 'wood' | 'leather' | 'vinyl' | 'cloth';
  /** Of its last film. */
  sheen: Sheen;
  /** The transparent colour over the base, and its passes where no colour is wanted. */
  tint?: { id: TintId; passes: number };
  /** Share of it that lies in seams, folds or grain, and what is left of the light there. */
  creases: number;
  creaseLight: number;
  /** Repeat of its pattern on the real thing, mm. */
  patternMm: number;
  pattern: string;
  /** By hand, in order. */
  how: readonly string[];
  minutes: number;
}

/** Leather, vinyl, cloth and wood as stacks over a base colour. Shares, light and minutes are working values. */
export const EFFECT_FACTS: Readonly<Record<EffectId, EffectFacts>> = {
  'varnished-wood': {
    name: 'varnished wood',
    group: 'wood',
    sheen: 'gloss',
    tint: { id: 'orange', passes: 3 },
    creases: 0.15,
    creaseLight: 0.35,
    patternMm: 6,
    pattern: 'grain',
    how: [
      'base coat the colour of raw wood, lighter than it will end',
      'draw a nearly dry, stiff brush of dark brown along it, always the same way; two or three passes',
    ],
    minutes: 20,
  },
  'oiled-wood': {
    name: 'oiled wood',
    group: 'wood',
    sheen: 'satin',
    tint: { id: 'smoke', passes: 1 },
    creases: 0.2,
    creaseLight: 0.4,
    patternMm: 6,
    pattern: 'grain',
    how: ['base coat the colour of raw wood', 'drag brown oil along it and wipe most of it off again'],
    minutes: 18,
  },
  leather: {
    name: 'leather',
    group: 'leather',
    sheen: 'satin',
    creases: 0.08,
    creaseLight: 0.5,
    patternMm: 1.5,
    pattern: 'the grain of the hide',
    how: ['two thin coats of its colour', 'a dark wash into seams and folds only, over sealed paint'],
    minutes: 12,
  },
  'worn-leather': {
    name: 'worn leather',
    group: 'leather',
    sheen: 'satin',
    creases: 0.14,
    creaseLight: 0.4,
    patternMm: 1.5,
    pattern: 'the grain of the hide',
    how: [
      'two thin coats of its colour',
      'a dark wash into seams and folds',
      'a lighter tone dry-brushed where one sits and gets in',
    ],
    minutes: 20,
  },
  vinyl: {
    name: 'vinyl',
    group: 'vinyl',
    sheen: 'semi-gloss',
    creases: 0.03,
    creaseLight: 0.6,
    patternMm: 40,
    pattern: 'pleats',
    how: [
      'gloss colour, two thin coats',
      'semi-gloss clear over it; a pin wash in the pleats if they are deep',
    ],
    minutes: 8,
  },
  cloth: {
    name: 'cloth',
    group: 'cloth',
    sheen: 'matt',
    creases: 0.1,
    creaseLight: 0.6,
    patternMm: 2,
    pattern: 'the weave',
    how: ['two thin coats of its colour', 'a thin wash pools in folds', 'dead matt over all'],
    minutes: 10,
  },
  'ribbed-cloth': {
    name: 'ribbed cloth',
    group: 'cloth',
    sheen: 'matt',
    creases: 0.25,
    creaseLight: 0.5,
    patternMm: 12,
    pattern: 'ribs',
    how: ['its colour', 'dark wash along the ribs, wiped across them', 'dead matt over all'],
    minutes: 14,
  },
};

/** A pattern that repeats more closely than this is not told apart at a hand's breadth, mm: two minutes of arc at 250 mm. */
export const FINEST_MM = 0.15;

/** Share of the surface that is rubbed lighter, by how hard a life it had; working values. */
const WORN: Readonly<Record<Life, number>> = { showroom: 0, tidy: 0.01, working: 0.05, derelict: 0.12 };
/** Of the light that is lost, what a rubbed place gives back. */
const RUBBED = 0.35;
const MOST_PASSES = 10;

export interface EffectQuestion {
  effect: EffectId;
  base: Lab;
  /** What it is to look like; undefined for the usual passes. */
  wanted?: Lab | undefined;
  /** Set by the builder; undefined for what comes nearest. */
  passes?: number | undefined;
  life: Life;
  scale: number;
}

export interface EffectAnswer {
  /** Of its tint; 0 where it has none. */
  passes: number;
  /** As it looks from where a model is looked at: flats, seams and rubbed places together. */
  shade: Lab;
  gloss: number;
  /** From what is wanted. */
  dE00?: number;
  /** Repeat of its pattern at scale, mm, and whether it is told apart there. */
  patternMm: number;
  isTooFine: boolean;
}

/** How leather, vinyl, cloth or wood looks over a base colour: its tint pass by pass (Beer and Lambert), then seams and rubbed places
 *  by their share of the light. */
export function effectOver({ effect, base, wanted, passes, life, scale }: EffectQuestion): EffectAnswer {
  const { tint, sheen, creases, creaseLight, patternMm } = EFFECT_FACTS[effect];
  const gloss = SHEEN_GLOSS[sheen];
  const surface = seenSurface(gloss);
  const light = innerLight(possibleSpectrum(base), seenSurface());
  const k = TINTS.find(({ id }) => id === tint?.id)?.k;
  const worn = WORN[life];
  const steps = tintPasses(light, k ?? TINTS[0]!.k, TINT_PASS_UM, k ? MOST_PASSES : 0, surface).map(
    ({ passes: count, spectrum }) => {
      const seen = spectrum.map(
        (value) =>
          (1 - creases - worn) * value +
          creases * creaseLight * value +
          worn * (value + RUBBED * (1 - value) * value),
      );
      return { passes: count, spectrum: seen, lab: spectrumToLab(seen, DAYLIGHT) };
    },
  );
  const nearest = wanted && nearestPass(steps, wanted);
  const count = Math.min(steps.length - 1, passes ?? nearest?.passes ?? tint?.passes ?? 0);
  const shade = steps[count]!.lab;
  const repeat = patternMm / scale;
  return {
    passes: count,
    shade,
    gloss,
    ...(wanted ? { dE00: nearestPass([steps[count]!], wanted).dE00 } : {}),
    patternMm: repeat,
    isTooFine: repeat < FINEST_MM,
  };
}

/** Below this two neighbours read as one piece, dE00. */
export const ALIKE_DE = 1.5;
