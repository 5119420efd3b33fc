import { PATHS, pathTo, type CopyList, type CopyPreview, type CopyRecord } from '../../api/index.ts';
import { refetch, refetchAll, useCached } from './cache.ts';
import { get, request } from './request.ts';
import { write } from './saving.ts';
import { forgetAll } from './undo.ts';

/** The copies beside the data, and what was restored last. */
export const useCopies = () => useCached<CopyList>(PATHS.copies, get);

/** Makes a verified copy now. */
export async function makeCopy(): Promise<CopyRecord> {
  const copy = await write<CopyRecord>('POST', PATHS.copies);
  await Promise.all([refetch(PATHS.copies), refetch(PATHS.bench)]);
  return copy;
}

/** Lets the server look at a backup; it is kept for a while, so that it can be restored without being sent again. */
export async function sendCopy(file: Blob): Promise<CopyRecord> {
  return request<CopyRecord>('POST', PATHS.copySent, {
    body: new Blob([file], { type: 'application/octet-stream' }),
  });
}

/** What a copy holds beside what is here. */
export const previewCopy = (id: string): Promise<CopyPreview> => get<CopyPreview>(pathTo(PATHS.copy, id));

export async function removeCopy(id: string): Promise<void> {
  await write('DELETE', pathTo(PATHS.copy, id));
  await refetch(PATHS.copies);
}

/** Puts what a copy holds in the place of everything on the bench; what was here is kept as a copy of its own. */
export async function restoreCopy(id: string): Promise<void> {
  await write<{ keptId: string }>('POST', pathTo(PATHS.copyRestore, id));
  // What was done before has nothing to be taken back from any more.
  forgetAll();
  await refetchAll();
}

/** Ends this browser's session; the passphrase is asked for again. */
export async function signOut(): Promise<void> {
  await write('POST', PATHS.signOut);
  location.assign(PATHS.signIn);
}
