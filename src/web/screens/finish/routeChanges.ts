import type { TrayRecord } from '../../../api/index.ts';
import { chromeRouteLayers, LAYER_KINDS, type BrightPlan } from '../../../core/finish/index.ts';
import type { Kit, PlannedLayer } from '../../../core/kit/index.ts';
import { plannedFrom, stackChanges } from './planned.ts';

/** What the chosen routes make of one sub-assembly's stack. */
export type RouteChange =
  | { kind: 'change'; tray: TrayRecord; layers: PlannedLayer[]; words: string }
  | { kind: 'same' | 'mixed'; tray: TrayRecord; words: string };

/** Routes carried into stacks: a sub-assembly whose bright parts all go one way, and which holds nothing but bright
 *  parts, takes that way's layers; others are named with what stands against it. */
export function routeChanges(trays: readonly TrayRecord[], plan: BrightPlan, kit: Kit): RouteChange[] {
  const chosen = new Map(plan.chosen.map((each) => [each.part.id, each]));
  const plated = new Map(kit.parts.map((part) => [part.id, part.plated]));
  return trays.flatMap((tray): RouteChange[] => {
    const bright = tray.parts.flatMap(({ id }) => chosen.get(id) ?? []);
    if (bright.length === 0) return [];
    const routes = new Map(bright.map(({ pick }) => [pick.route.id, pick.route]));
    const others = tray.parts.length - bright.length;
    if (routes.size > 1) {
      const names = [...routes.values()].map(({ name }) => name).join(', ');
      return [
        {
          kind: 'mixed',
          tray,
          words: `goes ${routes.size} ways (${names}): pin one, or divide it in the Kit stage`,
        },
      ];
    }
    if (others > 0) {
      return [
        {
          kind: 'mixed',
          tray,
          words: `${others} of its ${tray.parts.length} parts are not bright: the bright ones are done by themselves after its paint`,
        },
      ];
    }
    const [route] = routes.values();
    const layers = plannedFrom(
      chromeRouteLayers(
        route!.id,
        bright.some(({ part }) => plated.get(part.id)),
      ),
      tray.layers,
    );
    const changes = stackChanges(tray.layers, layers).filter(({ what }) => what !== 'stays');
    if (changes.length === 0) return [{ kind: 'same', tray, words: `${route!.name}, as its stack has it` }];
    const names = layers.map(({ kind }) => LAYER_KINDS[kind].name.toLowerCase()).join(', ');
    return [{ kind: 'change', tray, layers, words: `${route!.name}: ${names || 'no layer at all'}` }];
  });
}
