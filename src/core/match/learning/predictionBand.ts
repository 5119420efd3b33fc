import {
  ciede2000,
  DAYLIGHT,
  differenceUnits,
  spectrumToLab,
  type Lab,
  type ViewingCondition,
} from '../../colour/index.ts';
import type { Surface } from '../../paint/index.ts';
import type { Drops } from './cup.ts';
import { PRIORS, seenMixture, type ThinFilm } from './mixReading.ts';
import { mixDrops, normalNumber, type DroppedPaint } from './opticsParameters.ts';
import type { OpticsFit } from './refitOptics.ts';

/** A mixture about to be sprayed and the colour it is meant to have. */
export interface Prediction {
  /** Whole drops that will fall, each with its own error. */
  drops: Drops;
  /** What is in the cup already and taken as it is, in drops. */
  cup?: Drops;
  target: { lab: Lab; uncertainty: number };
  condition?: ViewingCondition;
  /** Absent where nothing shows through. */
  film?: ThinFilm;
  /** The face that target and mixture are seen with; a full gloss when absent. */
  surface?: Surface;
}

export type DoubtSource = 'target' | 'drops' | 'film' | 'model' | `paint ${string}`;

export interface PredictionBand {
  /** dE00 from the target if everything is as believed. */
  dE00: number;
  /** Nine sprayed spoons in ten have a dE00 from the real target between these. */
  low: number;
  high: number;
  /** What blurs the prediction, largest first: root mean square displacement of the colour by it alone, dE00. */
  doubts: { source: DoubtSource; dE00: number }[];
}

/** Chi distribution with three degrees of freedom: nine in ten lie below. */
const CHI3_90 = 2.5;
/** Draws for the share of each single source; enough for an order of them. */
const DRAWS_PER_SOURCE = 60;

/** What may be otherwise than believed in one draw: how the drops fell, how thick the film is, and ln of what K and S
 *  of the mixture are off by. */
interface Draw {
  slips?: Drops;
  thickness?: number;
  departure?: { k: number; s: number };
}

const NO_DEPARTURE = { k: 0, s: 0 };

/** The colour of a prediction with paints, drops, film and mixture as told. */
export function predictedLab(
  { drops, cup = {}, condition = DAYLIGHT, film, surface }: Prediction,
  optics: ReadonlyMap<string, DroppedPaint>,
  { slips = {}, thickness = film?.thickness ?? 0, departure = NO_DEPARTURE }: Draw = {},
): Lab {
  const ids = [...new Set([...Object.keys(cup), ...Object.keys(drops)])];
  const { k, s } = mixDrops(
    ids.map((id) => ({
      paint: optics.get(id)!,
      drops: (cup[id] ?? 0) + (drops[id] ?? 0) * (slips[id] ?? 1),
    })),
  );
  const mixture = {
    k: k.map((value) => value * Math.exp(departure.k)),
    s: s.map((value) => value * Math.exp(departure.s)),
  };
  return spectrumToLab(seenMixture(mixture, film && { ...film, thickness }, surface), condition);
}

/** Predicted difference of a mixture from its target with a 90 % band, by drawing target, paints, drops, film and
 *  what the model leaves out from their doubts; the same `random` gives the same band. */
export function predictionBand(
  fit: OpticsFit,
  prediction: Prediction,
  random: () => number,
  draws = 400,
): PredictionBand {
  const { drops, cup = {}, target, film } = prediction;
  const ids = [...new Set([...Object.keys(cup), ...Object.keys(drops)])];
  const alone = ids.length === 1;
  const slips = () =>
    alone
      ? {}
      : Object.fromEntries(
          Object.entries(drops).map(([id, count]) => [
            id,
            Math.exp((PRIORS.drop / Math.sqrt(count)) * normalNumber(random)),
          ]),
        );
  const films = () => (film?.thickness ?? 0) * Math.exp(PRIORS.film * normalNumber(random));
  const targets = () => shifted(target.lab, target.uncertainty / CHI3_90, random);
  // What was read of the cup holds for what stands in it; only what is added is new to the model.
  const sumOf = (counts: Drops) => Object.values(counts).reduce((sum, count) => sum + count, 0);
  const fresh = sumOf(drops) / (sumOf(drops) + sumOf(cup));
  const left = (lab: Lab) => shifted(lab, PRIORS.model * fresh, random);
  const met = PRIORS.mixing * fresh * evenness(ids.map((id) => (cup[id] ?? 0) + (drops[id] ?? 0)));
  const departures = () => ({ k: met * normalNumber(random), s: met * normalNumber(random) });

  const middle = predictedLab(prediction, fit.optics);
  const seen = Array.from({ length: draws }, () =>
    ciede2000(
      targets(),
      left(
        predictedLab(prediction, fit.draw(random), {
          slips: slips(),
          thickness: films(),
          departure: departures(),
        }),
      ),
    ),
  ).sort((a, b) => a - b);
  const at = (share: number) => seen[Math.min(draws - 1, Math.round(share * (draws - 1)))]!;

  const by = (source: DoubtSource, one: () => number) => {
    let squares = 0;
    for (let i = 0; i < DRAWS_PER_SOURCE; i++) squares += one() ** 2;
    return { source, dE00: Math.sqrt(squares / DRAWS_PER_SOURCE) };
  };
  const doubts = [
    by('target', () => ciede2000(target.lab, targets())),
    by('model', () =>
      ciede2000(middle, left(predictedLab(prediction, fit.optics, { departure: departures() }))),
    ),
    ...(!alone && Object.keys(drops).length > 0
      ? [by('drops', () => ciede2000(middle, predictedLab(prediction, fit.optics, { slips: slips() })))]
      : []),
    ...(film
      ? [by('film', () => ciede2000(middle, predictedLab(prediction, fit.optics, { thickness: films() })))]
      : []),
    ...ids.map((id) =>
      by(`paint ${id}`, () => {
        const other = new Map(fit.optics).set(id, fit.draw(random).get(id)!);
        return ciede2000(middle, predictedLab(prediction, other));
      }),
    ),
  ];
  return {
    dE00: ciede2000(target.lab, middle),
    low: at(0.05),
    high: at(0.95),
    doubts: doubts.sort((a, b) => b.dE00 - a.dE00),
  };
}

/** How evenly paints share a mixture: 1 for two in equal parts, near 0 where one prevails; root of the sum over pairs of
 *  (4 c c')^2. */
function evenness(drops: readonly number[]): number {
  const total = drops.reduce((sum, count) => sum + count, 0);
  let squares = 0;
  drops.forEach((one, at) => {
    for (const other of drops.slice(0, at)) squares += ((4 * one * other) / total ** 2) ** 2;
  });
  return Math.sqrt(squares);
}

/** A colour moved at random by about `deviation` dE00 along lightness, chroma and hue each. */
export function shifted(lab: Lab, deviation: number, random: () => number): Lab {
  const units = differenceUnits(lab);
  const dL = deviation * units.L * normalNumber(random);
  const dC = deviation * units.C * normalNumber(random);
  const dH = deviation * units.H * normalNumber(random);
  return {
    L: Math.min(100, Math.max(0, lab.L + dL)),
    a: lab.a + units.x * dC - units.y * dH,
    b: lab.b + units.y * dC + units.x * dH,
  };
}
