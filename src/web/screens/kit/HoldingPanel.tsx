import { Button, Select, TextInput } from '@mantine/core';
import { KIT_ITEMS } from '../../../api/index.ts';
import { HOLDS_SHOW, holdingRecord, type HoldingPoint } from '../../../core/kit/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import type { KitViewProps } from './kitView.ts';
import { labelled } from './partNames.ts';
import { useWritten, WrittenRows } from './WrittenRows.tsx';

const SHOW_WORDS: Readonly<Record<HoldingPoint['shows'], string>> = {
  hidden: 'hidden later',
  shows: 'will be seen',
  'not-known': 'not known',
};

interface HoldingPanelProps extends Pick<KitViewProps, 'build' | 'kit'> {
  partIds: readonly string[];
}

/** Where a sub-assembly is held while it is painted. */
export function HoldingPanel({ build, kit, partIds }: HoldingPanelProps) {
  const { problem, add, remove } = useWritten(build.id, 'holding', 'a holding point');
  const held = kit.parts.filter(({ id }) => partIds.includes(id));
  const points = kit.holdings.filter(({ partId }) => partIds.includes(partId));
  return (
    <div className="panel">
      <h3>Held while it is painted</h3>
      {problem}
      {points.length === 0 ? (
        <p className="soft small">
          Where does the clip, stick or pin go? A place that a later part hides is best; what will be seen is
          touched in after the last coat, and the plan says so.
        </p>
      ) : (
        <WrittenRows
          heads={[{ name: 'Where' }, { name: 'On' }, { name: 'Its mark' }]}
          rows={points.map(({ id, where, partId, shows }) => ({
            id,
            name: where,
            cells: [where, held.find((part) => part.id === partId)?.name ?? '', SHOW_WORDS[shows]],
          }))}
          onRemove={remove}
        />
      )}
      {held.length > 0 && (
        <NewHolding parts={held.map((part) => ({ value: part.id, label: labelled(part) }))} onAdd={add} />
      )}
    </div>
  );
}

function NewHolding({
  parts,
  onAdd,
}: {
  parts: { value: string; label: string }[];
  onAdd: (point: Omit<HoldingPoint, 'id'>) => Promise<void>;
}) {
  const { text, pick, problem, submit } = useRecordForm(holdingRecord.fields, KIT_ITEMS.holding, {
    start: { partId: parts.length === 1 ? parts[0]!.value : null },
    asks: { partId: 'Say on which part.', where: 'Say where it is held.' },
  });
  return (
    <form className="toolrow mt10" onSubmit={submit(onAdd, ['where'])}>
      <TextInput
        size="xs"
        className="grow"
        label="Where it is held"
        placeholder="inside the sill"
        {...text('where')}
      />
      <Select
        size="xs"
        className="grow"
        searchable
        label="On"
        placeholder="which part"
        data={parts}
        {...pick('partId')}
      />
      <Select
        size="xs"
        w={126}
        label="Its mark"
        data={HOLDS_SHOW.map((value) => ({ value, label: SHOW_WORDS[value] }))}
        {...pick('shows')}
      />
      <Button type="submit" style={{ alignSelf: 'end', padding: '3px 10px' }}>
        Hold it there
      </Button>
      {problem}
    </form>
  );
}
