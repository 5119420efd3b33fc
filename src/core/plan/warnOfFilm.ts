import { figure } from '../figures.ts';
import { fitAfterPaint, placeAfterPaint, type FilmOnFlats, type KitSummary } from '../kit/index.ts';
import { operationsOf } from './benchSteps.ts';
import type { PlanOperation } from './operation.ts';
import type { Warn } from './warning.ts';

const BARE: FilmOnFlats = { low: 0, usual: 0, high: 0 };

/** Joints that film makes too tight, and holes, slots and lines that it closes: said at the first coat, while they can be
 *  masked, and of a joint after that at its join. `all` are the steps of the build, those without a start done. */
export function warnOfFilm(
  {
    id: buildId,
    kit,
    films,
  }: { id: string; kit: Pick<KitSummary, 'fits'>; films: Readonly<Record<string, FilmOnFlats>> },
  all: readonly PlanOperation[],
  starts: Readonly<Record<string, number>>,
  warn: Warn,
): void {
  const filmOn = (trayId: string | null | undefined) => films[trayId ?? ''] ?? BARE;
  const own = all.filter(({ id }) => starts[id] !== undefined);
  // With a coat on it is too late for tape.
  const coated = new Set(
    all.flatMap(({ id, trayId, family }) => (family !== null && starts[id] === undefined ? [trayId] : [])),
  );
  const firstPaint = (trayIds: readonly string[]) =>
    own.find(
      ({ trayId, family }) =>
        family !== null && trayId !== undefined && trayIds.includes(trayId) && !coated.has(trayId),
    );
  for (const { jointId, joinId, name, clearanceMm, trayIds } of kit.fits.joints) {
    const forecast = fitAfterPaint(clearanceMm, [filmOn(trayIds[0]).usual, filmOn(trayIds[1]).usual]);
    if (forecast.verdict !== 'will not go') continue;
    const join = operationsOf(buildId, { work: 'assemble', joinId }, own)[0];
    const bare = firstPaint(trayIds);
    const step = bare ?? join;
    if (!step) continue;
    warn(step, {
      id: `film ${jointId}`,
      title: `No longer goes in after paint: ${name}`,
      reason: `Bare it has ${figure(clearanceMm[1], 'mm')}; film leaves ${figure(forecast.leftMm[1], 'mm')}.`,
      remedy: bare
        ? `Mask the faces before paint, or scrape ${forecast.scrapeUm} µm off them after.`
        : `Too late for tape: scrape ${forecast.scrapeUm} µm off the faces before they are joined.`,
      stage: 'finish',
    });
  }
  for (const { place, name, trayId, matingTrayId } of kit.fits.places) {
    const forecast = placeAfterPaint(place, filmOn(trayId), filmOn(matingTrayId));
    const step = forecast.verdict === 'lost' ? firstPaint([trayId]) : undefined;
    if (!step) continue;
    warn(step, {
      id: `place ${place.id}`,
      title: `${place.kind === 'line' ? 'Paint fills' : 'Paint closes'} the ${name}`,
      reason: `${figure(place.sizeMm, 'mm')} bare, ${figure(forecast.leftMm[1], 'mm')} after paint.`,
      remedy: forecast.words,
      stage: 'finish',
    });
  }
}
