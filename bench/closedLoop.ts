/** The loop from target to spoon to correction, simulated: how near it comes and whether its bands hold. */
import { readFileSync } from 'node:fs';
import { ciede2000, DAYLIGHT, spectrumToLab } from '../src/core/colour/index.ts';
import {
  additions,
  normalNumber,
  predictionBand,
  refitOptics,
  searchRecipes,
  type MixReading,
} from '../src/core/match/index.ts';
import { GLOSSY, underlaySpectrum } from '../src/core/paint/index.ts';
import { seededRandom } from '../src/core/seededRandom.ts';
import {
  randomFrom,
  trueReflectance,
  type CataloguePaint,
} from '../src/server/devices/simulatedGroundTruth.ts';

type SamplePaint = CataloguePaint & { family: string; role: string; container: string; flakeUm?: number };

interface SampleCode {
  id: string;
  kind: string;
  spectrum: number[];
}

const read = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`../demo/data/${name}.json`, import.meta.url), 'utf8'));
/** A film that lets nothing through, um, and one that does. */
const CLOSED = 2000;

export interface LoopOutcome {
  spoons: number[][];
  /** Bands that held, and bands in all: of every spoon, and of the first of each cup. */
  covered: number;
  bands: number;
  firstCovered: number;
  firstBands: number;
}

export interface LoopWorld {
  seed: number;
  /** How surely paints are believed known: masstone dE00, strength. */
  uncertainty?: number;
  strengthDoubt?: number;
  /** Dry film of a spoon over white, um; a closed one when absent. */
  filmUm?: number;
  maxPaints?: number;
}

/** Cups mixed for `count` codes, each sprayed, read and corrected twice, in a world that differs from the model's. */
export function closedLoop(
  count: number,
  { seed, uncertainty = 2, strengthDoubt = 0.15, filmUm = CLOSED, maxPaints = 3 }: LoopWorld,
): LoopOutcome {
  const catalogue = (read('paints') as SamplePaint[])
    .filter(
      ({ family, role, container, flakeUm }) =>
        family === 'lacquer' && role === 'colour' && container === 'bottle' && !flakeUm,
    )
    .slice(0, 60)
    .map((paint) => ({ ...paint, uncertainty, strengthDoubt }));
  const known = new Map(catalogue.map((paint) => [paint.id, paint]));
  const over = underlaySpectrum('white');
  const thin = filmUm < CLOSED ? { thickness: filmUm, over } : undefined;
  const outcome: LoopOutcome = {
    spoons: [[], [], []],
    covered: 0,
    bands: 0,
    firstCovered: 0,
    firstBands: 0,
  };
  for (const code of (read('codes') as SampleCode[]).filter(({ kind }) => kind === 'solid')) {
    if (outcome.spoons[0]!.length === count) break;
    const lab = spectrumToLab(code.spectrum, DAYLIGHT);
    const answer = searchRecipes(
      {
        format: 'recipe-request',
        version: 1,
        paints: catalogue,
        target: { lab: [lab.L, lab.a, lab.b] },
        condition: DAYLIGHT,
        surface: GLOSSY,
        maxPaints,
        maxDrops: 20,
      },
      { keep: 1 },
    );
    const recipe = answer.best.flat().sort((p, q) => p.dE00 - q.dE00)[0]!;
    if (recipe.dE00 > 1) continue;
    let cup: Record<string, number> = { ...recipe.drops };
    /** The cup as the last fit believes it, and what went in since. */
    let settled: Record<string, number> = {};
    let added: Record<string, number> = { ...recipe.drops };
    const paints = Object.keys(cup).map((id) => known.get(id)!);
    const readings: MixReading[] = [];
    let fit = refitOptics(paints, readings);
    for (let spoon = 0; spoon < 3; spoon++) {
      const film = thin && { film: thin };
      const band = predictionBand(
        fit,
        { drops: added, cup: settled, target: { lab, uncertainty: 0 }, ...film },
        seededRandom(seed + spoon),
        200,
      );
      const truth = trueReflectance({ drops: cup, filmUm, over, cup: code.id }, known, seed);
      const real = ciede2000(lab, spectrumToLab(truth, DAYLIGHT));
      const held = real >= band.low && real <= band.high ? 1 : 0;
      outcome.spoons[spoon]!.push(real);
      outcome.bands++;
      outcome.covered += held;
      if (spoon === 0) {
        outcome.firstBands++;
        outcome.firstCovered += held;
      }
      const noise = randomFrom('reading', code.id, spoon, seed);
      readings.push({
        drops: { ...cup },
        spectrum: truth.map((value) => Math.max(0, value + 0.0012 * normalNumber(noise))),
        ...film,
      });
      fit = refitOptics(paints, readings);
      const [best] = additions({
        cup: fit.fallen.at(-1)!,
        candidates: Object.keys(cup),
        optics: fit.optics,
        target: lab,
        maxAdded: 12,
        maxKinds: 3,
      });
      settled = fit.fallen.at(-1)!;
      added = best!.add;
      cup = Object.fromEntries(Object.entries(cup).map(([id, drops]) => [id, drops + (best!.add[id] ?? 0)]));
    }
  }
  return outcome;
}

export function share(values: number[], part: number): number {
  return [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(part * values.length))]!;
}
