import { DAYLIGHT, describeDifference, spectrumToLab, type Lab } from '../colour/index.ts';
import { opaqueSpectrum, seenSurface, type PaintOptics, type Surface } from '../paint/index.ts';
import type { FamilyId } from './families.ts';
import { SHEEN_GLOSS } from './sheen.ts';
import type { Sheen } from './stack.ts';

/** Families whose binder is a milk of tiny drops until it dries: what it scatters while wet, against the usual
 *  scattering of a covering paint of 0.2 per um of dry film; and how much the paint is let down by what will evaporate,
 *  which makes every pigment scatter a little less in a wet film. Working values; the shift of a product is learnt by
 *  looking at a spoon wet and dry. */
const WET: Partial<Record<FamilyId, { milk: number; slack: number }>> = {
  'water-acrylic': { milk: 0.012, slack: 0.96 },
  'alcohol-acrylic': { milk: 0.006, slack: 0.97 },
  lacquer: { milk: 0, slack: 0.97 },
  aerosol: { milk: 0, slack: 0.97 },
  enamel: { milk: 0, slack: 0.985 },
};
const STILL = { milk: 0, slack: 1 };
/** A wet film is a mirror, and what is in it besides binder (index about 1.4 with water, 1.46 with solvent) throws a
 *  little less back from inside than dry binder does. */
const wetFace = (outside: number, inside: number): Surface => ({
  added: 0,
  through: (1 - outside) * (1 - inside),
  inside,
});
const WATERY = wetFace(0.028, 0.54);
const SOLVENT = wetFace(0.035, 0.575);

export interface WetToDry {
  wet: Lab;
  dry: Lab;
  /** Change of L from wet to dry: below zero it dries darker. */
  lighter: number;
  /** "darker, greener"; '' where nobody would see it. */
  words: string;
}

/** How a paint looks wet and how it will look dry with its own sheen: water-based paint loses its milk and dries darker,
 *  a dull paint loses its wet shine and dries lighter. */
export function wetToDry(optics: PaintOptics, family: FamilyId, sheen: Sheen): WetToDry {
  const { milk, slack } = WET[family] ?? STILL;
  const damp: PaintOptics = { k: optics.k, s: optics.s.map((value) => slack * value + milk) };
  const wet = spectrumToLab(opaqueSpectrum(damp, milk > 0 ? WATERY : SOLVENT), DAYLIGHT);
  const dry = spectrumToLab(opaqueSpectrum(optics, seenSurface(SHEEN_GLOSS[sheen])), DAYLIGHT);
  return { wet, dry, lighter: dry.L - wet.L, words: describeDifference(dry, wet) };
}
