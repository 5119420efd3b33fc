import {
  BAND_COUNT,
  bandWavelength,
  observerAt,
  type Spectrum,
  type TristimulusWeights,
} from '../../colour/index.ts';
import { surfaceOf, type Surface } from '../../paint/index.ts';

/** What a recipe request of version 1 means where it names neither light nor surface, so that its answer can be
 *  checked by plain enumeration elsewhere: reflectance measured with the shine included, and tristimulus values as
 *  plain sums over the 31 bands of the rounded D65 table that the format was defined with. */
export const EXCHANGE_SURFACE: Surface = surfaceOf('d:8 included');

const EXCHANGE_D65: Spectrum = [
  82.69, 91.42, 93.37, 86.63, 104.81, 116.96, 117.76, 114.82, 115.89, 108.78, 109.33, 107.78, 104.78, 107.68,
  104.4, 104.04, 100, 96.34, 95.79, 88.69, 90.02, 89.61, 87.71, 83.3, 83.72, 80.05, 80.24, 82.3, 78.31, 69.74,
  71.63,
];

let made: TristimulusWeights | undefined;

/** The weights of those sums, scaled to Y = 1 for the perfect reflector. */
export function exchangeWeights(): TristimulusWeights {
  if (made) return made;
  const rows = Array.from({ length: BAND_COUNT }, (_, band) => observerAt('2deg', bandWavelength(band)));
  const scale = 1 / rows.reduce((sum, { y }, band) => sum + y * EXCHANGE_D65[band]!, 0);
  const channel = (axis: 'x' | 'y' | 'z') => rows.map((row, band) => row[axis] * EXCHANGE_D65[band]! * scale);
  const [x, y, z] = [channel('x'), channel('y'), channel('z')];
  const total = (weights: Spectrum) => weights.reduce((sum, value) => sum + value, 0);
  made = { x, y, z, white: { X: total(x), Y: total(y), Z: total(z) } };
  return made;
}
