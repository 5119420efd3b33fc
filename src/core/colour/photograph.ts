import { ciede2000 } from './ciede2000.ts';
import { describeDifference } from './describeDifference.ts';
import type { Lab } from './lab.ts';
import { linearToLab, srgbToLinear } from './srgb.ts';

/** A picture as the browser decodes it: red, green, blue, alpha, 0..255 in sRGB, row by row. */
export interface Pixels {
  data: Uint8ClampedArray;
  width: number;
  height: number;
}

/** A rectangle in the picture, in shares of its width and height, 0..1. */
export interface Region {
  x: number;
  y: number;
  width: number;
  height: number;
}

type Rgb = [number, number, number];

export interface RegionSample {
  /** Mean of the middle of the pixels in linear light, 0..1: the outer tenth on either side of lightness is left
   *  out, so that a glint or a speck of dust does not count. */
  mean: Rgb;
  /** Standard deviation of the kept pixels in linear light. */
  spread: Rgb;
  /** Share of pixels with a channel at its top (burnt out) and of those without light in any (drowned). */
  burnt: number;
  drowned: number;
  pixels: number;
}

/** Reflectance of the usual grey card. */
export const CARD_GREY = 0.18;
const LEFT_OUT = 0.1;
const BURNT = 253;
const DROWNED = 2;
const FEWEST_PIXELS = 16;
/** More pixels than this are thinned evenly: they would say nothing more about a colour. */
const MOST_PIXELS = 40_000;
/** A reference with more burnt or drowned pixels than this says nothing. */
const MOST_CLIPPED = 0.02;

const LINEAR = Float64Array.from({ length: 256 }, (_, value) => srgbToLinear(value / 255));

/** Samples a part of a picture. Throws RangeError where the part holds too few pixels. */
export function sampleRegion({ data, width, height }: Pixels, region: Region): RegionSample {
  const left = Math.max(0, Math.floor(region.x * width));
  const top = Math.max(0, Math.floor(region.y * height));
  const right = Math.min(width, Math.ceil((region.x + region.width) * width));
  const bottom = Math.min(height, Math.ceil((region.y + region.height) * height));
  const pixels = Math.max(0, right - left) * Math.max(0, bottom - top);
  if (pixels < FEWEST_PIXELS) {
    throw new RangeError(`The marked part holds ${pixels} pixels; draw it over at least ${FEWEST_PIXELS}.`);
  }
  const step = Math.max(1, Math.round(Math.sqrt(pixels / MOST_PIXELS)));
  const values: { light: number; rgb: Rgb }[] = [];
  let burnt = 0;
  let drowned = 0;
  for (let y = top; y < bottom; y += step) {
    for (let x = left; x < right; x += step) {
      const at = 4 * (y * width + x);
      const [red, green, blue] = [data[at]!, data[at + 1]!, data[at + 2]!];
      if (Math.max(red, green, blue) >= BURNT) burnt++;
      if (Math.max(red, green, blue) <= DROWNED) drowned++;
      const rgb: Rgb = [LINEAR[red]!, LINEAR[green]!, LINEAR[blue]!];
      values.push({ light: 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2], rgb });
    }
  }
  values.sort((p, q) => p.light - q.light);
  const cut = Math.floor(LEFT_OUT * values.length);
  const kept = values.slice(cut, values.length - cut);
  const mean = [0, 1, 2].map((c) => kept.reduce((sum, { rgb }) => sum + rgb[c]!, 0) / kept.length) as Rgb;
  const spread = [0, 1, 2].map((c) =>
    Math.sqrt(kept.reduce((sum, { rgb }) => sum + (rgb[c]! - mean[c]!) ** 2, 0) / kept.length),
  ) as Rgb;
  return { mean, spread, burnt: burnt / values.length, drowned: drowned / values.length, pixels };
}

/** A neutral thing of known reflectance in the picture. */
export interface CardReading {
  name: string;
  sample: RegionSample;
  /** 0..1. */
  reflectance: number;
}

export interface PhotographColour {
  lab: Lab;
  /** dE00 between the sampled patch and itself one standard deviation lighter: how even it is. */
  spread: number;
  /** Half-width of the 90 % band, dE00. */
  uncertainty: number;
  /** What makes the colour doubtful beyond the ordinary doubt of a picture. */
  warnings: string[];
}

/** What a camera does not know, dE00 at 90 %: its own idea of colours, the light of the place, glare. */
const WITHOUT_CARD = 9;
const WITH_CARD = 4.5;
const WITH_CARDS = 4;

/** Colours of patches in a picture, put right in linear light: each channel is scaled so that the cards become
 *  neutral at their reflectance; with a second card an offset (glare, a raised black) is taken out too, by least
 *  squares. Without a card the picture is taken as it is. Throws RangeError for a card that is burnt out, drowned
 *  or no lighter than another that should be darker. */
export function photographColours(
  cards: readonly CardReading[],
  patches: readonly RegionSample[],
): PhotographColour[] {
  for (const { name, sample } of cards) {
    if (sample.burnt > MOST_CLIPPED) {
      throw new RangeError(
        `The ${name} is burnt out: ${Math.round(100 * sample.burnt)} % of it is at the top of a channel, so it says nothing about the light. Mark an even part that is not, or take the picture again, darker.`,
      );
    }
    if (sample.drowned > MOST_CLIPPED) {
      throw new RangeError(`The ${name} is drowned in black. Take the picture again, lighter.`);
    }
  }
  const channels = [0, 1, 2].map((channel) => lineThrough(cards, channel));
  const base = cards.length === 0 ? WITHOUT_CARD : cards.length === 1 ? WITH_CARD : WITH_CARDS;
  return patches.map((patch) => {
    const corrected = (add: number) =>
      linearToLab(
        channels.map(({ gain, offset }, c) =>
          Math.max(0, gain * (patch.mean[c]! + add * patch.spread[c]!) + offset),
        ) as Rgb,
      );
    const lab = corrected(0);
    const spread = ciede2000(lab, corrected(1));
    const warnings: string[] = [];
    if (patch.burnt > MOST_CLIPPED)
      warnings.push(
        `${Math.round(100 * patch.burnt)} % of the patch is burnt out: the colour was lighter or more vivid than this.`,
      );
    if (patch.drowned > MOST_CLIPPED) warnings.push('Part of the patch is drowned in black.');
    if (spread > 3) warnings.push('The patch is uneven: a reflection, a shadow or two colours lie in it.');
    if (cards.length === 0) warnings.push('Without a grey card the colour of the light is unknown.');
    const clipped = patch.burnt + patch.drowned > MOST_CLIPPED ? 3 : 0;
    return { lab, spread, uncertainty: Math.hypot(base, spread, clipped), warnings };
  });
}

/** A colour in a picture against what it should be. */
export interface AgainstTarget {
  dE00: number;
  /** Half-width of the 90 % band of the difference, dE00: of the picture and of the target together. */
  uncertainty: number;
  /** More than picture and target may err: they are not the same colour. Otherwise nothing is shown, which is no proof that
   *  they are. */
  differs: boolean;
  /** Which way it lies. */
  words: string;
}

/** How a colour in a picture stands to its target; `uncertainty` of the target in dE00 at 90 %. */
export function photographAgainst(
  seen: Pick<PhotographColour, 'lab' | 'uncertainty'>,
  target: { lab: Lab; uncertainty: number },
): AgainstTarget {
  const dE00 = ciede2000(seen.lab, target.lab);
  const uncertainty = Math.hypot(seen.uncertainty, target.uncertainty);
  return { dE00, uncertainty, differs: dE00 > uncertainty, words: describeDifference(seen.lab, target.lab) };
}

/** Gain and offset of a channel that bring the cards to their reflectance. */
function lineThrough(cards: readonly CardReading[], channel: number): { gain: number; offset: number } {
  const points = cards.map(({ sample, reflectance }) => ({ seen: sample.mean[channel]!, is: reflectance }));
  if (points.length === 0) return { gain: 1, offset: 0 };
  if (points.length === 1) return { gain: points[0]!.is / Math.max(points[0]!.seen, 1e-6), offset: 0 };
  const mean = (pick: (point: (typeof points)[number]) => number) =>
    points.reduce((sum, point) => sum + pick(point), 0) / points.length;
  const [seen, is] = [mean((point) => point.seen), mean((point) => point.is)];
  const across = points.reduce((sum, point) => sum + (point.seen - seen) * (point.is - is), 0);
  const along = points.reduce((sum, point) => sum + (point.seen - seen) ** 2, 0);
  const gain = across / along;
  if (!(gain > 0) || !Number.isFinite(gain)) {
    throw new RangeError(
      'The cards contradict each other: the white is not lighter than the grey, or the black not darker. Look which part is marked as which.',
    );
  }
  return { gain, offset: is - gain * seen };
}
