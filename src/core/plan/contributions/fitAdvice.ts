import { figure } from '../../figures.ts';
import {
  chooseAdhesive,
  fitAfterPaint,
  glueJob,
  jointName,
  placeAfterPaint,
  type FilmOnFlats,
} from '../../kit/index.ts';
import { BARE as BARE_KINDS, COATS, type KitAdvice } from '../advice/kitAdvice.ts';
import { operationsOf } from '../benchSteps.ts';
import { traysOf, type Ahead, type DividedKit } from '../contribution.ts';
import type { PlanOperation } from '../operation.ts';
import type { TaskKind } from '../tasks.ts';

const BARE: FilmOnFlats = { low: 0, usual: 0, high: 0 };

const leftWords = (leftMm: number): string =>
  leftMm < 0 ? `with film it is ${figure(-leftMm, 'mm')} too tight` : `film leaves ${figure(leftMm, 'mm')}`;

const filmOn = ({ films }: Ahead['build'], trayId: string | null | undefined): FilmOnFlats =>
  films[trayId ?? ''] ?? BARE;

/** The first coat still to come on sub-assemblies that have none: until then their faces can be masked. */
function firstCoatOf({ all, own, starts }: Ahead): (trayIds: readonly string[]) => PlanOperation | undefined {
  const isCoat = ({ kind }: { kind: TaskKind }) => COATS.includes(kind);
  // With a coat on it is too late for tape.
  const coated = new Set(
    all.flatMap((step) => (isCoat(step) && starts[step.id] === undefined ? [step.trayId] : [])),
  );
  return (trayIds) =>
    own.find(
      (step) =>
        isCoat(step) &&
        step.trayId !== undefined &&
        trayIds.includes(step.trayId) &&
        !coated.has(step.trayId),
    );
}

/** Joints that film makes too tight: said from the first coat on, while they can be masked, and after that at their join;
 *  and what each other fit should be. */
function adviseOfJoints(ahead: Ahead, firstCoat: ReturnType<typeof firstCoatOf>): void {
  const { build, own, advise } = ahead;
  const { id: buildId, kit } = build;
  for (const { jointId, joinId, name, clearanceMm, tried, trayIds } of kit.fits.joints) {
    const forecast = fitAfterPaint(clearanceMm, [
      filmOn(build, trayIds[0]).usual,
      filmOn(build, trayIds[1]).usual,
    ]);
    const join = operationsOf(buildId, { work: 'assemble', joinId }, own)[0];
    const said = {
      subject: jointId,
      about: { trays: trayIds, joints: [jointId] },
      why: `Bare it has ${figure(clearanceMm[1], 'mm')}${tried ? ` (${tried})` : ''}; ${leftWords(forecast.leftMm[1])}.`,
    };
    if (forecast.verdict === 'tight') {
      const steps = [firstCoat(trayIds), join].flatMap((each) => each ?? []);
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
    const bare = firstCoat(trayIds);
    const step = bare ?? join;
    if (!step) continue;
    advise(bare && join ? [bare, join] : [step], {
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
}

/** Holes, slots and lines that film closes: said at the first coat, while they can be masked. */
function adviseOfPlaces({ build, advise }: Ahead, firstCoat: ReturnType<typeof firstCoatOf>): void {
  for (const { place, name, trayId, matingTrayId } of build.kit.fits.places) {
    const forecast = placeAfterPaint(place, filmOn(build, trayId), filmOn(build, matingTrayId));
    const step = forecast.verdict === 'lost' ? firstCoat([trayId]) : undefined;
    if (!step) continue;
    advise([step], {
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

/** What film does to everything that must fit. */
export function adviseOfFilm(ahead: Ahead): void {
  const firstCoat = firstCoatOf(ahead);
  adviseOfJoints(ahead, firstCoat);
  adviseOfPlaces(ahead, firstCoat);
}

/** Joints after paint that glue alone holds in place. */
function unlocated(build: DividedKit): KitAdvice[] {
  const { kit, parts, finishes, joinOf } = build;
  return kit.joints.flatMap((joint): KitAdvice[] => {
    const join = joinOf.get(joint.id);
    if (join === undefined || joint.locating !== 'none') return [];
    if (chooseAdhesive(glueJob(joint, 'after', parts, finishes)).adhesive === 'none') return [];
    const trays = traysOf(build, [joint.a, joint.b]);
    return [
      {
        rule: 'nothing-locates',
        subject: joint.id,
        severity: 'warn',
        about: { trays, parts: [joint.a, joint.b], joints: [joint.id] },
        text: `Nothing locates it: ${jointName(joint, parts)}`,
        why: 'It is set by eye onto a finished surface, and slides on wet glue: every correction smears.',
        remedy:
          'Pin it with thin wire in holes drilled before paint, or make a card jig in the dry fit; set it down once.',
        stage: 'kit',
        page: 'joints',
        at: { trays, joins: [join], kinds: [...BARE_KINDS, 'assemble'], once: true },
      },
    ];
  });
}

/** Joints that nothing locates, and those that are to move and were put together bare without being moved. */
export function fitAdvice(build: DividedKit): KitAdvice[] {
  return [...unlocated(build), ...unmoved(build)];
}

function unmoved(build: DividedKit): KitAdvice[] {
  const { kit, parts, joinOf } = build;
  return kit.joints.flatMap((joint): KitAdvice[] => {
    const last = kit.fits.findLast(({ jointId, stage }) => jointId === joint.id && stage === 'bare');
    const join = joinOf.get(joint.id);
    if (!last || join === undefined || joint.motion === 'none' || last.motionChecked) return [];
    const trays = traysOf(build, [joint.a, joint.b]);
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
        at: { trays, joins: [join], kinds: [...BARE_KINDS, 'refit', 'assemble'], once: true },
      },
    ];
  });
}
