import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { BenchSnapshot } from '../../api/index.ts';
import type { Inspection, Mishap, PlannedLayer, Stock, Verdict } from '../../core/kit/index.ts';
import type { Underlay } from '../../core/paint/index.ts';
import type { Aspect } from '../../core/record/index.ts';
import type { Database } from '../database/open.ts';
import { kitItems } from '../database/schema.ts';
import { projectRoot } from '../projectRoot.ts';

/** A build whose steps were all done as they were planned, from a day before the moment of seeding. */
export interface EarlierBuild {
  buildId: string;
  daysAgo: number;
  mishaps: Omit<Mishap, 'id' | 'at'>[];
  inspections: (Omit<Inspection, 'id' | 'operationId' | 'mendId' | 'at'> & { operation: string })[];
  /** Each mixed before a step. */
  cups: (Omit<Scenario['cups'][number], 'buildId' | 'hoursAgo'> & { before: string })[];
  verdict: Pick<Verdict, 'best' | 'again' | 'onKit' | 'onWork'> & { marks: Record<Aspect, number> };
}

export interface Scenario {
  /** On which the scenario plays; the days that its builds are needed by count from it. */
  day: string;
  builds: {
    id: string;
    name: string;
    subject: string;
    scale: number;
    trays: {
      id: string;
      name: string;
      substrateId: string;
      codeId: string | null;
      /** Parts by which the proposal's sub-assembly is recognised. */
      partIds: string[];
      layers: PlannedLayer[];
    }[];
  }[];
  /** What was done so far, in hours before the moment of seeding; an operation that ends in * stands for all its
   *  pieces. */
  steps: {
    buildId: string;
    trayId: string | null;
    operation: string;
    hoursAgo: number;
    minutes: number;
    note: string;
  }[];
  /** What was looked over since. */
  inspections: (Omit<Inspection, 'id' | 'operationId' | 'mendId' | 'note' | 'at'> & {
    buildId: string;
    operation: string;
    hoursAgo: number;
  })[];
  cups: {
    buildId: string;
    trayId: string;
    codeId: string;
    name: string;
    drops: Record<string, number>;
    hoursAgo: number;
    filmUm: number;
    over: Underlay;
  }[];
  /** A build that was finished before the others began. */
  earlier: EarlierBuild;
  /** Paints that are no longer made. */
  discontinued: string[];
  shelf: string[];
  stock: Stock;
  calendar: BenchSnapshot['settings']['calendar'];
  conditions: BenchSnapshot['settings']['conditions'];
}

export function sample(name: string): unknown {
  return JSON.parse(readFileSync(join(projectRoot(), 'demo/data', name), 'utf8'));
}

export function insertItem(
  db: Database,
  kind: string,
  buildId: string | null,
  { id, ...value }: { id: string },
): void {
  db.insert(kitItems)
    .values({ kind, id, buildId, value })
    .onConflictDoUpdate({ target: [kitItems.kind, kitItems.id], set: { value } })
    .run();
}
