import type { LiveryArea, ViewSide } from '../../kit/index.ts';
import type { Box } from '../geometry/readOutline.ts';
import { flippedPath, mirroredPath } from './startingOutlines.ts';

/** From above a model lies along its view: what is alike on both sides is mirrored about a line from front to rear. */
export const isAlong = (side: ViewSide): boolean => side === 'top';

const hundredth = (mm: number): number => Math.round(mm * 100) / 100;
/** A turn within half a circle either way, degrees. */
const turned = (angle: number): number => (angle > 180 ? angle - 360 : angle === 0 ? 0 : angle);

/** The image of an area across the middle of its view: an upright one, or the one along the model. */
export function mirrorImage(area: LiveryArea, box: Box, along = false): LiveryArea {
  const { shape, angle, path } = area;
  if (along) {
    const across = 2 * box.y + box.height;
    return {
      ...area,
      y: hundredth(across - area.y),
      angle: turned(-angle),
      path: shape === 'path' ? flippedPath(path, across) : path,
    };
  }
  const across = 2 * box.x + box.width;
  return {
    ...area,
    x: hundredth(across - area.x),
    // Scallops run out the other way.
    angle: turned(shape === 'scallops' ? 180 - angle : -angle),
    path: shape === 'path' ? mirroredPath(path, across) : path,
  };
}
