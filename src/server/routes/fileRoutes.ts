import { createWriteStream } from 'node:fs';
import { dirname, join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Request, Router } from 'express';
import { PATHS } from '../../api/index.ts';
import {
  besideName,
  copyAsItLies,
  copyWhole,
  keptName,
  makePrivate,
  markAsBackup,
  removeWhole,
  requireBackup,
} from '../database/besideData.ts';
import { takeContents } from '../database/takeContents.ts';
import { ProblemError } from '../problem.ts';
import { neverKept } from '../requests/conditional.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

const IN_MEMORY = ':memory:';
/** A backup with ten years of pictures. */
const MOST_BYTES = 2_000_000_000;

/** The data file as a whole: a backup to take away, and one to go back to. */
export function fileRoutes({ db, sqlite, file, readOnly, clock }: ServerContext): Router {
  const { router, get, post } = benchRouter({ db });

  get(PATHS.backup, neverKept, async (_request, response) => {
    // A file that cannot be written has a folder that may not be either; what is read lies in one of its own.
    const copy = readOnly === null ? besideName(file, 'backup') : join(dirname(sqlite.name), 'backup.db');
    try {
      makePrivate(copy);
      try {
        await sqlite.backup(copy);
        markAsBackup(copy);
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
          },
        ),
      );
    } finally {
      removeWhole(copy);
    }
  });

  post(PATHS.restore, async (request, response) => {
    if (file === IN_MEMORY) throw notRestored('This bench lies in memory alone.');
    const sent = besideName(file, 'restore');
    try {
      makePrivate(sent);
      await receive(request, sent);
      try {
        requireBackup(sent);
      } catch (error) {
        throw notRestored((error as Error).message.replaceAll(sent, 'The file'));
      }
      const kept = keptName(file, 'before-restore');
      copyWhole(sqlite, kept);
      takeContents(sqlite, sent, clock);
      response.json({ kept });
    } finally {
      removeWhole(sent);
    }
  });

  return router;
}

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
