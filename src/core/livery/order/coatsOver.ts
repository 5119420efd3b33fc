import type { Spectrum } from '../../colour/index.ts';
import { coatsToClose, estimateOptics, GLOSSY, innerLight, type PaintOptics } from '../../paint/index.ts';

/** Dry film of an ordinary sprayed coat, um. */
const FILM_UM = 9;
/** More coats than this lose edges and lines: an undercoat is the better way. */
const MOST_COATS = 4;
const LIMIT = 12;
/** Reflectance of a white primer as it is seen. */
const WHITE = 0.75;

/** Coats that a colour takes over what lies there, and whether a white undercoat comes first. Colours are as seen through a
 *  full gloss; how well the paint hides is not known, so that of a middling one is taken. */
export function coatsOver(colour: Spectrum, under: Spectrum | null): { coats: number; undercoat: boolean } {
  const optics = middling(colour);
  const white = colour.map(() => WHITE);
  const coats = closeOver(optics, under ?? white);
  if (coats !== undefined && coats <= MOST_COATS) return { coats, undercoat: false };
  const overWhite = closeOver(optics, white);
  // Where white helps nothing, it is left away.
  const helps = overWhite !== undefined && (coats === undefined || overWhite + 1 < coats);
  return helps && under !== null
    ? { coats: overWhite, undercoat: true }
    : { coats: coats ?? LIMIT, undercoat: false };
}

const known = new WeakMap<object, PaintOptics>();
function middling(colour: Spectrum): PaintOptics {
  const optics = known.get(colour) ?? estimateOptics(colour, 'semi-opaque');
  known.set(colour, optics);
  return optics;
}

const closeOver = (optics: PaintOptics, under: Spectrum): number | undefined =>
  coatsToClose(optics, innerLight(under, GLOSSY), FILM_UM, LIMIT);
