import {
  BAND_COUNT,
  bandWavelength,
  ciede2000,
  DAYLIGHT,
  spectrumToLab,
  type Spectrum,
} from '../../core/colour/index.ts';
import { normalNumber, shifted, type DoubtfulPaint } from '../../core/match/index.ts';
import {
  absorptionOverScattering,
  filmReflectance,
  innerReflectance,
  opaqueSpectrum,
  outerReflectance,
  scatteredShare,
  type PaintOptics,
  type Surface,
} from '../../core/paint/index.ts';

/** What the simulated world is drawn from; another number is another world. */
export const WORLD = 1964;

/** What the world keeps to itself, so that nothing is tested against its own assumptions: none of these ranges is what
 *  the paint model takes for granted. */
const RANGES = {
  /** Reflection of a face from outside and from inside; the model takes 0.04 and 0.6. */
  outside: [0.037, 0.049],
  inside: [0.55, 0.65],
  /** Departure of mixtures from adding up: standard deviation of the share by which K and S of equal parts of two
   *  paints are off. */
  mixing: 0.06,
  /** Standard deviation of ln of a single drop and of a film. */
  drop: 0.11,
  film: 0.13,
  /** Standard deviation of ln of a paint's drop size. */
  dropSize: 0.1,
  /** Gloss units by which a spoon's gloss is off its label. */
  gloss: 4,
} as const;

/** A paint as the catalogue has it. */
export type CataloguePaint = DoubtfulPaint;

/** A spoon, part or card that lies under the simulated reader. */
export interface SprayedSubject {
  drops: Readonly<Record<string, number>>;
  /** Dry film, um, and what is under it as a glossy film lies on it, without the shine. */
  filmUm: number;
  over: Spectrum;
  /** Gloss that the film is meant to have; full where absent. */
  gloss?: number;
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

const between = ([low, high]: readonly [number, number], random: () => number) =>
  low + (high - low) * random();

/** The faces of this world's films, seen at 45:0. */
function trueSurface(seed: number, gloss: number): Surface {
  const random = randomFrom('surface', seed);
  const outside = between(RANGES.outside, random);
  const inside = between(RANGES.inside, random);
  return { added: outside * scatteredShare(gloss), through: (1 - outside) * (1 - inside), inside };
}

const FULL = 100;

/** What a bottle really does to light, and how large its drops are: its masstone is off the catalogue's by broad bumps
 *  over the spectrum, as far as its uncertainty allows; its strength as far as that is doubted; and K over S is what
 *  this world's own faces make of the masstone. Known to the simulated devices alone. */
export function trueOptics(paint: CataloguePaint, seed: number): PaintOptics & { perDrop: number } {
  const random = randomFrom('paint', paint.id, seed);
  const bumps = Array.from({ length: 4 }, () => ({
    centre: 380 + 340 * random(),
    width: 50 + 70 * random(),
    height: normalNumber(random),
  }));
  const level = normalNumber(random);
  const bend = Array.from({ length: BAND_COUNT }, (_, band) =>
    bumps.reduce(
      (sum, { centre, width, height }) =>
        sum + height * Math.exp(-(((bandWavelength(band) - centre) / width) ** 2) / 2),
      level,
    ),
  );
  const face = spectrumToLab(opaqueSpectrum(paint), DAYLIGHT);
  // The length of three normal numbers of which nine in ten lie within the uncertainty.
  const wanted =
    (paint.uncertainty / 2.5) * Math.hypot(normalNumber(random), normalNumber(random), normalNumber(random));
  const bent = (scale: number) =>
    opaqueSpectrum({ k: paint.k.map((value, band) => value * Math.exp(scale * bend[band]!)), s: paint.s });
  let low = 0;
  let high = 1;
  for (let halving = 0; halving < 24; halving++) {
    const middle = (low + high) / 2;
    if (ciede2000(face, spectrumToLab(bent(middle), DAYLIGHT)) < wanted) low = middle;
    else high = middle;
  }
  const strength = Math.exp((paint.strengthDoubt ?? 0.08) * normalNumber(random));
  const tilt = 0.1 * normalNumber(random);
  const surface = trueSurface(seed, FULL);
  const s = paint.s.map(
    (value, band) => value * strength * Math.exp((tilt * (bandWavelength(band) - 550)) / 150),
  );
  return {
    k: bent(low).map((seen, band) => absorptionOverScattering(innerReflectance(seen, surface)) * s[band]!),
    s,
    perDrop: (paint.perDrop ?? 1) * Math.exp(RANGES.dropSize * normalNumber(random)),
  };
}

/** Optics of a mixture in this world: K and S nearly add up, but for what each two paints do to each other. */
function trueMixture(
  parts: readonly { id: string; optics: PaintOptics; share: number }[],
  seed: number,
): PaintOptics {
  const total = parts.reduce((sum, { share }) => sum + share, 0);
  let absorbs = 1;
  let scatters = 1;
  parts.forEach((one, at) => {
    for (const other of parts.slice(0, at)) {
      const random = randomFrom('pair', ...[one.id, other.id].sort(), seed);
      const met = (4 * one.share * other.share) / total ** 2;
      absorbs += RANGES.mixing * normalNumber(random) * met;
      scatters += RANGES.mixing * normalNumber(random) * met;
    }
  });
  const sum = (pick: (optics: PaintOptics) => Spectrum, factor: number) =>
    Array.from({ length: BAND_COUNT }, (_, band) =>
      parts.reduce((value, { optics, share }) => value + (factor * share * pick(optics)[band]!) / total, 0),
    );
  return { k: sum(({ k }) => k, Math.max(0.5, absorbs)), s: sum(({ s }) => s, Math.max(0.5, scatters)) };
}

/** What a builder's chip of a code really reflects at 45:0: chips were printed and sprayed at other times than the one
 *  that the code was told from, and faded since. */
export function trueChip(
  code: { id: string; spectrum: Spectrum; uncertainty: number },
  seed: number,
): number[] {
  const random = randomFrom('chip', code.id, seed);
  const lab = spectrumToLab(code.spectrum, DAYLIGHT);
  const wanted = ciede2000(lab, shifted(lab, code.uncertainty / 2.5, random));
  const level = normalNumber(random);
  const tilt = normalNumber(random);
  const moved = (scale: number) =>
    code.spectrum.map((value, band) =>
      Math.min(0.98, value * Math.exp(scale * (level + (tilt * (bandWavelength(band) - 550)) / 150))),
    );
  let low = 0;
  let high = 1;
  for (let halving = 0; halving < 24; halving++) {
    const middle = (low + high) / 2;
    if (ciede2000(lab, spectrumToLab(moved(middle), DAYLIGHT)) < wanted) low = middle;
    else high = middle;
  }
  return moved(low);
}

/** The reflectance that a sprayed subject really has at 45:0: true paints, drops as they fell, film as it built up.
 *  Throws RangeError where a paint is not in the catalogue given. */
export function trueReflectance(
  { drops, filmUm, over, gloss = FULL, cup }: SprayedSubject,
  catalogue: ReadonlyMap<string, CataloguePaint>,
  seed: number,
): number[] {
  const several = Object.keys(drops).length > 1;
  const parts = Object.entries(drops).map(([id, count]) => {
    const paint = catalogue.get(id);
    if (!paint) throw new RangeError(`There is no paint ${id} to spray.`);
    // One number for each drop, so that drops added to a cup leave those before as they fell.
    const random = randomFrom('drops', cup, id, seed);
    const { perDrop, ...optics } = trueOptics(paint, seed);
    let volume = 0;
    for (let drop = 0; drop < count; drop++)
      volume += several ? perDrop * Math.exp(RANGES.drop * normalNumber(random)) : 1;
    return { id, optics, share: volume };
  });
  const { k, s } = trueMixture(parts, seed);
  const film = filmUm * Math.exp(RANGES.film * normalNumber(randomFrom('film', cup, filmUm, seed)));
  const own = gloss >= FULL ? 0 : RANGES.gloss * normalNumber(randomFrom('gloss', cup, seed));
  const glossy = trueSurface(seed, FULL);
  const surface = trueSurface(seed, gloss + own);
  return over.map((value, band) =>
    outerReflectance(filmReflectance(k[band]!, s[band]!, film, innerReflectance(value, glossy)), surface),
  );
}
