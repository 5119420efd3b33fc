import type { FilmOnFlats, KitSummary } from '../kit/index.ts';
import type { PlanOperation } from './operation.ts';
import { warnOfClosures } from './warnOfClosures.ts';
import { warnOfFilm } from './warnOfFilm.ts';
import type { Warn, Warning } from './warning.ts';

export interface LookAheadTray {
  id: string;
  name: string;
  /** Whether any paint, plating or foil ends on its faces. */
  painted: boolean;
  /** Products that its layers need, with what is on the shelf of each; null for a plain product or a colour not chosen. */
  needs: { layerId: string; name: string; onShelf: boolean | null; chosen: boolean }[];
  tyre: boolean;
}

export interface LookAheadBuild {
  id: string;
  name: string;
  trays: LookAheadTray[];
  joins: { id: string; name: string; trayIds: readonly string[]; adhesive: string }[];
  wants: { name: string; leadDays: number; have: boolean }[];
  kit: Pick<KitSummary, 'consequences' | 'fits' | 'needless'>;
  /** Film on the flats of a sub-assembly, um; absent where nothing is known of its stack. */
  films: Readonly<Record<string, FilmOnFlats>>;
  /** Steps that the builder left out. */
  leftOut: readonly PlanOperation[];
  /** Minutes since 1970 by which it must be ready; null for no matter. */
  deadline: number | null;
}

const DAY = 24 * 60;
const CEMENT = /cement/i;
const MIRROR = /mirror/i;
const GLASS = /glass|window|windscreen/i;

/** What is ahead of a build that a builder would want to know now, soonest first. `starts` in minutes since 1970; a
 *  step of `operations` without a start is done. */
export function lookAhead(
  build: LookAheadBuild,
  operations: readonly PlanOperation[],
  starts: Readonly<Record<string, number>>,
  now: number,
): Warning[] {
  const all = operations.filter(({ buildId }) => buildId === build.id);
  const own = all.filter(({ id }) => starts[id] !== undefined);
  const startOf = (operation: PlanOperation | undefined) =>
    operation === undefined ? Infinity : starts[operation.id]!;
  const warnings: (Warning & { at: number })[] = [];
  const warn: Warn = (operation, warning) => {
    warnings.push({ ...warning, operationId: operation?.id, at: startOf(operation) });
  };

  for (const tray of build.trays) {
    for (const { layerId, name, onShelf, chosen } of tray.needs) {
      const step = own.find((operation) => operation.trayId === tray.id && operation.layerId === layerId);
      if (!step) continue;
      if (!chosen) {
        warn(step, {
          id: `colour ${tray.id} ${layerId}`,
          title: `No paint chosen: ${tray.name}`,
          reason:
            'The step is planned with a stand-in; its hiding, film and times are guesses until a paint is chosen.',
          remedy: 'Choose a paint or a recipe.',
          stage: 'colour',
        });
      } else if (onShelf === false) {
        warn(step, {
          id: `stock ${tray.id} ${layerId}`,
          title: `Not on the shelf: ${name}`,
          reason: `${tray.name} needs it for “${step.title}”.`,
          remedy: 'Buy it before that evening, or choose another.',
          stage: 'shelf',
        });
      }
    }
  }

  for (const join of build.joins) {
    const step = own.find(({ id }) => id === `${build.id}/join/${join.id}`);
    if (!step) continue;
    const painted = build.trays.filter(({ id, painted: covered }) => covered && join.trayIds.includes(id));
    if (CEMENT.test(join.adhesive) && painted.length > 0) {
      warn(step, {
        id: `cement ${join.id}`,
        title: `Cement on a painted face: ${join.name}`,
        reason: `Solvent cement does not bond paint; ${painted.map(({ name }) => name).join(' and ')} ${painted.length > 1 ? 'are' : 'is'} painted by then.`,
        remedy: 'Mask the joint faces before primer, scrape them bare, or take cyanoacrylate or epoxy.',
        stage: 'kit',
      });
    }
    const tyres = build.trays.filter(({ id, tyre }) => tyre && join.trayIds.includes(id));
    const rims = build.trays.filter(
      ({ id, tyre, painted: covered }) => !tyre && covered && join.trayIds.includes(id),
    );
    if (tyres.length > 0 && rims.length > 0) {
      warn(step, {
        id: `tyre ${join.id}`,
        title: `Tyre on fresh paint: ${join.name}`,
        reason:
          'A vinyl tyre pressed on soft paint or chrome ink marks it, and its plasticiser eats bare rims in time.',
        remedy: 'Let the rims cure fully; a ring of water-based clear between rim and tyre keeps them apart.',
        stage: 'finish',
      });
    }
    if (GLASS.test(join.name)) {
      const mirror = own.find(
        ({ kind, title }) => kind === 'assemble' && MIRROR.test(title) && !GLASS.test(title),
      );
      if (mirror && startOf(mirror) > startOf(step)) {
        warn(mirror, {
          id: `mirror ${join.id}`,
          title: 'Mirror after glass',
          reason: `“${mirror.title}” comes after “${step.title}”: where its base sits under the glass it can no longer go in.`,
          remedy: 'Put the mirror join before the glass in the Kit stage, unless it stands outside.',
          stage: 'kit',
        });
      }
    }
  }

  warnOfClosures(build, all, starts, warn);
  warnOfFilm(build, all, starts, warn);
  for (const { workId, trayId, name, reason } of build.kit.needless) {
    const step = own.find((operation) => operation.trayId === trayId && operation.kind === 'clean');
    if (!step) continue;
    warn(step, {
      id: `needless ${workId}`,
      title: `Not on this version: ${name}`,
      reason,
      remedy: 'Leave the plastic alone, whatever the sheet says; or pick the other version first.',
      stage: 'kit',
    });
  }
  for (const step of build.leftOut) {
    const risk = LEFT_OUT_RISKS[step.kind];
    // One coat of several is a matter of taste.
    const isLayerThere = all.some(
      ({ trayId, layerId }) => layerId !== undefined && layerId === step.layerId && trayId === step.trayId,
    );
    if (risk === undefined || isLayerThere) continue;
    const next = own.find(({ trayId, kind }) => trayId === step.trayId && kind !== 'clean');
    if (!next) continue;
    warn(next, {
      id: `left out ${step.id}`,
      title: `Left out: ${step.title}`,
      reason: risk,
      remedy: 'Bring it back while you still can: the plan keeps a list of what is left out.',
      stage: 'plan',
    });
  }

  const first = own.reduce((least, operation) => Math.min(least, startOf(operation)), Infinity);
  for (const { name, leadDays, have } of build.wants) {
    if (have) continue;
    const ready = own.reduce((latest, operation) => Math.max(latest, startOf(operation)), first);
    const late = now + leadDays * DAY > ready;
    warn(undefined, {
      id: `want ${name}`,
      title: `Still to get: ${name}`,
      reason: late
        ? `It takes ${leadDays} days to come, longer than the whole plan.`
        : `It takes ${leadDays} ${leadDays === 1 ? 'day' : 'days'} to come.`,
      remedy: 'Order it now, or take the substitute noted with it.',
      stage: 'kit',
    });
  }

  const held = new Map<string, PlanOperation[]>();
  for (const step of own) {
    for (const reason of step.holds) held.set(reason, [...(held.get(reason) ?? []), step]);
  }
  for (const [reason, steps] of held) {
    const soonest = steps.reduce((one, other) => (startOf(other) < startOf(one) ? other : one));
    warn(soonest, {
      id: `hold ${reason}`,
      title: `Not decided: ${soonest.title}`,
      reason: steps.length === 1 ? reason : `${reason} It holds ${steps.length} steps; this is the first.`,
      remedy: `Decide it before that evening; ${steps.length === 1 ? 'the step stays' : 'they stay'} locked until then.`,
      stage: 'kit',
    });
  }

  const finish = own.reduce(
    (latest, operation) => Math.max(latest, startOf(operation) + operation.hands + operation.dry),
    0,
  );
  if (build.deadline !== null && finish > build.deadline) {
    const after = own.filter(
      (operation) => startOf(operation) + operation.hands + operation.dry > build.deadline!,
    );
    warn(undefined, {
      id: 'deadline',
      title: 'Later than its day',
      reason: `The plan ends ${days(finish - build.deadline)} after the day it is needed; ${after.length} ${after.length === 1 ? 'step ends' : 'steps end'} after it.`,
      remedy: 'Add an evening, a faster clear or a dehydrator; see what one more evening would give.',
      stage: 'plan',
    });
  }
  return warnings.sort((p, q) => p.at - q.at).map(({ at: _at, ...warning }) => warning);
}

/** What a step left out costs; a kind that is not named costs nothing worth a word. */
const LEFT_OUT_RISKS: Partial<Record<PlanOperation['kind'], string>> = {
  primer: 'Colour grips bare plastic badly, and blemishes show only once it is on.',
  undercoat: 'The colour over it comes out as another: what lies beneath shows through.',
  key: 'Paint on a shiny surface lifts with the first tape.',
  rinse: 'Grease from moulds and fingers keeps paint from holding.',
  clean: 'Gates, seams and flash show through every coat.',
  fill: 'Seams and sink marks cannot be mended beneath colour.',
  'dry-fit': 'What does not fit bare fits less once paint has thickened it.',
  mask: 'The next colour has no edge to stop at.',
  clear: 'Decals stay unprotected, and there is nothing to polish but colour.',
  refit: 'What paint has made tight is found out with glue on it.',
};

function days(minutes: number): string {
  const whole = Math.ceil(minutes / DAY);
  return whole === 1 ? 'a day' : `${whole} days`;
}
