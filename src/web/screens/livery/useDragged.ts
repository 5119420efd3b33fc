import { useState, type KeyboardEvent, type PointerEvent } from 'react';

const STEP_MM = 0.1;
const LONG_STEP_MM = 1;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Where an arrow key points; undefined for any other. */
export const arrowOf = (key: string): readonly [number, number] | undefined => ARROWS[key];

/** Where the pointer is, mm: the drawing is fitted into its frame by width or by height. */
function millimetres(event: PointerEvent<SVGElement>) {
  const svg = event.currentTarget.ownerSVGElement ?? (event.currentTarget as SVGSVGElement);
  const pixels = svg.getScreenCTM()?.a ?? 1;
  return { x: event.clientX / pixels, y: event.clientY / pixels };
}

/** What is chosen of a drawing in mm is moved by dragging, or by the arrow keys: a tenth of a millimetre, with shift a whole
 *  one. `onMove` gets how far, once it is let go. */
export function useDragged(isChosen: boolean, onMove: (dx: number, dy: number) => void) {
  const [drag, setDrag] = useState<{ x: number; y: number; dx: number; dy: number } | null>(null);
  return {
    /** How far it is dragged now, as SVG says it. */
    transform: drag ? `translate(${drag.dx} ${drag.dy})` : undefined,
    begin: (event: PointerEvent<SVGElement>) => setDrag({ ...millimetres(event), dx: 0, dy: 0 }),
    onKeyDown: (event: KeyboardEvent) => {
      const arrow = arrowOf(event.key);
      if (!arrow || !isChosen) return;
      event.preventDefault();
      const step = event.shiftKey ? LONG_STEP_MM : STEP_MM;
      onMove(arrow[0] * step, arrow[1] * step);
    },
    onSvg: {
      onPointerMove: (event: PointerEvent<SVGElement>) => {
        if (!drag) return;
        const { x, y } = millimetres(event);
        setDrag({ ...drag, dx: x - drag.x, dy: y - drag.y });
      },
      onPointerUp: (event: PointerEvent<SVGElement>) => {
        if (!drag) return;
        const { x, y } = millimetres(event);
        if (Math.hypot(x - drag.x, y - drag.y) >= STEP_MM) onMove(x - drag.x, y - drag.y);
        setDrag(null);
      },
      onPointerLeave: () => setDrag(null),
    },
  };
}
