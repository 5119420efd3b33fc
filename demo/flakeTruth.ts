import { DAYLIGHT, spectrumToLab, type Lab, type Spectrum } from '../src/core/colour/index.ts';
import { FLAKE_ANGLES, insideFilm } from '../src/core/paint/index.ts';

/** How colours with flake look at five angles in the sample's world, which is not the model's: most flake lies flat and
 *  some across, by a lobe with longer skirts than a Gaussian; its spread differs from paint to paint, and so does the
 *  light that is scattered evenly. */
export function trueAngles(
  face: Spectrum,
  flakeUm: number,
  random: () => number,
): { degrees: number; lab: Lab }[] {
  const round = (value: number) => Number(value.toPrecision(4));
  const size = Math.min(1, Math.max(0, (flakeUm - 4) / 26));
  const spread = (16 - 4.5 * size) * (0.97 + 0.06 * random());
  const across = 0.06 + 0.04 * random();
  const even = 0.08 + 0.05 * random();
  /** A Pearson VII lobe: a Gaussian for an exponent without end. */
  const lobe = (tilt: number, width: number) => (1 + tilt ** 2 / (12 * width ** 2)) ** -6;
  const flakes = (tilt: number) => (1 - across) * lobe(tilt, spread) + across * lobe(tilt, 2 * spread);
  const middle = insideFilm(45);
  return FLAKE_ANGLES.map((degrees) => {
    const { tilt, path } = insideFilm(degrees);
    const gain = flakes(tilt) / flakes(middle.tilt);
    const seen = face.map((value) => {
      const through = Math.min(1, Math.max(1e-4, value / 0.88)) ** (path / middle.path - 1);
      return value * (even + (1 - even) * gain * through);
    });
    const { L, a, b } = spectrumToLab(seen, DAYLIGHT);
    return { degrees, lab: { L: round(Math.min(99.9, L)), a: round(a), b: round(b) } };
  });
}
