import type { LiveryArea } from '../../kit/index.ts';
import { mirroredPath } from './startingOutlines.ts';

/** The image of an area across the upright middle of a view whose box begins at `x` and is so wide: what makes a front or a
 *  rear alike on both sides. */
export function mirrorImage(area: LiveryArea, { x, width }: { x: number; width: number }): LiveryArea {
  const across = 2 * x + width;
  // Scallops run out the other way.
  const angle = area.shape === 'scallops' ? 180 - area.angle : -area.angle;
  return {
    ...area,
    x: Math.round((across - area.x) * 100) / 100,
    angle: angle > 180 ? angle - 360 : angle === 0 ? 0 : angle,
    path: area.shape === 'path' ? mirroredPath(area.path, across) : area.path,
  };
}
