import {
  liveryAreaRecord,
  newRecord,
  type AreaShape,
  type Kit,
  type KitChange,
  type LiveryArea,
  type LiveryView,
  type Marking,
  type ViewSide,
} from '../../../core/kit/index.ts';
import { mirroredPath, mirrorImage, movedPath } from '../../../core/livery/index.ts';
import { boxOf } from './drawing.ts';

const OTHER_SIDE: Partial<Record<ViewSide, ViewSide>> = {
  left: 'right',
  right: 'left',
  'tank-left': 'tank-right',
  'tank-right': 'tank-left',
};

/** The areas of a view, the lowest first. */
export const areasOf = ({ liveryAreas }: Kit, viewId: string): LiveryArea[] =>
  liveryAreas.filter((area) => area.viewId === viewId).sort((p, q) => p.order - q.order);

const tenth = (mm: number): number => Math.round(mm * 10) / 10;

/** The place over all of these. */
export const nextOrder = (areas: readonly LiveryArea[]): number =>
  Math.max(0, ...areas.map(({ order }) => order)) + 1;

/** A new area in the middle of a view, over all others. */
export function freshArea(
  id: string,
  view: LiveryView,
  shape: AreaShape,
  finishId: string,
  above: readonly LiveryArea[],
): LiveryArea {
  const { x, y, width, height } = boxOf(view);
  return {
    ...newRecord(liveryAreaRecord),
    id,
    viewId: view.id,
    finishId,
    name: `${shape} ${above.length + 1}`,
    order: nextOrder(above),
    shape,
    x: tenth(x + width / 2),
    y: tenth(y + height / 2),
    width: Math.max(1, tenth(width / 4)),
    height: Math.max(1, tenth(height / 6)),
    path:
      shape === 'path'
        ? `M${tenth(x + width / 4)} ${tenth(y + height / 2)} h${tenth(width / 2)} v${tenth(height / 6)} h-${tenth(width / 2)} Z`
        : '',
  };
}

/** An area moved by so much, to the hundredth of a millimetre. */
export function movedArea(area: LiveryArea, dx: number, dy: number): LiveryArea {
  const hundredth = (mm: number) => Math.round(mm * 100) / 100;
  if (area.shape !== 'path') return { ...area, x: hundredth(area.x + dx), y: hundredth(area.y + dy) };
  return { ...area, path: movedPath(area.path, hundredth(dx), hundredth(dy)) };
}

/** Two neighbours of the order change places. */
export function raised(areas: readonly LiveryArea[], areaId: string, by: 1 | -1): LiveryArea[] {
  const at = areas.findIndex(({ id }) => id === areaId);
  const [one, other] = [areas[at], areas[at + by]];
  return one && other
    ? [
        { ...one, order: other.order },
        { ...other, order: one.order },
      ]
    : [];
}

/** What the mirror image of an area is called. */
export const imageName = (name: string): string => `${name.slice(0, 60)}, mirrored`;

/** A name that says a side says the other one; else that is added. */
function calledOtherwise(name: string, side: ViewSide): string {
  const [from, to] = side.endsWith('right') ? ['left', 'right'] : ['right', 'left'];
  const word = new RegExp(`\\b${from}\\b`, 'i');
  const said = name.replace(word, (found) =>
    /^[A-Z]/.test(found) ? to.replace(/^./, (first) => first.toUpperCase()) : to,
  );
  return said === name ? `${name}, the other side` : said;
}

/** The other side of a view with all that lies on it, mirrored; what one is called by its side is called by the other.
 *  Lettering changes its place and is read as before. */
export function otherSide(
  view: LiveryView,
  { areas, markings }: { areas: readonly LiveryArea[]; markings: readonly Marking[] },
  freshId: () => string,
): KitChange[] {
  const box = boxOf(view);
  const middle = 2 * box.x + box.width;
  const mirror = (path: string) => mirroredPath(path, middle);
  const across = (it: { x: number; angle: number }) => ({
    x: Math.round((middle - it.x) * 100) / 100,
    angle: it.angle === 0 ? 0 : -it.angle,
  });
  const id = freshId();
  const side = OTHER_SIDE[view.side] ?? view.side;
  const value: LiveryView = {
    ...view,
    id,
    side,
    name: calledOtherwise(view.name, side),
    outline: mirror(view.outline),
    // Other doors hang there: which, nobody said.
    regions: [],
    openings: view.openings.map((opening) => ({ ...opening, path: mirror(opening.path) })),
    mouldings: (view.mouldings ?? []).map((line) => ({ ...line, path: mirror(line.path) })),
  };
  return [
    { kind: 'view', id, value },
    ...areas.map((area): KitChange => {
      const own = freshId();
      return {
        kind: 'livery-area',
        id: own,
        value: { ...mirrorImage(area, box), id: own, viewId: id },
      };
    }),
    ...markings.map((marking): KitChange => {
      const own = freshId();
      return {
        kind: 'marking',
        id: own,
        value: {
          ...marking,
          ...across(marking),
          id: own,
          viewId: id,
          name: calledOtherwise(marking.name, side),
          mirrored: marking.mirrored !== !marking.lettering,
        },
      };
    }),
  ];
}
