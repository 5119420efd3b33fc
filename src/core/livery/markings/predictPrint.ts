import { possibleSpectrum, type Spectrum } from '../../colour/index.ts';
import { inkOver } from '../../paint/index.ts';
import type { MarkingFacts } from './markingRoutes.ts';

/** How a print will look, reflectance in 31 bands. */
export interface PredictedPrint {
  /** On the base as it is. */
  onBase: Spectrum;
  /** On white film, or with a white plate under it. */
  onWhite: Spectrum;
}

/** How a printed colour looks over what it lies on: transparent ink lets the light of the base through twice, opaque print
 *  looks as it does on white. Null where the ink or the base is not known. */
export function predictPrint({ ink, base }: Pick<MarkingFacts, 'ink' | 'base'>): PredictedPrint | null {
  if (!ink || !base) return null;
  const onWhite = possibleSpectrum(ink.lab);
  return { onBase: ink.transparent ? inkOver(onWhite, possibleSpectrum(base)) : onWhite, onWhite };
}
