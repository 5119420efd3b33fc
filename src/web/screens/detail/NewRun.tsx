import { Button, NumberInput, Select, TextInput } from '@mantine/core';
import { KIT_ITEMS } from '../../../api/index.ts';
import { RUN_FACTS, RUN_KINDS } from '../../../core/detail/index.ts';
import { runRecord, type Kit, type Run } from '../../../core/kit/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { partOptions } from '../kit/partNames.ts';

interface NewRunProps {
  kit: Kit;
  onAdd: (run: Omit<Run, 'id'>) => Promise<void>;
}

/** A wire or pipe to be added: what it is, from where to where. */
export function NewRun({ kit, onAdd }: NewRunProps) {
  const { values, text, number, pick, problem, submit } = useRecordForm(runRecord.fields, KIT_ITEMS.run, {
    asks: { fromPartId: 'Say from which part it leads.', toPartId: 'Say to which part it leads.' },
    check: ({ fromPartId, toPartId }) =>
      fromPartId === toPartId
        ? { toPartId: 'It leads from a part to itself: pick another for one end.' }
        : {},
  });
  const parts = partOptions(kit);
  return (
    <form className="toolrow panel" onSubmit={submit(onAdd, ['name', 'note', 'toPartId', 'count'])}>
      <Select
        size="xs"
        w={140}
        label="What it is"
        data={RUN_KINDS.map((value) => ({ value, label: RUN_FACTS[value].name }))}
        {...pick('kind')}
      />
      <Select
        size="xs"
        className="grow"
        searchable
        label="From which part"
        placeholder="distributor"
        data={parts}
        {...pick('fromPartId')}
      />
      <Select
        size="xs"
        className="grow"
        searchable
        label="To which part"
        placeholder="cylinder head"
        data={parts}
        {...pick('toPartId')}
      />
      <NumberInput size="xs" w={86} label="How many" {...number('count')} />
      <TextInput
        size="xs"
        className="grow"
        label="Called"
        placeholder={RUN_FACTS[values.kind ?? RUN_KINDS[0]].name}
        {...text('name')}
      />
      <TextInput size="xs" className="grow" label="Note" placeholder="colour, routing" {...text('note')} />
      <Button type="submit" style={{ alignSelf: 'end', padding: '3px 10px' }}>
        Add it
      </Button>
      {problem}
    </form>
  );
}
