import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { format, parse } from 'date-fns';
import { COPY_KINDS, type CopyKind, type CopyRecord } from '../../api/index.ts';
import { removeWhole } from '../database/besideData.ts';

const IN_MEMORY = ':memory:';
const STAMP = "yyyy-MM-dd'T'HH-mm-ss";
const NAME = new RegExp(
  `^(${COPY_KINDS.join('|')})-(\\d{4}-\\d{2}-\\d{2}T\\d{2}-\\d{2}-\\d{2})(-\\d{1,3})?\\.db$`,
);
/** What is in the making carries a name that no copy has. */
const MAKING = '.making-';
/** What a browser sent to be looked at is kept for so long, ms. */
const SENT_KEPT_MS = 60 * 60_000;

/** The folder of a bench's copies, named after its data file: in FANFARE_COPIES, which may lie on another disk and hold those of
 *  several benches, or beside the data; null for a bench in memory. */
export function copiesFolder(file: string): string | null {
  if (file === IN_MEMORY) return null;
  return join(process.env.FANFARE_COPIES || dirname(file), `${basename(file)}-copies`);
}

/** Makes the folder where there is none; nobody but the owner looks into it. */
export const makeFolder = (folder: string): void => void mkdirSync(folder, { recursive: true, mode: 0o700 });

const isFolder = (folder: string): boolean =>
  statSync(folder, { throwIfNoEntry: false })?.isDirectory() ?? false;

/** The copies in a folder, newest first. */
export function listCopies(folder: string): CopyRecord[] {
  if (!isFolder(folder)) return [];
  return readdirSync(folder)
    .flatMap((name) => {
      const [, kind, stamp, count = ''] = NAME.exec(name) ?? [];
      if (stamp === undefined) return [];
      const at = parse(stamp, STAMP, 0).getTime() / 60_000;
      const { size: bytes } = statSync(join(folder, name));
      return [
        {
          id: name.slice(0, -'.db'.length),
          kind: kind as CopyKind,
          at,
          bytes,
          order: stamp + count.padStart(4, '0'),
        },
      ];
    })
    .sort((p, q) => (p.order < q.order ? 1 : -1))
    .map(({ order: _, ...copy }) => copy);
}

/** A name for a copy that is made now, in a folder where it has none. */
export function newCopyId(folder: string, kind: CopyKind, now: number): string {
  const stem = `${kind}-${format(now, STAMP)}`;
  for (let count = 1; ; count++) {
    const id = count === 1 ? stem : `${stem}-${count}`;
    if (!existsSync(pathOfCopy(folder, id))) return id;
  }
}

export const pathOfCopy = (folder: string, id: string): string => join(folder, `${id}.db`);
export const pathInMaking = (folder: string, id: string): string => join(folder, `${MAKING}${id}.db`);

/** Removes what is in the making under a name, with whatever opening it has left beside it. */
export function removeMaking(folder: string, id: string): void {
  for (const name of readdirSync(folder))
    if (name.startsWith(`${MAKING}${id}.`)) rmSync(join(folder, name), { force: true });
}

/** Removes what a killed server left in the making. */
export function sweepMaking(folder: string): void {
  if (!isFolder(folder)) return;
  for (const name of readdirSync(folder))
    if (name.startsWith(MAKING)) rmSync(join(folder, name), { force: true });
}

/** Removes files that were sent to be looked at and not restored within an hour. */
export function sweepSent(folder: string, now: number): void {
  for (const { id, kind, at } of listCopies(folder))
    if (kind === 'sent' && Math.abs(now - at * 60_000) > SENT_KEPT_MS) removeWhole(pathOfCopy(folder, id));
}

/** Removes the oldest scheduled copies beyond so many. What was made at a press or before a restore stays. */
export function keepNewest(folder: string, keep: number): void {
  const scheduled = listCopies(folder).filter(({ kind }) => kind === 'scheduled');
  for (const { id } of scheduled.slice(keep)) removeWhole(pathOfCopy(folder, id));
}
