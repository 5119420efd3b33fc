import {
  drillRing,
  finsOf,
  windSpring,
  type DrilledRing,
  type RingQuestion,
  type WoundSpring,
} from '../detail/index.ts';
import { tintTowards, type TintOnMetal } from '../finish/index.ts';
import type { Dressing } from './records/index.ts';

/** The tint of a fork's tubes; undefined where they stay bright. */
export const tubeTint = ({ what, tubeLook }: Dressing): TintOnMetal | undefined =>
  what === 'fork' && tubeLook !== 'bright' ? tintTowards(tubeLook) : undefined;

/** The spring of a fork; undefined where none is seen. Throws RangeError for one that cannot be wound. */
export const springOf = (dressing: Dressing): WoundSpring | undefined =>
  dressing.what === 'fork' && dressing.coils > 0
    ? windSpring({
        coils: dressing.coils,
        outsideMm: dressing.springMm,
        wireMm: dressing.springWireMm,
        lengthMm: dressing.springLengthMm,
      })
    : undefined;

/** The holes of a disc on the model; undefined where it has none. Throws RangeError for holes that cannot be. */
export function ringOf(
  { what, outerMm, innerMm, holes, rows, realHoleMm }: Dressing,
  scale: number,
): { question: RingQuestion; ring: DrilledRing } | undefined {
  if (what !== 'disc' || holes === 0) return undefined;
  const question = { outerMm, innerMm, holes, rows, holeMm: realHoleMm / scale };
  return { question, ring: drillRing(question) };
}

/** The fins of a radiator; undefined where nobody measured them. Throws RangeError for fins that cannot be. */
export const finsOfCore = ({ what, coreHeightMm, finMm, realFinMm }: Dressing, scale: number) =>
  what === 'radiator' && finMm !== null
    ? finsOf({ heightMm: coreHeightMm, pitchMm: finMm, realPitchMm: realFinMm, scale })
    : undefined;
