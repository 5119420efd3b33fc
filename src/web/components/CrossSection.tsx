import { figure } from '../../core/figures.ts';
import { useId } from 'react';
import { spectrumToDisplay, type IlluminantId } from '../../core/colour/index.ts';
import { opaqueInSheen, type Stack, type StackEvaluation } from '../../core/finish/index.ts';

interface CrossSectionProps {
  stack: Stack;
  evaluation: StackEvaluation;
  light: IlluminantId;
  marked: string | undefined;
  names: ReadonlyMap<string, string>;
  onMark: (layerId: string) => void;
}

const WIDTH = 500;
const HEIGHT = 330;
const BODY_LEFT = 26;
const BODY_RIGHT = 262;
/** Where film has grown from its edge share to full thickness. */
const SHOULDER = 96;
const SUBSTRATE = 34;
const LABEL_GAP = 26;

/** A cut through the finish, drawn to thickness: every layer as thick as its dry film on one scale, thinner at
 *  the edge on the left. */
export function CrossSection({ stack, evaluation, light, marked, names, onMark }: CrossSectionProps) {
  const id = useId();
  const shade = (spectrum: readonly number[]) =>
    spectrumToDisplay(spectrum, { illuminant: light, observer: '2deg' }).hex;
  const rows = evaluation.layers.map((layer, index) => ({ ...layer, source: stack.layers[index]! }));
  const added = rows.filter(({ film }) => film.usual > 0);
  const total = Math.max(
    40,
    added.reduce((sum, { film }) => sum + film.usual, 0),
  );
  const base = HEIGHT - SUBSTRATE - 8;
  const perUm = (base - 40) / total;

  const heights = added.map(({ film }) => film.usual);
  const heightBelow = (index: number) => heights.slice(0, index).reduce((sum, height) => sum + height, 0);
  const bands = added.map((row, index) => ({ row, from: heightBelow(index), to: heightBelow(index + 1) }));
  const under = heightBelow(heights.length);
  const top = (um: number) => base - um * perUm;
  const outline = (um: number) =>
    `${BODY_LEFT} ${base - um * perUm * 0.5} C ${BODY_LEFT + 40} ${base - um * perUm * 0.56} ${SHOULDER - 40} ${top(um)} ${SHOULDER} ${top(um)} L ${BODY_RIGHT} ${top(um)}`;
  const labels = spreadLabels(
    bands.map(({ from, to }) => (top(from) + top(to)) / 2),
    16,
    HEIGHT - SUBSTRATE - 14,
  );
  const removed = rows.filter(({ film }) => film.usual < 0);
  const ruler = niceStep(total / 4);
  const reversed = (um: number) =>
    `L ${BODY_RIGHT} ${top(um)} L ${SHOULDER} ${top(um)} C ${SHOULDER - 40} ${top(um)} ${BODY_LEFT + 40} ${base - um * perUm * 0.56} ${BODY_LEFT} ${base - um * perUm * 0.5} Z`;

  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      role="group"
      aria-label={`Cross-section of the finish, ${Math.round(evaluation.filmFlat.usual)} micrometres on flats`}
    >
      <defs>
        <pattern
          id={`${id}-plastic`}
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" y1="0" x2="0" y2="7" stroke="#000" strokeOpacity="0.28" strokeWidth="2" />
        </pattern>
      </defs>
      <rect
        x={BODY_LEFT}
        y={base}
        width={BODY_RIGHT - BODY_LEFT}
        height={SUBSTRATE}
        fill={shade(stack.substrate.reflectance)}
      />
      <rect
        x={BODY_LEFT}
        y={base}
        width={BODY_RIGHT - BODY_LEFT}
        height={SUBSTRATE}
        fill={`url(#${id}-plastic)`}
      />
      {bands.map(({ row, from, to }, index) => {
        const clear = row.kind === 'clear' || row.kind === 'decal';
        const fill =
          clear || !row.source.product
            ? '#ffffff'
            : shade(opaqueInSheen(row.source.product.optics, row.source.product.sheen));
        const active = row.id === marked;
        return (
          <g key={row.id}>
            <path
              d={`M ${outline(to)} ${reversed(from)}`}
              fill={fill}
              fillOpacity={row.kind === 'clear' ? 0.42 : row.kind === 'decal' ? 0.66 : 1}
              stroke={active ? '#000' : '#0006'}
              strokeWidth={active ? 2.4 : 0.8}
              strokeDasharray={row.kind === 'decal' ? '6 4' : undefined}
            />
            {Array.from({ length: Math.max(0, row.coats - 1) }, (_, coat) => {
              const um = from + ((to - from) * (coat + 1)) / row.coats;
              return (
                <path
                  key={coat}
                  d={`M ${outline(um)}`}
                  fill="none"
                  stroke="#fff"
                  strokeOpacity="0.5"
                  strokeWidth="0.7"
                />
              );
            })}
            <path
              d={`M ${BODY_RIGHT + 2} ${(top(from) + top(to)) / 2} L ${BODY_RIGHT + 22} ${labels[index]} H ${BODY_RIGHT + 30}`}
              fill="none"
              stroke="#0008"
            />
            <g
              role="button"
              tabIndex={0}
              aria-pressed={active}
              aria-label={`${shorten(names.get(row.id) ?? row.kind, 19)} ${figure(row.film.usual, 'µm')}`}
              style={{ cursor: 'pointer' }}
              onClick={() => onMark(row.id)}
              onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && onMark(row.id)}
            >
              <rect
                x={BODY_RIGHT + 28}
                y={labels[index]! - 12}
                width={WIDTH - BODY_RIGHT - 28}
                height={LABEL_GAP - 2}
                fill={active ? '#ffffff66' : 'transparent'}
                rx="3"
              />
              <text x={BODY_RIGHT + 34} y={labels[index]! + 5} fontSize="14.5" fill="#111">
                {shorten(names.get(row.id) ?? row.kind, 19)}{' '}
                <tspan x={WIDTH - 6} textAnchor="end" fontFamily="JetBrains Mono" fontSize="12.5">
                  {figure(row.film.usual, 'µm')}
                </tspan>
              </text>
            </g>
          </g>
        );
      })}
      <text x={BODY_RIGHT + 34} y={base + SUBSTRATE / 2 + 5} fontSize="14.5" fill="#111">
        {stack.substrate.name}
      </text>
      {removed.length > 0 && (
        <g>
          <path
            d={`M ${SHOULDER} ${top(under + removed.reduce((sum, { film }) => sum + film.usual, 0))} L ${BODY_RIGHT} ${top(under + removed.reduce((sum, { film }) => sum + film.usual, 0))}`}
            stroke="#000"
            strokeDasharray="3 4"
          />
          <text x={SHOULDER + 4} y={18} fontSize="13" fill="#111">
            sanding and polish take {-removed.reduce((sum, { film }) => sum + film.usual, 0)} µm (dashed)
          </text>
        </g>
      )}
      {Array.from({ length: Math.floor(total / ruler) + 1 }, (_, i) => i * ruler).map((um) => (
        <g key={um}>
          <line x1={BODY_LEFT - 8} x2={BODY_LEFT - 2} y1={top(um)} y2={top(um)} stroke="#111" />
          <text
            x={BODY_LEFT - 10}
            y={top(um) + 4}
            fontSize="10.5"
            textAnchor="end"
            fill="#111"
            fontFamily="JetBrains Mono"
          >
            {um}
          </text>
        </g>
      ))}
      <text x={BODY_LEFT + 4} y={base + 13} fontSize="11.5" fill="#111">
        edge
      </text>
      <text x={BODY_RIGHT - 4} y={base + 13} fontSize="11.5" textAnchor="end" fill="#111">
        flat
      </text>
    </svg>
  );
}

/** Keeps labels apart while staying as near as may be to what they name, topmost last. */
function spreadLabels(wanted: number[], least: number, most: number): number[] {
  const placed = [...wanted];
  for (let i = 0; i < placed.length; i++)
    placed[i] = Math.min(placed[i]!, i === 0 ? most : placed[i - 1]! - LABEL_GAP);
  for (let i = placed.length - 1; i >= 0; i--) {
    const floor = i === placed.length - 1 ? least : placed[i + 1]! + LABEL_GAP;
    placed[i] = Math.max(placed[i]!, floor);
  }
  return placed;
}

function niceStep(rough: number): number {
  return [5, 10, 20, 25, 50, 100, 200].find((step) => step >= rough) ?? 500;
}

function shorten(text: string, length: number): string {
  return text.length <= length ? text : `${text.slice(0, length - 1)}…`;
}
