/** Internal reflectance of a film too thick to see through, from the ratio K/S.
 *  Source: Kubelka and Munk (1931), Zeitschrift für technische Physik 12. */
export function opaqueReflectance(absorptionOverScattering: number): number {
  const ratio = absorptionOverScattering;
  return 1 + ratio - Math.sqrt(ratio * ratio + 2 * ratio);
}

/** K/S of an opaque film from its internal reflectance (0 < R <= 1); the inverse of opaqueReflectance. */
export function absorptionOverScattering(internal: number): number {
  const reflectance = Math.max(internal, 1e-4);
  return (1 - reflectance) ** 2 / (2 * reflectance);
}

/** Reflectance of a paint film over a background (Kubelka and Munk 1931, hyperbolic form).
 *  k, s: absorption and scattering per micrometre; thickness in micrometres; background reflectance 0..1.
 *  All reflectances are internal: the caller applies the surface once, at the top. */
export function filmReflectance(k: number, s: number, thickness: number, background: number): number {
  if (thickness <= 0) return background;
  if (s < 1e-9) return background * Math.exp(-2 * k * thickness);
  const a = 1 + k / s;
  const b = Math.sqrt(Math.max(a * a - 1, 1e-14));
  const optical = b * s * thickness;
  if (optical > 18) return a - b;
  const bCoth = b / Math.tanh(optical);
  return (1 - background * (a - bCoth)) / (a - background + bCoth);
}
