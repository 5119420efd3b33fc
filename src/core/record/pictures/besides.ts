import type { AlbumPicture } from './album.ts';

/** What a picture is looked for. */
export interface LookedAt {
  operationId: string;
  trayId: string | null;
  partId: string | null;
}

const FAR = 3;

function distance(picture: AlbumPicture, at: LookedAt): number {
  if (at.partId !== null && picture.partId === at.partId) return 0;
  if (picture.operationId === at.operationId) return 1;
  return at.trayId !== null && picture.trayId === at.trayId ? 2 : FAR;
}

/** Pictures of the model and of the real thing, each with what shows a place best first: the part, the step, its sub-assembly,
 *  then the others, newest before older. */
export function picturesFor(
  album: readonly AlbumPicture[],
  at: LookedAt,
): { model: AlbumPicture[]; reference: AlbumPicture[] } {
  const nearest = [...album].sort((p, q) => distance(p, at) - distance(q, at) || (q.at ?? -1) - (p.at ?? -1));
  return {
    model: nearest.filter(({ isReference }) => !isReference),
    reference: nearest.filter(({ isReference }) => isReference),
  };
}
