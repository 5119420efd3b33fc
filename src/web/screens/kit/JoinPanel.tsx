import { Button, MultiSelect, NumberInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { joinInput, type BuildRecord } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { joinFields, type JoinInput } from '../../../core/kit/index.ts';
import { formatMinutes } from '../../../core/finish/index.ts';
import { addJoin, removeJoin } from '../../data/kit.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

/** Joints made after paint, in the order they can be made. */
export function JoinPanel({ build }: { build: BuildRecord }) {
  const [adding, setAdding] = useState(false);
  const form = useRecordForm(joinFields, joinInput, {
    start: { adhesive: 'PVA dabs', minutes: 20, setMinutes: 240 },
    asks: { name: 'Name the joint: body over chassis.' },
    check: ({ trayIds }) => (trayIds.length === 0 ? { trayIds: 'Say which sub-assemblies meet.' } : {}),
  });
  const add = async (join: JoinInput) => {
    await addJoin(build, join);
    setAdding(false);
  };
  return (
    <div className="panel">
      <h3>Joined after paint</h3>
      {build.joins.length === 0 && (
        <p className="soft">
          Nothing yet. What differs in colour or blocks the spray is joined after paint; add those joints so
          that the plan ends with them.
        </p>
      )}
      <ol style={{ paddingLeft: 18, margin: '4px 0' }}>
        {build.joins.map((join) => (
          <li key={join.id} style={{ marginBottom: 6 }}>
            {join.name}
            <RemoveButton name={`Remove joint ${join.name}`} onRemove={() => void removeJoin(build, join)} />
            <br />
            <span className="soft small">
              {join.adhesive}; {join.minutes} min, sets in {formatMinutes(join.setMinutes)}
            </span>
          </li>
        ))}
      </ol>
      {adding ? (
        <form onSubmit={form.submit(add, ['name', 'trayIds', 'afterJoinIds'])} className="stacked g8">
          <TextInput label="Joint" placeholder="body over chassis" {...form.text('name')} />
          <MultiSelect
            label="Sub-assemblies that meet"
            data={build.trays.map(({ id, name: label }) => ({ value: id, label }))}
            {...form.pick('trayIds')}
          />
          {build.joins.length > 0 && (
            <MultiSelect
              label="Only after"
              data={build.joins.map(({ id, name: label }) => ({ value: id, label }))}
              {...form.pick('afterJoinIds')}
            />
          )}
          <NumberInput label="Minutes of work" {...form.number('minutes')} />
          <TextInput label="Adhesive" {...form.text('adhesive')} />
          <NumberInput label="Sets in, minutes" {...form.number('setMinutes')} />
          {form.problem}
          <div className="in-row g8">
            <Button type="submit">Add the joint</Button>
            <Button onClick={() => setAdding(false)}>Cancel</Button>
          </div>
        </form>
      ) : (
        <Button disabled={build.trays.length === 0} onClick={() => setAdding(true)}>
          Add a joint
        </Button>
      )}
    </div>
  );
}
