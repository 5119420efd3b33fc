import { BAND_COUNT, DAYLIGHT, spectrumToLab, type Lab } from '../colour/index.ts';
import { nearestTintOver, platedLight, TINT_PASS_UM, TINTS, type TintOnMetal } from '../finish/index.ts';
import { GLOSSY, innerLight, mirrorShare, seenThrough, tintPasses, type InnerLight } from '../paint/index.ts';
import { colourSaid } from './colourSaid.ts';
import type { Lamp, Reflector } from './records/index.ts';

/** Light of plain silver paint, and of a pale plastic without a reflector; working values. */
const SILVER = { seen: 0.52, flakeUm: 15 };
const PALE = 0.7;
const even = (value: number) => new Array<number>(BAND_COUNT).fill(value);

function lightBehind(reflector: Reflector): InnerLight {
  if (reflector === 'silver')
    return innerLight(even(SILVER.seen), GLOSSY, mirrorShare(SILVER.flakeUm, false));
  return reflector === 'none' ? innerLight(even(PALE), GLOSSY) : platedLight();
}

export interface LampAnswer {
  /** As it looks, over its reflector. */
  shade: Lab;
  /** What makes its colour; absent for a clear lamp. */
  tint?: TintOnMetal;
}

/** The transparent colour over a reflector that comes nearest to the light of a lamp. Throws RangeError for a colour that is none. */
export function lampOf({ reflector, colour }: Lamp): LampAnswer {
  const base = lightBehind(reflector);
  const wanted = colourSaid(colour, 'The colour of the lamp');
  if (!wanted) return { shade: spectrumToLab(seenThrough(base, GLOSSY), DAYLIGHT) };
  const tint = nearestTintOver(base, wanted);
  const { k } = TINTS.find(({ id }) => id === tint.tint)!;
  return { tint, shade: tintPasses(base, k, TINT_PASS_UM, tint.passes).at(-1)!.lab };
}
