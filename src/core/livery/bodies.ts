import { mainFinish, type Kit, type LiveryView } from '../kit/index.ts';
import { measureView, type MeasuredView } from './measureView.ts';

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

const MOST_KEPT = 200;
const measured = new Map<string, MeasuredView>();

/** A view of a kit with what lies on it, measured; the same view is measured once. */
export function measuredView(view: LiveryView, kit: Kit): MeasuredView {
  const areas = kit.liveryAreas.filter(({ viewId }) => viewId === view.id);
  const baseId = baseOf(view, kit);
  const key = JSON.stringify([view.outline, view.openings, view.slope, areas, baseId]);
  const known = measured.get(key);
  if (known) return known;
  const made = measureView(view, areas, baseId);
  if (measured.size >= MOST_KEPT) measured.delete(measured.keys().next().value!);
  measured.set(key, made);
  return made;
}

/** Surface of each finish of a body, cm2, as far as its views show. */
export function surfaceOf(views: readonly MeasuredView[]): Map<string, number> {
  const cm2 = new Map<string, number>();
  for (const { areas } of views)
    for (const { finishId, cm2: seen } of areas)
      if (finishId !== null && seen > 0) cm2.set(finishId, (cm2.get(finishId) ?? 0) + seen);
  return cm2;
}
