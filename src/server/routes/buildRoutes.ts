import { randomUUID } from 'node:crypto';
import { eq, max } from 'drizzle-orm';
import type { Router } from 'express';
import { buildInput, joinInput, PATHS, trayInput } from '../../api/index.ts';
import type { Database } from '../database/open.ts';
import { builds, cups, joins, readings, trays } from '../database/schema.ts';
import { notFound, stale } from '../problem.ts';
import { idOf, ifMatch, validated } from '../requests/validated.ts';
import { readBuild, readDetail, readJoin, readTray } from '../store/benchStore.ts';
import { noteRefitDue } from '../store/cupStore.ts';
import { changeDivision, removeJoin, removeTray, requireCode } from '../store/divisionStore.ts';
import { nextVersion } from '../store/revisions.ts';
import type { Learning } from './learning.ts';
import { writing } from '../store/writing.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

/** Builds with their sub-assemblies and joints. */
export function buildRoutes({ db }: ServerContext, learning: Learning): Router {
  const { router, get, post, put, remove } = benchRouter({ db });

  get(PATHS.build, (request, response) => {
    const id = idOf(request);
    const detail = readDetail(db, id);
    if (!detail) throw notFound('build', id);
    response.json(detail);
  });

  post(PATHS.builds, (request, response) => {
    const input = validated(buildInput, request.body);
    const id = randomUUID();
    const saved = writing(db, (tx) => {
      const last =
        tx
          .select({ position: max(builds.position) })
          .from(builds)
          .get()?.position ?? -1;
      tx.insert(builds)
        .values({ id, ...input, position: last + 1, version: nextVersion(tx) })
        .run();
      return readBuild(tx, id);
    });
    response.status(201).json(saved);
  });

  put(PATHS.build, (request, response) => {
    const input = validated(buildInput, request.body);
    const [id, version] = [idOf(request), ifMatch(request)];
    const saved = writing(db, (tx) => {
      requireBuildAt(tx, id, version);
      tx.update(builds)
        .set({ ...input, version: nextVersion(tx) })
        .where(eq(builds.id, id))
        .run();
      return readBuild(tx, id);
    });
    response.json(saved);
  });

  remove(PATHS.build, async (request, response) => {
    const [id, version] = [idOf(request), ifMatch(request)];
    writing(db, (tx) => {
      requireBuildAt(tx, id, version);
      // Its spoons go with it, and what they taught of the paints.
      const taught = tx
        .select({ drops: readings.drops })
        .from(readings)
        .innerJoin(cups, eq(readings.cupId, cups.id))
        .where(eq(cups.buildId, id))
        .all();
      tx.delete(builds).where(eq(builds.id, id)).run();
      noteRefitDue(
        tx,
        taught.flatMap(({ drops }) => Object.keys(drops)),
      );
    });
    await learning.catchUp();
    response.status(204).end();
  });

  post(PATHS.trays, (request, response) => {
    const input = validated(trayInput, request.body);
    const buildId = idOf(request);
    if (!readBuild(db, buildId)) throw notFound('build', buildId);
    if (input.codeId !== null) requireCode(db, input.codeId);
    const id = randomUUID();
    changeDivision(db, buildId, (tx) =>
      tx
        .insert(trays)
        .values({
          id,
          buildId,
          ...input,
          version: nextVersion(tx),
        })
        .run(),
    );
    response.status(201).json(readTray(db, id));
  });

  put(PATHS.tray, (request, response) => {
    const input = validated(trayInput, request.body);
    const [id, version] = [idOf(request), ifMatch(request)];
    const before = readTray(db, id);
    if (!before) throw notFound('sub-assembly', id);
    if (input.codeId !== null) requireCode(db, input.codeId);
    const saved = changeDivision(db, before.buildId, (tx) => {
      const current = readTray(tx, id);
      if (current?.version !== version) throw stale('sub-assembly', current);
      tx.update(trays)
        .set({ ...input, layers: input.layers, version: nextVersion(tx) })
        .where(eq(trays.id, id))
        .run();
      return readTray(tx, id);
    });
    response.json(saved);
  });

  remove(PATHS.tray, (request, response) => {
    response.json(removeTray(db, idOf(request), ifMatch(request)));
  });

  post(PATHS.joins, (request, response) => {
    const input = validated(joinInput, request.body);
    const buildId = idOf(request);
    if (!readBuild(db, buildId)) throw notFound('build', buildId);
    const id = randomUUID();
    changeDivision(db, buildId, (tx) =>
      tx
        .insert(joins)
        .values({ id, buildId, ...input, version: nextVersion(tx) })
        .run(),
    );
    response.status(201).json(readJoin(db, id));
  });

  put(PATHS.join, (request, response) => {
    const input = validated(joinInput, request.body);
    const [id, version] = [idOf(request), ifMatch(request)];
    const before = readJoin(db, id);
    if (!before) throw notFound('joint', id);
    const saved = changeDivision(db, before.buildId, (tx) => {
      const current = readJoin(tx, id);
      if (current?.version !== version) throw stale('joint', current);
      tx.update(joins)
        .set({ ...input, version: nextVersion(tx) })
        .where(eq(joins.id, id))
        .run();
      return readJoin(tx, id);
    });
    response.json(saved);
  });

  remove(PATHS.join, (request, response) => {
    response.json(removeJoin(db, idOf(request), ifMatch(request)));
  });

  return router;
}

function requireBuildAt(db: Database, id: string, version: number): void {
  const current = readBuild(db, id);
  if (!current) throw notFound('build', id);
  if (current.version !== version) throw stale('build', current);
}
