import { copyFileSync } from 'node:fs';
import { closeToOthers, removeWhole } from '../database/besideData.ts';
import { takeContents } from '../database/takeContents.ts';
import type { ServerContext } from '../routes/serverContext.ts';
import { pathInMaking, pathOfCopy, removeMaking } from './copiesFolder.ts';
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
  const readId = `${id}-restored`;
  const read = pathInMaking(folder, readId);
  try {
    // The copy stays as it was made; what is brought up to date is another.
    copyFileSync(path, read);
    closeToOthers(read);
    const keptId = await copyOfNow(context, folder);
    takeContents(sqlite, read, clock);
    const minutes = (ms: number) => Math.floor(ms / 60_000);
    const takenBack = readRestored(db)?.keptId === id;
    noteRestored(
      db,
      takenBack ? null : { at: minutes(clock()), madeAt: madeAt === null ? null : minutes(madeAt), keptId },
    );
    return keptId;
  } finally {
    removeMaking(folder, readId);
  }
}

/** What was written while the copy was made is not in it: then another is made. */
const MOST_TRIES = 5;

/** A copy of the bench as it is when this gives its id, with nothing written since. */
async function copyOfNow(context: ServerContext, folder: string): Promise<string> {
  const written = context.sqlite.prepare('SELECT total_changes()').pluck();
  const state = () =>
    `${String(written.get())} ${String(context.sqlite.pragma('data_version', { simple: true }))}`;
  for (let turn = 0; turn < MOST_TRIES; turn++) {
    const before = state();
    const { id } = await makeCopy(context, 'before-restore');
    if (state() === before) return id;
    removeWhole(pathOfCopy(folder, id));
  }
  throw new Error(
    'The bench is being written to without a pause. Nothing was changed; try again in a moment.',
  );
}
