import { UnstyledButton } from '@mantine/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Region } from '../../../core/colour/index.ts';

export type MarkKind = 'grey' | 'white' | 'black' | 'patch';

export interface Mark extends Region {
  id: string;
  kind: MarkKind;
  name: string;
}

interface PictureMarksProps {
  url: string;
  marks: readonly Mark[];
  /** What the next rectangle drawn marks. */
  tool: MarkKind;
  onDraw: (region: Region) => void;
  onMove: (id: string, region: Region) => void;
}

const STEP = 0.01;
/** A smaller rectangle was a slip of the finger. */
const SMALLEST = 0.004;
const held = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

/** The picture with what is marked in it. Rectangles are drawn with mouse or finger; a marked one moves with the
 *  arrow keys and changes size with shift and arrows. */
export function PictureMarks({ url, marks, tool, onDraw, onMove }: PictureMarksProps) {
  const frame = useRef<HTMLDivElement>(null);
  const [drawn, setDrawn] = useState<{ from: Point; region: Region }>();
  const at = (event: PointerEvent) => {
    const box = frame.current!.getBoundingClientRect();
    return {
      x: held((event.clientX - box.left) / box.width, 0, 1),
      y: held((event.clientY - box.top) / box.height, 0, 1),
    };
  };
  const key = (event: KeyboardEvent, mark: Mark) => {
    const steps: Record<string, [number, number]> = {
      ArrowLeft: [-STEP, 0],
      ArrowRight: [STEP, 0],
      ArrowUp: [0, -STEP],
      ArrowDown: [0, STEP],
    };
    const step = steps[event.key];
    if (!step) return;
    event.preventDefault();
    const { x, y, width, height } = mark;
    onMove(
      mark.id,
      event.shiftKey
        ? { x, y, width: held(width + step[0], STEP, 1 - x), height: held(height + step[1], STEP, 1 - y) }
        : { x: held(x + step[0], 0, 1 - width), y: held(y + step[1], 0, 1 - height), width, height },
    );
  };
  return (
    <div
      ref={frame}
      className="picture"
      data-tool={tool}
      onPointerDown={(event) => {
        if (event.button !== 0 || (event.target as HTMLElement).closest('button')) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        const from = at(event);
        setDrawn({ from, region: { ...from, width: 0, height: 0 } });
      }}
      onPointerMove={(event) => {
        if (!drawn) return;
        setDrawn({ from: drawn.from, region: between(drawn.from, at(event)) });
      }}
      onPointerUp={(event) => {
        const region = drawn && between(drawn.from, at(event));
        if (region && region.width > SMALLEST && region.height > SMALLEST) onDraw(region);
        setDrawn(undefined);
      }}
      onPointerCancel={() => setDrawn(undefined)}
    >
      <img src={url} alt="The picture as it was taken" draggable={false} />
      {marks.map((mark) => (
        <UnstyledButton
          key={mark.id}
          className="region"
          style={placeOf(mark)}
          aria-label={`${mark.name}: arrow keys move it, with shift they change its size`}
          onKeyDown={(event) => key(event, mark)}
        >
          <span>{mark.name}</span>
        </UnstyledButton>
      ))}
      {drawn && <span className="region" style={placeOf(drawn.region)} />}
    </div>
  );
}

interface Point {
  x: number;
  y: number;
}

const between = (from: Point, to: Point): Region => ({
  x: Math.min(from.x, to.x),
  y: Math.min(from.y, to.y),
  width: Math.abs(to.x - from.x),
  height: Math.abs(to.y - from.y),
});

const placeOf = ({ x, y, width, height }: Region) => ({
  left: `${100 * x}%`,
  top: `${100 * y}%`,
  width: `${100 * width}%`,
  height: `${100 * height}%`,
});
