import { mainFinish, type Kit, type LiveryArea, type LiveryView } from '../kit/index.ts';
import { measureView, type MeasuredView } from './measureView.ts';
import { remembered } from './remembered.ts';

/** What is painted as one, with the views that show it. */
export interface Body {
  /** The sub-assembly; '' for views that show no part of any. */
  trayId: string;
  views: LiveryView[];
}

/** Views by the sub-assembly whose parts they show. */
export function bodiesOf(
  { views }: Pick<Kit, 'views'>,
  trays: readonly { id: string; partIds: readonly string[] }[],
): Body[] {
  const bodies = new Map<string, Body>();
  for (const view of views) {
    const trayId =
      view.partId === null ? '' : (trays.find(({ partIds }) => partIds.includes(view.partId!))?.id ?? '');
    const body = bodies.get(trayId) ?? { trayId, views: [] };
    body.views.push(view);
    bodies.set(trayId, body);
  }
  return [...bodies.values()];
}

/** What lies under all areas of a view: what it says, or what its part has. */
export function baseOf({ finishId, partId }: LiveryView, { parts, finishes }: Kit): string | null {
  const part = parts.find(({ id }) => id === partId);
  const known = new Map(finishes.map((finish) => [finish.id, finish]));
  return finishId ?? (part ? (mainFinish(part, known)?.id ?? null) : null);
}

/** Views of a few large builds. */
const MOST_VIEWS = 200;
const measured = remembered(
  MOST_VIEWS,
  ({ view: { outline, openings, mouldings, regions, slope }, areas, baseId }: ViewInColours) =>
    JSON.stringify([outline, openings, mouldings, regions, slope, areas, baseId]),
  ({ view, areas, baseId }) => measureView(view, areas, baseId),
);

interface ViewInColours {
  view: LiveryView;
  areas: LiveryArea[];
  baseId: string | null;
}

/** A view of a kit with what lies on it, measured; the same view is measured once. */
export const measuredView = (view: LiveryView, kit: Kit): MeasuredView =>
  measured({
    view,
    areas: kit.liveryAreas.filter(({ viewId }) => viewId === view.id),
    baseId: baseOf(view, kit),
  });

/** Surface of each finish of a body, cm2, as far as its views show. */
export function surfaceOf(views: readonly MeasuredView[]): Map<string, number> {
  const cm2 = new Map<string, number>();
  for (const { areas } of views)
    for (const { finishId, cm2: seen } of areas)
      if (finishId !== null && seen > 0) cm2.set(finishId, (cm2.get(finishId) ?? 0) + seen);
  return cm2;
}
