import { figure } from '../../figures.ts';
import {
  areaOf,
  isPaintedLook,
  mainFinish,
  partLabel,
  seamLength,
  type Kit,
  type Part,
} from '../../kit/index.ts';
import type { DividedKit, PlanContribution, TrayTask } from '../contribution.ts';

const BRUSH_SET_UP = 4;
const BRUSH_PER_CM2 = 0.5;
const MASK_PER_MM = 0.12;
const PAINT_LEAD_DAYS = 5;

/** What paint asks for beside the layers of the stacks: second colours, paint and tape to have, colours to choose. */
export const stacks: PlanContribution = {
  id: 'stacks',

  trayTasks: (build) => build.trays.flatMap((tray) => pickOuts(tray.id, build.partsIn(tray), build)),

  needs: ({ paints, parts, material }) => [
    ...paints.map(paintNeed),
    ...edgeTape(parts).map((held) =>
      material('edge-tape', 'thin edge tape', `colour edges on ${held}`, {
        substitute: 'wide tape cut with a new blade',
        looks: 'the edge is less even',
      }),
    ),
  ],

  lookAhead({ build, own, warn }) {
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
  },
};

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

/** The finish of most of the surface. */
function mainOf(held: readonly Part[], finishes: DividedKit['finishes']): string | undefined {
  const surface = new Map<string, number>();
  for (const part of held) {
    const finish = mainFinish(part, finishes);
    if (finish) surface.set(finish.id, (surface.get(finish.id) ?? 0) + areaOf(part) * part.count);
  }
  return [...surface].sort((p, q) => q[1] - p[1])[0]?.[0];
}

interface SecondColour {
  finishId: string;
  name: string;
  minutes: number;
  masked: boolean;
}

/** Whole parts in another colour that are joined to the main one, and zones of a part. */
function secondColours(
  held: readonly Part[],
  main: string,
  { kit, parts, finishes }: DividedKit,
): SecondColour[] {
  const ids = new Set(held.map(({ id }) => id));
  const isPaint = (id: string) => isPaintedLook(finishes.get(id)?.look ?? 'bare');
  const joinedTo = (part: Part): Kit['joints'][number] | undefined =>
    kit.joints.find(({ a, b }) => (a === part.id || b === part.id) && ids.has(a) && ids.has(b));
  return held.flatMap((part) => {
    const own = part.zones[0]?.finishId;
    // Small pieces on one tray that are not joined to the main colour are sprayed apart, not picked out.
    const joined = own !== undefined && own !== main && isPaint(own) ? joinedTo(part) : undefined;
    const whole: SecondColour[] = joined
      ? [
          {
            finishId: own!,
            name: part.name,
            minutes: BRUSH_PER_CM2 * areaOf(part) * part.count,
            masked: seamLength(joined, part, parts.get(joined.a === part.id ? joined.b : joined.a)!) > 60,
          },
        ]
      : [];
    const zones = part.zones
      .slice(1)
      .filter(({ finishId }) => isPaint(finishId))
      .map((zone): SecondColour => {
        const masked = zone.boundary === 'masked';
        const edge = zone.edgeMm ?? 20 * Math.sqrt(areaOf(part) * zone.share);
        return {
          finishId: zone.finishId,
          name: `${zone.name || 'zone'} on ${part.name.toLowerCase()}`,
          minutes: masked ? MASK_PER_MM * edge : BRUSH_PER_CM2 * areaOf(part) * zone.share * part.count,
          masked,
        };
      });
    return [...whole, ...zones];
  });
}

/** Colours beside the main one on a tray: what is brushed or masked once the main finish is on. */
function pickOuts(trayId: string, held: readonly Part[], build: DividedKit): TrayTask[] {
  const main = mainOf(held, build.finishes);
  if (main === undefined) return [];
  const byFinish = new Map<string, SecondColour[]>();
  for (const second of secondColours(held, main, build))
    byFinish.set(second.finishId, [...(byFinish.get(second.finishId) ?? []), second]);
  return [...byFinish].map(([finishId, seconds]) => {
    const names = seconds.map(({ name }) => name);
    const masked = seconds.some((second) => second.masked);
    const minutes = seconds.reduce((sum, second) => sum + second.minutes, BRUSH_SET_UP);
    return {
      id: finishId,
      kind: 'pick-out' as const,
      trayId,
      title: `${masked ? 'Mask and paint' : 'Pick out'} ${build.finishes.get(finishId)!.name.toLowerCase()}`,
      minutes: Math.min(90, Math.max(5, Math.round(minutes))),
      waitMinutes: 0,
      waitBecause: 'follows at once',
      because: 'It shares a piece with another colour, so it is done once that one is dry.',
      details: names.slice(0, 6).concat(names.length > 6 ? [`and ${names.length - 6} more`] : []),
    };
  });
}
