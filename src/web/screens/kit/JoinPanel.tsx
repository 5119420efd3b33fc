import { Button, MultiSelect, NumberInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { numberLimits } from '../../components/limits.ts';
import type { BuildRecord } from '../../../api/index.ts';
import { joinFields } from '../../../core/kit/index.ts';
import { formatMinutes } from '../../../core/finish/index.ts';
import { addJoin, removeJoin } from '../../data/kit.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

/** Joints made after paint, in the order they can be made. */
export function JoinPanel({ build }: { build: BuildRecord }) {
  const [adding, setAdding] = useState(false);
  const [name, setName] = useState('');
  const [trayIds, setTrayIds] = useState<string[]>([]);
  const [after, setAfter] = useState<string[]>([]);
  const [minutes, setMinutes] = useState<number | string>(20);
  const [adhesive, setAdhesive] = useState('PVA dabs');
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async () => {
    if (name.trim() === '' || trayIds.length === 0) {
      setProblem('Name the joint and say which sub-assemblies meet.');
      return;
    }
    try {
      await addJoin(build, {
        name: name.trim(),
        trayIds,
        afterJoinIds: after,
        minutes: Number(minutes),
        adhesive,
        setMinutes: 240,
      });
      setAdding(false);
      setName('');
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
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
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void submit();
          }}
          className="stacked g8"
        >
          <TextInput
            label="Joint"
            placeholder="body over chassis"
            value={name}
            onChange={(event) => setName(event.currentTarget.value)}
          />
          <MultiSelect
            label="Sub-assemblies that meet"
            data={build.trays.map(({ id, name: label }) => ({ value: id, label }))}
            value={trayIds}
            onChange={setTrayIds}
          />
          {build.joins.length > 0 && (
            <MultiSelect
              label="Only after"
              data={build.joins.map(({ id, name: label }) => ({ value: id, label }))}
              value={after}
              onChange={setAfter}
            />
          )}
          <NumberInput
            label="Minutes of work"
            {...numberLimits(joinFields.minutes)}
            value={minutes}
            onChange={setMinutes}
          />
          <TextInput
            label="Adhesive"
            value={adhesive}
            onChange={(event) => setAdhesive(event.currentTarget.value)}
          />
          {problem && <p role="alert">{problem}</p>}
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
