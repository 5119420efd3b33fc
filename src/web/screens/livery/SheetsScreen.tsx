import { Button, Select } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { printingRecord, type Paper, type Printing } from '../../../core/kit/index.ts';
import { counted } from '../../../core/kit/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { Loading } from '../../components/Loading.tsx';
import { Why } from '../../components/Why.tsx';
import { saveFile } from '../../data/saveFile.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { LiveryNav } from './LiveryNav.tsx';
import { SheetPicture } from './SheetPicture.tsx';
import { useLivery } from './useLivery.ts';
import { pdfOf, printingOf, useSheets } from './useMarkings.ts';
import './livery.css';

const PAPER_WORDS: Readonly<Record<Paper, string>> = {
  a4: 'A4, 210 by 297 mm',
  letter: 'Letter, 216 by 279 mm',
  a5: 'half of A4, 148 by 210 mm',
  own: 'a size of its own',
};
const { fields } = printingRecord;
const FIGURES = [
  ['marginMm', 'Margin, mm'],
  ['gapMm', 'Room between them, mm'],
  ['spares', 'Spares of each'],
  ['barMm', 'The printed bar measures, mm'],
] as const;

/** The markings that are printed, laid on as few sheets as hold them, at exact scale. */
export function SheetsScreen() {
  const { build, kit, ready, error } = useLivery();
  const [problem, setProblem] = useState<string | null>(null);
  const { state, newest } = useSheets(kit, build?.scale);
  if (!ready || !kit) return <Loading what="the sheets" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const printing = printingOf(kit);
  const said = (failure: unknown) => setProblem((failure as Error).message);
  const put = (more: Partial<Printing>) => {
    const value = { ...printing, ...more, id: printing.id || newId(build.id) };
    void changeKit(build.id, [{ kind: 'printing', id: value.id, value }], 'how markings are printed')
      .then(() => setProblem(null))
      .catch(said);
  };
  const name = (id: string) => kit.markings.find((each) => each.id === id)?.name ?? '';
  const failed = state.kind === 'failed' ? state.message : null;
  const sheets = failed === null ? newest : undefined;
  const called = `${build.id}-markings`;
  return (
    <div className="columns livery">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        <LiveryNav buildId={build.id} open="sheets" />
        <div className="panel">
          <h3>The sheet</h3>
          <Select
            size="xs"
            label="Paper or film"
            allowDeselect={false}
            data={Object.entries(PAPER_WORDS).map(([value, label]) => ({ value, label }))}
            value={printing.paper}
            onChange={(paper) => paper && put({ paper: paper as Paper })}
          />
          {printing.paper === 'own' && (
            <div className="fieldgrid">
              <FigureInput
                label="Width, mm"
                field={fields.widthMm}
                value={printing.widthMm}
                onSave={(widthMm) => put({ widthMm })}
              />
              <FigureInput
                label="Height, mm"
                field={fields.heightMm}
                value={printing.heightMm}
                onSave={(heightMm) => put({ heightMm })}
              />
            </div>
          )}
          {FIGURES.map(([key, label]) => (
            <FigureInput
              key={key}
              label={label}
              field={fields[key]}
              value={printing[key]}
              allowDecimal={key !== 'spares'}
              onSave={(value) => put({ [key]: value })}
            />
          ))}
          <p className="small soft">
            Print one page at 100 %, measure its bar, and write what it measures: what the printer adds or
            takes away is made up for.
          </p>
        </div>
      </section>
      <section className="column" aria-label="What you decide">
        <h2>Print sheets</h2>
        {[problem, failed].map(
          (words) =>
            words && (
              <p key={words} role="alert" className="panel warned">
                {words}
              </p>
            ),
        )}
        {sheets?.pages.length === 0 || kit.markings.length === 0 ? (
          <p className="panel">
            Nothing is printed yet: in <Link to={`/build/${build.id}/livery/markings`}>Markings</Link>, take
            “own print” or “paper or card” for one, and say what it shows.
          </p>
        ) : !sheets && failed === null ? (
          <p role="status">Laying them out…</p>
        ) : (
          <div className="sheets">
            {sheets?.pages.map((page, at) => (
              <SheetPicture key={at} page={page} label={`Sheet ${at + 1}`} />
            ))}
          </div>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {sheets && sheets.pages.length > 0 && (
          <>
            <div className="panel">
              <p>
                <b>{counted(sheets.pages.length, 'sheet')}</b>
                {sheets.pages.length === sheets.leastSheets
                  ? '; no way of laying them takes fewer.'
                  : `; ${sheets.leastSheets} is the least that could do.`}{' '}
                <Why about="the number of sheets">
                  No packing takes fewer than the bound: it follows from the areas with the room between them,
                  and from pieces of which no two fit side by side.
                </Why>
              </p>
              <Button
                variant="action"
                onClick={() =>
                  void pdfOf(sheets.pages, `Markings of ${build.name}`)
                    .then((bytes) => saveFile(`${called}.pdf`, bytes as BlobPart, 'application/pdf'))
                    .catch(said)
                }
              >
                Save as PDF
              </Button>
              {sheets.drawings.map((drawing, at) => (
                <Button
                  key={at}
                  mt={6}
                  onClick={() => saveFile(`${called}-${at + 1}.svg`, drawing, 'image/svg+xml')}
                >
                  Save sheet {at + 1} as SVG
                </Button>
              ))}
              <p className="small soft">Print at 100 %, never “fit to page”.</p>
            </div>
            <div className="panel">
              <h3>On them</h3>
              {sheets.copies.map(({ markingId, count }) => (
                <p key={markingId} className="small">
                  {name(markingId)} <span className="mono">× {count}</span>
                </p>
              ))}
              {sheets.notes.map(({ markingId, what }) => (
                <p key={`${markingId} ${what}`} className="small finding warn">
                  {name(markingId)}: {what}.
                </p>
              ))}
            </div>
          </>
        )}
      </section>
    </div>
  );
}
