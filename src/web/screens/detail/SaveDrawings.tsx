import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import type { FlatDrawing } from '../../../core/detail/index.ts';
import { counted, type Kit } from '../../../core/kit/index.ts';
import { inWorker } from '../../data/inWorker.ts';
import { saveFile } from '../../data/saveFile.ts';
import type { DetailWorker, PrintedDrawings } from '../../workers/detailWorker.ts';
import { newDetailWorker } from './newDetailWorker.ts';
import { printingOf } from '../livery/useMarkings.ts';

interface SaveDrawingsProps {
  kit: Kit;
  title: string;
  drawings: readonly FlatDrawing[];
  /** How many of each; one where it is not said. */
  copies?: Readonly<Record<string, number>>;
  /** Enlarged to be read, not to be cut by. */
  enlarged?: true;
}

const printed = ({ kit, title, drawings, copies = {} }: SaveDrawingsProps): Promise<PrintedDrawings> =>
  inWorker<DetailWorker, PrintedDrawings>(newDetailWorker, (remote) =>
    remote.printDrawings([...drawings], copies, printingOf(kit), title),
  );

/** Saves drawings at exact scale, on the paper and for the printer of the print sheets. */
export function SaveDrawings(props: SaveDrawingsProps) {
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const file = props.title.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-');
  const save = (give: (made: PrintedDrawings) => void) => {
    setBusy(true);
    setProblem(undefined);
    printed(props)
      .then((made) => {
        if (made.sheets.length > 0) give(made);
        if (made.tooLarge.length > 0)
          setProblem(
            `${counted(made.tooLarge.length, 'drawing')} larger than the sheet within its margins: choose a larger sheet under Livery, Print sheets. ${made.sheets.length > 0 ? 'The others were saved.' : 'Nothing was saved.'}`,
          );
      })
      .catch((error: unknown) => setProblem((error as Error).message))
      .finally(() => setBusy(false));
  };
  return (
    <>
      <Group gap="xs" mt={8}>
        <Button
          loading={busy}
          onClick={() => save(({ pdf }) => saveFile(`${file}.pdf`, pdf as BlobPart, 'application/pdf'))}
        >
          {props.enlarged ? 'Save as PDF, enlarged' : 'Save as PDF, exact size'}
        </Button>
        <Button
          variant="default"
          disabled={busy}
          onClick={() =>
            save(({ sheets }) =>
              sheets.forEach((sheet, at) =>
                saveFile(`${file}${sheets.length > 1 ? `-${at + 1}` : ''}.svg`, sheet, 'image/svg+xml'),
              ),
            )
          }
        >
          Save as SVG
        </Button>
      </Group>
      {problem !== undefined && (
        <p role="alert" className="small">
          {problem}
        </p>
      )}
    </>
  );
}
