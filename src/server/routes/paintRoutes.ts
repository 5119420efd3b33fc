import { eq } from 'drizzle-orm';
import type { Request, Response, Router } from 'express';
import {
  codeBatch,
  codeInput,
  codeUpdate,
  paintBatch,
  paintUpdate,
  PATHS,
  shelfInput,
  shelfMerge,
  type Changes,
  type CodeInput,
  type PaintInput,
  type ShelfMerge,
} from '../../api/index.ts';
import { paints } from '../database/schema.ts';
import { notFound, ProblemError, stale } from '../problem.ts';
import { eachInPortions, inPortions, sendList } from '../requests/inPortions.ts';
import { idOf, ifMatch, validated, validatedList } from '../requests/validated.ts';
import { noteRefitDue } from '../store/cupStore.ts';
import {
  addPaint,
  changeCode,
  changePaint,
  codesSince,
  paintRow,
  paintsSince,
  possibleCode,
  putOnShelf,
  readCode,
  readPaint,
  saveCode,
  takePaintVersion,
} from '../store/paintStore.ts';
import type { Learning } from './learning.ts';
import { writing } from '../store/writing.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

/** The catalogue of paints, the shelf, and factory codes. */
export function paintRoutes({ db, clock }: ServerContext, learning: Learning): Router {
  const { router, get, post, put, remove } = benchRouter({ db });
  const now = () => Math.floor(clock() / 60_000);

  get(PATHS.paints, async (_request, response) => {
    await sendList(response, (await inPortions(paintsSince(db, undefined))).items);
  });
  get(PATHS.paintChanges, async (request, response) => {
    await sendChanges(response, await inPortions(paintsSince(db, sinceOf(request))));
  });

  post(PATHS.paints, async (request, response) => {
    const input = await validatedList<PaintInput>(paintBatch.shape, 'paints', paintBatch.item, request.body);
    // The optics are worked out before anything is written, so that the file is not held meanwhile.
    const rows = await eachInPortions(input, paintRow);
    const saved = writing(db, (tx) => input.map((paint, at) => addPaint(tx, paint, rows[at]!, now())));
    response.status(201).json(saved);
  });

  remove(PATHS.paint, (request, response) => {
    const [id, version] = [idOf(request), ifMatch(request)];
    writing(db, (tx) => {
      if (!readPaint(tx, id)) throw notFound('paint', id);
      takePaintVersion(tx, id, version);
      tx.delete(paints).where(eq(paints.id, id)).run();
    });
    response.status(204).end();
  });

  put(PATHS.paint, async (request, response) => {
    const input = validated(paintUpdate, request.body);
    const [id, version] = [idOf(request), ifMatch(request)];
    writing(db, (tx) => {
      if (!readPaint(tx, id)) throw notFound('paint', id);
      takePaintVersion(tx, id, version);
      if (changePaint(tx, id, input)) noteRefitDue(tx, [id]);
    });
    await learning.catchUp();
    response.json(readPaint(db, id));
  });

  post(PATHS.shelfMerge, async (request, response) => {
    type Row = ShelfMerge['rows'][number];
    const rows = await validatedList<Row>(shelfMerge.shape, 'rows', shelfMerge.item, request.body);
    const fresh = await eachInPortions(rows, ({ paintId, paint }) =>
      paintId === null ? paintRow(paint as PaintInput) : undefined,
    );
    const ids = writing(db, (tx) =>
      rows.map(({ paintId, paint, shelf, change, version }, at) => {
        const id = paintId ?? addPaint(tx, { ...(paint as PaintInput), owned: false }, fresh[at]!, now()).id;
        if (paintId !== null) {
          if (!readPaint(tx, id)) throw notFound('paint', id);
          takePaintVersion(tx, id, version);
        }
        putOnShelf(tx, id, shelf, now());
        if (changePaint(tx, id, change)) noteRefitDue(tx, [id]);
        return id;
      }),
    );
    await learning.catchUp();
    response.json({ ids });
  });

  put(PATHS.shelf, (request, response) => {
    const input = validated(shelfInput, request.body);
    const [id, version] = [idOf(request), ifMatch(request)];
    writing(db, (tx) => {
      if (!readPaint(tx, id)) throw notFound('paint', id);
      takePaintVersion(tx, id, version);
      putOnShelf(tx, id, input, now());
    });
    response.json(readPaint(db, id));
  });

  remove(PATHS.shelf, (request, response) => {
    const [id, version] = [idOf(request), ifMatch(request)];
    writing(db, (tx) => {
      if (!readPaint(tx, id)) throw notFound('paint', id);
      takePaintVersion(tx, id, version);
      putOnShelf(tx, id, null, now());
    });
    response.json(readPaint(db, id));
  });

  get(PATHS.codes, async (_request, response) => {
    await sendList(response, (await inPortions(codesSince(db, undefined))).items);
  });
  get(PATHS.codeChanges, async (request, response) => {
    await sendChanges(response, await inPortions(codesSince(db, sinceOf(request))));
  });

  post(PATHS.codes, (request, response) => {
    const input = validated(codeInput, request.body);
    response.status(201).json(writing(db, (tx) => saveCode(tx, possibleCode(input))));
  });

  post(PATHS.codeBatch, async (request, response) => {
    const input = await validatedList<CodeInput>(codeBatch.shape, 'codes', codeBatch.item, request.body);
    const codes = await eachInPortions(input, possibleCode);
    const saved = writing(db, (tx) => codes.map((code) => saveCode(tx, code)));
    response.status(201).json(saved);
  });

  put(PATHS.code, (request, response) => {
    const input = validated(codeUpdate, request.body);
    const [id, version] = [idOf(request), ifMatch(request)];
    const saved = writing(db, (tx) => {
      const current = readCode(tx, id);
      if (!current) throw notFound('code', id);
      if (current.version !== version) throw stale('code', current);
      return changeCode(tx, current, input);
    });
    response.json(saved);
  });

  return router;
}

const sendChanges = (response: Response, { items, ...beside }: Changes<unknown>): Promise<void> =>
  sendList(response, items, { key: 'items', beside });

/** The revision after which changes are asked for; undefined for all there is. */
function sinceOf(request: Request): number | undefined {
  const { since } = request.query;
  if (since === undefined) return undefined;
  if (typeof since !== 'string' || !/^\d{1,15}$/.test(since)) {
    throw new ProblemError({
      status: 400,
      title: 'That is no revision',
      detail: 'since takes a whole number, as an earlier answer gave it.',
      remedy: 'Leave it out to get everything.',
    });
  }
  return Number(since);
}
