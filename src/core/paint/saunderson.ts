/** Share of light reflected on entering a paint film from air at near-normal incidence (n = 1.5). */
export const EXTERNAL_REFLECTION = 0.04;
/** Share of diffuse light inside the film that its surface sends back in; the usual working value. */
export const INTERNAL_REFLECTION = 0.6;

/** Measured reflectance (specular included) of a film whose internal reflectance is known.
 *  Source: Saunderson (1942), Journal of the Optical Society of America 32(12). */
export function surfaceReflectance(internal: number): number {
  return (
    EXTERNAL_REFLECTION +
    ((1 - EXTERNAL_REFLECTION) * (1 - INTERNAL_REFLECTION) * internal) / (1 - INTERNAL_REFLECTION * internal)
  );
}

/** The inverse of surfaceReflectance, held within 0..1 where a reading is below the surface reflection. */
export function internalReflectance(measured: number): number {
  const above = measured - EXTERNAL_REFLECTION;
  const internal =
    above / ((1 - EXTERNAL_REFLECTION) * (1 - INTERNAL_REFLECTION) + INTERNAL_REFLECTION * above);
  return Math.min(1, Math.max(0, internal));
}
