import type { Spectrum } from '../colour/index.ts';
import { filmReflectance } from './kubelkaMunk.ts';
import type { Film } from './film.ts';
import { EXTERNAL_REFLECTION, innerReflectance, outerReflectance, type Surface } from './surface.ts';

/** The light that a surface sends back towards its face, in 31 bands: what comes back from all sides, and what a
 *  mirror (plating, foil, flake) sends straight back. A film over it treats the two apart: scattered light is thrown
 *  about under the face and passes a tint many times, a mirror's passes it twice. */
export interface InnerLight {
  scattered: Spectrum;
  mirrored: Spectrum;
}

/** The inside of a surface known by what is measured or seen of it with the face given. `mirror`: share of that light
 *  which a mirror sends back, 0..1. */
export function innerLight(seen: Spectrum, surface: Surface, mirror = 0): InnerLight {
  return {
    scattered: seen.map((value) =>
      innerReflectance(surface.added + (1 - mirror) * Math.max(0, value - surface.added), surface),
    ),
    mirrored: seen.map((value) => {
      const straight = mirror * Math.max(0, value - surface.added);
      return straight / ((1 - EXTERNAL_REFLECTION) ** 2 + EXTERNAL_REFLECTION * straight);
    }),
  };
}

/** What is measured or seen of inner light through a face. */
export function seenThrough({ scattered, mirrored }: InnerLight, surface: Surface): number[] {
  return scattered.map((value, band) => {
    const straight = mirrored[band]!;
    return (
      outerReflectance(value, surface) +
      ((1 - EXTERNAL_REFLECTION) ** 2 * straight) / (1 - EXTERNAL_REFLECTION * straight)
    );
  });
}

/** Inner light with a film laid over it. What the film scatters of the mirror's light joins the scattered. */
export function underFilm({ scattered, mirrored }: InnerLight, { optics, thickness }: Film): InnerLight {
  const straight = mirrored.map(
    (value, band) => value * Math.exp(-2 * (optics.k[band]! + optics.s[band]!) * thickness),
  );
  return {
    scattered: scattered.map((value, band) => {
      const k = optics.k[band]!;
      const s = optics.s[band]!;
      const all = filmReflectance(k, s, thickness, Math.min(1, value + mirrored[band]!));
      // Without a mirror this is the film over its background, to the last digit.
      return mirrored[band] === 0 ? all : Math.max(0, all - straight[band]!);
    }),
    mirrored: straight,
  };
}

/** Share of what flake paint sends back that its flake sends straight, by the size of its flake in um; bare metal
 *  (foil, plating, chrome ink, metal lacquer) is nearly all mirror. Working values. */
export function mirrorShare(flakeUm: number | null | undefined, bareMetal: boolean): number {
  if (bareMetal) return 0.95;
  if (!flakeUm) return 0;
  return 0.4 + 0.3 * Math.min(1, Math.max(0, (flakeUm - 4) / 26));
}

/** Inner light of the same look of which a share is a mirror's: what a film of flake leaves. */
export function withMirror(light: InnerLight, surface: Surface, mirror: number): InnerLight {
  return mirror === 0 ? light : innerLight(seenThrough(light, surface), surface, mirror);
}
