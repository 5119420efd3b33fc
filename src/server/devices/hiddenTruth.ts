import { bandWavelength, type Spectrum } from '../../core/colour/index.ts';
import { logDeviation, normalNumber, PRIORS } from '../../core/match/index.ts';
import { filmsOver, mixOptics, type PaintOptics } from '../../core/paint/index.ts';

/** What the simulated world is drawn from; another number is another world. */
export const WORLD = 1964;

/** A paint as the catalogue has it. */
export interface CataloguePaint extends PaintOptics {
  id: string;
  uncertainty: number;
}

/** A spoon, part or card that lies under the simulated reader. */
export interface SprayedSubject {
  drops: Readonly<Record<string, number>>;
  /** Dry film, um, and what is under it. */
  filmUm: number;
  over: Spectrum;
  /** Tells this cup from another with the same drops. */
  cup: string;
}

/** Uniform numbers 0..1 that depend on the words alone (splitmix32 over an FNV-1a hash). */
export function randomFrom(...words: (string | number)[]): () => number {
  let state = 0x811c9dc5;
  for (const character of words.join('\u0000')) {
    state = Math.imul(state ^ character.codePointAt(0)!, 0x01000193);
  }
  return () => {
    state = (state + 0x9e3779b9) | 0;
    let mixed = state ^ (state >>> 16);
    mixed = Math.imul(mixed, 0x21f0aaad);
    mixed ^= mixed >>> 15;
    mixed = Math.imul(mixed, 0x735a2d97);
    mixed ^= mixed >>> 15;
    return (mixed >>> 0) / 2 ** 32;
  };
}

/** What a bottle really does to light: the catalogue's optics bent by broad bumps over the spectrum, as far as its
 *  uncertainty allows. Known to the simulated devices alone. */
export function trueOptics(paint: CataloguePaint, seed: number): PaintOptics {
  const random = randomFrom('paint', paint.id, seed);
  const sigma = logDeviation(paint.uncertainty);
  const bumps = Array.from({ length: 4 }, () => ({
    centre: 380 + 340 * random(),
    width: 50 + 70 * random(),
    height: 0.75 * sigma * normalNumber(random),
  }));
  const level = 0.6 * sigma * normalNumber(random);
  const scatter = 0.6 * sigma * normalNumber(random);
  const tilt = 0.4 * sigma * normalNumber(random);
  const bend = (nm: number) =>
    bumps.reduce(
      (sum, { centre, width, height }) => sum + height * Math.exp(-(((nm - centre) / width) ** 2) / 2),
      level,
    );
  return {
    k: paint.k.map((value, band) => value * Math.exp(bend(bandWavelength(band)))),
    s: paint.s.map((value, band) => value * Math.exp(scatter + (tilt * (bandWavelength(band) - 550)) / 150)),
  };
}

/** What a builder's chip of a code really reflects: chips were printed and sprayed at other times than the one that
 *  the code was told from, and faded since. */
export function trueChip(
  code: { id: string; spectrum: Spectrum; uncertainty: number },
  seed: number,
): number[] {
  const random = randomFrom('chip', code.id, seed);
  const sigma = logDeviation(code.uncertainty);
  const level = 0.5 * sigma * normalNumber(random);
  const tilt = 0.5 * sigma * normalNumber(random);
  return code.spectrum.map((value, band) =>
    Math.min(0.98, value * Math.exp(level + (tilt * (bandWavelength(band) - 550)) / 150)),
  );
}

/** The reflectance that a sprayed subject really has: true paints, drops as they fell, film as it built up.
 *  Throws RangeError where a paint is not in the catalogue given. */
export function trueReflectance(
  { drops, filmUm, over, cup }: SprayedSubject,
  catalogue: ReadonlyMap<string, CataloguePaint>,
  seed: number,
): number[] {
  const several = Object.keys(drops).length > 1;
  const parts = Object.entries(drops).map(([id, count]) => {
    const paint = catalogue.get(id);
    if (!paint) throw new RangeError(`There is no paint ${id} to spray.`);
    // One number for each drop, so that drops added to a cup leave those before as they fell.
    const random = randomFrom('drops', cup, id, seed);
    let volume = 0;
    for (let drop = 0; drop < count; drop++)
      volume += several ? Math.exp(PRIORS.drop * normalNumber(random)) : 1;
    return { optics: trueOptics(paint, seed), share: volume };
  });
  const film = filmUm * Math.exp(PRIORS.film * 0.6 * normalNumber(randomFrom('film', cup, filmUm, seed)));
  return filmsOver(over, [{ optics: mixOptics(parts), thickness: film }]);
}
