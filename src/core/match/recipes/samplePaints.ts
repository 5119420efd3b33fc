import { spectrumFrom } from '../../colour/index.ts';
import type { RecipePaint } from './recipeRequest.ts';

/** Uniform numbers 0..1, the same for the same seed. */
export function repeatable(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** Made-up paints with scattering that varies over the spectrum, the same for the same seed; for tests. */
export function samplePaints(count: number, seed: number): RecipePaint[] {
  const random = repeatable(seed);
  return Array.from({ length: count }, (_, index) => {
    const [centre, width, strength, base] = [
      400 + 300 * random(),
      30 + 70 * random(),
      3 * random(),
      0.004 + 0.3 * random() ** 3,
    ];
    const [scatter, tilt] = [0.1 + random(), random() - 0.5];
    return {
      id: `p${index}`,
      k: spectrumFrom((nm) => base + strength * Math.exp(-(((nm - centre) / width) ** 2))),
      s: spectrumFrom((nm) => scatter * (1 + (tilt * (nm - 550)) / 300)),
    };
  });
}
