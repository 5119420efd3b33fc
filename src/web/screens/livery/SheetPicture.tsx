import type { PrintedPage } from '../../../core/formats/index.ts';

const RULER = 8;
const EVERY_MM = 10;

/** A sheet in its proportions, with a ruler along two edges. */
export function SheetPicture({
  page: { width, height, paths, images = [] },
  label,
}: {
  page: PrintedPage;
  label: string;
}) {
  const ticks = (length: number) =>
    Array.from({ length: Math.floor(length / EVERY_MM) + 1 }, (_, at) => at * EVERY_MM);
  const long = (mm: number) => (mm % 50 === 0 ? 3 : 1.5);
  return (
    <svg
      className="printedsheet"
      viewBox={`${-RULER} ${-RULER} ${width + RULER + 2} ${height + RULER + 2}`}
      role="img"
      aria-label={`${label}, ${width} by ${height} mm`}
    >
      <rect width={width} height={height} className="paper" />
      {ticks(width).map((mm) => (
        <line key={`x${mm}`} x1={mm} x2={mm} y1={-1} y2={-1 - long(mm)} />
      ))}
      {ticks(height).map((mm) => (
        <line key={`y${mm}`} y1={mm} y2={mm} x1={-1} x2={-1 - long(mm)} />
      ))}
      {[ticks(width), ticks(height)].map((all, axis) =>
        all
          .filter((mm) => mm % 50 === 0 && mm > 0)
          .map((mm) => (
            <text key={`${axis} ${mm}`} x={axis === 0 ? mm : -RULER} y={axis === 0 ? -4.6 : mm + 1.2}>
              {mm}
            </text>
          )),
      )}
      {images.map(({ type, base64, matrix }, at) => (
        <image
          key={at}
          href={`data:${type};base64,${base64}`}
          width={1}
          height={1}
          preserveAspectRatio="none"
          transform={`matrix(${matrix.join(' ')})`}
        />
      ))}
      {paths.map(({ d, fill, stroke, strokeMm, dashMm }, at) => (
        <path
          key={at}
          d={d}
          fill={fill ?? 'none'}
          stroke={stroke}
          strokeWidth={strokeMm}
          strokeDasharray={dashMm}
        />
      ))}
    </svg>
  );
}
