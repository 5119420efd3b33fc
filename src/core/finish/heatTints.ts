import { chroma, ciede2000, DAYLIGHT, hueAngle, spectrumToLab, type Lab } from '../colour/index.ts';
import {
  HOT_METALS,
  oxideReflectance,
  oxideThickness,
  pipeTemperature,
  GLOSSY,
  innerLight,
  mirrorShare,
  tintPasses,
  type HotPipe,
} from '../paint/index.ts';
import { TINTS, type TintId } from './tints.ts';

/** A stretch of a pipe that takes one clear tint. */
export interface HeatTintStep {
  tint: TintId;
  name: string;
  /** From and to, mm from the port, with the overlap into its neighbours. */
  fromMm: number;
  toMm: number;
  passes: number;
}

export interface HeatTintPlan {
  /** Colour along the pipe, port first. */
  along: { mm: number; celsius: number; oxideNm: number; spectrum: number[]; lab: Lab }[];
  /** In the order of spraying: the coolest and palest first, which runs on under the hotter ones. */
  steps: HeatTintStep[];
}

const POINTS = 60;
/** A tint runs over this share of the next stretch. */
const OVERLAP = 0.3;
/** A tint that shows less than this is left out. */
const LEAST_CHROMA = 5;
/** Dry film of a light pass, um. */
export const HEAT_PASS_UM = 4;
const MOST_PASSES = 16;
/** Passes stop when so much of the way to the colour is gone: the rest darkens more than it tints. */
const FAR_ENOUGH = 0.75;

/** The clear tint that stands for a colour of hot metal. */
function tintFor(lab: Lab): TintId | undefined {
  if (chroma(lab) < LEAST_CHROMA) return undefined;
  const hue = hueAngle(lab);
  if (hue >= 62 && hue < 130) return 'yellow';
  if (hue >= 20 && hue < 62) return 'orange';
  if (hue >= 300 || hue < 20) return 'purple';
  return 'blue';
}

/** Heat colours along a pipe and the clear tints that paint them. Throws RangeError for a pipe without length or a
 *  port colder than the air or beyond what an exhaust stands. */
export function heatTints(pipe: HotPipe): HeatTintPlan {
  const { lengthMm, portC, scale, coolingMm, metal } = pipe;
  if (!(lengthMm > 0 && lengthMm <= 1000)) throw new RangeError('The pipe needs a length of up to 1000 mm.');
  if (!(portC >= 25 && portC <= 1000)) throw new RangeError('The port must lie between 25 and 1000 C.');
  if (!(scale >= 1) || !(coolingMm > 0)) throw new RangeError('Scale and cooling must lie above zero.');
  const along = Array.from({ length: POINTS }, (_, at) => {
    const mm = (lengthMm * at) / (POINTS - 1);
    const celsius = pipeTemperature(pipe, mm);
    const oxideNm = oxideThickness(metal, celsius);
    const spectrum = oxideReflectance(metal, oxideNm);
    return { mm, celsius, oxideNm, spectrum, lab: spectrumToLab(spectrum, DAYLIGHT) };
  });
  const stretches: { tint: TintId; from: number; to: number }[] = [];
  along.forEach(({ lab }, at) => {
    const tint = tintFor(lab);
    if (!tint) return;
    const last = stretches.at(-1);
    if (last?.tint === tint && last.to === at - 1) last.to = at;
    else stretches.push({ tint, from: at, to: at });
  });
  const bare = oxideReflectance(metal, 0);
  const one = lengthMm / (POINTS - 1);
  /** How far a tint runs into a neighbour, mm. */
  const into = (neighbour: (typeof stretches)[number] | undefined) =>
    neighbour ? one + OVERLAP * one * (neighbour.to - neighbour.from + 1) : 0;
  const steps = stretches
    .map(({ tint, from, to }, index): HeatTintStep => {
      const { name, k } = TINTS.find(({ id }) => id === tint)!;
      const middle = along[Math.round((from + to) / 2)]!;
      const passed = tintPasses(
        innerLight(bare, GLOSSY, mirrorShare(null, true)),
        k,
        HEAT_PASS_UM,
        MOST_PASSES,
      );
      const away = passed.map(({ lab }) => ciede2000(middle.lab, lab));
      const enough = away[0]! - FAR_ENOUGH * (away[0]! - Math.min(...away));
      const passes = Math.max(
        1,
        away.findIndex((dE00) => dE00 <= enough),
      );
      return {
        tint,
        name,
        fromMm: Math.max(0, along[from]!.mm - into(stretches[index - 1])),
        toMm: Math.min(lengthMm, along[to]!.mm + into(stretches[index + 1])),
        passes,
      };
    })
    .reverse();
  return { along, steps };
}

/** A restrained pipe: enough heat for straw and a breath of blue at the port. */
export const RESTRAINED: Record<HotPipe['metal'], number> = { stainless: 530, steel: 292, titanium: 480 };

/** The metals that a pipe may be of. */
export const PIPE_METALS = HOT_METALS.map(({ id, name }) => ({ id, name }));
