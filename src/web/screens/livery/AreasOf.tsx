import { useMemo } from 'react';
import type { Kit, KitChange, LiveryArea, LiveryView } from '../../../core/kit/index.ts';
import { isAlong, laidAlong, mirrorImage, mouldedLines, REACH_MM } from '../../../core/livery/index.ts';
import { newId } from '../../data/newId.ts';
import { freshArea, imageName, nextOrder, raised } from './areaChanges.ts';
import { AreaForm } from './AreaForm.tsx';
import { AreaList } from './AreaList.tsx';
import { boxOf } from './drawing.ts';

interface AreasOfProps {
  buildId: string;
  view: LiveryView;
  kit: Kit;
  areas: readonly LiveryArea[];
  chosen: LiveryArea | undefined;
  hexOf: (finishId: string | null) => string;
  onChoose: (areaId: string) => void;
  onChange: (changes: KitChange[], label: string) => void;
  onProblem: (problem: string) => void;
}

const NO_LINE = `No moulded line runs beside an edge of it within ${REACH_MM} mm: move it nearer first. Circles and scallops keep their shape.`;

/** The areas of a view as a list, and what can be done with the chosen one. */
export function AreasOf(props: AreasOfProps) {
  const { buildId, view, kit, areas, chosen, hexOf, onChoose, onChange, onProblem } = props;
  const lines = useMemo(() => mouldedLines(view).lines, [view]);
  const put = (area: LiveryArea, label: string) =>
    onChange([{ kind: 'livery-area', id: area.id, value: area }], label);
  const addImage = (of: LiveryArea) =>
    put(
      {
        ...mirrorImage(of, boxOf(view), isAlong(view.side)),
        id: newId(buildId),
        name: imageName(of.name),
        order: nextOrder(areas),
      },
      `mirror image of ${of.name}`,
    );
  const layAlong = (area: LiveryArea) => {
    const laid = laidAlong(area, lines);
    if (laid) put(laid, `lay ${area.name} along the line`);
    else onProblem(NO_LINE);
  };
  return (
    <>
      <AreaList
        kit={kit}
        areas={areas}
        chosen={chosen}
        hexOf={hexOf}
        onChoose={onChoose}
        onAdd={(shape, finishId) => {
          const area = freshArea(newId(buildId), view, shape, finishId, areas);
          onChoose(area.id);
          put(area, `add ${area.name}`);
        }}
        onRaise={(areaId, by) =>
          onChange(
            raised(areas, areaId, by).map((value) => ({ kind: 'livery-area', id: value.id, value })),
            'order of the areas',
          )
        }
        onRemove={({ id, name }) => onChange([{ kind: 'livery-area', id, value: null }], `take out ${name}`)}
      />
      {chosen && (
        <AreaForm
          key={chosen.id}
          area={chosen}
          kit={kit}
          onSave={(more) => put({ ...chosen, ...more }, chosen.name)}
          onMirror={() => addImage(chosen)}
          onLayAlong={lines.length === 0 ? null : () => layAlong(chosen)}
        />
      )}
    </>
  );
}
