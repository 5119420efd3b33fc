/** Drops that can be counted, in the colour of their paint, with the figure. */
export function Drops({ count, hex }: { count: number; hex: string }) {
  return (
    <span style={{ display: 'inline-flex', alignItems: 'center', gap: 8, justifyContent: 'flex-end' }}>
      <svg width={Math.min(count, 14) * 9} height="14" aria-hidden>
        {Array.from({ length: Math.min(count, 14) }, (_, i) => (
          <path
            key={i}
            d={`M${i * 9 + 4} 1 Q${i * 9 + 8} 7 ${i * 9 + 7.4} 9.6 A3.5 3.5 0 0 1 ${i * 9 + 0.6} 9.6 Q${i * 9} 7 ${i * 9 + 4} 1 Z`}
            fill={hex}
            stroke="#0005"
            strokeWidth="0.6"
          />
        ))}
      </svg>
      <b className="mono">{count}</b>
    </span>
  );
}
