import svgpath from 'svgpath';
import { boxAround, readOutline } from '../geometry/readOutline.ts';
import type { Draw } from './drawing.ts';

/** A drawing of the builder's brought to the size of its marking; shapes without a colour of their own take the ink. */
export const fittedDrawing: Draw = ({ drawn = [] }, { width, height }) => {
  const box = boxAround(drawn.flatMap(({ path }) => readOutline(path).rings));
  if (!box || !(box.width > 0) || !(box.height > 0))
    return { shapes: [], missing: 'no drawing yet: open one' };
  const fitted = (path: string) =>
    svgpath(path)
      .translate(-box.x, -box.y)
      .scale(width / box.width, height / box.height)
      .round(4)
      .toString();
  return {
    shapes: [],
    coloured: drawn.map(({ path, fill }) => ({ d: fitted(path), fill })),
  };
};
