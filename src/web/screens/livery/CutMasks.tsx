import { Button, Checkbox } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { counted, type Kit } from '../../../core/kit/index.ts';
import { FRAIL_MM, type Body, type LiveryAnswer, type MaskPiece } from '../../../core/livery/index.ts';
import { saveFile } from '../../data/saveFile.ts';
import { useTask } from '../../data/useTask.ts';
import type { CutMasks as Cut, LiveryWorker } from '../../workers/liveryWorker.ts';
import { SendToDevice } from './SendToDevice.tsx';
import { newLiveryWorker } from './inWorker.ts';
import { pdfOf, printingOf } from './useMarkings.ts';

interface CutMasksProps {
  build: { id: string; name: string };
  /** Of the body. */
  name: string;
  body: Body;
  kit: Kit;
  answer: LiveryAnswer;
}

const NO_STAGES: NonNullable<LiveryAnswer['plan']>['stages'] = [];

/** The masks of a body as pieces of film: how many sheets, and the files to cut them by. */
export function CutMasks({ build, name, body, kit, answer }: CutMasksProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const printing = printingOf(kit);
  const stages = answer.plan?.stages ?? NO_STAGES;
  const isMasked = stages.some(({ mask }) => mask.length > 0);
  const [wanted, setWanted] = useState<ReadonlySet<string>>(new Set());
  const isCut = isMasked || wanted.size > 0;
  const question = useMemo(
    () =>
      isCut
        ? {
            stages,
            windows: { views: body.views, wanted },
            printing,
            views: body.views.flatMap(({ id }) => {
              const measured = answer.measured.find(({ viewId }) => viewId === id)?.measured;
              return measured ? [{ view: { id }, measured }] : [];
            }),
          }
        : undefined,
    [isCut, stages, wanted, printing, body.views, answer.measured],
  );
  const { state, newest } = useTask<LiveryWorker, Cut>({
    question,
    worker: newLiveryWorker,
    work: (remote) =>
      remote.cutMasks(question!.views, question!.stages, question!.windows, question!.printing),
    keeps: true,
  });
  const windows = <Windows views={body.views} wanted={wanted} onWant={setWanted} />;
  if (!isCut) return windows;
  if (state.kind === 'failed') return <p role="alert">The masks cannot be laid out: {state.message}</p>;
  if (!newest) return <p role="status">Laying out the masks…</p>;
  const { pages, printed, pieces, plots, drawings, tooLarge } = newest;
  const called = `${build.id}-${body.trayId || 'views'}-masks`;
  const nameOf = ({ finishId, openingId, viewId }: MaskPiece) => {
    const view = body.views.find(({ id }) => id === viewId);
    const what =
      openingId === null
        ? kit.finishes.find(({ id }) => id === finishId)?.name
        : view?.openings.find(({ id }) => id === openingId)?.name;
    return `${what ?? 'a colour'}, ${view?.name.toLowerCase() ?? 'a view'}`;
  };
  const frail = pieces.filter(({ isFrail }) => isFrail);
  return (
    <div>
      <h4>Masks to cut</h4>
      <p className="small">
        {counted(pieces.length, 'piece')} on {counted(pages.length, 'sheet')}. They follow the borders as the
        views show them and reach past the outline;{' '}
        <Link to={`/build/${build.id}/livery/sheets`}>sheet and cutter</Link> are set with the sheets. On
        strong curves cut one from paper first and try it.
      </p>
      {windows}
      {[...new Set(frail.map(nameOf))].map((name) => (
        <p key={name} className="small finding warn">
          {name}: narrower than {FRAIL_MM} mm somewhere; film lifts there as it is weeded. Tape it by hand.
        </p>
      ))}
      {tooLarge.map((piece) => (
        <p key={piece.id} className="small finding warn">
          {nameOf(piece)}: larger than the sheet within its margins, and left out. Take a larger sheet.
        </p>
      ))}
      {problem && <p role="alert">{problem}</p>}
      {pages.length > 0 && (
        <div className="toolrow">
          <Button
            onClick={() =>
              void pdfOf(printed, `Masks of ${build.name}, ${name.toLowerCase()}`)
                .then((bytes) => saveFile(`${called}.pdf`, bytes as BlobPart, 'application/pdf'))
                .then(() => setProblem(null))
                .catch((failure: unknown) => setProblem((failure as Error).message))
            }
          >
            Save as PDF, to cut by hand
          </Button>
          {pages.map((_, at) => {
            const number = pages.length === 1 ? '' : ` ${at + 1}`;
            return (
              <span key={at} className="toolrow">
                <Button onClick={() => saveFile(`${called}-${at + 1}.svg`, drawings[at]!, 'image/svg+xml')}>
                  Save sheet{number} as SVG
                </Button>
                <Button
                  onClick={() => saveFile(`${called}-${at + 1}.plt`, plots[at]!, 'application/vnd.hp-hpgl')}
                >
                  Save sheet{number} for a cutter (HPGL)
                </Button>
              </span>
            );
          })}
        </div>
      )}
      {plots.length > 0 && (
        <SendToDevice device="cutter" name={`Masks of ${build.name}, ${name.toLowerCase()}`} files={plots} />
      )}
    </div>
  );
}

interface WindowsProps {
  views: Body['views'];
  /** View and opening, as "view opening". */
  wanted: ReadonlySet<string>;
  onWant: (wanted: ReadonlySet<string>) => void;
}

/** Glass whose frames are painted wants masks of its own. */
function Windows({ views, wanted, onWant }: WindowsProps) {
  const all = views.flatMap(({ id: viewId, name: view, openings }) =>
    openings.map(({ id, name }) => ({ key: `${viewId} ${id}`, words: `${name}, ${view.toLowerCase()}` })),
  );
  if (all.length === 0) return null;
  return (
    <Checkbox.Group
      size="xs"
      label="Masks for openings as well, to their edge"
      value={[...wanted]}
      onChange={(keys) => onWant(new Set(keys))}
    >
      <div className="toolrow">
        {all.map(({ key, words }) => (
          <Checkbox key={key} size="xs" value={key} label={words} />
        ))}
      </div>
    </Checkbox.Group>
  );
}
