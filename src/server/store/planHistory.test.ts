import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openDatabase, type Database } from '../database/open.ts';
import { seedDemo } from '../sample/seedDemo.ts';
import { sampleOperations } from '../sample/seedPlans.ts';
import { keepPlan, readPastPlan, readPlanHistory, readSteps } from './benchStore.ts';

const whole = (db: Database) => readPlanHistory(db).map(({ id }) => readPastPlan(db, id)!);

describe('the history of plans', () => {
  let folder: string;
  let opened: ReturnType<typeof openDatabase>;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'fanfare-history-'));
    opened = openDatabase(join(folder, 'bench.db'));
  });
  afterEach(() => {
    opened.close();
    rmSync(folder, { recursive: true, force: true });
  });

  it('keeps the plan of each evening, and of a run of quick changes only the last', () => {
    const { db } = opened;
    keepPlan(db, { at: 1000, finish: 5000, starts: { a: 1100 } });
    keepPlan(db, { at: 1010, finish: 5100, starts: { a: 1150 } });
    keepPlan(db, { at: 2500, finish: 4900, starts: { a: 2600 } });
    expect(whole(db).map(({ at, finish, starts }) => [at, finish, starts])).toEqual([
      [1010, 5100, { a: 1150 }],
      [2500, 4900, { a: 2600 }],
    ]);
  });

  it('keeps its order where the clock is set back, and every plan from then on', () => {
    const { db } = opened;
    for (const at of [900_000, 100_000, 100_100, 100_200]) keepPlan(db, { at, finish: at, starts: {} });
    expect(readPlanHistory(db).map(({ at }) => at)).toEqual([900_000, 100_000, 100_100, 100_200]);
  });

  it('forgets the oldest beyond some hundreds', () => {
    const { db } = opened;
    for (let at = 0; at < 405; at++) keepPlan(db, { at: at * 60, finish: at, starts: {} });
    const kept = readPlanHistory(db);
    expect(kept).toHaveLength(400);
    expect(kept[0]!.finish).toBe(5);
  });

  it('holds what the sample bench had planned on evenings before, from what was done by then', () => {
    const { db } = opened;
    const minute = new Date(2026, 4, 12, 19, 32).getTime() / 60000;
    seedDemo(db, 60000 * minute);
    const { operations, arcs } = sampleOperations(db);
    const hands = new Map(operations.map((operation) => [operation.id, operation.hands]));
    const steps = readSteps(db);
    const history = whole(db);
    expect(history.length).toBeGreaterThan(4);
    expect(history.map(({ at }) => at)).toEqual(history.map(({ at }) => at).sort((a, b) => a - b));
    expect(minute - history[0]!.at).toBeGreaterThan(14 * 1440);
    const counts = history.map(({ at, finish, starts }) => {
      expect(at).toBeLessThan(minute);
      const done = new Set(steps.flatMap(({ operationId, endedAt }) => (endedAt <= at ? [operationId] : [])));
      for (const [id, start] of Object.entries(starts)) {
        expect(done.has(id), id).toBe(false);
        expect(hands.has(id), id).toBe(true);
        expect(start).toBeGreaterThanOrEqual(at);
        expect(start).toBeLessThan(finish);
      }
      for (const { from, to, minLag } of arcs) {
        if (starts[from] === undefined || starts[to] === undefined) continue;
        expect(starts[to], `${from} ${to}`).toBeGreaterThanOrEqual(starts[from] + hands.get(from)! + minLag);
      }
      expect(Object.keys(starts)).toHaveLength(operations.filter(({ id }) => !done.has(id)).length);
      return Object.keys(starts).length;
    });
    // Evening after evening some of it was done.
    expect(counts.at(-1)).toBeLessThan(counts[0]! - 30);
  });
});
