import type { BookBlock } from '../book/blocks.ts';
import type { AlbumPicture } from './album.ts';

/** More than these are no sheet any more; the newest are taken. */
export const MOST_ON_SHEET = 400;
const IN_ROW = 5;

/** Every picture in small with its words, in groups, to be printed: the groups in the order in which they come. */
export function contactSheet(
  title: string,
  album: readonly AlbumPicture[],
  groupOf: (picture: AlbumPicture) => string,
): BookBlock[] {
  const groups = new Map<string, AlbumPicture[]>();
  const chosen = album.slice(0, MOST_ON_SHEET);
  for (const picture of chosen) {
    const group = groupOf(picture);
    groups.set(group, [...(groups.get(group) ?? []), picture]);
  }
  const count =
    album.length === chosen.length ? `${album.length}` : `the newest ${chosen.length} of ${album.length}`;
  return [
    { kind: 'title', text: title, under: `Contact sheet, ${count} pictures` },
    ...[...groups].flatMap(([group, pictures]): BookBlock[] => [
      { kind: 'part', text: group },
      {
        kind: 'pictures',
        inRow: IN_ROW,
        pictures: pictures.map(({ pictureId, what, isReference }) => ({
          pictureId,
          caption: `${what}${isReference ? ', reference' : ''}`,
        })),
      },
    ]),
  ];
}
