import { eq } from 'drizzle-orm';
import type { Router } from 'express';
import {
  PATHS,
  planInput,
  settingsUpdate,
  stepInput,
  type BenchOverview,
  type StepInput,
} from '../../api/index.ts';
import { requireCalendar } from '../../core/plan/index.ts';
import { readCopyState } from '../copies/copyState.ts';
import type { ClockWatch } from '../clockWatch.ts';
import { builds, settings, steps } from '../database/schema.ts';
import { WORLD } from '../devices/simulatedGroundTruth.ts';
import { simulatedThermometer } from '../devices/thermometer.ts';
import { notFound, stale, tickedAlready } from '../problem.ts';
import { neverKept } from '../requests/conditional.ts';
import { idOf, ifMatch, validated } from '../requests/validated.ts';
import {
  readHeads,
  readPastPlan,
  readPlan,
  readPlanHistory,
  readSettings,
  storePlan,
} from '../store/benchStore.ts';
import { readTaught } from '../store/kitStore.ts';
import { nextVersion } from '../store/revisions.ts';
import { writing } from '../store/writing.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

const isSameTick = (one: StepInput, two: StepInput): boolean =>
  one.endedAt === two.endedAt && one.minutes === two.minutes && one.note === two.note;

/** The bench as a whole: overview, settings, done steps, the plan. */
export function benchRoutes(
  { db, clock, demo, readOnly }: ServerContext,
  watch: ClockWatch,
  guarded: boolean,
): Router {
  const { router, get, post, put, remove } = benchRouter({ db });

  const thermometer = simulatedThermometer(clock, WORLD);
  get(PATHS.thermometer, neverKept, (_request, response) => {
    response.json(thermometer.state());
  });
  post(PATHS.thermometer, (_request, response) => {
    thermometer.connect();
    response.json(thermometer.state());
  });
  remove(PATHS.thermometer, (_request, response) => {
    thermometer.disconnect();
    response.json(thermometer.state());
  });
  post(PATHS.airReading, (_request, response) => {
    response.json(thermometer.read());
  });

  get(PATHS.bench, (_request, response) => {
    const overview: BenchOverview = {
      demo,
      guarded,
      readOnly,
      clockJump: watch.jump(),
      copies: readCopyState(db),
      settings: readSettings(db),
      builds: readHeads(db),
      ...readTaught(db),
      plan: readPlan(db),
    };
    response.json(overview);
  });

  post(PATHS.clock, (_request, response) => {
    watch.accept();
    response.status(204).end();
  });

  put(PATHS.benchSettings, (request, response) => {
    const input = validated(settingsUpdate, request.body);
    const version = ifMatch(request);
    requireCalendar(input.calendar);
    const saved = writing(db, (tx) => {
      const current = readSettings(tx);
      if (current.version !== version) throw stale('bench setting', current);
      const row = { id: 1, ...input, version: nextVersion(tx) };
      tx.insert(settings).values(row).onConflictDoUpdate({ target: settings.id, set: row }).run();
      return readSettings(tx);
    });
    response.json(saved);
  });

  // Sending the same step twice leaves one row, the first that came: after a lost answer that is what was meant; another
  // tab is told.
  post(PATHS.steps, (request, response) => {
    const input = validated(stepInput, request.body);
    const saved = writing(db, (tx) => {
      if (!tx.select().from(builds).where(eq(builds.id, input.buildId)).get())
        throw notFound('build', input.buildId);
      const current = tx.select().from(steps).where(eq(steps.operationId, input.operationId)).get();
      if (current && !isSameTick(current, input)) throw tickedAlready(current);
      return (
        current ??
        tx
          .insert(steps)
          .values({ ...input, version: nextVersion(tx) })
          .returning()
          .get()
      );
    });
    response.status(201).json(saved);
  });

  remove(PATHS.step, (request, response) => {
    const [id, version] = [idOf(request), ifMatch(request)];
    writing(db, (tx) => {
      const current = tx.select().from(steps).where(eq(steps.operationId, id)).get();
      if (!current) throw notFound('step', id);
      if (current.version !== version) throw stale('step', current);
      tx.delete(steps).where(eq(steps.operationId, id)).run();
    });
    response.status(204).end();
  });

  get(PATHS.planHistory, (_request, response) => {
    response.json(readPlanHistory(db));
  });

  get(PATHS.pastPlan, (request, response) => {
    const past = readPastPlan(db, Number(idOf(request)));
    if (!past) throw notFound('earlier plan', idOf(request));
    response.json(past);
  });

  put(PATHS.plan, (request, response) => {
    const input = validated(planInput, request.body);
    const version = ifMatch(request);
    const saved = writing(db, (tx) => {
      const current = readPlan(tx);
      if (current.version !== version) throw stale('plan', current);
      storePlan(tx, input, Math.floor(clock() / 60000));
      return readPlan(tx);
    });
    response.json(saved);
  });

  return router;
}
