import { CHROME_ROUTE_TABLE, type ChromeRouteId } from '../../finish/index.ts';
import { areaOf, type Kit, type Part } from '../../kit/index.ts';
import { few, type PlanContribution, type TrayTask } from '../contribution.ts';

const DAY = 24 * 60;

/** Bright parts that share a sub-assembly with parts of another kind, or go several ways in it: each pinned way is a
 *  step of its own after the paint. Where all parts go one way, that is the stack's business. */
function brightTasks(trayId: string, held: readonly Part[], kit: Kit): TrayTask[] {
  const pinned = new Map(
    kit.brightwork.flatMap(({ partId, route }) => (route ? [[partId, route] as const] : [])),
  );
  const byRoute = new Map<ChromeRouteId, Part[]>();
  for (const part of held) {
    const route = pinned.get(part.id);
    if (route) byRoute.set(route, [...(byRoute.get(route) ?? []), part]);
  }
  const bright = [...byRoute.values()].reduce((sum, { length }) => sum + length, 0);
  if (bright === held.length && byRoute.size < 2) return [];
  return [...byRoute].flatMap(([routeId, parts]): TrayTask[] => {
    const route = CHROME_ROUTE_TABLE.find(({ id }) => id === routeId)!;
    const area = parts.reduce((sum, part) => sum + areaOf(part) * part.count, 0);
    if (routeId === 'keep-plating') return [];
    return [
      {
        id: `bright-${routeId}`,
        kind: 'bright',
        trayId,
        title: `${route.name[0]!.toUpperCase()}${route.name.slice(1)}`,
        minutes: Math.min(120, Math.round(route.minutes[0] + (route.minutes[1] * area) / 10)),
        waitMinutes: Math.round(route.days * DAY),
        waitBecause: `${route.name}: not to be touched for ${route.days} days`,
        because: 'These parts become bright on a way of their own, beside the paint of the rest.',
        details: [...few(parts.map(({ name }) => name)), ...route.cautions],
      },
    ];
  });
}

export const brightwork: PlanContribution = {
  id: 'brightwork',
  trayTasks: ({ kit, trays, partsIn }) => trays.flatMap((tray) => brightTasks(tray.id, partsIn(tray), kit)),
};
