import { useState, type KeyboardEvent, type MouseEvent } from 'react';
import type { AlbumPicture } from '../../../../core/record/index.ts';
import { pictureAddress } from '../../../data/pictures.ts';
import './pictures.css';

type Mark = AlbumPicture['marks'][number];

interface MarkedPictureProps {
  picture: AlbumPicture;
  /** Absent where it cannot be marked. */
  onMarks?: ((marks: Mark[]) => void) | undefined;
}

const MOST_MARKS = 2;
/** As far as a mark keeps to its place: a thousandth of the picture. */
const rounded = (share: number): number => Math.round(1000 * Math.min(1, Math.max(0, share))) / 1000;

/** Of the picture's width and height, at a press of an arrow key; with shift, finer. */
const KEY_STEP = { coarse: 0.02, fine: 0.002 };
const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const MIDDLE: Mark = { x: 0.5, y: 0.5 };

/** A picture with its marks; a press sets the next, a third begins anew. By the keyboard the arrows lead a cross, and enter sets
 *  the mark there. */
export function MarkedPicture({ picture: { pictureId, what, marks }, onMarks }: MarkedPictureProps) {
  const [cross, setCross] = useState<Mark | null>(null);
  const set = (next: Mark) => onMarks?.(marks.length >= MOST_MARKS ? [next] : [...marks, next]);
  const mark = ({ currentTarget, clientX, clientY, detail }: MouseEvent<HTMLButtonElement>) => {
    // A press by the keyboard has no place on the picture but the cross.
    if (detail === 0) {
      if (cross) set(cross);
      else setCross(MIDDLE);
      return;
    }
    const { left, top, width, height } = currentTarget.getBoundingClientRect();
    setCross(null);
    set({ x: rounded((clientX - left) / width), y: rounded((clientY - top) / height) });
  };
  const lead = (event: KeyboardEvent) => {
    const way = KEYS[event.key];
    if (!way) return;
    event.preventDefault();
    const step = event.shiftKey ? KEY_STEP.fine : KEY_STEP.coarse;
    const { x, y } = cross ?? MIDDLE;
    setCross({ x: rounded(x + way[0] * step), y: rounded(y + way[1] * step) });
  };
  const image = (
    <>
      <img src={pictureAddress(pictureId)} alt={what} />
      {marks.map(({ x, y }, at) => (
        <span key={`${x} ${y}`} className="photomark" style={{ left: `${100 * x}%`, top: `${100 * y}%` }}>
          {at + 1}
        </span>
      ))}
      {cross && (
        <span
          className="photocross"
          aria-hidden
          style={{ left: `${100 * cross.x}%`, top: `${100 * cross.y}%` }}
        />
      )}
    </>
  );
  if (!onMarks) return <div className="marked">{image}</div>;
  return (
    <button
      type="button"
      className="marked"
      aria-label={`Mark a point on: ${what}. By keyboard: arrows lead the cross, enter sets it`}
      onClick={mark}
      onKeyDown={lead}
      onBlur={() => setCross(null)}
    >
      {image}
    </button>
  );
}
