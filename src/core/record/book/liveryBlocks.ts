import type { PagePath } from '../../formats/index.ts';
import { figure } from '../../figures.ts';
import { counted, type Kit } from '../../kit/index.ts';
import { boxAround, measuredView, ringsOfMarking, ringsPath } from '../../livery/index.ts';
import type { BookBlock } from './blocks.ts';

const BORDER_MM = 1;
const LINE_MM = 0.15;
/** Of what has no colour that is known. */
const UNKNOWN = '#c8c8c8';
const INK = '#202020';

/** Views of the model in their colours with the markings on them, and a list of what was put on. `hexOf`: colour of a finish. */
export function liveryBlocks(kit: Kit, hexOf: (finishId: string) => string | undefined): BookBlock[] {
  const drawings = kit.views.flatMap((view): BookBlock[] => {
    const { areas, body } = measuredView(view, kit);
    const box = boxAround(body);
    if (!box) return [];
    const moved = (rings: readonly (readonly (readonly [number, number])[])[]) =>
      ringsPath(
        rings.map((ring) =>
          ring.map(([x, y]) => [x - box.x + BORDER_MM, y - box.y + BORDER_MM] as [number, number]),
        ),
        2,
      );
    const line = { stroke: INK, strokeMm: LINE_MM };
    const paths: PagePath[] = [
      ...areas.map(({ finishId, rings }) => ({
        d: moved(rings),
        fill: (finishId !== null && hexOf(finishId)) || UNKNOWN,
      })),
      { d: moved(body), ...line },
      ...kit.markings
        .filter(({ viewId }) => viewId === view.id)
        .map((marking) => ({ d: moved(ringsOfMarking(marking)), ...line, dashMm: 0.6 })),
    ];
    return [
      {
        kind: 'drawing',
        width: box.width + 2 * BORDER_MM,
        height: box.height + 2 * BORDER_MM,
        paths: paths.filter(({ d }) => d !== ''),
        caption: `${view.name}, ${figure(box.width, 'mm')} long on the model; markings dashed`,
      },
    ];
  });
  if (kit.markings.length === 0) return drawings;
  const viewName = new Map(kit.views.map(({ id, name }) => [id, name]));
  return [
    ...drawings,
    { kind: 'part', text: counted(kit.markings.length, 'marking') },
    {
      kind: 'table',
      head: ['Marking', 'On', 'Wide', 'High', 'How'],
      right: [false, false, true, true, false],
      rows: kit.markings.map(({ name, viewId, width, height, route }) => [
        name,
        (viewId !== null && viewName.get(viewId)) || '',
        figure(width, 'mm'),
        figure(height, 'mm'),
        route === null ? 'open' : route.replaceAll('-', ' '),
      ]),
    },
  ];
}
