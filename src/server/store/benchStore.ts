import { asc, desc, eq, lte } from 'drizzle-orm';
import type {
  BuildDetail,
  BuildHead,
  BuildRecord,
  JoinRecord,
  PastPlanHead,
  PastPlanRecord,
  PlanRecord,
  SettingsRecord,
  StepRecord,
  TrayRecord,
} from '../../api/index.ts';
import { DEFAULT_CONDITIONS } from '../../core/finish/index.ts';
import { type Part } from '../../core/kit/index.ts';
import { summariseKit } from '../../core/plan/index.ts';
import type { Database } from '../database/open.ts';
import { builds, joins, plan, planHistory, settings, steps, trays } from '../database/schema.ts';
import { readKit } from './kitStore.ts';
import { nextVersion } from './revisions.ts';

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

/** Puts a plan in the place of the one that is stored, made at a minute since 1970. */
export function storePlan(db: Database, made: Omit<PlanRecord, 'version'>, at: number): void {
  const row = { id: 1, ...made, version: nextVersion(db) };
  db.insert(plan).values(row).onConflictDoUpdate({ target: plan.id, set: row }).run();
  keepPlan(db, { at, finish: made.finish, starts: made.starts });
}

/** Plans kept: a year or two of evenings. */
const MOST_PLANS = 400;
/** A plan that follows within this many minutes takes the place of the one before: only where it came to rest counts. */
const SETTLED_MINUTES = 30;

/** Keeps a plan in the history, newest last. */
export function keepPlan(db: Database, past: Omit<PastPlanRecord, 'id'>): void {
  const last = db.select().from(planHistory).orderBy(desc(planHistory.id)).limit(1).get();
  // A clock that was set back makes no plan follow sooner than it did: the order is that in which they were made.
  if (last && Math.abs(past.at - last.at) < SETTLED_MINUTES) {
    db.update(planHistory).set(past).where(eq(planHistory.id, last.id)).run();
    return;
  }
  const { lastInsertRowid } = db.insert(planHistory).values(past).run();
  db.delete(planHistory)
    .where(lte(planHistory.id, Number(lastInsertRowid) - MOST_PLANS))
    .run();
}

/** When plans were made and when all would have been ready, in the order in which they were made. */
export function readPlanHistory(db: Database): PastPlanHead[] {
  const { id, at, finish } = planHistory;
  return db.select({ id, at, finish }).from(planHistory).orderBy(asc(id)).all();
}

export function readPastPlan(db: Database, id: number): PastPlanRecord | undefined {
  return db.select().from(planHistory).where(eq(planHistory.id, id)).get();
}

export function readSteps(db: Database): StepRecord[] {
  return db.select().from(steps).orderBy(asc(steps.endedAt)).all();
}

export function readTray(db: Database, id: string): TrayRecord | undefined {
  const row = db.select().from(trays).where(eq(trays.id, id)).get();
  return row && trayRecord(row, partIndex(readKit(db, row.buildId).parts));
}

export function readJoin(db: Database, id: string): JoinRecord | undefined {
  return db.select().from(joins).where(eq(joins.id, id)).get();
}

const partIndex = (parts: readonly Part[]) => new Map(parts.map((part) => [part.id, part]));

function trayRecord(
  { partIds, ...row }: typeof trays.$inferSelect,
  parts: ReadonlyMap<string, Part>,
): TrayRecord {
  const held = partIds.flatMap((id) => parts.get(id) ?? []);
  return {
    ...row,
    parts: held.map(({ id, frame, number, name, count }) => ({ id, frame, number, name, count })),
  };
}

function buildRecord(
  db: Database,
  { position: _position, revision: _revision, ...build }: typeof builds.$inferSelect,
): BuildRecord {
  const kit = readKit(db, build.id);
  const parts = partIndex(kit.parts);
  const rows = db
    .select()
    .from(trays)
    .where(eq(trays.buildId, build.id))
    .orderBy(asc(trays.position), asc(trays.name))
    .all();
  const made = db.select().from(joins).where(eq(joins.buildId, build.id)).all();
  return {
    ...build,
    trays: rows.map((row) => trayRecord(row, parts)),
    joins: made,
    kit: summariseKit(kit, rows, made, build.scale),
  };
}

export function readBuilds(db: Database): BuildRecord[] {
  return db
    .select()
    .from(builds)
    .orderBy(asc(builds.position))
    .all()
    .map((build) => buildRecord(db, build));
}

export function readBuild(db: Database, id: string): BuildRecord | undefined {
  const row = db.select().from(builds).where(eq(builds.id, id)).get();
  return row && buildRecord(db, row);
}

/** The builds without what belongs to them. */
export function readHeads(db: Database): BuildHead[] {
  return db
    .select()
    .from(builds)
    .orderBy(asc(builds.position))
    .all()
    .map(({ position: _position, ...head }) => head);
}

/** A build with all that belongs to it, its done steps included. */
export function readDetail(db: Database, id: string): BuildDetail | undefined {
  const row = db.select().from(builds).where(eq(builds.id, id)).get();
  if (!row) return undefined;
  const done = db.select().from(steps).where(eq(steps.buildId, id)).orderBy(asc(steps.endedAt)).all();
  return { ...buildRecord(db, row), revision: row.revision, steps: done };
}
