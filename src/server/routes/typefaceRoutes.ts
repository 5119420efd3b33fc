import { createHash } from 'node:crypto';
import { asc, eq } from 'drizzle-orm';
import type { Router } from 'express';
import { PATHS, type TypefaceRecord } from '../../api/index.ts';
import { MOST_FONT_BYTES, nameOfTypeface, readTypeface } from '../../core/livery/index.ts';
import { typefaces } from '../database/schema.ts';
import { notFound, ProblemError } from '../problem.ts';
import { rawBody, sendFile, sentFile } from '../requests/rawBody.ts';
import { idOf } from '../requests/validated.ts';
import { writing } from '../store/writing.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

const MOST_TYPEFACES = 60;

/** The builder's own font files, for lettering. */
export function typefaceRoutes({ db }: ServerContext): Router {
  const { router, get, post, remove } = benchRouter({ db });

  get(PATHS.typefaces, (_request, response) => {
    const all: TypefaceRecord[] = db
      .select({ id: typefaces.id, name: typefaces.name })
      .from(typefaces)
      .orderBy(asc(typefaces.name))
      .all();
    response.json(all);
  });

  post(PATHS.typefaces, rawBody(MOST_FONT_BYTES), (request, response) => {
    const bytes = sentFile(request);
    const record = {
      id: createHash('sha256').update(bytes).digest('hex').slice(0, 32),
      name: nameIn(bytes),
    };
    writing(db, (tx) => {
      const known = tx.select({ id: typefaces.id }).from(typefaces).all();
      if (known.length >= MOST_TYPEFACES && !known.some(({ id }) => id === record.id)) throw tooMany();
      tx.insert(typefaces)
        .values({ ...record, bytes })
        .onConflictDoNothing()
        .run();
    });
    response.status(201).json(record satisfies TypefaceRecord);
  });

  get(PATHS.typeface, (request, response) => {
    const id = idOf(request);
    const row = db.select().from(typefaces).where(eq(typefaces.id, id)).get();
    if (!row) throw notFound('typeface', id);
    sendFile(response, 'application/octet-stream', row.bytes);
  });

  remove(PATHS.typeface, (request, response) => {
    const id = idOf(request);
    const { changes } = db.delete(typefaces).where(eq(typefaces.id, id)).run();
    if (changes === 0) throw notFound('typeface', id);
    response.status(204).end();
  });

  return router;
}

function nameIn(bytes: Buffer): string {
  try {
    const copy = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
    return nameOfTypeface(readTypeface(copy));
  } catch (error) {
    throw new ProblemError({
      status: 415,
      type: '/problems/no-typeface',
      title: 'That is no font file',
      detail: (error as Error).message,
      remedy: 'Nothing was changed. Choose a TrueType, OpenType or WOFF file.',
    });
  }
}

const tooMany = () =>
  new ProblemError({
    status: 409,
    type: '/problems/too-many-typefaces',
    title: 'Too many typefaces',
    detail: `The bench keeps ${MOST_TYPEFACES} font files.`,
    remedy: 'Nothing was changed. Take out one that no marking is lettered in.',
  });
