import { Button, FileButton } from '@mantine/core';
import { wrap } from 'comlink';
import { useState } from 'react';
import { VIEW_SIDES } from '../../../core/kit/index.ts';
import type { DrawnOutline, ViewSource } from '../../../core/livery/index.ts';
import type { LiveryWorker } from '../../workers/liveryWorker.ts';
import { newLiveryWorker } from './useLivery.ts';

const toldOf = ({ unitsSaid, left }: DrawnOutline): string[] => [
  ...(unitsSaid
    ? []
    : ['It says no unit and was taken for pixels, 96 to the inch: set its length and height.']),
  ...(left.length > 0 ? [`Left out: ${left.join('; ')}.`] : []),
];

/** Letters of the name of a file that become that of a view. */
const MOST_NAME = 60;

/** Reads a drawing away from the page, whatever is in it. */
async function readDrawing(file: File): Promise<DrawnOutline> {
  const worker = newLiveryWorker();
  try {
    return await wrap<LiveryWorker>(worker).readSvg(await file.text());
  } finally {
    worker.terminate();
  }
}

/** An outline from an SVG file, to begin a view with: its largest closed shape, and what lies within as openings. */
export function OpenDrawing({ onDrawn }: { onDrawn: (drawn: ViewSource) => void }) {
  const [told, setTold] = useState<string[]>([]);
  const open = (file: File | null) => {
    if (!file) return;
    readDrawing(file).then(
      (drawn) => {
        setTold(toldOf(drawn));
        const name = file.name.replace(/\.svg$/i, '').slice(0, MOST_NAME);
        onDrawn({ ...drawn, name, sides: VIEW_SIDES, slope: 1 });
      },
      (error: unknown) => setTold([`${file.name} was not opened. ${(error as Error).message}`]),
    );
  };
  return (
    <>
      <FileButton accept=".svg,image/svg+xml" onChange={open}>
        {(props) => (
          <Button mt={6} {...props}>
            Open an SVG drawing
          </Button>
        )}
      </FileButton>
      {told.map((words) => (
        <p key={words} className="small" role="status">
          {words}
        </p>
      ))}
    </>
  );
}
