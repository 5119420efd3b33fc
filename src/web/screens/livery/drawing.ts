import { boxAround, readOutline, ringsPath, type Box, type Point } from '../../../core/livery/index.ts';
import type { LiveryView } from '../../../core/kit/index.ts';

/** Rings as a path of SVG. */
export const pathOf = (rings: readonly (readonly Point[])[]): string => ringsPath(rings, 2);

/** The box around the outline of a view, mm; a small one where there is none. */
export const boxOf = ({ outline }: Pick<LiveryView, 'outline'>): Box =>
  boxAround(readOutline(outline).rings) ?? { x: 0, y: 0, width: 100, height: 50 };

const MARGIN = 0.04;

/** What is seen of a view: its box with some room around it, as SVG says it. */
export function frameOf(view: Pick<LiveryView, 'outline'>): string {
  const { x, y, width, height } = boxOf(view);
  const margin = MARGIN * Math.max(width, height);
  return `${x - margin} ${y - margin} ${width + 2 * margin} ${height + 2 * margin}`;
}
