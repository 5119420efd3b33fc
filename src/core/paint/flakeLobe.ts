import { DAYLIGHT, spectrumToLab, type Lab, type Spectrum } from '../colour/index.ts';

/** Angles from the mirror direction at which metallic and pearl colours are read (ASTM E2194, with 25 degrees
 *  as in DIN 6175-2), degrees; the light falls in at 45. */
export const FLAKE_ANGLES = [15, 25, 45, 75, 110] as const;
export type FlakeAngle = (typeof FLAKE_ANGLES)[number];

const INCIDENCE = 45;
const FILM_INDEX = 1.5;
const RADIANS = Math.PI / 180;
/** Reflectance of the bare flake, aluminium or mica's white. */
const FLAKE_REFLECTANCE = 0.85;
/** Between these sizes of flake the spread of their tilt changes, um. */
const FINE = 4;
const COARSE = 30;

/** How flake lies in a film: standard deviation of its tilt for fine and for coarse flake, degrees, and the share of
 *  the light at 45 degrees that comes from flake. */
export interface FlakeLobe {
  fineTilt: number;
  coarseTilt: number;
  share: number;
}

/** Fitted to half of the metallics of the sample catalogue; see flakeLobe.test.ts. */
export const USUAL_LOBE: FlakeLobe = { fineTilt: 16.6, coarseTilt: 11.9, share: 0.81 };

const inside = (degrees: number) => Math.asin(Math.sin(degrees * RADIANS) / FILM_INDEX) / RADIANS;

/** Where light and eye stand inside the film for an angle from the mirror direction: tilt of the flakes that send the
 *  one to the other, degrees, and the way through the binder, in film thicknesses. */
export function insideFilm(fromMirror: number): { tilt: number; path: number } {
  const light = inside(INCIDENCE);
  const eye = inside(INCIDENCE - fromMirror);
  return {
    tilt: Math.abs(light - eye) / 2,
    path: 1 / Math.cos(light * RADIANS) + 1 / Math.cos(eye * RADIANS),
  };
}

/** How much brighter flake is at an angle than at 45 degrees: a Gaussian of its tilt. */
export function lobeGain(fromMirror: number, tiltDeviation: number): number {
  const { tilt } = insideFilm(fromMirror);
  const { tilt: face } = insideFilm(45);
  return Math.exp((face ** 2 - tilt ** 2) / (2 * tiltDeviation ** 2));
}

/** What is seen of a film of flake at an angle: `share` of its light at 45 degrees comes from flake and follows the
 *  lobe, having passed the binder both ways, more of it the flatter it is seen; the rest is scattered evenly. */
export function flakeSpectrum(
  face: Spectrum,
  fromMirror: number,
  tiltDeviation: number,
  share: number,
): number[] {
  const gain = lobeGain(fromMirror, tiltDeviation);
  const longer = insideFilm(fromMirror).path / insideFilm(45).path;
  return face.map((value) => {
    // The binder lets through what is left of the bare flake, each way.
    const tint = Math.min(1, Math.max(1e-4, value / FLAKE_REFLECTANCE));
    return Math.min(1.5, value * (1 - share + share * gain * tint ** (longer - 1)));
  });
}

/** Colour of a paint with flake at the five angles, from how it looks at 45 degrees (31 bands) and the size of its
 *  flake, um; a paint without flake looks the same at all. Indicative: how flat flake lies depends on how wet it was
 *  sprayed. L is held to 100, as instruments that read surfaces report it. */
export function flakeAngles(
  face: Spectrum,
  flakeUm: number | null,
  lobe: FlakeLobe = USUAL_LOBE,
): { degrees: FlakeAngle; lab: Lab }[] {
  return FLAKE_ANGLES.map((degrees) => {
    const seen = flakeUm === null ? face : flakeSpectrum(face, degrees, tiltOf(flakeUm, lobe), lobe.share);
    const lab = spectrumToLab(seen, DAYLIGHT);
    return { degrees, lab: { ...lab, L: Math.min(100, lab.L) } };
  });
}

/** Coarser flake lies flatter. */
function tiltOf(flakeUm: number, { fineTilt, coarseTilt }: FlakeLobe): number {
  const size = (Math.min(COARSE, Math.max(FINE, flakeUm)) - FINE) / (COARSE - FINE);
  return fineTilt + size * (coarseTilt - fineTilt);
}

/** A paint with flake that was read at all angles. */
export interface FlakeSample {
  face: Spectrum;
  flakeUm: number;
  angles: readonly { degrees: number; lab: Lab }[];
}

/** The lobe that explains readings at angles best: least squares of CIELAB over all of them, by halving steps along
 *  each of its three numbers. Throws RangeError without a sample. */
export function fitFlakeLobe(samples: readonly FlakeSample[]): FlakeLobe {
  if (samples.length === 0) throw new RangeError('There is no paint with flake to fit to.');
  const off = (lobe: FlakeLobe) =>
    samples.reduce(
      (sum, { face, flakeUm, angles }) =>
        sum +
        flakeAngles(face, flakeUm, lobe).reduce((one, { degrees, lab }) => {
          const read = angles.find((other) => other.degrees === degrees)?.lab;
          return read ? one + (lab.L - read.L) ** 2 + (lab.a - read.a) ** 2 + (lab.b - read.b) ** 2 : one;
        }, 0),
      0,
    );
  let best = USUAL_LOBE;
  let least = off(best);
  for (let step = 1; step > 0.01; step /= 2) {
    for (let moved = true; moved;) {
      moved = false;
      for (const change of [
        { fineTilt: 4 * step },
        { fineTilt: -4 * step },
        { coarseTilt: 4 * step },
        { coarseTilt: -4 * step },
        { share: 0.2 * step },
        { share: -0.2 * step },
      ]) {
        const next = {
          fineTilt: Math.max(4, best.fineTilt + (change.fineTilt ?? 0)),
          coarseTilt: Math.max(4, best.coarseTilt + (change.coarseTilt ?? 0)),
          share: Math.min(1, Math.max(0, best.share + (change.share ?? 0))),
        };
        const sum = off(next);
        if (sum < least - 1e-9) {
          best = next;
          least = sum;
          moved = true;
        }
      }
    }
  }
  return best;
}
