import type { BuildRecord } from '../../api/index.ts';
import { kitAfterPaint, type FilmOnFlats, type FitsAfterPaint, type Kit } from '../../core/kit/index.ts';
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
  return kitAfterPaint(kit, new Set(build.joins.flatMap(({ jointIds }) => jointIds)), film);
}
