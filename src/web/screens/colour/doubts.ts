import type { PaintRecord } from '../../../api/index.ts';
import type { DoubtSource } from '../../../core/match/index.ts';

/** What blurs a prediction, in a builder's words. */
export function doubtName(source: DoubtSource, paints: readonly PaintRecord[]): string {
  if (source === 'target') return 'The target itself';
  if (source === 'drops') return 'Size of the drops';
  if (source === 'film') return 'Thickness of the film';
  const id = source.slice('paint '.length);
  return paints.find((paint) => paint.id === id)?.name ?? id;
}

/** What would narrow it. */
export function doubtRemedy(source: DoubtSource): string {
  if (source === 'target') return 'read a chip of the code instead of a picture or a name';
  if (source === 'drops') return 'mix a larger cup in the same ratio, or weigh';
  if (source === 'film') return 'spray until another coat changes nothing';
  return 'spray it alone over black and over white, and read both';
}

export const rangeText = ({ low, high }: { low: number; high: number }): string =>
  `${low.toFixed(1)}–${high.toFixed(1)}`;
