import { eq } from 'drizzle-orm';
import { Router } from 'express';
import {
  codeBatch,
  codeInput,
  codeUpdate,
  paintBatch,
  paintUpdate,
  PATHS,
  shelfInput,
  shelfMerge,
} from '../../api/index.ts';
import { paints } from '../database/schema.ts';
import { notFound, stale } from '../problem.ts';
import {
  changeCode,
  changePaint,
  putOnShelf,
  readCode,
  readCodes,
  readPaint,
  readPaints,
  saveCode,
  savePaint,
} from '../store/paintStore.ts';
import { refitPaints } from '../store/cupStore.ts';
import { idOf, validated, type Served } from './served.ts';

/** The catalogue of paints, the shelf, and factory codes. */
export function paintRoutes({ db }: Served): Router {
  const router = Router();

  router.get(PATHS.paints, (_request, response) => {
    response.json(readPaints(db));
  });

  router.post(PATHS.paints, (request, response) => {
    const input = validated(paintBatch, request.body);
    const saved = db.transaction((tx) => input.paints.map((paint) => savePaint(tx, paint)));
    response.status(201).json(saved);
  });

  router.delete(PATHS.paint, (request, response) => {
    const id = idOf(request);
    if (db.delete(paints).where(eq(paints.id, id)).run().changes === 0) throw notFound('paint', id);
    response.status(204).end();
  });

  router.put(PATHS.paint, (request, response) => {
    const input = validated(paintUpdate, request.body);
    const paintId = idOf(request);
    if (!readPaint(db, paintId)) throw notFound('paint', paintId);
    db.transaction((tx) => {
      if (changePaint(tx, paintId, input)) refitPaints(tx, [paintId]);
    });
    response.json(readPaint(db, paintId));
  });

  router.post(PATHS.shelfMerge, (request, response) => {
    const { rows } = validated(shelfMerge, request.body);
    const ids = db.transaction((tx) =>
      rows.map(({ paintId, paint, shelf, change }) => {
        const id = paintId ?? savePaint(tx, { ...paint!, owned: false }).id;
        if (!readPaint(tx, id)) throw notFound('paint', id);
        putOnShelf(tx, id, shelf);
        changePaint(tx, id, change);
        return id;
      }),
    );
    response.json({ ids });
  });

  router.put(PATHS.shelf, (request, response) => {
    const input = validated(shelfInput, request.body);
    const paintId = idOf(request);
    if (!readPaint(db, paintId)) throw notFound('paint', paintId);
    putOnShelf(db, paintId, input);
    response.json(readPaint(db, paintId));
  });

  router.delete(PATHS.shelf, (request, response) => {
    const paintId = idOf(request);
    if (!readPaint(db, paintId)) throw notFound('paint', paintId);
    putOnShelf(db, paintId, null);
    response.json(readPaint(db, paintId));
  });

  router.get(PATHS.codes, (_request, response) => {
    response.json(readCodes(db));
  });

  router.post(PATHS.codes, (request, response) => {
    const input = validated(codeInput, request.body);
    response.status(201).json(db.transaction((tx) => saveCode(tx, input)));
  });

  router.post(PATHS.codeBatch, (request, response) => {
    const input = validated(codeBatch, request.body);
    const saved = db.transaction((tx) => input.codes.map((code) => saveCode(tx, code)));
    response.status(201).json(saved);
  });

  router.put(PATHS.code, (request, response) => {
    const { version, ...input } = validated(codeUpdate, request.body);
    const id = idOf(request);
    const saved = db.transaction((tx) => {
      const current = readCode(tx, id);
      if (!current) throw notFound('code', id);
      if (current.version !== version) throw stale('code', current);
      return changeCode(tx, current, input);
    });
    response.json(saved);
  });

  return router;
}
