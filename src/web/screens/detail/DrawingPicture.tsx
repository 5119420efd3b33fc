import type { FlatDrawing } from '../../../core/detail/index.ts';

const pathOf = ({ points, closed }: FlatDrawing['lines'][number]) =>
  points.map(([x, y], at) => `${at === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`).join('') +
  (closed ? 'Z' : '');

/** Part of a picture: in its ink, as wide as it is printed. */
const drawnIn = ({ ink, mm }: FlatDrawing['lines'][number]) => ({
  stroke: ink,
  ...(mm === undefined ? {} : { strokeWidth: mm, vectorEffect: 'none' as const }),
});

/** A drawing as it will be printed, in the size that there is for it. */
export const DrawingPicture = ({ drawing, label }: { drawing: FlatDrawing; label: string }) => (
  <svg
    className="flatdrawing"
    viewBox={`-1 -1 ${drawing.width + 2} ${drawing.height + 2}`}
    role="img"
    aria-label={label}
  >
    {drawing.fills?.map(({ ring, ink }, at) => (
      <path
        key={`fill ${at}`}
        d={pathOf({ kind: 'line', points: ring, closed: true })}
        style={{ fill: ink, stroke: 'none' }}
      />
    ))}
    {drawing.lines.map((line, at) => (
      <path key={at} className={line.kind} d={pathOf(line)} style={line.ink ? drawnIn(line) : undefined} />
    ))}
    {drawing.labels.map(({ at: [x, y], text, mm, ink }, at) => (
      <text key={at} x={x} y={y} fontSize={1.4 * mm} style={ink ? { fill: ink } : undefined}>
        {text}
      </text>
    ))}
  </svg>
);
