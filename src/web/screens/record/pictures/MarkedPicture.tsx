import type { MouseEvent } from 'react';
import type { AlbumPicture } from '../../../../core/record/index.ts';
import { pictureAddress } from '../../../data/pictures.ts';

type Mark = AlbumPicture['marks'][number];

interface MarkedPictureProps {
  picture: AlbumPicture;
  /** Absent where it cannot be marked. */
  onMarks?: ((marks: Mark[]) => void) | undefined;
}

const MOST_MARKS = 2;
/** As far as a mark keeps to its place: a thousandth of the picture. */
const rounded = (share: number): number => Math.round(1000 * Math.min(1, Math.max(0, share))) / 1000;

/** A picture with its marks; a press sets the next, a third begins anew. */
export function MarkedPicture({ picture: { pictureId, what, marks }, onMarks }: MarkedPictureProps) {
  const mark = ({ currentTarget, clientX, clientY, detail }: MouseEvent<HTMLButtonElement>) => {
    // A press by the keyboard has no place on the picture.
    if (!onMarks || detail === 0) return;
    const { left, top, width, height } = currentTarget.getBoundingClientRect();
    const next = { x: rounded((clientX - left) / width), y: rounded((clientY - top) / height) };
    onMarks(marks.length >= MOST_MARKS ? [next] : [...marks, next]);
  };
  const image = (
    <>
      <img src={pictureAddress(pictureId)} alt={what} />
      {marks.map(({ x, y }, at) => (
        <span key={`${x} ${y}`} className="photomark" style={{ left: `${100 * x}%`, top: `${100 * y}%` }}>
          {at + 1}
        </span>
      ))}
    </>
  );
  if (!onMarks) return <div className="marked">{image}</div>;
  return (
    <button type="button" className="marked" aria-label={`Mark a point on: ${what}`} onClick={mark}>
      {image}
    </button>
  );
}
