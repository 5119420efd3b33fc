import { Button, Checkbox } from '@mantine/core';
import { useMemo, useState } from 'react';
import { figure } from '../../../core/figures.ts';
import {
  counted,
  filmFields,
  initialOf,
  type FilmOfArea,
  type LiveryArea,
  type LiveryView,
  type Printing,
} from '../../../core/kit/index.ts';
import {
  coursePath,
  PUCKERS_SLOPE,
  type FilmTemplate,
  type MeasuredView,
} from '../../../core/livery/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { saveFile } from '../../data/saveFile.ts';
import { useTask } from '../../data/useTask.ts';
import type { CutFilm, LiveryWorker } from '../../workers/liveryWorker.ts';
import { pathOf } from './drawing.ts';
import { newLiveryWorker } from './inWorker.ts';
import { pdfOf } from './useMarkings.ts';

interface FilmCutProps {
  area: LiveryArea;
  view: LiveryView;
  measured: MeasuredView;
  printing: Printing;
  onSave: (change: Partial<LiveryArea>) => void;
}

/** An area that is covered with patterned film, such as carbon: the template that it is cut by. */
export function FilmCut({ area, view, measured, printing, onSave }: FilmCutProps) {
  const { film } = area;
  const put = (more: Partial<FilmOfArea>) => film && onSave({ film: { ...film, ...more } });
  if (!film)
    return (
      <div className="panel">
        <h3>Patterned film</h3>
        <p className="small soft">
          Carbon cloth and the like: a template cut to what is seen of {area.name}, with its margin, darts and
          the direction of the weave.
        </p>
        <Button size="xs" onClick={() => onSave({ film: initialOf(filmFields) })}>
          Cut it from film
        </Button>
      </div>
    );
  return (
    <div className="panel">
      <h3>Patterned film</h3>
      <div className="fieldgrid">
        <FigureInput
          label="Margin, mm"
          step={0.5}
          field={filmFields.marginMm}
          value={film.marginMm}
          onSave={(marginMm) => put({ marginMm })}
        />
        <FigureInput
          label="Weave, degrees"
          step={5}
          field={filmFields.weaveDeg}
          value={film.weaveDeg}
          onSave={(weaveDeg) => put({ weaveDeg })}
        />
      </div>
      <Checkbox
        mt={6}
        size="xs"
        label="One for the other side, mirrored"
        checked={film.bothSides}
        onChange={({ currentTarget: { checked } }) => put({ bothSides: checked })}
      />
      <Templates area={area} film={film} view={view} measured={measured} printing={printing} />
      <Button size="xs" mt={8} onClick={() => onSave({ film: undefined })}>
        Not from film
      </Button>
    </div>
  );
}

function Templates({
  area,
  film,
  view,
  measured,
  printing,
}: Omit<FilmCutProps, 'onSave'> & { film: FilmOfArea }) {
  const [problem, setProblem] = useState<string | null>(null);
  const seen = measured.areas.find(({ areaId }) => areaId === area.id)?.rings;
  const doubleCurve = view.slope > PUCKERS_SLOPE;
  const question = useMemo(
    () => seen && { seen, lay: { ...film, doubleCurve }, printing },
    [seen, film, doubleCurve, printing],
  );
  const { state, newest } = useTask<LiveryWorker, CutFilm>({
    question,
    worker: newLiveryWorker,
    work: (remote) => remote.cutFilm(question!.seen, question!.lay, question!.printing),
    keeps: true,
  });
  if (state.kind === 'failed') return <p role="alert">It cannot be cut: {state.message}</p>;
  if (!newest) return <p role="status">Working out the template…</p>;
  const { templates, pages, tooLarge, drawings } = newest;
  if (templates.length === 0) return <p className="small">Nothing of it is seen: no film is needed.</p>;
  const cm2 = templates.reduce((sum, each) => sum + each.cm2, 0);
  const slits = templates[0]!.slits.length;
  const called = `${area.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-film`;
  return (
    <>
      <TemplatePicture template={templates[0]!} />
      <p className="small">
        {counted(templates.length, 'piece')}, <span className="mono">{figure(cm2, 'cm²', 1)}</span> of film
        {slits > 0 && `; ${counted(slits, 'slit')} each`}. Cut along the full line, lay by the dashed one,
        keep the arrow along the weave. Warm film follows better; cut darts last.
      </p>
      {tooLarge.length > 0 && (
        <p className="small finding warn">
          {counted(tooLarge.length, 'piece')} larger than the sheet within its margins: take a larger sheet.
        </p>
      )}
      {problem && <p role="alert">{problem}</p>}
      <div className="toolrow">
        {pages.length > 0 && (
          <Button
            onClick={() =>
              void pdfOf(pages, `Film for ${area.name}`)
                .then((bytes) => saveFile(`${called}.pdf`, bytes as BlobPart, 'application/pdf'))
                .then(() => setProblem(null))
                .catch((failure: unknown) => setProblem((failure as Error).message))
            }
          >
            Save the template as PDF
          </Button>
        )}
        {drawings.map((drawing, at) => (
          <Button key={at} onClick={() => saveFile(`${called}-${at + 1}.svg`, drawing, 'image/svg+xml')}>
            Save sheet{drawings.length > 1 ? ` ${at + 1}` : ''} as SVG
          </Button>
        ))}
      </div>
    </>
  );
}

const open = (lines: FilmTemplate['slits']) => lines.map((line) => coursePath(line, 2)).join('');

/** A template as it is cut: full lines are cut, the dashed one is the edge of the area. */
const TemplatePicture = ({
  template: { width, height, rings, slits, fold, arrow },
}: {
  template: FilmTemplate;
}) => (
  <svg
    className="filmtemplate"
    viewBox={`-1 -1 ${width + 2} ${height + 2}`}
    role="img"
    aria-label={`The template, ${width.toFixed(1)} by ${height.toFixed(1)} mm`}
  >
    <path d={pathOf(rings)} className="cut" />
    <path d={open(slits)} className="cut" />
    <path d={pathOf(fold)} className="fold" />
    <path d={open(arrow)} className="weave" />
  </svg>
);
