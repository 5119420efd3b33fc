import { useMemo } from 'react';
import type { BuildRecord } from '../../../api/index.ts';
import type { LiveryView, Marking } from '../../../core/kit/index.ts';
import type { LiveryAnswer } from '../../../core/livery/index.ts';
import type { StepPlace } from '../../../core/plan/index.ts';
import { useCodes } from '../../data/bench.ts';
import { useKit } from '../../data/kit.ts';
import type { DrawnMarking } from '../../workers/liveryWorker.ts';
import { frameOf, pathOf } from './drawing.ts';
import { MarkingShape, edgeOf } from './MarkingShape.tsx';
import { StagePicture } from './StagePicture.tsx';
import { hexIn, useMeasured } from './useLivery.ts';
import { usePlaced } from './useMarkings.ts';
import './livery.css';

interface StepOnLiveryProps {
  build: BuildRecord;
  on: StepPlace;
}

/** Where on the livery a step is at work: what lies open and what is under tape, or what goes on where. */
export default function StepOnLivery({ build, on }: StepOnLiveryProps) {
  const { kit } = useKit(build.id);
  const { data: codes } = useCodes();
  const views = useMemo(() => kit?.views.filter(({ id }) => on.viewIds.includes(id)) ?? [], [kit, on]);
  const { state, newest: measured } = useMeasured(kit, views);
  const { state: placing, newest: placed } = usePlaced(
    on.markingIds.length > 0 ? kit : undefined,
    build.scale,
  );
  const failed = [state, placing].find(({ kind }) => kind === 'failed');
  if (failed?.kind === 'failed')
    return <p className="small soft">Where this is on the livery cannot be drawn: {failed.message}</p>;
  if (!kit || !codes || !measured || views.length === 0) return null;
  const hexOf = (finishId: string | null) => hexIn(finishId, kit, codes, 'D65');
  if (on.colourId !== null) {
    const name = kit.finishes.find(({ id }) => id === on.colourId)?.name ?? 'the colour';
    return (
      <figure className="steponlivery">
        <StagePicture
          views={views}
          measured={measured}
          masked={on.masked}
          colour={on.colourId}
          hexOf={hexOf}
          label={`Where ${name} falls`}
        />
        <figcaption className="small soft">
          {on.masked.length > 0 ? `${name} falls where no tape is.` : `${name} falls on all of it.`}
        </figcaption>
      </figure>
    );
  }
  const going = on.markingIds.flatMap((id, at) => {
    const found = placed?.find(({ marking }) => marking.id === id);
    return found ? [{ ...found, number: at + 1 }] : [];
  });
  return (
    <div className="steponlivery several">
      {views.map((view) => (
        <figure key={view.id}>
          <MarkedView view={view} measured={measured} going={going} hexOf={hexOf} />
          <figcaption className="small soft">{view.name}</figcaption>
        </figure>
      ))}
    </div>
  );
}

interface MarkedViewProps {
  view: LiveryView;
  measured: LiveryAnswer['measured'];
  /** All that go on at the step, in their order. */
  going: readonly (DrawnMarking & { number: number })[];
  hexOf: (finishId: string | null) => string;
}

/** A view with what goes on it, numbered as the lines beside it are. */
function MarkedView({ view, measured, going, hexOf }: MarkedViewProps) {
  const of = measured.find(({ viewId }) => viewId === view.id)?.measured;
  const here = going.filter(({ marking }) => marking.viewId === view.id);
  const [, , width = 100] = frameOf(view).split(' ').map(Number);
  const size = width / 22;
  const below = ({ y, height }: Marking) => y + height / 2 + size;
  return (
    <svg
      viewBox={frameOf(view)}
      role="img"
      aria-label={`${view.name}: ${here.map(({ marking, number }) => `${number} ${marking.name}`).join(', ')}`}
    >
      {of?.areas.map(({ areaId, finishId, rings }) => (
        <path key={areaId ?? 'base'} d={pathOf(rings)} fill={hexOf(finishId)} fillRule="evenodd" />
      ))}
      {of && <path d={pathOf(of.body)} className="outline" />}
      {here.map(({ marking, drawn, number }) => (
        <g key={marking.id}>
          <MarkingShape marking={marking} drawn={drawn} />
          <path d={edgeOf(marking)} className="chosen" />
          <text x={marking.x} y={below(marking)} fontSize={size} textAnchor="middle" className="number">
            {number}
          </text>
        </g>
      ))}
    </svg>
  );
}
