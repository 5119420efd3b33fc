import type { Typeface } from './readTypeface.ts';

/** Typefaces that come with Fanfare, the usual one first. */
export const TYPEFACES = [
  { id: 'signwriter', name: 'Signwriter’s, narrow' },
  { id: 'plain', name: 'Plain' },
  { id: 'even', name: 'Even width, for plates' },
  { id: 'serif', name: 'Serif, for scrolls' },
] as const;
export type ShippedFace = (typeof TYPEFACES)[number]['id'];

/** Typefaces by their ids, as far as they are at hand. */
export interface Faces {
  usual: Typeface;
  others: ReadonlyMap<string, Typeface>;
}

/** The typeface of an artwork; the usual one, and that it is, where its own is not at hand. */
export function faceOf({ usual, others }: Faces, face = ''): { font: Typeface; isMissing: boolean } {
  const font = face === '' || face === TYPEFACES[0].id ? usual : others.get(face);
  return { font: font ?? usual, isMissing: font === undefined };
}
