import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { Router } from 'express';
import {
  buildInput,
  buildUpdate,
  joinInput,
  joinUpdate,
  PATHS,
  trayInput,
  trayUpdate,
} from '../../api/index.ts';
import type { PlannedLayer } from '../../core/kit/index.ts';
import type { Database } from '../database/open.ts';
import { builds, codes, joins, trays } from '../database/schema.ts';
import { notFound, stale } from '../problem.ts';
import { readBuild, readBuilds, readJoin, readTray } from '../store/benchStore.ts';
import { requireSoundTrays } from '../store/kitStore.ts';
import { idOf, validated, type Served } from './served.ts';

/** Builds with their sub-assemblies and joints. */
export function buildRoutes({ db }: Served): Router {
  const router = Router();

  router.post(PATHS.builds, (request, response) => {
    const input = validated(buildInput, request.body);
    const id = randomUUID();
    db.insert(builds)
      .values({ id, ...input, position: readBuilds(db).length })
      .run();
    response.status(201).json(readBuild(db, id));
  });

  router.put(PATHS.build, (request, response) => {
    const { version, ...input } = validated(buildUpdate, request.body);
    const id = idOf(request);
    const result = db
      .update(builds)
      .set({ ...input, version: version + 1 })
      .where(and(eq(builds.id, id), eq(builds.version, version)))
      .run();
    const current = readBuild(db, id);
    if (!current) throw notFound('build', id);
    if (result.changes === 0) throw stale('build', current);
    response.json(current);
  });

  router.delete(PATHS.build, (request, response) => {
    const id = idOf(request);
    if (db.delete(builds).where(eq(builds.id, id)).run().changes === 0) throw notFound('build', id);
    response.status(204).end();
  });

  router.post(PATHS.trays, (request, response) => {
    const input = validated(trayInput, request.body);
    const buildId = idOf(request);
    if (!readBuild(db, buildId)) throw notFound('build', buildId);
    requireCode(db, input.codeId);
    const id = randomUUID();
    db.transaction((tx) => {
      tx.insert(trays)
        .values({ id, buildId, ...input, layers: input.layers as PlannedLayer[] })
        .run();
      requireSoundTrays(tx, buildId);
    });
    response.status(201).json(readTray(db, id));
  });

  router.put(PATHS.tray, (request, response) => {
    const { version, ...input } = validated(trayUpdate, request.body);
    const id = idOf(request);
    requireCode(db, input.codeId);
    const saved = db.transaction((tx) => {
      const result = tx
        .update(trays)
        .set({ ...input, layers: input.layers, version: version + 1 })
        .where(and(eq(trays.id, id), eq(trays.version, version)))
        .run();
      const current = readTray(tx, id);
      if (!current) throw notFound('sub-assembly', id);
      if (result.changes === 0) throw stale('sub-assembly', current);
      requireSoundTrays(tx, current.buildId);
      return current;
    });
    response.json(saved);
  });

  router.delete(PATHS.tray, (request, response) => {
    const id = idOf(request);
    if (db.delete(trays).where(eq(trays.id, id)).run().changes === 0) throw notFound('sub-assembly', id);
    response.status(204).end();
  });

  router.post(PATHS.joins, (request, response) => {
    const input = validated(joinInput, request.body);
    const buildId = idOf(request);
    const build = readBuild(db, buildId);
    if (!build) throw notFound('build', buildId);
    const id = randomUUID();
    requireOrder([...build.joins, { id, ...input }]);
    db.insert(joins)
      .values({ id, buildId, ...input })
      .run();
    response.status(201).json(readJoin(db, id));
  });

  router.put(PATHS.join, (request, response) => {
    const { version, ...input } = validated(joinUpdate, request.body);
    const id = idOf(request);
    const before = readJoin(db, id);
    if (!before) throw notFound('joint', id);
    const others = readBuild(db, before.buildId)!.joins.filter((join) => join.id !== id);
    requireOrder([...others, { id, ...input }]);
    const result = db
      .update(joins)
      .set({ ...input, version: version + 1 })
      .where(and(eq(joins.id, id), eq(joins.version, version)))
      .run();
    if (result.changes === 0) throw stale('joint', readJoin(db, id));
    response.json(readJoin(db, id));
  });

  router.delete(PATHS.join, (request, response) => {
    const id = idOf(request);
    if (db.delete(joins).where(eq(joins.id, id)).run().changes === 0) throw notFound('joint', id);
    response.status(204).end();
  });

  return router;
}

function requireCode(db: Database, id: string | null): void {
  if (id !== null && !db.select({ id: codes.id }).from(codes).where(eq(codes.id, id)).get())
    throw notFound('factory code', id);
}

/** Refuses joints that wait for each other in a circle. */
function requireOrder(all: { id: string; name: string; afterJoinIds: string[] }[]): void {
  const left = new Map(all.map((join) => [join.id, join]));
  for (let removed = true; removed;) {
    removed = false;
    for (const [id, join] of left) {
      if (join.afterJoinIds.every((before) => !left.has(before))) {
        left.delete(id);
        removed = true;
      }
    }
  }
  if (left.size > 0) {
    throw new RangeError(
      `These joints wait for each other in a circle: ${[...left.values()].map(({ name }) => name).join(', ')}.`,
    );
  }
}
