import { useEffect, useState, type PointerEvent, type RefObject } from 'react';
import type { Box, JointMapLayout } from '../../workers/jointMap.ts';

const WIDTH = 132;
const HEIGHT = 96;

interface JointOverviewProps {
  layout: JointMapLayout;
  /** Pixels for one unit of the layout. */
  scale: number;
  /** What scrolls over the map. */
  frame: RefObject<HTMLDivElement | null>;
}

/** The whole map made small, with the part of it that is in view; a press goes there. Only where not all is in view:
 *  scroll bars alone do not tell where one is. */
export function JointOverview({ layout, scale, frame }: JointOverviewProps) {
  const seen = useSeen(frame, scale);
  if (!seen || (seen.width >= layout.width && seen.height >= layout.height)) return null;
  const small = Math.min(WIDTH / layout.width, HEIGHT / layout.height);
  const goTo = (event: PointerEvent<SVGSVGElement>) => {
    if (event.type === 'pointermove' && event.buttons === 0) return;
    const { left, top } = event.currentTarget.getBoundingClientRect();
    const x = (event.clientX - left) / small - seen.width / 2;
    const y = (event.clientY - top) / small - seen.height / 2;
    frame.current?.scrollTo(x * scale, y * scale);
  };
  // The map itself scrolls with the keyboard, so this is for the pointer alone.
  return (
    <svg
      className="mapoverview"
      width={layout.width * small}
      height={layout.height * small}
      viewBox={`0 0 ${layout.width} ${layout.height}`}
      aria-hidden
      onPointerDown={goTo}
      onPointerMove={goTo}
    >
      {Object.entries(layout.trays).map(([key, box]) => (
        <rect key={key} {...box} fill="#8a8a8a" />
      ))}
      <rect {...seen} fill="none" stroke="#161616" strokeWidth={2.5 / small} />
    </svg>
  );
}

/** The part of the map in view, in units of the layout; null before it is known. */
function useSeen(frame: RefObject<HTMLDivElement | null>, scale: number): Box | null {
  const [seen, setSeen] = useState<Box | null>(null);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const look = () =>
      setSeen({
        x: element.scrollLeft / scale,
        y: element.scrollTop / scale,
        width: element.clientWidth / scale,
        height: element.clientHeight / scale,
      });
    look();
    const observer = new ResizeObserver(look);
    observer.observe(element);
    element.addEventListener('scroll', look, { passive: true });
    return () => {
      observer.disconnect();
      element.removeEventListener('scroll', look);
    };
  }, [frame, scale]);
  return seen;
}
