/** Internal reflectance of a film too thick to see through, from the ratio K/S = q: 1 + q - sqrt(q^2 + 2q), written so
 *  that nothing cancels for dark films.
 *  Source: Kubelka and Munk (1931), Zeitschrift für technische Physik 12. */
export function opaqueReflectance(absorptionOverScattering: number): number {
  const q = absorptionOverScattering;
  return 1 / (1 + q + Math.sqrt(q * (q + 2)));
}

/** Below this internal reflectance a film is taken for as dark: L* 0.03 on a gloss. */
const DARKEST = 1e-4;

/** K/S of an opaque film from its internal reflectance (0 < R <= 1); the inverse of opaqueReflectance. */
export function absorptionOverScattering(internal: number): number {
  const reflectance = Math.max(internal, DARKEST);
  return (1 - reflectance) ** 2 / (2 * reflectance);
}

/** Reflectance of a paint film over a background (Kubelka and Munk 1931, hyperbolic form).
 *  k, s: absorption and scattering per micrometre; thickness in micrometres; background reflectance 0..1.
 *  All reflectances are internal: the caller applies the surface once, at the top. */
export function filmReflectance(k: number, s: number, thickness: number, background: number): number {
  if (thickness <= 0) return background;
  if (s < 1e-9) return background * Math.exp(-2 * k * thickness);
  const q = k / s;
  const b = Math.sqrt(q * (q + 2));
  const optical = b * s * thickness;
  const opaque = opaqueReflectance(q);
  if (optical > 18) return opaque;
  // Exponential form: the opaque film, and what of the background still shows through. 1 / opaque - opaque = 2 b.
  const through = Math.exp(-2 * optical);
  const gap = background - opaque;
  const wide = background - 1 / opaque;
  if (b < 1e-7) {
    // A film that absorbs nothing: R = (g + (1 - g) s x) / (1 + (1 - g) s x).
    const scattered = (1 - background) * s * thickness;
    return (background + scattered) / (1 + scattered);
  }
  return (wide * opaque - (gap / opaque) * through) / (wide - gap * through);
}
