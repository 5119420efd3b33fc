import type { Lab } from './lab.ts';
import { hexToLab } from './srgb.ts';

/** Reads a colour as people type it: "L a b" in CIELAB under daylight, with points or decimal commas, or a hex of
 *  a screen. Throws RangeError that says what is wrong. */
export function typedColour(text: string): Lab {
  const given = text.trim();
  const spaced = given.split(/[\s;]+/).map((word) => word.replace(/,$/, ''));
  // "50,5 2 3": spaces part the numbers, so a comma can only be a decimal one.
  const words =
    spaced.length === 3
      ? spaced.map((word) => word.replace(',', '.'))
      : given.split(/[\s,;]+/).filter(Boolean);
  const numbers = words.map(Number);
  const likeNumbers = /^[-+\d.,;\s]+$/.test(given) && /[\s,;.+-]/.test(given);
  if (words.length > 0 && (numbers.length === 3 || likeNumbers) && numbers.every(Number.isFinite)) {
    if (numbers.length !== 3) {
      throw new RangeError(
        `A Lab colour is three numbers, L, a and b; “${given}” has ${numbers.length}. Write decimals with a point, like 50.5 2 -3.`,
      );
    }
    const [L, a, b] = numbers as [number, number, number];
    if (L < 0 || L > 100) throw new RangeError(`L must lie between 0 and 100; it is ${L}.`);
    if (Math.abs(a) > 130 || Math.abs(b) > 130) throw new RangeError('a and b lie between -130 and 130.');
    return { L, a, b };
  }
  return hexToLab(text);
}
