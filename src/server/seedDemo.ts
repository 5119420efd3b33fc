import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { BenchSnapshot, CodeRecord, PaintRecord } from '../api/index.ts';
import { productIndex, readPartList, type Join, type PlannedLayer } from '../core/kit/index.ts';
import { generateOperations, plannableBuild } from '../core/plan/index.ts';
import type { Database } from './database/open.ts';
import { builds, codes, joins, paints, settings, shelf, steps, trays } from './database/schema.ts';
import { projectRoot } from './projectRoot.ts';
import { readBuilds, readSettings } from './store/benchStore.ts';
import { readCodes, readPaints } from './store/paintStore.ts';

type SamplePaint = Omit<PaintRecord, 'flakeUm' | 'provenance' | 'uncertainty' | 'levelMl'> & {
  flakeUm?: number;
};
interface Scenario {
  builds: {
    id: string;
    name: string;
    subject: string;
    scale: number;
    trays: {
      id: string;
      name: string;
      areaCm2: number;
      substrateId: string;
      codeId: string | null;
      parts: string[];
      layers: PlannedLayer[];
    }[];
    joins: Join[];
  }[];
  /** What was done so far, in hours before the moment of seeding. */
  steps: {
    buildId: string;
    trayId: string | null;
    operation: string;
    hoursAgo: number;
    minutes: number;
    note: string;
  }[];
  shelf: string[];
  calendar: BenchSnapshot['settings']['calendar'];
  conditions: BenchSnapshot['settings']['conditions'];
}

export function isEmpty(db: Database): boolean {
  return (
    db.select().from(builds).limit(1).all().length === 0 &&
    db.select({ id: paints.id }).from(paints).limit(1).all().length === 0
  );
}

function sample(name: string): unknown {
  return JSON.parse(readFileSync(join(projectRoot(), 'demo/data', name), 'utf8'));
}

/** Fills an empty data file with the sample catalogue and the three builds of the parade, their history laid
 *  out before `now` (milliseconds since 1970). */
export function seedDemo(db: Database, now: number): void {
  const scenario = sample('scenario.json') as Scenario;
  db.transaction((tx) => {
    for (const paint of sample('paints.json') as SamplePaint[]) {
      tx.insert(paints)
        .values({ ...paint, flakeUm: paint.flakeUm ?? null, provenance: 'instrument', uncertainty: 0.4 })
        .run();
    }
    for (const code of sample('codes.json') as CodeRecord[])
      tx.insert(codes)
        .values({ ...code, angles: code.angles ?? null })
        .run();
    const volume = new Map(readPaints(tx).map(({ id, volumeMl }) => [id, volumeMl]));
    scenario.shelf.forEach((paintId, index) => {
      const levelMl = Math.round((volume.get(paintId) ?? 10) * (0.35 + (0.6 * ((index * 7) % 10)) / 10));
      tx.insert(shelf).values({ paintId, levelMl }).run();
    });
    scenario.builds.forEach(({ trays: buildTrays, joins: buildJoins, ...build }, position) => {
      tx.insert(builds)
        .values({ ...build, position })
        .run();
      buildTrays.forEach(({ parts, ...tray }, at) => {
        tx.insert(trays)
          .values({ ...tray, parts: readPartList(parts.join('\n')).parts, buildId: build.id, position: at })
          .run();
      });
      // Joint ids are unique over all builds.
      const named = (id: string) => `${build.id}-${id}`;
      for (const joint of buildJoins) {
        tx.insert(joins)
          .values({
            ...joint,
            id: named(joint.id),
            afterJoinIds: joint.afterJoinIds.map(named),
            buildId: build.id,
          })
          .run();
      }
    });
    const row = {
      id: 1,
      conditions: scenario.conditions,
      calendar: scenario.calendar,
      preferences: { temperature: 'C' as const, volume: 'ml' as const },
      version: 1,
    };
    tx.insert(settings).values(row).run();
    const titles = operationTitles(tx);
    const minute = Math.floor(now / 60000);
    for (const { operation, hoursAgo, ...step } of scenario.steps) {
      const title = titles.get(operation);
      if (title === undefined)
        throw new Error(`The sample history names a step that no build has: ${operation}.`);
      tx.insert(steps)
        .values({ ...step, operationId: operation, title, endedAt: minute - Math.round(hoursAgo * 60) })
        .run();
    }
  });
}

function operationTitles(db: Database): Map<string, string> {
  const products = productIndex(readPaints(db));
  const codeIndex = new Map(readCodes(db).map((code) => [code.id, code]));
  const { conditions } = readSettings(db);
  return new Map(
    readBuilds(db).flatMap((build) =>
      generateOperations(plannableBuild(build, products, codeIndex), conditions, 180).operations.map(
        ({ id, title }) => [id, title] as const,
      ),
    ),
  );
}
