import type { PaintRecord } from '../../../api/index.ts';
import { figure } from '../../../core/figures.ts';
import type { DoubtSource, TestPiece } from '../../../core/match/index.ts';

/** What blurs a prediction, in a builder's words. */
export function doubtName(source: DoubtSource, paints: readonly PaintRecord[]): string {
  if (source === 'target') return 'The target itself';
  if (source === 'drops') return 'Size of the drops';
  if (source === 'film') return 'Thickness of the film';
  if (source === 'model') return 'What no calculation of mixtures knows';
  const id = source.slice('paint '.length);
  return paints.find((paint) => paint.id === id)?.name ?? id;
}

/** What would narrow it, after a colon; nothing where nothing short of a spoon does. */
export function doubtRemedy(source: DoubtSource): string {
  if (source === 'target') return ': read a chip of the code instead of a picture or a name';
  if (source === 'drops') return ': mix a larger cup in the same ratio, or weigh';
  if (source === 'film') return ': spray until another coat changes nothing';
  if (source === 'model') return ': spray a spoon of it and read that';
  return ': spray it alone over black and over white, and read both';
}

/** A test piece in a builder's words. */
export function testPieceName({ kind, paintId }: TestPiece, paints: readonly PaintRecord[]): string {
  const name = paints.find(({ id }) => id === paintId)?.name ?? paintId ?? '';
  if (kind === 'this-mix') return 'a spoon of this very mix';
  if (kind === 'with-white') return `one drop of ${name} in four of white`;
  return `a coat of ${name} over ${kind === 'over-black' ? 'black' : 'white'}`;
}

export const rangeText = ({ low, high }: { low: number; high: number }): string =>
  `${figure(low, 'L')}–${figure(high, 'L')}`;
