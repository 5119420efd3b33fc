import type { CodeRecord, PaintRecord } from '../../../api/index.ts';
import { ciede2000, DAYLIGHT, spectrumToLab, type IlluminantId } from '../../../core/colour/index.ts';
import type { Product } from '../../../core/finish/index.ts';
import { resolveMix, type Mix, type ProductIndex } from '../../../core/kit/index.ts';
import { nearestPaints, type RecipeAnswer } from '../../../core/match/index.ts';
import { opaqueSpectrum } from '../../../core/paint/index.ts';

/** An answer to the colour wanted: a paint as it comes or a recipe. */
export interface Candidate {
  key: string;
  mix: Mix;
  product: Product;
  spectrum: number[];
  /** dE00 in daylight. */
  dE00: number;
  drops: number;
}

/** A recipe this much farther off than the best is no answer. */
const WORTH_SHOWING = 2.5;

const condition = (illuminant: IlluminantId) => ({ illuminant, observer: '2deg' as const });

/** Difference from the wanted colour in a light. */
export function differenceIn(
  light: IlluminantId,
  spectrum: readonly number[],
  target: readonly number[],
): number {
  return ciede2000(spectrumToLab(target, condition(light)), spectrumToLab(spectrum, condition(light)));
}

export function targetUncertainty(code: CodeRecord): number {
  return code.sources.find(({ inForce }) => inForce)?.uncertainty ?? 4;
}

function candidate(mix: Mix, code: CodeRecord, products: ProductIndex): Candidate[] {
  const product = resolveMix(mix, products);
  if (!product) return [];
  const spectrum = opaqueSpectrum(product.optics);
  const drops = Object.values(mix).reduce((sum, count) => sum + count, 0);
  return [
    {
      key: Object.entries(mix)
        .map(([id, count]) => `${id}:${count}`)
        .join('+'),
      mix,
      product,
      spectrum,
      drops,
      dE00: ciede2000(spectrumToLab(code.spectrum, DAYLIGHT), spectrumToLab(spectrum, DAYLIGHT)),
    },
  ];
}

/** The nearest single paints. */
export function nearestCandidates(
  code: CodeRecord,
  pool: readonly PaintRecord[],
  products: ProductIndex,
  count: number,
): Candidate[] {
  const spectra = pool.map((paint) => ({ id: paint.id, spectrum: opaqueSpectrum(paint) }));
  return nearestPaints(spectra, code.spectrum, DAYLIGHT, count).flatMap(({ id }) =>
    candidate({ [id]: 1 }, code, products),
  );
}

/** A few recipes that differ in their paints, each worth its extra bottle, fewest paints first. */
export function recipeCandidates(
  best: RecipeAnswer['best'],
  code: CodeRecord,
  products: ProductIndex,
  count: number,
): Candidate[] {
  const chosen: { mix: Mix; dE00: number }[] = [];
  const paintsOf = (mix: Mix) => Object.keys(mix).sort().join();
  const take = (list: RecipeAnswer['best'][number], most: number) => {
    let taken = 0;
    for (const { drops, dE00 } of list) {
      if (taken === most || chosen.some(({ mix }) => paintsOf(mix) === paintsOf(drops))) continue;
      chosen.push({ mix: drops, dE00 });
      taken++;
    }
  };
  best.slice(1).forEach((list) => take(list, 2));
  const nearest = Math.min(...chosen.map(({ dE00 }) => dE00));
  return chosen
    .filter(({ dE00 }) => dE00 <= nearest + WORTH_SHOWING)
    .sort((a, b) => a.dE00 - b.dE00)
    .slice(0, count)
    .flatMap(({ mix }) => candidate(mix, code, products));
}
