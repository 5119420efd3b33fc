import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { LiveryArea, LiveryView } from '../../../core/kit/index.ts';
import { shapeOf, type MeasuredView } from '../../../core/livery/index.ts';
import { boxOf, pathOf } from './drawing.ts';

interface ViewCanvasProps {
  view: LiveryView;
  areas: readonly LiveryArea[];
  measured: MeasuredView | undefined;
  chosen: LiveryArea | undefined;
  hexOf: (finishId: string | null) => string;
  onChoose: (areaId: string) => void;
  /** Moves the chosen area, mm. */
  onMove: (dx: number, dy: number) => void;
}

const STEP_MM = 0.1;
const LONG_STEP_MM = 1;
const MARGIN = 0.04;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A view in its colours on neutral grey. Areas are chosen by a click and moved by dragging, or by the arrow keys: a tenth of
 *  a millimetre, with shift a whole one. */
export function ViewCanvas({ view, areas, measured, chosen, hexOf, onChoose, onMove }: ViewCanvasProps) {
  const [drag, setDrag] = useState<{ x: number; y: number; dx: number; dy: number } | null>(null);
  const box = boxOf(view);
  const margin = MARGIN * Math.max(box.width, box.height);
  const onKey = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (!arrow || !chosen) return;
    event.preventDefault();
    const step = event.shiftKey ? LONG_STEP_MM : STEP_MM;
    onMove(arrow[0] * step, arrow[1] * step);
  };
  /** Where the pointer is, mm: the drawing is fitted into its frame by width or by height. */
  const at = (event: PointerEvent<SVGElement>) => {
    const svg = event.currentTarget.ownerSVGElement ?? (event.currentTarget as SVGSVGElement);
    const pixels = svg.getScreenCTM()?.a ?? 1;
    return { x: event.clientX / pixels, y: event.clientY / pixels };
  };
  const name = (areaId: string | null) => areas.find(({ id }) => id === areaId)?.name ?? 'under all areas';
  return (
    <div
      className="viewcanvas"
      role="group"
      tabIndex={0}
      aria-label={`${view.name}: the arrow keys move ${chosen ? chosen.name : 'the chosen area'}`}
      onKeyDown={onKey}
    >
      <svg
        viewBox={`${box.x - margin} ${box.y - margin} ${box.width + 2 * margin} ${box.height + 2 * margin}`}
        role="img"
        aria-label={`${view.name} in its colours`}
        onPointerMove={(event) => {
          if (!drag) return;
          const { x, y } = at(event);
          setDrag({ ...drag, dx: x - drag.x, dy: y - drag.y });
        }}
        onPointerUp={(event) => {
          if (!drag) return;
          const { x, y } = at(event);
          if (Math.hypot(x - drag.x, y - drag.y) >= STEP_MM) onMove(x - drag.x, y - drag.y);
          setDrag(null);
        }}
        onPointerLeave={() => setDrag(null)}
      >
        {measured?.areas.map(({ areaId, finishId, rings }) => (
          <path
            key={areaId ?? 'base'}
            d={pathOf(rings)}
            fill={hexOf(finishId)}
            fillRule="evenodd"
            onPointerDown={(event) => {
              if (areaId === null) return;
              onChoose(areaId);
              setDrag({ ...at(event), dx: 0, dy: 0 });
            }}
          >
            <title>{name(areaId)}</title>
          </path>
        ))}
        {measured && <path className="outline" d={pathOf(measured.body)} />}
        {chosen && (
          <path
            className="chosen"
            d={pathOf(shapeOf(chosen).rings)}
            transform={drag ? `translate(${drag.dx} ${drag.dy})` : undefined}
          />
        )}
      </svg>
    </div>
  );
}
