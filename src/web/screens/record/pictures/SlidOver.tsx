import { useId } from 'react';
import type { AlbumPicture, Similarity } from '../../../../core/record/index.ts';
import { pictureAddress } from '../../../data/pictures.ts';

interface Size {
  width: number;
  height: number;
}

interface SlidOverProps {
  below: AlbumPicture;
  above: AlbumPicture;
  size: Size;
  aboveSize: Size;
  moved: Similarity;
  /** Of the width, in hundredths, over which the second is seen. */
  share: number;
}

/** One picture laid over another by its marks, seen from the left up to a line. */
export function SlidOver({ below, above, size, aboveSize, moved: { a, b, e, f }, share }: SlidOverProps) {
  const clip = useId();
  const edge = (size.width * share) / 100;
  return (
    <svg
      className="slidover"
      viewBox={`0 0 ${size.width} ${size.height}`}
      role="img"
      aria-label={`${above.what} laid over ${below.what}`}
    >
      <clipPath id={clip}>
        <rect width={edge} height={size.height} />
      </clipPath>
      <image href={pictureAddress(below.pictureId)} {...size} />
      <g clipPath={`url(#${clip})`}>
        <image
          href={pictureAddress(above.pictureId)}
          {...aboveSize}
          transform={`matrix(${a} ${b} ${-b} ${a} ${e} ${f})`}
        />
      </g>
      <line x1={edge} x2={edge} y2={size.height} stroke="#fff" strokeWidth={size.width / 300} />
    </svg>
  );
}
