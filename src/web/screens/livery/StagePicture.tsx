import { useId } from 'react';
import type { LiveryView } from '../../../core/kit/index.ts';
import type { LiveryAnswer } from '../../../core/livery/index.ts';
import { boxOf, pathOf } from './drawing.ts';

interface StagePictureProps {
  views: readonly LiveryView[];
  measured: LiveryAnswer['measured'];
  /** Finishes that lie under tape. */
  masked: readonly string[];
  /** What is sprayed now, over all that is not masked. */
  colour: string;
  hexOf: (finishId: string | null) => string;
  label: string;
}

/** A body while one of its colours is sprayed: what is done lies under tape, everything else takes the colour. */
export function StagePicture({ views, measured, masked, colour, hexOf, label }: StagePictureProps) {
  const tape = useId();
  const shown = views.flatMap((view) => {
    const of = measured.find(({ viewId }) => viewId === view.id)?.measured;
    return of ? [{ view, of, box: boxOf(view) }] : [];
  });
  const width = Math.max(1, ...shown.map(({ box }) => box.width));
  const height = shown.reduce((sum, { box }) => sum + box.height + 4, 4);
  const tops = shown.map((_, at) => shown.slice(0, at).reduce((sum, { box }) => sum + box.height + 4, 4));
  return (
    <svg viewBox={`-4 0 ${width + 8} ${height}`} role="img" aria-label={label}>
      <defs>
        <pattern id={tape} width="3" height="3" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="3" height="3" fill="#d9cfa8" />
          <rect width="1" height="3" fill="#bfb384" />
        </pattern>
      </defs>
      {shown.map(({ view, of, box }, at) => (
        <g key={view.id} transform={`translate(${-box.x} ${tops[at]! - box.y})`}>
          <path d={pathOf(of.body)} fill={hexOf(colour)} fillRule="evenodd" />
          {of.areas.map(({ areaId, finishId, rings }) =>
            finishId !== null && masked.includes(finishId) ? (
              <path key={areaId ?? 'base'} d={pathOf(rings)} fillRule="evenodd" fill={`url(#${tape})`} />
            ) : null,
          )}
          <path d={pathOf(of.body)} fill="none" stroke="#1a1a1a" strokeWidth={0.35} />
        </g>
      ))}
    </svg>
  );
}
