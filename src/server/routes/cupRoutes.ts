import { bare } from '../../core/figures.ts';
import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { Router } from 'express';
import {
  chipInput,
  cupInput,
  cupUpdate,
  PATHS,
  readingInput,
  readingUpdate,
  type ReadingInput,
} from '../../api/index.ts';
import { DAYLIGHT, spectrumToLab } from '../../core/colour/index.ts';
import { SHEEN_GLOSS, type Sheen } from '../../core/finish/index.ts';
import { dropsInCup, PROVENANCE_UNCERTAINTY, seenSource, sourceUncertainty } from '../../core/match/index.ts';
import { underlaySpectrum } from '../../core/paint/index.ts';
import { builds, codes, cups, paints, readings, trays } from '../database/schema.ts';
import { trueChip, trueReflectance, WORLD } from '../devices/simulatedGroundTruth.ts';
import { simulatedReader } from '../devices/spectralReader.ts';
import { notFound, ProblemError, stale } from '../problem.ts';
import { neverKept } from '../requests/conditional.ts';
import { idOf, ifMatch, validated } from '../requests/validated.ts';
import { readCards, readCup, readCups, noteRefitDue } from '../store/cupStore.ts';
import { believedPaint, changeCode, readCode } from '../store/paintStore.ts';
import { nextVersion } from '../store/revisions.ts';
import type { Learning } from './learning.ts';
import { writing } from '../store/writing.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

/** Gloss of a film as its labels have it: that of the paint of which there is most. */
function filmGloss(
  drops: Readonly<Record<string, number>>,
  known: ReadonlyMap<string, { sheen: Sheen }>,
): number {
  const [most] = Object.entries(drops).sort((p, q) => q[1] - p[1]);
  return SHEEN_GLOSS[known.get(most![0])!.sheen];
}

/** Cups of mixed paint, the spoons sprayed from them, and the reader that reads them. */
export function cupRoutes({ db, clock }: ServerContext, learning: Learning): Router {
  const { router, get, post, put, remove } = benchRouter({ db });
  const reader = simulatedReader(clock, WORLD);
  const minute = () => Math.floor(clock() / 60000);

  get(PATHS.reader, neverKept, (_request, response) => {
    response.json(reader.state());
  });
  post(PATHS.reader, (_request, response) => {
    reader.connect();
    response.json(reader.state());
  });
  remove(PATHS.reader, (_request, response) => {
    reader.disconnect();
    response.json(reader.state());
  });
  post(PATHS.readerCalibration, (_request, response) => {
    reader.calibrate();
    response.json(reader.state());
  });

  get(PATHS.cups, (_request, response) => {
    response.json(readCups(db));
  });

  get(PATHS.readings, (_request, response) => {
    response.json(readCards(db));
  });

  post(PATHS.buildCups, (request, response) => {
    const input = validated(cupInput, request.body);
    const buildId = idOf(request);
    const drops = input.drops as Record<string, number>;
    const saved = writing(db, (tx) => {
      if (!tx.select().from(builds).where(eq(builds.id, buildId)).get()) throw notFound('build', buildId);
      if (!tx.select().from(codes).where(eq(codes.id, input.codeId)).get())
        throw notFound('code', input.codeId);
      for (const id of Object.keys(drops)) {
        if (!tx.select().from(paints).where(eq(paints.id, id)).get()) throw notFound('paint', id);
      }
      const { trayId } = input;
      if (trayId !== null) {
        const tray = tx.select().from(trays).where(eq(trays.id, trayId)).get();
        if (tray?.buildId !== buildId) throw notFound('sub-assembly of this build', trayId);
      }
      const id = randomUUID();
      tx.insert(cups)
        .values({
          ...input,
          id,
          buildId,
          drops,
          note: '',
          mixedAt: minute(),
          additions: [],
          version: nextVersion(tx),
        })
        .run();
      return readCup(tx, id);
    });
    response.status(201).json(saved);
  });

  put(PATHS.cup, (request, response) => {
    const input = validated(cupUpdate, request.body);
    const [id, version] = [idOf(request), ifMatch(request)];
    const saved = writing(db, (tx) => {
      const current = readCup(tx, id);
      if (!current) throw notFound('cup', id);
      if (current.version !== version) throw stale('cup', current);
      const additions = input.additions.map(({ at, add }) => ({ at, add: add }));
      for (const paintId of additions.flatMap(({ add }) => Object.keys(add))) {
        if (!tx.select().from(paints).where(eq(paints.id, paintId)).get()) throw notFound('paint', paintId);
      }
      tx.update(cups)
        .set({ ...input, additions, version: nextVersion(tx) })
        .where(eq(cups.id, id))
        .run();
      return readCup(tx, id);
    });
    response.json(saved);
  });

  /** Reads a test piece, or takes a spectrum that was measured elsewhere, and learns from it. */
  const take = (drops: Record<string, number>, cupId: string | null, input: ReadingInput): string => {
    const known = new Map(
      db
        .select()
        .from(paints)
        .all()
        .map((paint) => [paint.id, { ...believedPaint(paint), sheen: paint.sheen }] as const),
    );
    const gone = Object.keys(drops).find((id) => !known.has(id));
    if (gone) {
      throw new ProblemError({
        status: 409,
        title: 'A paint is gone',
        detail: `The cup holds ${gone}, which is no longer in the catalogue.`,
        remedy: 'Put the paint back into the catalogue, then read again.',
      });
    }
    const id = randomUUID();
    const gloss = input.gloss ?? filmGloss(drops, known);
    const result = input.spectrum
      ? {
          spectrum: input.spectrum,
          spread: 0,
          instrument: 'given',
          geometry: input.geometry ?? ('unknown' as const),
        }
      : reader.read({
          name: `${cupId ?? 'card'} ${JSON.stringify(drops)}`,
          reflectance: () =>
            trueReflectance(
              {
                drops,
                filmUm: input.filmUm,
                over: underlaySpectrum(input.over),
                gloss,
                cup: cupId ?? 'card',
              },
              known,
              WORLD,
            ),
        });
    writing(db, (tx) => {
      tx.insert(readings)
        .values({
          id,
          cupId,
          at: minute(),
          drops,
          filmUm: input.filmUm,
          over: input.over,
          gloss,
          note: input.note,
          ...result,
          spectrum: result.spectrum.map((value) => Number(value.toFixed(5))),
          version: nextVersion(tx),
        })
        .run();
      noteRefitDue(tx, Object.keys(drops));
    });
    return id;
  };

  post(PATHS.cupReadings, async (request, response) => {
    const input = validated(readingInput, request.body);
    const cupId = idOf(request);
    const cup = readCup(db, cupId);
    if (!cup) throw notFound('cup', cupId);
    take(dropsInCup(cup), cupId, input);
    await learning.catchUp();
    response.status(201).json(readCup(db, cupId));
  });

  post(PATHS.paintReadings, async (request, response) => {
    const input = validated(readingInput, request.body);
    const paintId = idOf(request);
    if (!db.select().from(paints).where(eq(paints.id, paintId)).get()) throw notFound('paint', paintId);
    const id = take({ [paintId]: 1 }, null, input);
    await learning.catchUp();
    response.status(201).json(db.select().from(readings).where(eq(readings.id, id)).get());
  });

  post(PATHS.codeReadings, (request, response) => {
    const { note } = validated(chipInput, request.body);
    const codeId = idOf(request);
    const code = readCode(db, codeId);
    if (!code) throw notFound('code', codeId);
    const told = code.sources[0]!;
    const chip = trueChip(
      { id: codeId, spectrum: seenSource(told, code.gloss), uncertainty: sourceUncertainty(told) },
      WORLD,
    );
    const { spectrum, spread, instrument, geometry } = reader.read({
      name: `chip ${codeId}`,
      reflectance: () => chip,
    });
    const rounded = spectrum.map((value) => Number(value.toFixed(5)));
    const source = {
      provenance: 'instrument' as const,
      note: [`${instrument}, three readings within ${bare(spread, 'dE', 2)} dE`, note]
        .filter(Boolean)
        .join('; '),
      lab: spectrumToLab(rounded, DAYLIGHT),
      // The reader's own doubt and how far its readings lie apart.
      uncertainty: Math.max(0.05, Math.hypot(PROVENANCE_UNCERTAINTY.instrument, spread)),
      inForce: false,
      geometry,
      gloss: null,
      spectrum: rounded,
    };
    const { name, years, suppliers, sources } = code;
    const saved = writing(db, (tx) =>
      changeCode(tx, code, { name, years, suppliers, sources: [...sources, source] }),
    );
    response.status(201).json(saved);
  });

  put(PATHS.reading, async (request, response) => {
    const { aside } = validated(readingUpdate, request.body);
    const [id, version] = [idOf(request), ifMatch(request)];
    const saved = writing(db, (tx) => {
      const reading = tx.select().from(readings).where(eq(readings.id, id)).get();
      if (!reading) throw notFound('reading', id);
      if (reading.version !== version) throw stale('reading', reading);
      const next = nextVersion(tx);
      tx.update(readings).set({ aside, version: next }).where(eq(readings.id, id)).run();
      noteRefitDue(tx, Object.keys(reading.drops));
      return { ...reading, aside, version: next };
    });
    await learning.catchUp();
    response.json(saved);
  });

  return router;
}
