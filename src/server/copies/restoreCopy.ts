import { copyFileSync } from 'node:fs';
import { closeToOthers, removeWhole } from '../database/besideData.ts';
import { takeContents } from '../database/takeContents.ts';
import type { ServerContext } from '../routes/serverContext.ts';
import { pathInMaking, pathOfCopy } from './copiesFolder.ts';
import { noteRestored, readRestored } from './copyState.ts';
import { makeCopy } from './makeCopy.ts';
import { verifyCopy } from './sealCopy.ts';

/** Puts what a copy holds in the place of all that the bench holds, after a verified copy of that was made. Restoring the copy that
 *  the last restore made takes that restore back. Gives the id of the copy of what was there. Throws Error, in a builder's
 *  words, with nothing changed. */
export async function restoreCopy(context: ServerContext, folder: string, id: string): Promise<string> {
  const { db, sqlite, clock } = context;
  const path = pathOfCopy(folder, id);
  const { madeAt } = await verifyCopy(path);
  const read = pathInMaking(folder, `${id}-restored`);
  try {
    // The copy stays as it was made; what is brought up to date is another.
    copyFileSync(path, read);
    closeToOthers(read);
    const { id: keptId } = await makeCopy(context, 'before-restore');
    takeContents(sqlite, read, clock);
    const minutes = (ms: number) => Math.floor(ms / 60_000);
    const takenBack = readRestored(db)?.keptId === id;
    noteRestored(
      db,
      takenBack ? null : { at: minutes(clock()), madeAt: madeAt === null ? null : minutes(madeAt), keptId },
    );
    return keptId;
  } finally {
    removeWhole(read);
  }
}
