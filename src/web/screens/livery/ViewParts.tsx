import type { Kit, KitChange, LiveryArea, LiveryView } from '../../../core/kit/index.ts';
import { areaBeside, baseOf, mouldedLines, sidesOfLine } from '../../../core/livery/index.ts';
import { EachInTurn } from '../../components/InTurn.tsx';
import { newId } from '../../data/newId.ts';
import { freshArea, otherSide } from './areaChanges.ts';
import { Mouldings } from './Mouldings.tsx';
import { Openings } from './Openings.tsx';
import { Regions } from './Regions.tsx';
import { ViewForm } from './ViewForm.tsx';

interface ViewPartsProps {
  view: LiveryView;
  kit: Kit;
  buildId: string;
  areas: readonly LiveryArea[];
  /** Finish of the chosen area. */
  finishId: string | null;
  onChange: (changes: KitChange[], label: string) => void;
  onProblem: (problem: string) => void;
}

/** What a view is made of beside its areas: openings, moulded lines, other parts, and what it shows. */
export function ViewParts({ view, kit, buildId, areas, finishId, onChange, onProblem }: ViewPartsProps) {
  const put = (more: Partial<LiveryView>, label: string) =>
    onChange([{ kind: 'view', id: view.id, value: { ...view, ...more } }], label);
  // Another colour than what lies there: beside its own no border would be seen.
  const base = baseOf(view, kit);
  const others = kit.finishes.filter(({ id }) => id !== base);
  const free = others.find(({ id }) => !areas.some((area) => area.finishId === id));
  const chosen = others.find(({ id }) => id === finishId);
  const painted = (chosen ?? free ?? others[0] ?? kit.finishes[0])?.id;
  return (
    <EachInTurn first={0}>
      <Openings view={view} onSave={(openings) => put({ openings }, `openings of ${view.name}`)} />
      <Mouldings
        view={view}
        onSave={(mouldings) => put({ mouldings }, `moulded lines of ${view.name}`)}
        onPaint={
          painted === undefined
            ? null
            : ({ id, name }, side) => {
                const course = mouldedLines(view).lines.find((each) => each.id === id)?.points ?? [];
                try {
                  const area = freshArea(newId(buildId), view, 'path', painted, areas);
                  const path = areaBeside(view, course, side);
                  const value = {
                    ...area,
                    path,
                    name: `${sidesOfLine(course)[side]} the ${name}`.slice(0, 80),
                  };
                  onChange([{ kind: 'livery-area', id: area.id, value }], `colour ${value.name}`);
                } catch (failure) {
                  onProblem((failure as Error).message);
                }
              }
        }
      />
      <Regions view={view} kit={kit} onSave={(regions) => put({ regions }, `parts on ${view.name}`)} />
      <ViewForm
        view={view}
        kit={kit}
        onSave={(more) => put(more, view.name)}
        onMirror={() =>
          onChange(
            otherSide(
              view,
              { areas, markings: kit.markings.filter(({ viewId: on }) => on === view.id) },
              () => newId(buildId),
            ),
            `other side of ${view.name}`,
          )
        }
        onRemove={() => onChange([{ kind: 'view', id: view.id, value: null }], `remove ${view.name}`)}
      />
    </EachInTurn>
  );
}
