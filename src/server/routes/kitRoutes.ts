import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { Router } from 'express';
import {
  changesSchema,
  KIT_ITEMS,
  PATHS,
  STOCK_ITEMS,
  subassembliesInput,
  type KeptPictureRecord,
} from '../../api/index.ts';
import type { Database } from '../database/open.ts';
import { builds, pictures } from '../database/schema.ts';
import { reencoded, smallCopy } from '../pictures.ts';
import { notFound } from '../problem.ts';
import { rawBody, sendFile, sentFile } from '../requests/rawBody.ts';
import { idOf, validated } from '../requests/validated.ts';
import { readBuild } from '../store/benchStore.ts';
import { takeDivision } from '../store/divisionStore.ts';
import { changeKitItems, readKitItems } from '../store/kitStore.ts';
import { sweepPictures } from '../store/pictureStore.ts';
import { writing } from '../store/writing.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

const MOST_PICTURE_BYTES = 5_000_000;
const kitChanges = changesSchema(KIT_ITEMS);
const stockChanges = changesSchema(STOCK_ITEMS);

/** What is in the box and in stock, the division into sub-assemblies, and pictures of evidence. */
export function kitRoutes({ db, clock }: ServerContext): Router {
  const { router, get, post, put } = benchRouter({ db });
  const minute = () => Math.floor(clock() / 60000);

  get(PATHS.kit, (request, response) => {
    const buildId = idOf(request);
    requireBuild(db, buildId);
    response.json({ items: readKitItems(db, buildId) });
  });

  put(PATHS.kit, (request, response) => {
    const { changes } = validated(kitChanges, request.body);
    const buildId = idOf(request);
    requireBuild(db, buildId);
    const items = writing(db, (tx) => {
      const saved = changeKitItems(tx, buildId, KIT_ITEMS, changes);
      sweepPictures(tx, minute());
      return saved;
    });
    response.json({ items });
  });

  get(PATHS.stock, (_request, response) => {
    response.json({ items: readKitItems(db, null) });
  });

  put(PATHS.stock, (request, response) => {
    const { changes } = validated(stockChanges, request.body);
    response.json({ items: writing(db, (tx) => changeKitItems(tx, null, STOCK_ITEMS, changes)) });
  });

  put(PATHS.subassemblies, (request, response) => {
    const input = validated(subassembliesInput, request.body);
    const buildId = idOf(request);
    requireBuild(db, buildId);
    takeDivision(db, buildId, input);
    response.json(readBuild(db, buildId));
  });

  post(PATHS.pictures, rawBody(MOST_PICTURE_BYTES), async (request, response) => {
    const buildId = idOf(request);
    requireBuild(db, buildId);
    const { bytes, type, ...size } = await reencoded(sentFile(request));
    const id = randomUUID();
    writing(db, (tx) => {
      requireBuild(tx, buildId);
      tx.insert(pictures).values({ id, buildId, type, bytes }).run();
      sweepPictures(tx, minute());
    });
    response.status(201).json({ id, ...size } satisfies KeptPictureRecord);
  });

  get(PATHS.picture, async (request, response) => {
    const id = idOf(request);
    const row = db.select().from(pictures).where(eq(pictures.id, id)).get();
    if (!row) throw notFound('picture', id);
    if (request.query.size === 'small') sendFile(response, 'image/jpeg', await smallCopy(row.bytes));
    else sendFile(response, row.type, row.bytes);
  });

  return router;
}

function requireBuild(db: Database, id: string): void {
  if (!db.select({ id: builds.id }).from(builds).where(eq(builds.id, id)).get()) throw notFound('build', id);
}
