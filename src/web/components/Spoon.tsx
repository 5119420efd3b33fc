import { useId } from 'react';

interface SpoonProps {
  /** Colour of the paint on the bowl. */
  hex: string;
  /** Colour of the undercoat that shows at the neck. */
  undercoat?: string;
  /** Gloss units at 60 degrees. */
  gloss?: number;
  /** Largest flake in um; draws sparkle. */
  flakeUm?: number | null;
  /** Colour of the right half of the bowl, to be judged edge to edge against the left. */
  splitHex?: string | undefined;
  width?: number;
  label: string;
}

/** A test spoon: the paint on a convex bowl under one light, its undercoat showing at the neck. The middle of
 *  the bowl is the colour itself, untouched by shading, for judging. */
export function Spoon({
  hex,
  undercoat = '#8c8c8c',
  gloss = 85,
  flakeUm,
  splitHex,
  width = 88,
  label,
}: SpoonProps) {
  const id = useId();
  const shine = Math.min(1, Math.max(0, (gloss - 5) / 85));
  return (
    <svg viewBox="0 0 100 200" width={width} height={width * 2} role="img" aria-label={label}>
      <defs>
        <radialGradient id={`${id}-form`} cx="0.46" cy="0.42" r="0.62">
          <stop offset="0.62" stopColor="#000" stopOpacity="0" />
          <stop offset="0.9" stopColor="#000" stopOpacity="0.2" />
          <stop offset="1" stopColor="#000" stopOpacity="0.38" />
        </radialGradient>
        <linearGradient id={`${id}-glint`} x1="0" y1="0" x2="0.7" y2="1">
          <stop offset="0" stopColor="#fff" stopOpacity={0.15 + 0.7 * shine} />
          <stop offset="1" stopColor="#fff" stopOpacity="0.04" />
        </linearGradient>
        <clipPath id={`${id}-bowl`}>
          <path d={BOWL} />
        </clipPath>
      </defs>
      <path d="M45 140 L46 190 Q50 199 54 190 L55 140 Z" fill="#d8d8d8" stroke="#0002" />
      <path d="M43.5 120 L45.4 160 Q50 163 54.6 160 L56.5 120 Z" fill={undercoat} />
      <path d="M42 112 L44.6 143 Q50 146 55.4 143 L58 112 Z" fill={hex} />
      <path d={BOWL} fill={hex} />
      {splitHex && (
        <rect x="50" y="0" width="50" height="130" fill={splitHex} clipPath={`url(#${id}-bowl)`} />
      )}
      {flakeUm ? <Flake id={id} size={flakeUm} /> : null}
      <path d={BOWL} fill={`url(#${id}-form)`} />
      <path
        d="M27 66 Q24 34 47 15 Q56 10 62 12 Q40 24 36 52 Q35 62 37 74 Z"
        fill={`url(#${id}-glint)`}
        style={{ filter: shine < 0.5 ? `blur(${(0.5 - shine) * 10}px)` : undefined }}
      />
    </svg>
  );
}

const BOWL = 'M50 4 C76 4 92 34 91 66 C90 96 72 126 50 126 C28 126 10 96 9 66 C8 34 24 4 50 4 Z';

/** Sparkle at fixed places, larger and fewer for coarse flake. */
function Flake({ id, size }: { id: string; size: number }) {
  const count = size > 14 ? 60 : 36;
  const radius = size > 14 ? 0.85 : 0.5;
  return (
    <g clipPath={`url(#${id}-bowl)`} fill="#fff" opacity={size > 14 ? 0.5 : 0.35}>
      {Array.from({ length: count }, (_, i) => (
        <circle
          key={i}
          cx={8 + ((i * 37.7) % 84)}
          cy={8 + ((i * 61.3 + (i % 7) * 11) % 112)}
          r={radius * (0.6 + (i % 5) / 6)}
        />
      ))}
    </g>
  );
}
