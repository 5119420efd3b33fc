import { BAND_COUNT } from '../colour/index.ts';
import { CARD_BLACK, CARD_WHITE } from './coatsToHide.ts';

/** What a test film is sprayed over: a drawdown card or a spoon in grey primer. */
export type Underlay = 'white' | 'black' | 'grey';

const GREY_PRIMER = 0.2;
const LEVELS: Readonly<Record<Underlay, number>> = {
  white: CARD_WHITE,
  black: CARD_BLACK,
  grey: GREY_PRIMER,
};

/** Measured reflectance of an underlay, 31 bands. */
export function underlaySpectrum(underlay: Underlay): number[] {
  return new Array<number>(BAND_COUNT).fill(LEVELS[underlay]);
}
