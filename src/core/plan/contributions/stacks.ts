import { figure } from '../../figures.ts';
import { FINISH_RULES } from '../../finish/index.ts';
import { partLabel, secondColours, type Part } from '../../kit/index.ts';
import {
  few,
  trayTask,
  type Ahead,
  type DividedKit,
  type LayerLines,
  type PlanContribution,
  type TrayTask,
} from '../contribution.ts';

const BRUSH_SET_UP = 4;
const BRUSH_PER_CM2 = 0.5;
const MASK_PER_MM = 0.12;
const PAINT_LEAD_DAYS = 5;

/** What paint asks for beside the layers of the stacks: second colours, paint and tape to have, colours to choose. */
export const stacks: PlanContribution = {
  id: 'stacks',

  trayTasks: (build) => build.trays.flatMap((tray) => pickOuts(tray.id, build.partsIn(tray), build)),

  layerLines: pickedOutLines,

  needs: ({ paints, parts, material }) => [
    ...paints.map(paintNeed),
    ...edgeTape(parts).map((held) =>
      material('edge-tape', 'thin edge tape', `colour edges on ${held}`, {
        substitute: 'wide tape cut with a new blade',
        looks: 'the edge is less even',
      }),
    ),
  ],

  advice(ahead) {
    adviseOfPaints(ahead);
    adviseOfRules(ahead);
  },
};

/** Colours not chosen, paints that are not on the shelf, and paints of which there is not enough for all of the build. */
function adviseOfPaints({ build, own, advise }: Ahead): void {
  const needed = new Map<string, number>();
  const used = (trayId: string, layerId: string) =>
    own.filter((operation) => operation.trayId === trayId && operation.layerId === layerId);
  const needs = build.trays
    .flatMap((tray) => tray.needs.map((need) => ({ tray, need, steps: used(tray.id, need.layerId) })))
    .filter(({ steps }) => steps.length > 0)
    .sort((p, q) => own.indexOf(p.steps[0]!) - own.indexOf(q.steps[0]!));
  for (const { tray, need, steps } of needs) {
    const { layerId, paintId, name, levelMl, needMl = 0, chosen } = need;
    const about = { trays: [tray.id], layers: [layerId] };
    const subject = `${tray.id} ${layerId} ${paintId}`.trim();
    if (!chosen) {
      advise(steps.slice(0, 1), {
        rule: 'no-paint-chosen',
        subject,
        severity: 'warn',
        about,
        text: `No paint chosen: ${tray.name}`,
        why: 'The step is planned with a stand-in; its hiding, film and times are guesses until a paint is chosen.',
        remedy: 'Choose a paint or a recipe.',
        stage: 'colour',
      });
    } else if (levelMl === null) {
      advise(steps.slice(0, 1), {
        rule: 'not-on-the-shelf',
        subject,
        severity: 'warn',
        about,
        text: `Not on the shelf: ${name}`,
        why: `${tray.name} needs it for “${steps[0]!.title}”.`,
        remedy: 'Buy it before that evening, or choose another.',
        stage: 'shelf',
      });
    } else if (levelMl !== undefined) {
      const before = needed.get(paintId) ?? 0;
      const all = before + needMl;
      needed.set(paintId, all);
      if (all <= levelMl) continue;
      advise(steps.slice(0, 1), {
        rule: 'runs-short',
        subject,
        severity: 'warn',
        about,
        text: `Not enough left: ${name}`,
        why: `This layer takes ${figure(needMl, 'ml')}${before > 0 ? ` and what comes before it ${figure(before, 'ml')}` : ''}; ${figure(levelMl, 'ml')} is on the shelf.`,
        remedy: 'Buy more before the first coat: another batch may differ, and a mix is hard to match again.',
        stage: 'shelf',
      });
    }
  }
}

/** What the stacks break, at the steps of the layer; what was muted, with the builder's note. Cautions are told by the
 *  step itself, and what the air does is told of the evening. */
function adviseOfRules({ build, own, advise }: Ahead): void {
  const air = new Set(FINISH_RULES.flatMap(({ id, ofTheAir }) => (ofTheAir ? [id] : [])));
  for (const { id: trayId, name, findings, muted } of build.trays) {
    for (const found of [...findings.map((each) => ({ ...each, note: undefined })), ...muted]) {
      const { ruleId, severity, layerId, title, reason, remedy, source, note } = found;
      if (severity === 'caution' || air.has(ruleId)) continue;
      const steps = own.filter((step) => step.trayId === trayId && step.layerId === layerId);
      // It is too late for what the coats so far have settled.
      if (steps.length === 0) continue;
      // What stops holds every coat; else it is said at the first still to come.
      advise(severity === 'stop' ? steps : steps.slice(0, 1), {
        rule: ruleId,
        subject: `${trayId} ${layerId}`,
        severity: note === undefined ? severity : 'note',
        topic: note === undefined ? 'risk' : 'decided',
        about: { trays: [trayId], layers: [layerId] },
        text: `${title}: ${name}`,
        why: reason,
        remedy,
        source,
        stage: 'finish',
        ...(note === undefined ? {} : { settledBy: note }),
      });
    }
  }
}

function paintNeed({
  id,
  name,
  needMl,
  levelMl,
}: {
  id: string;
  name: string;
  needMl: number;
  levelMl: number | null;
}) {
  const isOwned = levelMl !== null;
  const isShort = isOwned && levelMl < needMl;
  return {
    id: `paint:${id}`,
    group: 'paint' as const,
    what: name,
    why: `${figure(needMl, 'ml')} for the stacks${isOwned ? `, ${figure(levelMl, 'ml')} on the shelf` : ''}`,
    state: isOwned ? (isShort ? ('short' as const) : ('have' as const)) : ('buy' as const),
    leadDays: !isOwned || isShort ? PAINT_LEAD_DAYS : 0,
    substitute: isOwned ? '' : 'a recipe from the shelf, in the colour stage',
    looks: isOwned ? '' : 'the difference shown there',
  };
}

/** Parts with masked colour edges, in words; none where there are none. */
function edgeTape(parts: readonly Part[]): string[] {
  const masked = parts.filter(({ zones }) => zones.slice(1).some(({ boundary }) => boundary === 'masked'));
  if (masked.length === 0) return [];
  const more = masked.length > 3 ? ` and ${masked.length - 3} more` : '';
  return [masked.slice(0, 3).map(partLabel).join(', ') + more];
}

/** Colours of a sub-assembly that have no layers of their own in its stack, and what is brushed or masked for them once
 *  the main finish is on. */
function pickOuts(trayId: string, held: readonly Part[], { kit, trays, finishes }: DividedKit): TrayTask[] {
  const laid = laidOn(trays.find(({ id }) => id === trayId));
  return secondColours(kit, held)
    .filter(({ finishId }) => !laid.has(finishId))
    .map(({ finishId, places }) => {
      const masked = places.some(({ tapeMm }) => tapeMm !== undefined);
      const minutes = places.reduce(
        (sum, { cm2, tapeMm }) => sum + (tapeMm === undefined ? BRUSH_PER_CM2 * cm2 : MASK_PER_MM * tapeMm),
        BRUSH_SET_UP,
      );
      return trayTask('pick-out', trayId, {
        id: finishId,
        title: `${masked ? 'Mask and paint' : 'Pick out'} ${finishes.get(finishId)!.name.toLowerCase()}`,
        minutes,
        because: 'It shares a piece with another colour, so it is done once that one is dry.',
        details: few(places.map(({ name }) => name)),
      });
    });
}

/** Finishes that have layers of their own in the stack of a sub-assembly. */
const laidOn = (tray: DividedKit['trays'][number] | undefined): ReadonlySet<string> =>
  new Set(tray?.layers?.flatMap(({ finishId }) => finishId ?? []));

/** Where a colour that is picked out goes, at the layers that lay it. */
function pickedOutLines(build: DividedKit): LayerLines[] {
  return build.trays.flatMap((tray) => {
    const laid = laidOn(tray);
    return secondColours(build.kit, build.partsIn(tray))
      .filter(({ finishId }) => laid.has(finishId))
      .flatMap(({ finishId, places }) =>
        (tray.layers ?? [])
          .filter(
            (layer) => layer.finishId === finishId && (layer.kind === 'colour' || layer.kind === 'metal'),
          )
          .map(({ id, kind }) => ({
            trayId: tray.id,
            layerId: id,
            kind,
            finishId,
            lines: [`on ${few(places.map(({ name }) => name)).join(', ')}`],
          })),
      );
  });
}
