import type { DrilledRing, RingQuestion } from '../dressed/drilledRing.ts';
import { circleLine, crossLines, framed, type FlatDrawing } from './flatDrawing.ts';

/** A template of drilled holes at exact size: to be stuck on, pricked through at every cross, and scraped off. */
export const drawRing = (
  { outerMm, innerMm, holeMm }: Pick<RingQuestion, 'outerMm' | 'innerMm' | 'holeMm'>,
  { at }: DrilledRing,
): FlatDrawing =>
  framed(
    {
      id: 'template',
      lines: [
        circleLine('cut', [0, 0], outerMm / 2),
        ...(innerMm > 0 ? [circleLine('thin', [0, 0], innerMm / 2)] : []),
        ...crossLines([0, 0], outerMm / 8),
        ...at.flatMap((middle) => [
          circleLine('line', middle, holeMm / 2),
          ...crossLines(middle, holeMm / 2),
        ]),
      ],
      labels: [],
    },
    1,
  );
