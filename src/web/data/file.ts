import { PATHS } from '../../api/index.ts';
import { refetchAll } from './cache.ts';
import { write } from './saving.ts';
import { forgetAll } from './undo.ts';

/** Puts a backup in the place of everything on the bench. Gives where the server keeps what was there before. */
export async function restoreBackup(file: Blob): Promise<string> {
  const { kept } = await write<{ kept: string }>('POST', PATHS.restore, file);
  // What was done before has nothing to be taken back from any more.
  forgetAll();
  await refetchAll();
  return kept;
}

/** Ends this browser's session; the passphrase is asked for again. */
export async function signOut(): Promise<void> {
  await write('POST', PATHS.signOut);
  location.assign(PATHS.signIn);
}
