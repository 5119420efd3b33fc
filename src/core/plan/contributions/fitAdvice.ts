import { figure } from '../../figures.ts';
import { fitAfterPaint, jointName, placeAfterPaint, type FilmOnFlats } from '../../kit/index.ts';
import { BARE as BARE_KINDS, COATS, type KitAdvice } from '../advice/kitAdvice.ts';
import { operationsOf } from '../benchSteps.ts';
import type { Ahead, DividedKit } from '../contribution.ts';
import type { TaskKind } from '../tasks.ts';

const BARE: FilmOnFlats = { low: 0, usual: 0, high: 0 };

const leftWords = (leftMm: number): string =>
  leftMm < 0 ? `with film it is ${figure(-leftMm, 'mm')} too tight` : `film leaves ${figure(leftMm, 'mm')}`;

/** Joints that film makes too tight, and holes, slots and lines that it closes: said from the first coat on, while they
 *  can be masked, and of a joint after that at its join; and what each fit should be. */
export function adviseOfFilm({ build: { id: buildId, kit, films }, all, own, starts, advise }: Ahead): void {
  const filmOn = (trayId: string | null | undefined) => films[trayId ?? ''] ?? BARE;
  const isCoat = ({ kind }: { kind: TaskKind }) => COATS.includes(kind);
  // With a coat on it is too late for tape.
  const coated = new Set(
    all.flatMap((step) => (isCoat(step) && starts[step.id] === undefined ? [step.trayId] : [])),
  );
  const firstPaint = (trayIds: readonly string[]) =>
    own.find(
      (step) =>
        isCoat(step) &&
        step.trayId !== undefined &&
        trayIds.includes(step.trayId) &&
        !coated.has(step.trayId),
    );
  for (const { jointId, joinId, name, clearanceMm, tried, trayIds } of kit.fits.joints) {
    const forecast = fitAfterPaint(clearanceMm, [filmOn(trayIds[0]).usual, filmOn(trayIds[1]).usual]);
    const join = operationsOf(buildId, { work: 'assemble', joinId }, own)[0];
    const said = {
      subject: jointId,
      about: { trays: trayIds, joints: [jointId] },
      why: `Bare it has ${figure(clearanceMm[1], 'mm')}${tried ? ` (${tried})` : ''}; ${leftWords(forecast.leftMm[1])}.`,
    };
    if (forecast.verdict === 'tight') {
      const steps = [firstPaint(trayIds), join].flatMap((each) => each ?? []);
      if (steps.length > 0)
        advise(steps, {
          ...said,
          rule: 'tight-after-paint',
          severity: 'warn',
          text: `Tight after paint: ${name}`,
          remedy: `Ease it while it is bare, mask the faces, or scrape ${forecast.scrapeUm} µm off them after.`,
          stage: 'finish',
        });
      continue;
    }
    if (forecast.verdict !== 'will not go') {
      const tries = own.filter(({ trayId, kind }) => kind === 'refit' && trayIds.includes(trayId ?? ''));
      const steps = [...tries, ...(join ? [join] : [])];
      if (steps.length > 0)
        advise(steps, {
          ...said,
          rule: 'fit-figures',
          severity: 'note',
          topic: 'fit',
          text: name,
          remedy: forecast.words,
          stage: 'kit',
          page: 'fit',
        });
      continue;
    }
    const bare = firstPaint(trayIds);
    const step = bare ?? join;
    if (!step) continue;
    advise(bare && join ? [bare, join] : step, {
      ...said,
      rule: 'film-binds',
      severity: 'warn',
      text: `No longer goes in after paint: ${name}`,
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
    advise(step, {
      rule: 'film-closes',
      subject: place.id,
      severity: 'warn',
      about: { trays: [trayId], parts: [place.partId] },
      text: `${place.kind === 'line' ? 'Paint fills' : 'Paint closes'} the ${name}`,
      why: `${figure(place.sizeMm, 'mm')} bare, ${figure(forecast.leftMm[1], 'mm')} after paint.`,
      remedy: forecast.words,
      stage: 'finish',
    });
  }
}

/** Joints that are to move and were put together bare without being moved. */
export function fitAdvice({ kit, parts, trayOf, joins: late, lateJointIds }: DividedKit): KitAdvice[] {
  const joinOf = new Map(late.flatMap(({ id, jointIds }) => jointIds.map((joint) => [joint, id] as const)));
  return kit.joints.flatMap((joint): KitAdvice[] => {
    const last = kit.fits.findLast(({ jointId, stage }) => jointId === joint.id && stage === 'bare');
    if (!last || !lateJointIds.has(joint.id) || joint.motion === 'none' || last.motionChecked) return [];
    const trays = [...new Set([joint.a, joint.b].flatMap((id) => trayOf.get(id) ?? []))];
    const joins = [joinOf.get(joint.id) ?? []].flat();
    return [
      {
        rule: 'motion-untried',
        subject: joint.id,
        severity: 'warn',
        about: { trays, joints: [joint.id] },
        text: `Not moved yet: ${jointName(joint, parts)}`,
        why: `It is to move (${joint.motion}) and was put together bare without being moved.`,
        remedy: 'Move it through its whole way, bare, and tick that with the fit.',
        stage: 'kit',
        page: 'fit',
        at: { trays, joins, kinds: [...BARE_KINDS, 'refit', 'assemble'], once: true },
      },
    ];
  });
}
