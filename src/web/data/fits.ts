import type { BuildRecord } from '../../api/index.ts';
import {
  jointsOfJoins,
  kitAfterPaint,
  type FilmOnFlats,
  type FitsAfterPaint,
  type Kit,
} from '../../core/kit/index.ts';
import { finishOf, type BuildContext } from './buildContext.ts';

/** How the joints and measured places of a build will fit once its stacks are on. A sub-assembly whose stack cannot be
 *  worked out counts as bare. */
export function fitsOfBuild(
  build: BuildRecord,
  kit: Kit,
  { products, codes, conditions }: Pick<BuildContext, 'products' | 'codes' | 'conditions'>,
): FitsAfterPaint {
  const film = new Map<string, FilmOnFlats>();
  for (const tray of build.trays) {
    const flats = finishOf(tray, build.scale, products, codes, conditions).evaluation?.filmFlat;
    if (flats) for (const { id } of tray.parts) film.set(id, flats);
  }
  const trays = build.trays.map(({ id, parts }) => ({ id, partIds: parts.map((part) => part.id) }));
  const made = jointsOfJoins(kit, { trays, joins: build.joins });
  return kitAfterPaint(kit, new Set([...made.values()].flat()), film);
}
