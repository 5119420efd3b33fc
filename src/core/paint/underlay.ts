import { BAND_COUNT } from '../colour/index.ts';
import { CARD_BLACK, CARD_WHITE } from './coatsToHide.ts';

/** What a test film is sprayed over: a drawdown card or a spoon in grey primer. */
export type Underlay = 'white' | 'black' | 'grey';

const GREY_PRIMER = 0.16;
const LEVELS: Readonly<Record<Underlay, number>> = {
  white: CARD_WHITE,
  black: CARD_BLACK,
  grey: GREY_PRIMER,
};

/** Reflectance of an underlay as it lies under a glossy film, without the shine, 31 bands. */
export function underlaySpectrum(underlay: Underlay): number[] {
  return new Array<number>(BAND_COUNT).fill(LEVELS[underlay]);
}
