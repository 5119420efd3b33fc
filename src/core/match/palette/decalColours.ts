import {
  ciede2000,
  describeDifference,
  spectrumToLab,
  type Spectrum,
  type ViewingCondition,
} from '../../colour/index.ts';

/** How a painted colour sits beside a printed one that cannot be changed. */
export interface BesideDecal {
  dE00: number;
  /** How the paint differs from the decal, in words; '' where nothing shows. */
  words: string;
  /** sits: nobody sees two colours; seen: side by side they show; mask: paint the marking too, or the panel to it. */
  verdict: 'sits' | 'seen' | 'mask';
}

/** Two panels that touch are told apart from about one dE00, and look wrong from about two and a half. */
const SITS = 1;
const MASK = 2.5;

/** A painted colour beside a decal's, each given by its reflectance, in a light. */
export function besideDecal(paint: Spectrum, decal: Spectrum, condition: ViewingCondition): BesideDecal {
  const wanted = spectrumToLab(decal, condition);
  const got = spectrumToLab(paint, condition);
  const dE00 = ciede2000(wanted, got);
  return {
    dE00,
    words: describeDifference(got, wanted),
    verdict: dE00 < SITS ? 'sits' : dE00 < MASK ? 'seen' : 'mask',
  };
}
