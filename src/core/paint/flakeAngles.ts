import type { Lab } from '../colour/index.ts';

/** Angles from the mirror direction at which metallic and pearl colours are read (ASTM E2194, with 25 degrees
 *  as in DIN 6175-2), degrees. */
export const FLAKE_ANGLES = [15, 25, 45, 75, 110] as const;

/** How fast the light of flakes that lie almost flat falls away from the mirror direction, degrees. */
const LOBE = 26;
/** Coarser flake lies flatter and flashes more; between these sizes, um. */
const FINE = 4;
const COARSE = 30;

/** Colour of a paint with flake at the five angles, from its colour at 45 degrees and the size of its flake, um;
 *  a paint without flake looks the same at all. A working model (an exponential lobe of flake that lies flat,
 *  deeper for coarser flake), for telling paints apart where nobody has read them at angles: half the flop of a
 *  real paint depends on how it was sprayed. */
export function flakeAngles(face: Lab, flakeUm: number | null): { degrees: number; lab: Lab }[] {
  const size = flakeUm === null ? 0 : (Math.min(COARSE, Math.max(FINE, flakeUm)) - FINE) / (COARSE - FINE);
  const flop = flakeUm === null ? 0 : 0.45 + 0.3 * size;
  return FLAKE_ANGLES.map((degrees) => {
    const lobe = Math.exp(-(degrees - 45) / LOBE) - 1;
    const lift = 1 + flop * lobe * (degrees < 45 ? 0.55 : 0.75);
    const chroma = 1 + 0.25 * flop * (1 - Math.abs(degrees - 45) / 65);
    const straight = flakeUm === null ? 1 : chroma / (1 + 0.25 * flop);
    return { degrees, lab: { L: Math.min(100, face.L * lift), a: face.a * straight, b: face.b * straight } };
  });
}
