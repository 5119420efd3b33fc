import type { Request, Router } from 'express';
import { object } from 'yup';
import { oneOf, PATHS, type SharedList, type Standing } from '../../api/index.ts';
import { SHARED_LISTS } from '../../api/handOn/buildDocument.ts';
import { documentSchema } from '../../api/handOn/documentSchema.ts';
import { asLookedAt, benchArchive } from '../handOn/benchArchive.ts';
import {
  buildOfBench,
  documentArchive,
  documentText,
  readBench,
  readDocumentFile,
} from '../handOn/documentFile.ts';
import { readDocument } from '../handOn/readDocument.ts';
import { previewDocument, takeDocument } from '../handOn/takeDocument.ts';
import { asKept } from '../pictures.ts';
import { ProblemError, problemOf } from '../problem.ts';
import { neverKept } from '../requests/conditional.ts';
import { rawBody, sentFile } from '../requests/rawBody.ts';
import { eachInPortions } from '../requests/inPortions.ts';
import { idOf, validated } from '../requests/validated.ts';
import { readBuild, readBuilds } from '../store/benchStore.ts';
import { writing } from '../store/writing.ts';
import type { Learning } from './learning.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

/** A build with its pictures of some years. */
const MOST_FILE_BYTES = 300_000_000;

const standingInput = object(
  Object.fromEntries(
    SHARED_LISTS.map((list) => [list, oneOf(['mine', 'theirs'] as const, 'whose stands').default('mine')]),
  ),
);

/** Builds that are handed on: out as a document, and in again. */
export function handOnRoutes({ db, clock }: ServerContext, learning: Learning): Router {
  const { router, get, post } = benchRouter({ db });

  get(PATHS.documentSchema, (_request, response) => {
    response.type('application/schema+json').send(JSON.stringify(documentSchema(), null, 1));
  });

  get(PATHS.buildDocument, neverKept, (request, response) => {
    const withPictures = request.query.pictures === 'yes';
    const id = idOf(request);
    const { document, pictures } = readDocument(db, id, { now: clock(), withPictures });
    const name = `fanfare-${document.build.name.replace(/[^\p{L}\p{N}]+/gu, '-')}`;
    response.attachment(`${name}.${withPictures ? 'zip' : 'json'}`);
    if (withPictures) response.type('application/zip').send(documentArchive(document, pictures));
    else response.type('application/json').send(documentText(document));
  });

  get(PATHS.benchDocument, neverKept, async (_request, response) => {
    const now = clock();
    const packed = await eachInPortions(readBuilds(db), ({ id, name }) => {
      const { document, pictures } = readDocument(db, id, { now, withPictures: true, wholeStock: true });
      return { id, name, archive: documentArchive(document, pictures) };
    });
    response.attachment('fanfare-bench-builds.zip');
    response.type('application/zip').send(benchArchive(new Date(now).toISOString(), packed));
  });

  post(PATHS.documentPreview, rawBody(MOST_FILE_BYTES), async (request, response) => {
    const bench = isOfBench(request) ? undefined : readBench(sentFile(request));
    response.json(bench ? asLookedAt(bench) : previewDocument(db, await readDocumentFile(buildIn(request))));
  });

  post(PATHS.documentTake, rawBody(MOST_FILE_BYTES), async (request, response) => {
    const standing = validated(
      standingInput,
      Object.fromEntries(SHARED_LISTS.map((list) => [list, request.query[list] ?? 'mine'])),
    ) as Record<SharedList, Standing>;
    const file = await readDocumentFile(buildIn(request));
    const pictures = new Map<string, { bytes: Buffer; type: string }>();
    for (const [id, bytes] of file.pictures) pictures.set(id, await keptPicture(id, bytes));
    const saved = writing(db, (tx) => readBuild(tx, takeDocument(tx, file, pictures, standing)));
    await learning.catchUp();
    response.status(201).json(saved);
  });

  return router;
}

/** Which build of a bench is meant. */
const isOfBench = ({ query }: Request): boolean => typeof query.of === 'string';

const buildIn = (request: Request): Buffer =>
  isOfBench(request) ? buildOfBench(sentFile(request), request.query.of as string) : sentFile(request);

async function keptPicture(id: string, bytes: Buffer): Promise<{ bytes: Buffer; type: string }> {
  try {
    return await asKept(bytes);
  } catch (error) {
    throw new ProblemError({ ...problemOf(error), detail: `The picture ${id}: ${problemOf(error).detail}` });
  }
}
