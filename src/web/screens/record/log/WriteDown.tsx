import { Button, Group, NumberInput, Select, TextInput, UnstyledButton } from '@mantine/core';
import { KIT_ITEMS } from '../../../../api/index.ts';
import { logEntryRecord } from '../../../../core/kit/index.ts';
import { ENTRIES, ENTRY_KINDS } from '../../../../core/record/index.ts';
import { useRecordForm } from '../../../components/form/useRecordForm.tsx';
import { benchMinute } from '../../../data/clock.ts';
import { changeKit } from '../../../data/kit.ts';
import { newId } from '../../../data/newId.ts';

interface WriteDownProps {
  buildId: string;
  /** At which it is written; null for none. */
  operationId: string | null;
  onDone?: () => void;
}

/** Something for the log, in as few taps as it takes. */
export default function WriteDown({ buildId, operationId, onDone }: WriteDownProps) {
  const form = useRecordForm(logEntryRecord.fields, KIT_ITEMS['log-entry'], {
    start: { operationId, entry: 'note' },
    asks: { text: 'Write what is to be kept.' },
    prepare: (entry) => ({
      ...entry,
      amount: ENTRIES[entry.entry].unit === null ? null : entry.amount,
      at: benchMinute(),
    }),
  });
  const { unit, example, name } = ENTRIES[form.values.entry ?? 'note'];
  return (
    <form
      className={`panel stacked g8${onDone ? ' mt10' : ''}`}
      aria-label="Write into the log"
      onSubmit={form.submit(
        (value) =>
          changeKit(
            buildId,
            [{ kind: 'log-entry', id: newId('entry'), value }],
            `log: ${name.toLowerCase()}`,
          ).then(onDone),
        ['text', 'amount'],
      )}
    >
      <Group align="end" gap="xs">
        <Select
          label="What it is"
          w={130}
          allowDeselect={false}
          data={ENTRY_KINDS.map((kind) => ({ value: kind, label: ENTRIES[kind].name }))}
          {...form.pick('entry')}
        />
        {unit !== null && (
          <NumberInput label={`Amount, ${unit}`} w={120} decimalScale={2} {...form.number('amount')} />
        )}
        <TextInput
          label="Words"
          className="grows"
          placeholder={example}
          autoFocus={onDone !== undefined}
          {...form.text('text')}
        />
      </Group>
      {form.problem}
      <Group gap="xs">
        <Button type="submit">Write it down</Button>
        {onDone && (
          <UnstyledButton className="why" onClick={onDone}>
            never mind
          </UnstyledButton>
        )}
      </Group>
    </form>
  );
}
