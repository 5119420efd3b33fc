import type { Lab } from '../../core/colour/index.ts';
import {
  additions,
  mixDrops,
  predictionBand,
  refitOptics,
  type Addition,
  type DoubtfulPaint,
  type MixReading,
  type PredictionBand,
} from '../../core/match/index.ts';
import { opaqueSpectrum, type Surface } from '../../core/paint/index.ts';
import { seededRandom } from '../../core/seededRandom.ts';

export interface CupAdviceQuestion {
  /** Drops in the cup now, and which of the readings is its newest spoon, if the cup is still as it was then. */
  cup: Record<string, number>;
  newest: number | undefined;
  /** Paints as believed before any reading, and every reading that has one of them. */
  paints: DoubtfulPaint[];
  readings: MixReading[];
  /** Paints that may be added. */
  candidates: string[];
  target: { lab: Lab; uncertainty: number };
  /** The face that the target is seen with. */
  surface: Surface;
  maxAdded: number;
}

/** An addition with the band of what it promises. */
export interface BandedAddition extends Addition {
  band: PredictionBand;
}

export interface CupAdvice {
  /** The cup as it is, sprayed until nothing shows through: predicted colour with its band. */
  spectrum: number[];
  now: PredictionBand;
  /** Nearest first; only additions that bring the colour nearer. */
  options: BandedAddition[];
  /** Root mean square of reflectance that the fit leaves unexplained. */
  misfit: number;
}

const SEED = 7;
const OPTIONS = 3;
/** An addition that gains less is none, dE00. */
const WORTH_ADDING = 0.1;
/** An addition of more drops must be nearer by this for each drop, dE00, or the smaller one is offered. */
const WORTH_A_DROP = 0.02;

/** What to add to a cup, worked out from everything that was read. */
export function cupAdvice({
  cup: counted,
  newest,
  paints,
  readings,
  candidates,
  target,
  surface,
  maxAdded,
}: CupAdviceQuestion): CupAdvice {
  const fit = refitOptics(paints, readings);
  // A spoon tells how the drops really fell.
  const cup = newest === undefined ? counted : fit.fallen[newest]!;
  const bandOf = (drops: Record<string, number>) =>
    predictionBand(
      fit,
      newest === undefined ? { drops: counted, target, surface } : { cup, drops, target, surface },
      seededRandom(SEED),
    );
  const mixture = mixDrops(Object.entries(cup).map(([id, drops]) => ({ paint: fit.optics.get(id)!, drops })));
  const spectrum = opaqueSpectrum(mixture, surface);
  const found = additions(
    {
      cup,
      candidates,
      optics: fit.optics,
      target: target.lab,
      surface,
      maxAdded,
      maxKinds: Math.min(3, candidates.length),
    },
    400,
  );
  const asItIs = additions({
    cup,
    candidates: [],
    optics: fit.optics,
    target: target.lab,
    surface,
    maxAdded: 0,
    maxKinds: 0,
  });
  const before = asItIs[0]!.dE00;
  const kinds = (option: Addition) => Object.keys(option.add).sort().join();
  const options: Addition[] = [];
  const worth = (option: Addition) => option.dE00 + WORTH_A_DROP * option.added;
  for (const option of found
    .filter(({ added, dE00 }) => added > 0 && dE00 < before - WORTH_ADDING)
    .sort((p, q) => worth(p) - worth(q))) {
    if (options.length === OPTIONS) break;
    if (!options.some((other) => kinds(other) === kinds(option))) options.push(option);
  }
  return {
    spectrum,
    now: bandOf({}),
    options: options.map((option) => ({ ...option, band: bandOf(option.add) })),
    misfit: fit.misfit,
  };
}
