import { createWriteStream, renameSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Request, Router } from 'express';
import { PATHS, type CopyList, type CopyRecord } from '../../api/index.ts';
import {
  copiesFolder,
  listCopies,
  makeFolder,
  newCopyId,
  pathInMaking,
  pathOfCopy,
} from '../copies/copiesFolder.ts';
import { noteCopied, noteSaved, readRestored } from '../copies/copyState.ts';
import { makeCopy } from '../copies/makeCopy.ts';
import { previewCopy } from '../copies/previewCopy.ts';
import { restoreCopy } from '../copies/restoreCopy.ts';
import { sealCopy, verifyCopy } from '../copies/sealCopy.ts';
import { besideName, copyAsItLies, makePrivate, removeWhole } from '../database/besideData.ts';
import { notFound, ProblemError } from '../problem.ts';
import { neverKept } from '../requests/conditional.ts';
import { oneAtATime } from '../requests/inPortions.ts';
import { idOf } from '../requests/validated.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

/** A backup with ten years of pictures. */
const MOST_BYTES = 2_000_000_000;

/** The data file as a whole: a backup to take away, copies beside the data, and going back to one of them. */
export function copyRoutes(context: ServerContext): Router {
  const { db, sqlite, file, readOnly, clock } = context;
  const { router, get, post, remove } = benchRouter({ db });
  const inTurn = oneAtATime();

  const theFolder = (): string => {
    const folder = copiesFolder(file);
    if (folder === null) throw notRestored('This bench lies in memory alone.');
    return folder;
  };
  const theCopy = (request: Request): { folder: string; copy: CopyRecord } => {
    const folder = theFolder();
    const id = idOf(request);
    const copy = listCopies(folder).find((each) => each.id === id);
    if (!copy) throw notFound('copy', id);
    return { folder, copy };
  };
  /** Says of a file what is wrong with it, by the name that a builder knows it by. */
  const inWords = async <T>(folder: string, work: () => Promise<T>): Promise<T> => {
    try {
      return await work();
    } catch (error) {
      if (error instanceof ProblemError || (error as { code?: string }).code !== undefined) throw error;
      throw notRestored(
        (error as Error).message.replaceAll(new RegExp(`${escaped(folder)}/\\S+\\.db`, 'g'), 'The file'),
      );
    }
  };

  /** The backup is in the builder's hands, whether or not that can be written down. */
  const noted = () => {
    try {
      noteSaved(db, clock());
    } catch (error) {
      console.error('That a backup was saved could not be noted.', error);
    }
  };

  get(PATHS.backup, neverKept, async (_request, response) => {
    // A file that cannot be written has a folder that may not be either; what is read lies in one of its own.
    const copy = readOnly === null ? besideName(file, 'backup') : join(dirname(sqlite.name), 'backup.db');
    try {
      makePrivate(copy);
      try {
        await sqlite.backup(copy);
        await sealCopy(copy, clock());
      } catch (error) {
        if (readOnly === null) throw error;
        copyAsItLies(file, copy);
      }
      await new Promise<void>((resolve, reject) =>
        response.download(
          copy,
          'fanfare-backup.db',
          { dotfiles: 'allow', cacheControl: false, etag: false },
          (error) => {
            // A visitor who leaves half-way is no error of ours.
            if (error && !response.headersSent) reject(error);
            else resolve();
            if (!error && readOnly === null) noted();
          },
        ),
      );
    } finally {
      removeWhole(copy);
    }
  });

  get(PATHS.copies, neverKept, (_request, response) => {
    const folder = copiesFolder(file);
    const copies = folder === null ? [] : listCopies(folder);
    const restored = readRestored(db);
    const list: CopyList = {
      folder,
      copies,
      restored: restored && copies.some(({ id }) => id === restored.keptId) ? restored : null,
    };
    response.json(list);
  });

  post(PATHS.copies, async (_request, response) => {
    const folder = theFolder();
    const made = await inTurn(() => inWords(folder, () => makeCopy(context, 'pressed')));
    noteCopied(db, clock(), made.checksum);
    response.status(201).json(listCopies(folder).find(({ id }) => id === made.id));
  });

  post(PATHS.copySent, async (request, response) => {
    const folder = theFolder();
    makeFolder(folder);
    const id = newCopyId(folder, 'sent', clock());
    const sent = pathInMaking(folder, id);
    try {
      makePrivate(sent);
      await receive(request, sent);
      await inWords(folder, () => verifyCopy(sent));
      renameSync(sent, pathOfCopy(folder, id));
      response.status(201).json(listCopies(folder).find((each) => each.id === id));
    } finally {
      removeWhole(sent);
    }
  });

  get(PATHS.copy, neverKept, async (request, response) => {
    const { folder, copy } = theCopy(request);
    response.json(await inTurn(() => inWords(folder, () => previewCopy(db, folder, copy, clock()))));
  });

  post(PATHS.copyRestore, async (request, response) => {
    const { folder, copy } = theCopy(request);
    const keptId = await inTurn(() => inWords(folder, () => restoreCopy(context, folder, copy.id)));
    if (copy.kind === 'sent') removeWhole(pathOfCopy(folder, copy.id));
    response.json({ keptId });
  });

  remove(PATHS.copy, (request, response) => {
    const { folder, copy } = theCopy(request);
    removeWhole(pathOfCopy(folder, copy.id));
    response.status(204).end();
  });

  return router;
}

const escaped = (text: string): string => text.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&');

async function receive(request: Request, to: string): Promise<void> {
  let bytes = 0;
  const counted = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes > MOST_BYTES) done(notRestored('The file is larger than any bench.'));
      else done(null, chunk);
    },
  });
  await pipeline(request, counted, createWriteStream(to, { mode: 0o600 }));
  if (bytes === 0) throw notRestored('The file is empty.');
}

const notRestored = (detail: string) =>
  new ProblemError({
    status: 422,
    type: '/problems/no-backup',
    title: 'That cannot be restored',
    detail,
    remedy: 'Nothing was changed. Choose a backup that Fanfare made.',
  });
