import { Button, NumberInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { numberLimits, textLimits } from '../../components/limits.ts';
import { buildFields } from '../../../core/kit/index.ts';
import { addBuild } from '../../data/bench.ts';

/** Names a build and opens its Kit stage. */
export function NewBuild({ first = false, onDone }: { first?: boolean; onDone: () => void }) {
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [subject, setSubject] = useState('');
  const [scale, setScale] = useState<number | string>(24);
  const [problem, setProblem] = useState<string | null>(null);

  const submit = async () => {
    if (name.trim() === '') {
      setProblem('Give the build a name, such as the vehicle on the box.');
      return;
    }
    if (typeof scale !== 'number') {
      setProblem('The scale is a number: 24 for 1:24.');
      return;
    }
    try {
      const build = await addBuild({ name: name.trim(), subject: subject.trim(), scale });
      onDone();
      void navigate(`/build/${build.id}/kit`);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <form
      style={{ display: 'flex', gap: 12, alignItems: 'end', flexWrap: 'wrap' }}
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <TextInput
        label="Build"
        placeholder="what is on the box"
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
        {...textLimits(buildFields.name)}
        style={{ flex: 2, minWidth: 200 }}
      />
      <TextInput
        label="Subject"
        placeholder="year, version, event"
        value={subject}
        onChange={(event) => setSubject(event.currentTarget.value)}
        {...textLimits(buildFields.subject)}
        style={{ flex: 2, minWidth: 180 }}
      />
      <NumberInput
        label="Scale 1:"
        value={scale}
        onChange={setScale}
        {...numberLimits(buildFields.scale)}
        allowDecimal={false}
        style={{ width: 90 }}
      />
      <Button type="submit" variant="action" style={{ width: 'auto' }}>
        {first ? 'Name your first build' : 'Add the build'}
      </Button>
      {!first && <Button onClick={onDone}>Cancel</Button>}
      {problem && (
        <p role="alert" style={{ width: '100%' }}>
          {problem}
        </p>
      )}
    </form>
  );
}
