import type { LiveryView, Marking } from '../../../core/kit/index.ts';
import type { MeasuredView } from '../../../core/livery/index.ts';
import type { DrawnMarking } from '../../workers/liveryWorker.ts';
import { frameOf, pathOf } from './drawing.ts';
import { edgeOf, MarkingShape } from './MarkingShape.tsx';
import { useDragged } from './useDragged.ts';

interface MarkingCanvasProps {
  view: LiveryView;
  measured: MeasuredView | undefined;
  markings: readonly DrawnMarking[];
  chosen: Marking | undefined;
  hexOf: (finishId: string | null) => string;
  onChoose: (markingId: string) => void;
  /** Moves the chosen one, mm. */
  onMove: (dx: number, dy: number) => void;
}

/** A view in its colours with its markings on it: chosen by a click, moved by dragging or by the arrow keys. */
export function MarkingCanvas(props: MarkingCanvasProps) {
  const { view, measured, markings, chosen, hexOf, onChoose, onMove } = props;
  const drag = useDragged(chosen !== undefined, onMove);
  return (
    <div
      className="viewcanvas"
      role="group"
      tabIndex={0}
      aria-label={`${view.name}: the arrow keys move ${chosen ? chosen.name : 'the chosen marking'}`}
      onKeyDown={drag.onKeyDown}
    >
      <svg viewBox={frameOf(view)} role="img" aria-label={`${view.name} with its markings`} {...drag.onSvg}>
        {measured?.areas.map(({ areaId, finishId, rings }) => (
          <path key={areaId ?? 'base'} d={pathOf(rings)} fill={hexOf(finishId)} fillRule="evenodd" />
        ))}
        {measured && <path className="outline" d={pathOf(measured.body)} />}
        {(view.regions ?? []).map(({ id, path }) => (
          <path key={id} className="partline" d={path} />
        ))}
        {markings.map(({ marking, drawn }) => (
          <g
            key={marking.id}
            className="marking"
            transform={marking.id === chosen?.id ? drag.transform : undefined}
            onPointerDown={(event) => {
              onChoose(marking.id);
              drag.begin(event);
            }}
          >
            <title>{marking.name}</title>
            <MarkingShape marking={marking} drawn={drawn} />
          </g>
        ))}
        {chosen && <path className="chosen" d={edgeOf(chosen)} transform={drag.transform} />}
      </svg>
    </div>
  );
}
