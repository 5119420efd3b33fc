import { renameSync, statfsSync } from 'node:fs';
import type { CopyKind } from '../../api/index.ts';
import { makePrivate, removeWhole, syncToDisk } from '../database/besideData.ts';
import type { ServerContext } from '../routes/serverContext.ts';
import { copiesFolder, makeFolder, newCopyId, pathInMaking, pathOfCopy } from './copiesFolder.ts';
import { sealCopy, verifyCopy } from './sealCopy.ts';

/** Makes a copy of the bench in the folder of its copies: written whole, sealed, read through again, and only then under its name.
 *  Gives its id and checksum. Throws Error, in a builder's words, where the folder, the disk or the copy will not do. */
export async function makeCopy(
  { sqlite, file, clock }: Pick<ServerContext, 'sqlite' | 'file' | 'clock'>,
  kind: CopyKind,
): Promise<{ id: string; checksum: string }> {
  const folder = copiesFolder(file);
  if (folder === null) throw new Error('This bench lies in memory alone.');
  const now = clock();
  try {
    makeFolder(folder);
  } catch (error) {
    throw new Error(`the folder ${folder} cannot be used (${(error as NodeJS.ErrnoException).code}).`, {
      cause: error,
    });
  }
  requireRoom(sqlite, folder);
  const id = newCopyId(folder, kind, now);
  const making = pathInMaking(folder, id);
  try {
    makePrivate(making);
    await sqlite.backup(making);
    const checksum = await sealCopy(making, now);
    syncToDisk(making);
    await verifyCopy(making);
    renameSync(making, pathOfCopy(folder, id));
    return { id, checksum };
  } catch (error) {
    const code = (error as { code?: string }).code;
    if (code === undefined) throw error;
    throw new Error(`the copy could not be written to ${folder} (${code}).`, { cause: error });
  } finally {
    removeWhole(making);
  }
}

/** A copy takes the room of the bench, and the bench needs some to go on. */
const ROOM_LEFT = 50_000_000;

function requireRoom(sqlite: ServerContext['sqlite'], folder: string): void {
  // With what is in the log still.
  const pragma = (name: string) => sqlite.pragma(name, { simple: true }) as number;
  const wanted = pragma('page_count') * pragma('page_size') + ROOM_LEFT;
  const { bavail, bsize } = statfsSync(folder);
  if (bavail * bsize < wanted)
    throw new Error(
      `there is room for ${Math.floor((bavail * bsize) / 1e6)} MB at ${folder}, and a copy wants ${Math.ceil(wanted / 1e6)} MB.`,
    );
}
