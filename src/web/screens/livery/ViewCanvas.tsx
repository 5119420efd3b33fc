import type { LiveryArea, LiveryView } from '../../../core/kit/index.ts';
import { shapeOf, type MeasuredView } from '../../../core/livery/index.ts';
import { frameOf, pathOf } from './drawing.ts';
import { useDragged } from './useDragged.ts';

interface ViewCanvasProps {
  view: LiveryView;
  areas: readonly LiveryArea[];
  measured: MeasuredView | undefined;
  chosen: LiveryArea | undefined;
  hexOf: (finishId: string | null) => string;
  onChoose: (areaId: string) => void;
  /** Moves the chosen area, mm. */
  onMove: (dx: number, dy: number) => void;
  /** To the next view, or the one before. */
  onTurn: (by: 1 | -1) => void;
}

const TURNS: Readonly<Record<string, 1 | -1>> = { PageDown: 1, PageUp: -1 };

/** A view in its colours on neutral grey. Areas are chosen by a click and moved by dragging, or by the arrow keys: a tenth of
 *  a millimetre, with shift a whole one. Page up and down turn the model to its other views. */
export function ViewCanvas({
  view,
  areas,
  measured,
  chosen,
  hexOf,
  onChoose,
  onMove,
  onTurn,
}: ViewCanvasProps) {
  const drag = useDragged(chosen !== undefined, onMove);
  const name = (areaId: string | null) => areas.find(({ id }) => id === areaId)?.name ?? 'under all areas';
  return (
    <div
      className="viewcanvas"
      role="group"
      tabIndex={0}
      aria-label={`${view.name}: the arrow keys move ${chosen ? chosen.name : 'the chosen area'}, page up and down turn the model`}
      onKeyDown={(event) => {
        const turn = TURNS[event.key];
        if (turn === undefined) return drag.onKeyDown(event);
        event.preventDefault();
        onTurn(turn);
      }}
    >
      <svg viewBox={frameOf(view)} role="img" aria-label={`${view.name} in its colours`} {...drag.onSvg}>
        {measured?.areas.map(({ areaId, finishId, rings }) => (
          <path
            key={areaId ?? 'base'}
            d={pathOf(rings)}
            fill={hexOf(finishId)}
            fillRule="evenodd"
            onPointerDown={(event) => {
              if (areaId === null) return;
              onChoose(areaId);
              drag.begin(event);
            }}
          >
            <title>{name(areaId)}</title>
          </path>
        ))}
        {measured && <path className="outline" d={pathOf(measured.body)} />}
        {(view.mouldings ?? []).map((line) => (
          <path key={line.id} className="mouldedline" d={line.path}>
            <title>{line.name}</title>
          </path>
        ))}
        {chosen && <path className="chosen" d={pathOf(shapeOf(chosen).rings)} transform={drag.transform} />}
      </svg>
    </div>
  );
}
