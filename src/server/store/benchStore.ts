import { asc, eq } from 'drizzle-orm';
import type {
  BuildRecord,
  JoinRecord,
  PlanRecord,
  SettingsRecord,
  StepRecord,
  TrayRecord,
} from '../../api/index.ts';
import { DEFAULT_CONDITIONS } from '../../core/finish/index.ts';
import type { Database } from '../database/open.ts';
import { builds, joins, plan, settings, steps, trays } from '../database/schema.ts';

/** A weekly calendar to begin with: weekday evenings and Saturday morning. */
const FIRST_CALENDAR: SettingsRecord['calendar'] = {
  sessions: [
    { day: 1, start: 19 * 60 + 30, end: 21 * 60 + 30 },
    { day: 2, start: 19 * 60 + 30, end: 21 * 60 + 30 },
    { day: 4, start: 19 * 60 + 30, end: 21 * 60 + 30 },
    { day: 6, start: 9 * 60, end: 12 * 60 },
  ],
  closed: [],
};

const NO_PLAN: PlanRecord = {
  fingerprint: '',
  starts: {},
  finish: 0,
  bound: 0,
  setupMinutes: 0,
  proved: false,
  version: 0,
};

export function readSettings(db: Database): SettingsRecord {
  const row = db.select().from(settings).where(eq(settings.id, 1)).get();
  if (row) {
    const { conditions, calendar, preferences, version } = row;
    return { conditions, calendar, preferences, version };
  }
  return {
    conditions: DEFAULT_CONDITIONS,
    calendar: FIRST_CALENDAR,
    preferences: { temperature: 'C', volume: 'ml' },
    version: 0,
  };
}

export function readPlan(db: Database): PlanRecord {
  const row = db.select().from(plan).where(eq(plan.id, 1)).get();
  if (!row) return NO_PLAN;
  const { id: _id, ...record } = row;
  return record;
}

export function readSteps(db: Database): StepRecord[] {
  return db.select().from(steps).orderBy(asc(steps.endedAt)).all();
}

export function readTray(db: Database, id: string): TrayRecord | undefined {
  return db.select().from(trays).where(eq(trays.id, id)).get();
}

export function readJoin(db: Database, id: string): JoinRecord | undefined {
  return db.select().from(joins).where(eq(joins.id, id)).get();
}

export function readBuilds(db: Database): BuildRecord[] {
  const allTrays = db.select().from(trays).orderBy(asc(trays.position), asc(trays.name)).all();
  const allJoins = db.select().from(joins).all();
  return db
    .select()
    .from(builds)
    .orderBy(asc(builds.position))
    .all()
    .map(({ position: _position, ...build }) => ({
      ...build,
      trays: allTrays.filter(({ buildId }) => buildId === build.id),
      joins: allJoins.filter(({ buildId }) => buildId === build.id),
    }));
}

export function readBuild(db: Database, id: string): BuildRecord | undefined {
  return readBuilds(db).find((build) => build.id === id);
}
