import type { Point } from './readOutline.ts';

/** Points as a path of SVG that stays open, mm; rounded to so many decimals where they are given. */
export function coursePath(points: readonly Point[], decimals?: number): string {
  const scale = decimals === undefined ? 0 : 10 ** decimals;
  const mm = (value: number) => (scale > 0 ? Math.round(value * scale) / scale : value);
  return points.length === 0 ? '' : `M${points.map(([x, y]) => `${mm(x)} ${mm(y)}`).join('L')}`;
}

/** Rings as one closed path. */
export const ringsPath = (rings: readonly (readonly Point[])[], decimals?: number): string =>
  rings.map((ring) => `${coursePath(ring, decimals)}Z`).join('');
