import type { Lab } from './lab.ts';
import { hexToLab } from './srgb.ts';

/** Reads a colour as people type it: "L a b" in CIELAB under daylight, or a hex of a screen.
 *  Throws RangeError that says what is wrong. */
export function typedColour(text: string): Lab {
  const numbers = text
    .trim()
    .split(/[\s,;]+/)
    .map(Number);
  if (numbers.length === 3 && numbers.every(Number.isFinite)) {
    const [L, a, b] = numbers as [number, number, number];
    if (L < 0 || L > 100) throw new RangeError(`L must lie between 0 and 100; it is ${L}.`);
    if (Math.abs(a) > 130 || Math.abs(b) > 130) throw new RangeError('a and b lie between -130 and 130.');
    return { L, a, b };
  }
  return hexToLab(text);
}
