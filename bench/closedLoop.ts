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
import { seededRandom } from '../src/core/plan/index.ts';
import { randomFrom, trueReflectance, type CataloguePaint } from '../src/server/devices/hiddenTruth.ts';

type SamplePaint = CataloguePaint & { family: string; role: string; container: string; flakeUm?: number };

interface SampleCode {
  id: string;
  kind: string;
  spectrum: number[];
}

const read = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`../demo/data/${name}.json`, import.meta.url), 'utf8'));
const WHITE = new Array<number>(31).fill(0.84);
/** A film that lets nothing through, um. */
const CLOSED = 2000;

export function closedLoop(
  count: number,
  seed: number,
): { spoons: number[][]; covered: number; bands: number } {
  const catalogue = (read('paints') as SamplePaint[])
    .filter(
      ({ family, role, container, flakeUm }) =>
        family === 'lacquer' && role === 'colour' && container === 'bottle' && !flakeUm,
    )
    .slice(0, 60)
    .map((paint) => ({ ...paint, uncertainty: 2 }));
  const known = new Map(catalogue.map((paint) => [paint.id, paint]));
  const spoons: number[][] = [[], [], []];
  let covered = 0;
  let bands = 0;
  for (const code of (read('codes') as SampleCode[]).filter(({ kind }) => kind === 'solid')) {
    if (spoons[0]!.length === count) break;
    const lab = spectrumToLab(code.spectrum, DAYLIGHT);
    const answer = searchRecipes(
      {
        format: 'recipe-request',
        version: 1,
        paints: catalogue,
        target: { lab: [lab.L, lab.a, lab.b] },
        maxPaints: 3,
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
      const band = predictionBand(
        fit,
        { drops: added, cup: settled, target: { lab, uncertainty: 0 } },
        seededRandom(seed + spoon),
        200,
      );
      const truth = trueReflectance({ drops: cup, filmUm: CLOSED, over: WHITE, cup: code.id }, known, seed);
      const real = ciede2000(lab, spectrumToLab(truth, DAYLIGHT));
      spoons[spoon]!.push(real);
      bands++;
      if (real >= band.low && real <= band.high) covered++;
      const noise = randomFrom('reading', code.id, spoon, seed);
      readings.push({
        drops: { ...cup },
        spectrum: truth.map((value) => value + 0.002 * normalNumber(noise)),
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
  return { spoons, covered, bands };
}

export function share(values: number[], part: number): number {
  return [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(part * values.length))]!;
}
