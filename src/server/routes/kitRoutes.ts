import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import express, { Router } from 'express';
import {
  changesSchema,
  KIT_ITEMS,
  PATHS,
  STOCK_ITEMS,
  subassembliesInput,
  type SubassembliesInput,
} from '../../api/index.ts';
import type { PlannedLayer } from '../../core/kit/index.ts';
import type { Database } from '../database/open.ts';
import { builds, joins, pictures, trays } from '../database/schema.ts';
import { imageType } from '../imageType.ts';
import { notFound, ProblemError, stale } from '../problem.ts';
import { readBuild } from '../store/benchStore.ts';
import { changeKitItems, readKitItems, requireSoundTrays } from '../store/kitStore.ts';
import { idOf, validated, type Served } from './served.ts';

const MOST_PICTURE_BYTES = 5_000_000;
const kitChanges = changesSchema(KIT_ITEMS);
const stockChanges = changesSchema(STOCK_ITEMS);

/** What is in the box and in stock, the division into sub-assemblies, and pictures of evidence. */
export function kitRoutes({ db }: Served): Router {
  const router = Router();

  router.get(PATHS.kit, (request, response) => {
    const buildId = idOf(request);
    requireBuild(db, buildId);
    response.json({ items: readKitItems(db, buildId) });
  });

  router.put(PATHS.kit, (request, response) => {
    const { changes } = validated(kitChanges, request.body);
    const buildId = idOf(request);
    requireBuild(db, buildId);
    response.json({ items: db.transaction((tx) => changeKitItems(tx, buildId, KIT_ITEMS, changes)) });
  });

  router.get(PATHS.stock, (_request, response) => {
    response.json({ items: readKitItems(db, null) });
  });

  router.put(PATHS.stock, (request, response) => {
    const { changes } = validated(stockChanges, request.body);
    response.json({ items: db.transaction((tx) => changeKitItems(tx, null, STOCK_ITEMS, changes)) });
  });

  router.put(PATHS.subassemblies, (request, response) => {
    const input = validated(subassembliesInput, request.body);
    const buildId = idOf(request);
    requireBuild(db, buildId);
    db.transaction((tx) => {
      takeSubassemblies(tx, buildId, input);
      requireSoundTrays(tx, buildId);
    });
    response.json(readBuild(db, buildId));
  });

  router.post(
    PATHS.pictures,
    express.raw({ type: () => true, limit: MOST_PICTURE_BYTES }),
    (request, response) => {
      const buildId = idOf(request);
      requireBuild(db, buildId);
      const bytes = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
      const type = imageType(bytes);
      if (!type) {
        throw new ProblemError({
          status: 415,
          type: '/problems/no-picture',
          title: 'That is no picture',
          detail: 'The file is neither JPEG, PNG, WebP nor GIF, whatever its name says.',
          remedy: 'Nothing was changed. Choose a picture, or write a link into the source.',
        });
      }
      const id = randomUUID();
      db.insert(pictures).values({ id, buildId, type, bytes }).run();
      response.status(201).json({ id });
    },
  );

  router.get(PATHS.picture, (request, response) => {
    const id = idOf(request);
    const row = db.select().from(pictures).where(eq(pictures.id, id)).get();
    if (!row) throw notFound('picture', id);
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type(row.type).send(row.bytes);
  });

  return router;
}

function requireBuild(db: Database, id: string): void {
  if (!db.select({ id: builds.id }).from(builds).where(eq(builds.id, id)).get()) throw notFound('build', id);
}

function takeSubassemblies(db: Database, buildId: string, input: SubassembliesInput): void {
  const refuse = () => stale('division into sub-assemblies', readBuild(db, buildId));
  for (const { id, version } of input.removed) {
    const { changes } = db
      .delete(trays)
      .where(and(eq(trays.id, id), eq(trays.buildId, buildId), eq(trays.version, version)))
      .run();
    if (changes === 0) throw refuse();
  }
  for (const { id, version, tray } of input.trays) {
    const row = { ...tray, layers: tray.layers as PlannedLayer[], version: version + 1 };
    if (version === 0) {
      if (db.select({ id: trays.id }).from(trays).where(eq(trays.id, id)).get()) throw refuse();
      db.insert(trays)
        .values({ ...row, id, buildId })
        .run();
      continue;
    }
    const { changes } = db
      .update(trays)
      .set(row)
      .where(and(eq(trays.id, id), eq(trays.buildId, buildId), eq(trays.version, version)))
      .run();
    if (changes === 0) throw refuse();
  }
  db.delete(joins).where(eq(joins.buildId, buildId)).run();
  for (const join of input.joins) {
    db.insert(joins)
      .values({ ...join, buildId })
      .run();
  }
}
