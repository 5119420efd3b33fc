import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PATHS, pathTo, type BuildRecord, type KitItemsRecord } from '../api/index.ts';
import { kitNeeds, planBench, type PlanView } from '../core/plan/index.ts';
import { followers, reaches } from '../core/plan/reaches.ts';
import { readKit } from './store/kitStore.ts';
import { readCodes, readPaints } from './store/paintStore.ts';
import { testBench } from './testBench.ts';

const FIXTURES = join(import.meta.dirname, 'fixtures');
const unpacked = (name: string) => gunzipSync(readFileSync(join(FIXTURES, name)));

/** A data file of the version before records were defined in one place: the sample bench with a record of every kind,
 *  and what that version answered for it. */
describe('a data file of an earlier version', () => {
  const bench = testBench(Date.UTC(2026, 5, 1, 12));
  const answered = JSON.parse(String(unpacked('earlier-bench.json.gz'))) as {
    builds: BuildRecord[];
    steps: unknown;
    plan: unknown;
    settings: unknown;
    history: unknown;
    stock: KitItemsRecord;
    kits: Record<string, KitItemsRecord>;
  };
  beforeAll(async () => {
    writeFileSync(bench.file, unpacked('earlier-bench.db.gz'));
    await bench.listen(false);
  });
  afterAll(() => bench.remove());

  /** What a build is, but for what is derived from its kit. */
  const withoutKit = (builds: readonly BuildRecord[]) => builds.map(({ kit: _kit, ...build }) => build);

  it('shows the same builds, steps, plan and settings', async () => {
    const { builds, steps, plan, settings } = await bench.snapshot();
    expect({ builds: withoutKit(builds), steps, plan, settings }).toEqual({
      builds: withoutKit(answered.builds),
      steps: answered.steps,
      plan: answered.plan,
      settings: answered.settings,
    });
  });

  it('shows the same records of every kit, of every kind, and of the stock', async () => {
    const kinds = new Set<string>();
    for (const [id, kit] of Object.entries(answered.kits)) {
      expect((await bench.call('GET', pathTo(PATHS.kit, id))).body).toEqual(kit);
      for (const { kind } of kit.items) kinds.add(kind);
    }
    expect(kinds.size).toBe(22);
    expect((await bench.call('GET', PATHS.stock)).body).toEqual(answered.stock);
  });

  it('shows the same plans of earlier evenings', async () => {
    expect((await bench.call('GET', PATHS.planHistory)).body).toEqual(answered.history);
  });

  // Last: planning holds up the server of this very process for longer than a connection stays open.
  it('still asks for every step, in the same order, and for the same needs', async () => {
    const planned = JSON.parse(String(unpacked('earlier-plan.json.gz'))) as Pick<
      PlanView,
      'operations' | 'arcs'
    > & { needs: Record<string, unknown> };
    const snapshot = await bench.snapshot();
    const { db } = bench.data!;
    const request = { snapshot, paints: readPaints(db), codes: readCodes(db), now: bench.now / 60000 };
    const made = planBench(request);
    // What is known better since adds steps, waits and minutes; nothing that was asked for is lost.
    const workOf = (operations: PlanView['operations']) =>
      new Map(
        operations.map(({ id, kind, place, family, chemistry }) => [id, { kind, place, family, chemistry }]),
      );
    const now = workOf(made.operations);
    for (const [id, work] of workOf(planned.operations)) expect(now.get(id), id).toEqual(work);
    const after = followers(made.arcs);
    for (const { from, to } of planned.arcs)
      expect(reaches(from, to, after), `${from} before ${to}`).toBe(true);
    for (const { id } of snapshot.builds) {
      const kit = readKit(db, id);
      const asked = { kit, paints: [], adhesives: [], spares: [], materials: [], scale: 24 };
      expect(kitNeeds(asked)).toEqual(planned.needs[id]);
    }
  });
});
