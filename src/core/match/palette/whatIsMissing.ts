import { chroma, hueAngle, type Lab } from '../../colour/index.ts';

const HUES: [limit: number, name: string][] = [
  [18, 'pink'],
  [48, 'red'],
  [75, 'orange'],
  [105, 'yellow'],
  [170, 'green'],
  [220, 'turquoise'],
  [285, 'blue'],
  [335, 'violet'],
  [360, 'pink'],
];
const GREY_CHROMA = 8;

/** What kind of paint would bring a mixture nearer that comes no nearer by itself: the direction from the best
 *  that can be mixed to what is wanted, in a builder's words. */
export function whatIsMissing(best: Lab, wanted: Lab): string {
  const hue = hueAngle(wanted);
  const name = HUES.find(([limit]) => hue < limit)![1];
  const lightness = wanted.L - best.L;
  const vividness = chroma(wanted) - chroma(best);
  const across = Math.hypot(wanted.a - best.a, wanted.b - best.b);
  if (chroma(wanted) < GREY_CHROMA && across < Math.abs(lightness)) {
    return lightness > 0 ? 'a cleaner, whiter white' : 'a deeper, neutral black';
  }
  if (Math.abs(lightness) > across) return lightness > 0 ? `a lighter ${name}` : `a deeper ${name}`;
  if (vividness > across / 2) return `a purer, more vivid ${name}`;
  if (-vividness > across / 2) return `something that dulls: a grey, or the colour opposite to ${name}`;
  return `a ${name} of the right hue`;
}
