import { PATHS, pathTo } from '../../api/index.ts';

/** Where a picture is, and a small copy of it. */
export const pictureAddress = (pictureId: string): string => pathTo(PATHS.picture, pictureId);
export const smallAddress = (pictureId: string): string => `${pictureAddress(pictureId)}?size=small`;
