import type { Lab } from './lab.ts';

/** How large one dE00 is along lightness, chroma and hue at a colour, in CIELAB units, and the direction of chroma
 *  there. The rotation term of blues is left out. */
export function differenceUnits({ L, a, b }: Lab): { L: number; C: number; H: number; x: number; y: number } {
  const offset = (L - 50) ** 2;
  const chroma = Math.hypot(a, b);
  const [x, y] = chroma > 0 ? [a / chroma, b / chroma] : [1, 0];
  return {
    L: 1 + (0.015 * offset) / Math.sqrt(20 + offset),
    C: 1 + 0.045 * chroma,
    H: 1 + 0.015 * chroma,
    x,
    y,
  };
}

/** A small step from one colour to another along lightness, chroma and hue, each in dE00. */
export function offsetUnits(from: Lab, to: Lab): [number, number, number] {
  const units = differenceUnits(from);
  const da = to.a - from.a;
  const db = to.b - from.b;
  return [
    (to.L - from.L) / units.L,
    (da * units.x + db * units.y) / units.C,
    (db * units.x - da * units.y) / units.H,
  ];
}
