import { Button } from '@mantine/core';
import { counted, type Kit } from '../../../core/kit/index.ts';
import { Why } from '../../components/Why.tsx';
import { saveFile } from '../../data/saveFile.ts';
import type { LaidSheets } from '../../workers/liveryWorker.ts';
import { SendToDevice } from './SendToDevice.tsx';
import { pdfOf } from './useMarkings.ts';

interface SheetsFollowProps {
  sheets: LaidSheets;
  kit: Pick<Kit, 'markings'>;
  build: { id: string; name: string };
  onFailed: (failure: unknown) => void;
}

export const pageName = ({ sheet, plate }: LaidSheets['pages'][number]): string =>
  plate === 'white' ? `white plate ${sheet}` : `sheet ${sheet}`;

/** How many sheets there are, the files of them, and what is to be known of what is on them. */
export function SheetsFollow({ sheets, kit, build, onFailed }: SheetsFollowProps) {
  const name = (id: string) => kit.markings.find((each) => each.id === id)?.name ?? '';
  const called = `${build.id}-markings`;
  const { pages, sheets: count, drawings, leastSheets, copies, notes } = sheets;
  return (
    <>
      {pages.length > 0 && (
        <div className="panel">
          <p>
            <b>{counted(count, 'sheet')}</b>
            {count === leastSheets
              ? '; no way of laying them takes fewer.'
              : `; ${leastSheets} is the least that could do.`}{' '}
            <Why about="the number of sheets">
              No packing takes fewer than the bound: it follows from the areas with the room between them, and
              from pieces of which no two fit side by side.
            </Why>
          </p>
          <Button
            variant="action"
            onClick={() =>
              void pdfOf(pages, `Markings of ${build.name}`)
                .then((bytes) => saveFile(`${called}.pdf`, bytes as BlobPart, 'application/pdf'))
                .catch(onFailed)
            }
          >
            Save as PDF
          </Button>
          {drawings.map((drawing, at) => (
            <Button
              key={at}
              mt={6}
              onClick={() => saveFile(`${called}-${at + 1}.svg`, drawing, 'image/svg+xml')}
            >
              Save {pageName(pages[at]!)} as SVG
            </Button>
          ))}
          <p className="small soft">
            Print at 100 %, never “fit to page”.
            {pages.some(({ plate }) => plate === 'white') &&
              ' The white goes on first, and last on what is applied from behind; the crosses bring the two together.'}
          </p>
        </div>
      )}
      {drawings.length > 0 && (
        <SendToDevice device="label-printer" name={`Markings of ${build.name}`} files={drawings} />
      )}
      {copies.length + notes.length > 0 && (
        <div className="panel">
          <h3>On them</h3>
          {copies.map(({ markingId, count }) => (
            <p key={markingId} className="small">
              {name(markingId)} <span className="mono">× {count}</span>
            </p>
          ))}
          {notes.map(({ markingId, what }) => (
            <p key={`${markingId} ${what}`} className="small finding warn">
              {name(markingId)}: {what}.
            </p>
          ))}
        </div>
      )}
    </>
  );
}
