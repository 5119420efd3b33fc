import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openDatabase } from '../database/open.ts';
import { keepPlan, readPlanHistory } from './benchStore.ts';

describe('the history of plans', () => {
  let folder: string;
  let opened: ReturnType<typeof openDatabase>;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'fanfare-history-'));
    opened = openDatabase(join(folder, 'bench.db'));
  });
  afterEach(() => {
    opened.sqlite.close();
    rmSync(folder, { recursive: true, force: true });
  });

  it('keeps the plan of each evening, and of a run of quick changes only the last', () => {
    const { db } = opened;
    keepPlan(db, { at: 1000, finish: 5000, starts: { a: 1100 } });
    keepPlan(db, { at: 1010, finish: 5100, starts: { a: 1150 } });
    keepPlan(db, { at: 2500, finish: 4900, starts: { a: 2600 } });
    expect(readPlanHistory(db).map(({ at, finish, starts }) => [at, finish, starts])).toEqual([
      [1010, 5100, { a: 1150 }],
      [2500, 4900, { a: 2600 }],
    ]);
  });

  it('forgets the oldest beyond some hundreds', () => {
    const { db } = opened;
    for (let at = 0; at < 405; at++) keepPlan(db, { at: at * 60, finish: at, starts: {} });
    const kept = readPlanHistory(db);
    expect(kept).toHaveLength(400);
    expect(kept[0]!.finish).toBe(5);
  });
});
