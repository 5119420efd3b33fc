import type { FlatDrawing } from '../../../core/detail/index.ts';

const pathOf = ({ points, closed }: FlatDrawing['lines'][number]) =>
  points.map(([x, y], at) => `${at === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`).join('') +
  (closed ? 'Z' : '');

/** A drawing as it will be printed, in the size that there is for it. */
export const DrawingPicture = ({ drawing, label }: { drawing: FlatDrawing; label: string }) => (
  <svg
    className="flatdrawing"
    viewBox={`-1 -1 ${drawing.width + 2} ${drawing.height + 2}`}
    role="img"
    aria-label={label}
  >
    {drawing.lines.map((line, at) => (
      <path key={at} className={line.kind} d={pathOf(line)} />
    ))}
    {drawing.labels.map(({ at: [x, y], text, mm }, at) => (
      <text key={at} x={x} y={y} fontSize={1.4 * mm}>
        {text}
      </text>
    ))}
  </svg>
);
