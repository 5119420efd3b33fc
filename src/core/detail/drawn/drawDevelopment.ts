import type { Development } from '../flat/developments.ts';
import { crossLines, framed, type FlatDrawing } from './flatDrawing.ts';

const CROSS_MM = 2;

/** The pieces of a pattern, each to be cut out: full lines are cut, dashed ones folded, crosses are for a circle cutter. */
export const drawDevelopment = ({ pieces }: Development): FlatDrawing[] =>
  pieces.map(({ name, outline, folds, centres }) =>
    framed(
      {
        id: name,
        lines: [
          { kind: 'cut', points: outline, closed: true },
          ...folds.map((points) => ({ kind: 'fold' as const, points })),
          ...centres.flatMap((centre) => crossLines(centre, CROSS_MM)),
        ],
        labels: [],
      },
      0,
    ),
  );
