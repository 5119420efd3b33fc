import { PATHS, pathTo, type TypefaceRecord } from '../../api/index.ts';
import { refetch, useCached } from './cache.ts';
import { request } from './request.ts';
import { write } from './saving.ts';
import { remember } from './undo.ts';

/** The builder's own font files. */
export const useTypefaces = (): TypefaceRecord[] =>
  useCached<TypefaceRecord[]>(PATHS.typefaces, (path) => request('GET', path)).data ?? [];

const put = async (file: Blob): Promise<TypefaceRecord> => {
  const kept = await write<TypefaceRecord>('POST', PATHS.typefaces, asBytes(file));
  await refetch(PATHS.typefaces);
  return kept;
};
const takeOut = async (id: string): Promise<void> => {
  await write('DELETE', pathTo(PATHS.typeface, id));
  await refetch(PATHS.typefaces);
};
const asBytes = (file: Blob) => new Blob([file], { type: 'application/octet-stream' });

/** Puts a font file by; the same file twice is one. */
export async function addTypeface(file: File): Promise<TypefaceRecord> {
  const kept = await put(file);
  remember({
    label: `typeface ${kept.name}`,
    undo: () => takeOut(kept.id),
    redo: () => put(file),
  });
  return kept;
}

/** Takes a font file off the bench; it can be put back while this page is open. */
export async function removeTypeface({ id, name }: TypefaceRecord): Promise<void> {
  // What cannot be had cannot be put back: then it stays.
  const answer = await fetch(pathTo(PATHS.typeface, id));
  if (!answer.ok)
    throw new Error(`${name} cannot be read, so it was left on the bench: ${answer.statusText}.`);
  const file = await answer.blob();
  await takeOut(id);
  remember({ label: `take out typeface ${name}`, undo: () => put(file), redo: () => takeOut(id) });
}
