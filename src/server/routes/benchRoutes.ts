import { eq } from 'drizzle-orm';
import { Router } from 'express';
import {
  PATHS,
  planInput,
  settingsUpdate,
  stepInput,
  type BenchSnapshot,
  type StepInput,
} from '../../api/index.ts';
import { requireCalendar } from '../../core/plan/index.ts';
import { builds, plan, settings, steps } from '../database/schema.ts';
import { WORLD } from '../devices/hiddenTruth.ts';
import { simulatedThermometer } from '../devices/thermometer.ts';
import { notFound, stale, tickedAlready } from '../problem.ts';
import {
  keepPlan,
  readBuilds,
  readPlan,
  readPlanHistory,
  readSettings,
  readSteps,
} from '../store/benchStore.ts';
import { readLessons } from '../store/kitStore.ts';
import { idOf, validated, type Served } from './served.ts';

const isSameTick = (one: StepInput, two: StepInput): boolean =>
  one.endedAt === two.endedAt && one.minutes === two.minutes && one.note === two.note;

/** The bench as a whole: snapshot, settings, done steps, the plan. */
export function benchRoutes({ db, clock, demo }: Served): Router {
  const router = Router();

  const thermometer = simulatedThermometer(clock, WORLD);
  router.get(PATHS.thermometer, (_request, response) => {
    response.json(thermometer.state());
  });
  router.post(PATHS.thermometer, (_request, response) => {
    thermometer.connect();
    response.json(thermometer.state());
  });
  router.delete(PATHS.thermometer, (_request, response) => {
    thermometer.disconnect();
    response.json(thermometer.state());
  });
  router.post(PATHS.airReading, (_request, response) => {
    response.json(thermometer.read());
  });

  router.get(PATHS.bench, (_request, response) => {
    const snapshot: BenchSnapshot = {
      now: clock(),
      demo,
      settings: readSettings(db),
      builds: readBuilds(db),
      lessons: readLessons(db),
      steps: readSteps(db),
      plan: readPlan(db),
    };
    response.json(snapshot);
  });

  router.put(PATHS.benchSettings, (request, response) => {
    const { version, ...input } = validated(settingsUpdate, request.body);
    requireCalendar(input.calendar);
    const saved = db.transaction((tx) => {
      const current = readSettings(tx);
      if (current.version !== version) throw stale('bench setting', current);
      const row = { id: 1, ...input, version: version + 1 };
      tx.insert(settings).values(row).onConflictDoUpdate({ target: settings.id, set: row }).run();
      return readSettings(tx);
    });
    response.json(saved);
  });

  // Sending the same step twice leaves one row, the first that came: after a lost answer that is what was meant; another
  // tab is told.
  router.post(PATHS.steps, (request, response) => {
    const input = validated(stepInput, request.body);
    const saved = db.transaction((tx) => {
      if (!tx.select().from(builds).where(eq(builds.id, input.buildId)).get())
        throw notFound('build', input.buildId);
      const current = tx.select().from(steps).where(eq(steps.operationId, input.operationId)).get();
      if (current && !isSameTick(current, input)) throw tickedAlready(current);
      return current ?? tx.insert(steps).values(input).returning().get();
    });
    response.status(201).json(saved);
  });

  router.delete(PATHS.step, (request, response) => {
    const id = idOf(request);
    const { changes } = db.delete(steps).where(eq(steps.operationId, id)).run();
    if (changes === 0) throw notFound('step', id);
    response.status(204).end();
  });

  router.get(PATHS.planHistory, (_request, response) => {
    response.json(readPlanHistory(db));
  });

  router.put(PATHS.plan, (request, response) => {
    const { version, ...input } = validated(planInput, request.body);
    const saved = db.transaction((tx) => {
      const current = readPlan(tx);
      if (current.version !== version) throw stale('plan', current);
      const row = { id: 1, ...input, starts: input.starts as Record<string, number>, version: version + 1 };
      tx.insert(plan).values(row).onConflictDoUpdate({ target: plan.id, set: row }).run();
      keepPlan(tx, { at: Math.floor(clock() / 60000), finish: input.finish, starts: row.starts });
      return readPlan(tx);
    });
    response.json(saved);
  });

  return router;
}
