import { framed, type FlatDrawing } from '../../detail/index.ts';
import type { LiveryView } from '../../kit/index.ts';
import { grown, regionOfPath, ringsOf } from '../geometry/region.ts';

/** The mask of a pane at exact size, from its opening on a view, so much larger all round, mm, or smaller. Throws RangeError where the
 *  view has no such opening, or nothing of it is left. */
export function paneMask(
  { openings, name }: Pick<LiveryView, 'openings' | 'name'>,
  openingId: string,
  mm: number,
): FlatDrawing {
  const opening = openings.find(({ id }) => id === openingId);
  if (!opening)
    throw new RangeError(
      `${name} has no such opening any more: pick another, or draw it in the Livery stage.`,
    );
  const rings = ringsOf(grown(regionOfPath(opening.path), mm));
  if (rings.length === 0)
    throw new RangeError(`Nothing is left of a mask ${-mm} mm smaller than ${opening.name}: give less.`);
  return framed(
    {
      id: 'mask',
      lines: rings.map((ring) => ({ kind: 'cut' as const, points: ring, closed: true as const })),
      labels: [],
    },
    1,
  );
}
