import {
  ciede2000,
  DAYLIGHT,
  spectrumToLab,
  type Lab,
  type Spectrum,
  type ViewingCondition,
} from '../colour/index.ts';
import { filmsOver, mixOptics, opaqueSpectrum, type PaintOptics } from '../paint/index.ts';
import type { Drops } from './cup.ts';
import { normalNumber } from './opticsParameters.ts';
import { PRIORS, type OpticsFit } from './refitOptics.ts';

/** A mixture about to be sprayed and the colour it is meant to have. */
export interface Prediction {
  /** Whole drops that will fall, each with its own error. */
  drops: Drops;
  /** What is in the cup already and taken as it is, in drops. */
  cup?: Drops;
  target: { lab: Lab; uncertainty: number };
  condition?: ViewingCondition;
  /** Absent where nothing shows through. */
  film?: { thickness: number; over: Spectrum };
}

export type DoubtSource = 'target' | 'drops' | 'film' | `paint ${string}`;

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

/** Predicted difference of a mixture from its target with a 90 % band, by drawing target, paints, drops and film
 *  from their doubts; the same `random` gives the same band. */
export function predictionBand(
  fit: OpticsFit,
  prediction: Prediction,
  random: () => number,
  draws = 400,
): PredictionBand {
  const { drops, cup = {}, target, condition = DAYLIGHT, film } = prediction;
  const ids = [...new Set([...Object.keys(cup), ...Object.keys(drops)])];
  const colour = (
    optics: ReadonlyMap<string, PaintOptics>,
    shares: readonly number[],
    thickness: number,
  ): Lab => {
    const mixture = mixOptics(
      ids.map((id, i) => ({
        optics: optics.get(id)!,
        share: (cup[id] ?? 0) + (drops[id] ?? 0) * shares[i]!,
      })),
    );
    return spectrumToLab(
      film ? filmsOver(film.over, [{ optics: mixture, thickness }]) : opaqueSpectrum(mixture),
      condition,
    );
  };
  const even = ids.map(() => 1);
  const slips = () =>
    ids.length === 1
      ? even
      : ids.map((id) => Math.exp((PRIORS.drop / Math.sqrt(drops[id] ?? 1)) * normalNumber(random)));
  const films = () => (film?.thickness ?? 0) * Math.exp(PRIORS.film * normalNumber(random));
  const targets = () => shifted(target.lab, target.uncertainty / CHI3_90, random);

  const middle = colour(fit.optics, even, film?.thickness ?? 0);
  const seen = Array.from({ length: draws }, () =>
    ciede2000(targets(), colour(fit.draw(random), slips(), films())),
  ).sort((a, b) => a - b);
  const at = (share: number) => seen[Math.min(draws - 1, Math.round(share * (draws - 1)))]!;

  const alone = (source: DoubtSource, one: () => number) => {
    let squares = 0;
    for (let i = 0; i < DRAWS_PER_SOURCE; i++) squares += one() ** 2;
    return { source, dE00: Math.sqrt(squares / DRAWS_PER_SOURCE) };
  };
  const doubts = [
    alone('target', () => ciede2000(target.lab, targets())),
    ...(ids.length > 1 && Object.keys(drops).length > 0
      ? [alone('drops', () => ciede2000(middle, colour(fit.optics, slips(), film?.thickness ?? 0)))]
      : []),
    ...(film ? [alone('film', () => ciede2000(middle, colour(fit.optics, even, films())))] : []),
    ...ids.map((id) =>
      alone(`paint ${id}`, () => {
        const other = new Map(fit.optics).set(id, fit.draw(random).get(id)!);
        return ciede2000(middle, colour(other, even, film?.thickness ?? 0));
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

/** A colour moved at random by about `deviation` dE00 along lightness, chroma and hue each. */
export function shifted({ L, a, b }: Lab, deviation: number, random: () => number): Lab {
  const offset = (L - 50) ** 2;
  const chroma = Math.hypot(a, b);
  const unitL = 1 + (0.015 * offset) / Math.sqrt(20 + offset);
  const unitC = 1 + 0.045 * chroma;
  const unitH = 1 + 0.015 * chroma;
  const [x, y] = chroma > 0 ? [a / chroma, b / chroma] : [1, 0];
  const [dL, dC, dH] = [
    deviation * unitL * normalNumber(random),
    deviation * unitC * normalNumber(random),
    deviation * unitH * normalNumber(random),
  ];
  return { L: Math.min(100, Math.max(0, L + dL)), a: a + x * dC - y * dH, b: b + y * dC + x * dH };
}
