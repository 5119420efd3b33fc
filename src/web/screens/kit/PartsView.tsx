import { Checkbox, Select, TextInput, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { PATHS, pathTo, type KitItemsRecord } from '../../../api/index.ts';
import {
  assembleKit,
  byLikeness,
  checkKit,
  copyKit,
  inFrameOrder,
  partLabel,
  recordsOfKit,
  resolveVersion,
  type KitChange,
  type Likeness,
  boxRecord,
} from '../../../core/kit/index.ts';
import { useBench, useCodes } from '../../data/bench.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { get } from '../../data/request.ts';
import { AddByName } from './AddByName.tsx';
import { FinishesPanel } from './FinishesPanel.tsx';
import type { KitViewProps } from './kitView.ts';
import { PartGrid } from './PartGrid.tsx';
import { PartPanel } from './PartPanel.tsx';
import { PasteParts } from './PasteParts.tsx';
import { TaughtBefore } from './TaughtBefore.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';

const FILTERS = {
  all: () => true,
  unchecked: ({ checked }: { checked: boolean }) => !checked,
  'to mend': ({ needs, state }: { needs: string[]; state: string }) =>
    needs.length > 0 || ['lost', 'painted-before', 'joined-before'].includes(state),
} as const;
type Filter = keyof typeof FILTERS;

const LIKENESS_WORDS: Readonly<Record<Likeness, string>> = {
  same: ', the same kit',
  like: ', a kit like this one',
  other: '',
};

/** Everything in the box, as a grid that the keyboard fills. */
export function PartsView({ build, kit, stock }: KitViewProps) {
  const { data: bench } = useBench();
  const { data: codes = [] } = useCodes();
  const [pasting, setPasting] = useState(false);
  const [text, setText] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const [markedId, setMarkedId] = useState<string>();
  const [problem, setProblem] = useState<string | null>(null);
  const version = useMemo(() => resolveVersion(kit), [kit]);
  const problems = useMemo(() => checkKit(kit), [kit]);
  const shown = useMemo(() => {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    return inFrameOrder(kit.parts).filter(
      (part) =>
        FILTERS[filter](part) &&
        words.every((word) => `${partLabel(part)} ${part.name} ${part.note}`.toLowerCase().includes(word)),
    );
  }, [kit, text, filter]);
  const marked = kit.parts.find(({ id }) => id === markedId);
  const others = bench?.builds.filter(({ id, kit: { pieces } }) => id !== build.id && pieces > 0) ?? [];

  const copyFrom = async (otherId: string) => {
    try {
      const { items } = await get<KitItemsRecord>(pathTo(PATHS.kit, otherId));
      const ids = new Map<string, string>();
      const rename = (id: string) => {
        const known = ids.get(id) ?? newId(build.id);
        ids.set(id, known);
        return known;
      };
      const copy = copyKit(assembleKit(items), rename);
      await changeKit(build.id, recordsOfKit(copy), 'copy a former kit');
    } catch (error) {
      setProblem((error as Error).message);
    }
  };

  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>What is in the box</h2>
        {kit.parts.length === 0 && !pasting && (
          <div className="panel">
            <h3>An open box, nothing listed yet</h3>
            <p>
              List the parts once, and Fanfare works out what to join before paint, what each joint is glued
              with, and what is missing. Paste the list from a spreadsheet, or type into the grid: the next
              number is filled in for you.
            </p>
            <p className="mt6">
              In a hurry? <Link to={`/build/${build.id}/kit/trays`}>Begin with one sub-assembly</Link>{' '}
              instead; parts can follow later.
            </p>
          </div>
        )}
        <div className="toolrow">
          <TextInput
            className="grow"
            aria-label="Find a part"
            placeholder="find a part"
            value={text}
            onChange={(event) => setText(event.currentTarget.value)}
          />
          <div className="chips">
            {(Object.keys(FILTERS) as Filter[]).map((name) => (
              <UnstyledButton
                key={name}
                className="chip"
                aria-pressed={filter === name}
                onClick={() => setFilter(name)}
              >
                {name}, {kit.parts.filter(FILTERS[name]).length}
              </UnstyledButton>
            ))}
          </div>
          <UnstyledButton
            className={kit.parts.length === 0 ? 'action' : 'quiet'}
            style={{ width: 'auto' }}
            onClick={() => setPasting((now) => !now)}
          >
            Paste or open a table
          </UnstyledButton>
        </div>
        {pasting && <PasteParts buildId={build.id} kit={kit} onDone={() => setPasting(false)} />}
        {problem && (
          <p role="alert" className="panel warned">
            {problem}
          </p>
        )}
        <PartGrid
          buildId={build.id}
          kit={kit}
          parts={shown}
          leftOver={version.leftOver}
          onMark={setMarkedId}
          onProblem={setProblem}
        />
        {kit.parts.length === 0 && others.length > 0 && (
          <Select
            label="Or copy the kit of a former build"
            description="Parts, joints, finishes, versions and what was found out about the sheet; unchecked, unpinned, no option picked."
            placeholder="choose a build"
            data={byLikeness(build, others).map(({ id, name, likeness }) => ({
              value: id,
              label: `${name}${LIKENESS_WORDS[likeness]}`,
            }))}
            value={null}
            onChange={(id) => id && void copyFrom(id)}
          />
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {problems.map(({ message }) => (
          <p key={message} role="alert" className="panel warned">
            {message}
          </p>
        ))}
        {marked && (
          <PartPanel
            key={marked.id}
            buildId={build.id}
            kitName={`${build.name} ${build.subject}`}
            kit={kit}
            part={marked}
            leftOver={version.leftOver.get(marked.id)}
            lessons={stock.lessons}
          />
        )}
        {kit.parts.length === 0 && <TaughtBefore build={build} stock={stock} />}
        <BoxPanel build={build} kit={kit} />
        <FinishesPanel buildId={build.id} kit={kit} codes={codes} />
      </section>
    </>
  );
}

/** Frames, bags and sheets to be ticked off against the sheet. */
function BoxPanel({ build, kit }: Pick<KitViewProps, 'build' | 'kit'>) {
  const put = (change: KitChange, label: string) =>
    void changeKit(build.id, [change], label).catch(() => undefined);
  return (
    <div className="panel">
      <h3>Frames and bags</h3>
      {kit.box.map((item) => (
        <div key={item.id} style={{ display: 'flex', gap: 8, alignItems: 'center', padding: '1px 0' }}>
          <Checkbox
            style={{ flex: 1 }}
            label={item.name}
            checked={item.checked}
            onChange={(event) =>
              put(
                { kind: 'box', id: item.id, value: { ...item, checked: event.currentTarget.checked } },
                item.name,
              )
            }
          />
          {!item.checked && (
            <RemoveButton
              name={`Remove ${item.name}`}
              onRemove={() => put({ kind: 'box', id: item.id, value: null }, `remove ${item.name}`)}
            />
          )}
        </div>
      ))}
      <AddByName
        label="New frame or bag"
        placeholder="frame, bag, decal sheet"
        button="Add"
        field={boxRecord.fields.name}
        onAdd={(name) =>
          put({ kind: 'box', id: newId(build.id), value: { name, checked: false, note: '' } }, name)
        }
      />
    </div>
  );
}
