import { addWeeks, differenceInWeeks, format, parseISO } from 'date-fns';
import { idFrom, type CodeRecord, type PaintRecord, type SamplePaint } from '../../api/index.ts';
import { SHEEN_GLOSS } from '../../core/finish/index.ts';
import {
  EMPTY_KIT,
  inspectionRecord,
  newRecord,
  proposeSubassemblies,
  recordsOfKit,
  STOCK_RECORDS,
  takeProposal,
  type Inspection,
  type Kit,
} from '../../core/kit/index.ts';
import { underlaySpectrum } from '../../core/paint/index.ts';
import type { Database } from '../database/open.ts';
import {
  builds,
  codes,
  cups,
  joins,
  paints,
  readings,
  settings,
  shelf,
  steps,
  trays,
} from '../database/schema.ts';
import { trueReflectance, WORLD } from '../devices/simulatedGroundTruth.ts';
import { simulatedReader } from '../devices/spectralReader.ts';
import { refitPaints } from '../store/cupStore.ts';
import { believedPaint, readPaints } from '../store/paintStore.ts';
import { insertItem, sample, type Scenario } from './scenario.ts';
import { seedEarlier } from './seedEarlier.ts';
import { sampleOperations, seedPlanHistory } from './seedPlans.ts';

export function isEmpty(db: Database): boolean {
  return (
    db.select().from(builds).limit(1).all().length === 0 &&
    db.select({ id: paints.id }).from(paints).limit(1).all().length === 0
  );
}

/** How surely the sample ranges are known: one chart was read with care, the others were printed. */
function knownFrom(family: SamplePaint['family']): Pick<PaintRecord, 'provenance' | 'uncertainty'> {
  return family === 'lacquer'
    ? { provenance: 'chip', uncertainty: 1 }
    : { provenance: 'swatch', uncertainty: 2 };
}

/** Fills an empty data file with the sample catalogue, the three builds of the parade and one that was finished
 *  before them, their history laid out before `now` (milliseconds since 1970) and the days on which they are needed after it. */
export function seedDemo(db: Database, now: number): void {
  const scenario = sample('scenario.json') as Scenario;
  // Whole weeks, so that a parade on a Saturday stays on one.
  const weeks = differenceInWeeks(now, parseISO(scenario.day), { roundingMethod: 'round' });
  const kits = new Map(
    (sample('kits.json') as { buildId: string; kit: Partial<Kit> }[]).map(
      ({ buildId, kit }): [string, Kit] => [buildId, { ...EMPTY_KIT, ...kit }],
    ),
  );
  db.transaction((tx) => {
    for (const paint of sample('paints.json') as SamplePaint[]) {
      tx.insert(paints)
        .values({
          ...paint,
          flakeUm: paint.flakeUm ?? null,
          geometry: '45:0',
          discontinued: scenario.discontinued.includes(paint.id),
          ...knownFrom(paint.family),
        })
        .run();
    }
    for (const code of sample('codes.json') as CodeRecord[])
      tx.insert(codes)
        .values({ ...code, angles: code.angles ?? null })
        .run();
    const volume = new Map(readPaints(tx).map(({ id, volumeMl }) => [id, volumeMl]));
    scenario.shelf.forEach((paintId, index) => {
      const levelMl = Math.round((volume.get(paintId) ?? 10) * (0.35 + (0.6 * ((index * 7) % 10)) / 10));
      // Opened one after the other over the last year and a half; every third stands in the drawer.
      const openedOn = new Date(now - ((index * 37) % 540) * 86_400_000).toISOString().slice(0, 10);
      const place = index % 3 === 0 ? 'drawer' : 'rack';
      // Looked through before the builds began.
      const toldAt = Math.floor(now / 60_000) - 20 * 24 * 60;
      tx.insert(shelf).values({ paintId, levelMl, toldAt, openedOn, place }).run();
    });
    scenario.builds.forEach(({ trays: begun, ...build }, position) => {
      tx.insert(builds)
        .values({ ...build, position })
        .run();
      const kit = kits.get(build.id)!;
      const aims = kit.aims.map((aim) => ({ ...aim, deadline: laterBy(weeks, aim.deadline) }));
      for (const { kind, value } of recordsOfKit({ ...kit, aims })) insertItem(tx, kind, build.id, value);
      seedSubassemblies(tx, build.id, kit, begun);
    });
    seedCups(tx, scenario.cups, Math.floor(now / 60000));
    for (const { kind, list } of STOCK_RECORDS)
      for (const item of scenario.stock[list]) insertItem(tx, kind, null, item);
    const row = {
      id: 1,
      conditions: scenario.conditions,
      calendar: scenario.calendar,
      preferences: { temperature: 'C' as const, volume: 'ml' as const },
      version: 1,
    };
    tx.insert(settings).values(row).run();
    const { earlier } = scenario;
    const mixedAt = seedEarlier(tx, earlier, kits.get(earlier.buildId)!, Math.floor(now / 60000));
    seedCups(
      tx,
      earlier.cups.map(({ before: _, ...cup }, index) => ({
        ...cup,
        buildId: earlier.buildId,
        hoursAgo: (Math.floor(now / 60000) - mixedAt[index]!) / 60,
      })),
      Math.floor(now / 60000),
    );
    const plan = sampleOperations(tx);
    const titles = new Map(plan.operations.map(({ id, title }) => [id, title]));
    const minute = Math.floor(now / 60000);
    for (const { operation, hoursAgo, minutes, ...step } of scenario.steps) {
      const pieces = operation.endsWith('*')
        ? [...titles.keys()].filter((id) => id.startsWith(operation.slice(0, -1)))
        : [operation];
      for (const [index, operationId] of pieces.entries()) {
        const title = titles.get(operationId);
        if (title === undefined)
          throw new Error(`The sample history names a step that no build has: ${operationId}.`);
        const endedAt = minute - Math.round(hoursAgo * 60) + index * 60;
        tx.insert(steps)
          .values({ ...step, operationId, title, minutes, endedAt })
          .run();
      }
    }
    for (const [index, found] of scenario.inspections.entries()) {
      const { buildId, operation: operationId, hoursAgo, ...said } = found;
      if (!titles.has(operationId))
        throw new Error(`The sample looks a step over that no build has: ${operationId}.`);
      const inspection: Inspection = {
        ...newRecord(inspectionRecord),
        ...said,
        operationId,
        at: minute - Math.round(hoursAgo * 60),
        id: `${buildId}-inspection-${index + 1}`,
      };
      insertItem(tx, 'inspection', buildId, inspection);
    }
    seedPlanHistory(tx, plan, minute);
  });
}

const laterBy = (weeks: number, day: string | null): string | null =>
  day === null ? null : format(addWeeks(parseISO(day), weeks), 'yyyy-MM-dd');

/** Divides a sample kit as Fanfare proposes it; the sub-assemblies that the scenario has begun keep their stacks. */
function seedSubassemblies(
  db: Database,
  buildId: string,
  kit: Kit,
  begun: Scenario['builds'][number]['trays'],
): void {
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const existing = begun.map(({ partIds, ...tray }, position) => ({
    ...tray,
    position,
    areaCm2: 0,
    parts: partIds.map((id) => parts.get(id)!),
  }));
  const taken = takeProposal(proposeSubassemblies(kit), kit, existing);
  if (taken.removed.length > 0)
    throw new Error(`The sample sub-assembly ${taken.removed[0]!.name} holds nothing of the proposal.`);
  const idOf = new Map(taken.trays.map(({ id, key, tray }) => [key, id ?? idFrom(buildId, tray.name)]));
  for (const { key, tray } of taken.trays)
    db.insert(trays)
      .values({ ...tray, id: idOf.get(key)!, buildId })
      .run();
  for (const { trayKeys, after, ...join } of taken.joins) {
    db.insert(joins)
      .values({
        ...join,
        buildId,
        trayIds: trayKeys.map((key) => idOf.get(key)!),
        afterJoinIds: after.map((at) => taken.joins[at]!.id),
      })
      .run();
  }
}

/** The sample cups, each with one spoon read on the simulated reader. */
function seedCups(db: Database, list: Scenario['cups'], minute: number): void {
  let time = 0;
  const reader = simulatedReader(() => (time += 60_000), WORLD);
  reader.connect();
  const known = new Map(
    db
      .select()
      .from(paints)
      .all()
      .map((paint) => [paint.id, { ...believedPaint(paint), sheen: paint.sheen }] as const),
  );
  list.forEach(({ hoursAgo, filmUm, over, ...cup }, index) => {
    const id = `${cup.trayId}-cup-${index + 1}`;
    const mixedAt = minute - hoursAgo * 60;
    reader.calibrate();
    const [most] = Object.entries(cup.drops).sort((p, q) => q[1] - p[1]);
    const gloss = SHEEN_GLOSS[known.get(most![0])!.sheen];
    const result = reader.read({
      name: id,
      reflectance: () =>
        trueReflectance(
          { drops: cup.drops, filmUm, over: underlaySpectrum(over), gloss, cup: id },
          known,
          WORLD,
        ),
    });
    db.insert(cups)
      .values({ ...cup, id, note: '', mixedAt, additions: [] })
      .run();
    db.insert(readings)
      .values({
        ...result,
        id: `${id}-spoon-1`,
        cupId: id,
        at: mixedAt + 90,
        drops: cup.drops,
        filmUm,
        over,
        gloss,
        note: '',
      })
      .run();
    refitPaints(db, Object.keys(cup.drops));
  });
}
