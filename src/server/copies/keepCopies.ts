import Sqlite from 'better-sqlite3';
import { contentsDigest } from '../database/contents.ts';
import { inPortions, oneAtATime } from '../requests/inPortions.ts';
import type { ServerContext } from '../routes/serverContext.ts';
import { copiesFolder, keepNewest, listCopies, sweepMaking, sweepSent } from './copiesFolder.ts';
import { lastCopied, noteCopied, noteCopyProblem, readCopyPlan } from './copyState.ts';
import { makeCopy } from './makeCopy.ts';

/** How often it is looked whether a copy is due. */
const LOOKED_EVERY_MS = 20 * 60_000;
const DAY_MS = 24 * 60 * 60_000;
/** A copy that is due does not hold up the first page. */
const AFTER_START_MS = 20_000;

type Copied = Pick<ServerContext, 'db' | 'sqlite' | 'file' | 'clock' | 'readOnly'>;

const inTurn = oneAtATime();

/** Makes the scheduled copy where one is due: none in so many days, or the clock was before the last. A bench that is as it was
 *  at the last copy is not copied again, while that copy is there. Says whether a copy was made. */
export function copyIfDue(context: Copied): Promise<boolean> {
  return inTurn(async () => {
    const { db, file, clock, readOnly } = context;
    const folder = copiesFolder(file);
    const { everyDays, keep } = readCopyPlan(db);
    if (folder === null || readOnly !== null || everyDays === 0) return false;
    const last = lastCopied(db);
    const since = last === undefined ? Infinity : clock() - Number(last.at);
    if (since >= 0 && since < everyDays * DAY_MS) return false;
    try {
      const hasCopy = listCopies(folder).some(({ kind }) => kind === 'scheduled');
      if (hasCopy && last !== undefined && (await digestBeside(file)) === last.checksum) {
        noteCopied(db, clock(), last.checksum);
        return false;
      }
      const { checksum } = await makeCopy(context, 'scheduled');
      noteCopied(db, clock(), checksum);
      keepNewest(folder, keep);
      return true;
    } catch (error) {
      noteCopyProblem(db, (error as Error).message);
      return false;
    }
  });
}

/** The checksum of what a file holds, by a connection of its own: one that is being read through takes no write. */
async function digestBeside(file: string): Promise<string> {
  const beside = new Sqlite(file, { readonly: true });
  try {
    beside.exec('BEGIN');
    return await inPortions(contentsDigest(beside));
  } finally {
    beside.close();
  }
}

/** Looks now and then whether a copy is due, for as long as the server runs. Gives what ends it. */
export function keepCopies(context: Copied): () => void {
  const folder = copiesFolder(context.file);
  if (folder !== null) sweepMaking(folder);
  const look = () => {
    if (folder !== null) sweepSent(folder, context.clock());
    void copyIfDue(context).catch((error: unknown) => console.error('No copy could be made.', error));
  };
  const first = setTimeout(look, AFTER_START_MS).unref();
  const again = setInterval(look, LOOKED_EVERY_MS).unref();
  return () => {
    clearTimeout(first);
    clearInterval(again);
  };
}
