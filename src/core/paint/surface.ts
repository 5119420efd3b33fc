import type { MeasuringGeometry } from '../colour/index.ts';

/** Share of light reflected on entering a paint film from air at near-normal incidence (n = 1.5). */
export const EXTERNAL_REFLECTION = 0.04;
/** Share of diffuse light inside the film that its surface sends back in; the usual working value. */
export const INTERNAL_REFLECTION = 0.6;

/** What the face of a film does to the light that comes out of it: R = added + through Ri / (1 - inside Ri), with Ri
 *  the reflectance inside. */
export interface Surface {
  added: number;
  through: number;
  inside: number;
}

/** Gloss at 60 degrees, gloss units (ISO 2813), from which a face throws nothing but a mirror image. */
export const FULL_GLOSS = 85;

/** Share of the reflection of the face itself that leaves the mirror direction and is seen all round: none on a full
 *  gloss, all of it on a dead matt face, evenly between. A working value: it puts a black in matt near L* 23, in satin
 *  near 18 and in semi-gloss near 12, as such blacks read without the shine. */
export function scatteredShare(gloss: number): number {
  return Math.min(1, Math.max(0, 1 - gloss / FULL_GLOSS));
}

const [K1, K2] = [EXTERNAL_REFLECTION, INTERNAL_REFLECTION];

/** The face of a film as a geometry sees it. Source: Saunderson (1942), Journal of the Optical Society of America
 *  32(12): specular included R = k1 + (1 - k1)(1 - k2) Ri / (1 - k2 Ri); excluded, and at 45:0, without the k1 but
 *  for what a dull face scatters of it. `gloss`: gloss units at 60 degrees. */
export function surfaceOf(geometry: MeasuringGeometry, gloss: number = FULL_GLOSS): Surface {
  const added = geometry === 'd:8 included' ? K1 : K1 * scatteredShare(gloss);
  return { added, through: (1 - K1) * (1 - K2), inside: K2 };
}

/** The face of a film as the eye sees it, that is at 45:0: mirror images do not count. */
export function seenSurface(gloss: number = FULL_GLOSS): Surface {
  return surfaceOf('45:0', gloss);
}

/** Seen on a full gloss, where nothing else is said. */
export const GLOSSY: Surface = seenSurface();

/** Reflectance that is measured or seen of a film whose reflectance inside is known. */
export function outerReflectance(internal: number, { added, through, inside }: Surface): number {
  return added + (through * internal) / (1 - inside * internal);
}

/** The inverse of outerReflectance, held within 0..1 where a reading is below what the face adds. */
export function innerReflectance(measured: number, { added, through, inside }: Surface): number {
  const above = measured - added;
  return Math.min(1, Math.max(0, above / (through + inside * above)));
}
