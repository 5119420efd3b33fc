import { VIEW_SIDES } from '../../../core/kit/index.ts';
import type { DrawnOutline, ViewSource } from '../../../core/livery/index.ts';
import { inLiveryWorker } from './inWorker.ts';
import { OpenFile } from './OpenFile.tsx';

const toldOf = ({ unitsSaid, left }: DrawnOutline): string[] => [
  ...(unitsSaid
    ? []
    : ['It says no unit and was taken for pixels, 96 to the inch: set its length and height.']),
  ...(left.length > 0 ? [`Left out: ${left.join('; ')}.`] : []),
];

/** Letters of the name of a file that become that of a view. */
const MOST_NAME = 60;

/** An outline from an SVG file, to begin a view with: its largest closed shape, and what lies within as openings. */
export const OpenDrawing = ({ onDrawn }: { onDrawn: (drawn: ViewSource) => void }) => (
  <OpenFile
    accept=".svg,image/svg+xml"
    mt={6}
    onOpen={async (file) => {
      const text = await file.text();
      const drawn = await inLiveryWorker((remote) => remote.readSvg(text));
      const name = file.name.replace(/\.svg$/i, '').slice(0, MOST_NAME);
      onDrawn({ ...drawn, name, sides: VIEW_SIDES, slope: 1 });
      return toldOf(drawn);
    }}
  >
    Open an SVG drawing
  </OpenFile>
);
