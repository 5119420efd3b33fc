import { ciede2000, DAYLIGHT, spectrumToLab, type Lab } from '../colour/index.ts';
import { seenThrough, underFilm, type InnerLight } from './lightPath.ts';
import type { PaintOptics } from './film.ts';
import { filmsOver, opaqueSpectrum } from './optics.ts';
import { GLOSSY, type Surface } from './surface.ts';

/** Reflectance of the black and white of a varnished drawdown card, without the shine. */
export const CARD_BLACK = 0.005;
export const CARD_WHITE = 0.8;

/** A film hides when black and white under it cannot be told apart: dE00 below this. */
export const HIDING_DIFFERENCE = 0.5;

/** dE00 (D65, 2 degree) between the film over the black and over the white of a card; thickness in um. */
export function contrastOverCard(optics: PaintOptics, thickness: number): number {
  const over = (background: number) =>
    spectrumToLab(
      filmsOver(new Array<number>(optics.k.length).fill(background), [{ optics, thickness }]),
      DAYLIGHT,
    );
  return ciede2000(over(CARD_BLACK), over(CARD_WHITE));
}

/** Fewest coats of a given dry film (um) that hide black and white alike; undefined above the limit. */
export function coatsToHide(optics: PaintOptics, filmPerCoat: number, limit = 40): number | undefined {
  for (let coats = 1; coats <= limit; coats++) {
    if (contrastOverCard(optics, coats * filmPerCoat) < HIDING_DIFFERENCE) return coats;
  }
  return undefined;
}

export interface CoatStep {
  coats: number;
  spectrum: number[];
  lab: Lab;
  /** dE00 from the colour of the same paint laid so thick that nothing shows through. */
  fromFull: number;
}

/** The colour after some coats of a film over an undercoat given by its inner light, seen through a face; `full` is
 *  the colour of the paint laid thick. */
function afterCoats(
  coats: number,
  optics: PaintOptics,
  undercoat: InnerLight,
  filmPerCoat: number,
  surface: Surface,
  full: Lab,
): CoatStep {
  const spectrum = seenThrough(underFilm(undercoat, { optics, thickness: coats * filmPerCoat }), surface);
  const lab = spectrumToLab(spectrum, DAYLIGHT);
  return { coats, spectrum, lab, fromFull: ciede2000(lab, full) };
}

/** The colour after each coat from none to `coats`, over an undercoat given by its inner light, seen through a face. */
export function coatByCoat(
  optics: PaintOptics,
  undercoat: InnerLight,
  filmPerCoat: number,
  coats: number,
  surface: Surface = GLOSSY,
): CoatStep[] {
  const full = spectrumToLab(opaqueSpectrum(optics, surface), DAYLIGHT);
  return Array.from({ length: coats + 1 }, (_, count) =>
    afterCoats(count, optics, undercoat, filmPerCoat, surface, full),
  );
}

/** Fewest coats after which one more coat could not be told from nothing: within the hiding difference of
 *  the full colour, over this undercoat; undefined above the limit. */
export function coatsToClose(
  optics: PaintOptics,
  undercoat: InnerLight,
  filmPerCoat: number,
  limit = 40,
): number | undefined {
  const full = spectrumToLab(opaqueSpectrum(optics), DAYLIGHT);
  for (let coats = 1; coats <= limit; coats++) {
    const { fromFull } = afterCoats(coats, optics, undercoat, filmPerCoat, GLOSSY, full);
    if (fromFull < HIDING_DIFFERENCE) return coats;
  }
  return undefined;
}
