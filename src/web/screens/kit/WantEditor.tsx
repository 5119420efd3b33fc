import { Button, Checkbox, NumberInput, Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import { KIT_ITEMS } from '../../../api/index.ts';
import { wantRecord, type Want } from '../../../core/kit/index.ts';
import { TASK_LABELS, taskLabel } from '../../../core/plan/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import type { KitViewProps } from './kitView.ts';
import { labelled, partOptions } from './partNames.ts';

/** Sets and extras that no stack or joint names, with what they are for and what would do instead. */
export function WantEditor({ build, kit }: Pick<KitViewProps, 'build' | 'kit'>) {
  const [problem, setProblem] = useState<string | null>(null);
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const change = (want: Want, value: Want | null, label: string) =>
    void changeKit(build.id, [{ kind: 'want', id: want.id, value }], label)
      .then(() => setProblem(null))
      .catch((error: unknown) => setProblem((error as Error).message));
  const tiedTo = ({ partId, stepKind, why }: Want) => {
    const part = parts.get(partId ?? '');
    return [part && labelled(part), stepKind && taskLabel(stepKind), why].filter(Boolean).join(' · ');
  };
  return (
    <div className="panel">
      <h3>Sets and extras for this build</h3>
      {problem && <p role="alert">{problem}</p>}
      {kit.wants.map((want) => (
        <div key={want.id} className="wantline">
          <Checkbox
            label={want.name}
            checked={want.have}
            onChange={({ currentTarget: { checked } }) => change(want, { ...want, have: checked }, want.name)}
          />
          <span className="soft small">{tiedTo(want)}</span>
          <RemoveButton
            name={`Remove ${want.name}`}
            onRemove={() => change(want, null, `remove ${want.name}`)}
          />
        </div>
      ))}
      <NewWant build={build} kit={kit} />
    </div>
  );
}

function NewWant({ build, kit }: Pick<KitViewProps, 'build' | 'kit'>) {
  const { text, number, pick, problem, submit } = useRecordForm(wantRecord.fields, KIT_ITEMS.want, {
    start: { leadDays: 7 },
    asks: { name: 'Say what is needed.' },
  });
  const options = kit.choices.flatMap((choice) =>
    choice.options.map(({ id, name }) => ({ value: id, label: `${choice.name}: ${name}` })),
  );
  return (
    <form
      className="fieldgrid"
      onSubmit={submit(
        (value) => changeKit(build.id, [{ kind: 'want', id: newId(build.id), value }], value.name),
        ['name', 'why', 'substitute', 'looks'],
      )}
    >
      <TextInput size="xs" label="New extra" placeholder="etched set, wire, masks" {...text('name')} />
      <NumberInput size="xs" label="Days to get it" {...number('leadDays')} />
      <Select
        size="xs"
        clearable
        searchable
        label="For the part"
        placeholder="the whole build"
        data={partOptions(kit)}
        {...pick('partId')}
      />
      <Select
        size="xs"
        clearable
        label="At the kind of step"
        placeholder="any"
        data={TASK_LABELS.map(({ kind, label }) => ({ value: kind, label }))}
        {...pick('stepKind')}
      />
      {options.length > 0 && (
        <Select
          size="xs"
          clearable
          label="Only where this is built"
          placeholder="every version"
          data={options}
          {...pick('optionId')}
        />
      )}
      <TextInput size="xs" label="Why" {...text('why')} />
      <TextInput size="xs" label="What would do instead" {...text('substitute')} />
      <TextInput size="xs" label="… and what that costs in looks" {...text('looks')} />
      <Button type="submit" fullWidth>
        Add it to the needs
      </Button>
      {problem}
    </form>
  );
}
