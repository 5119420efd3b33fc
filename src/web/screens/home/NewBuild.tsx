import { Button, NumberInput, TextInput, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { buildInput } from '../../../api/index.ts';
import { buildFields, type BuildInput } from '../../../core/kit/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { addBuild } from '../../data/bench.ts';
import { OpenHandedOn } from '../record/handOn/OpenHandedOn.tsx';

/** Names a build and opens its Kit stage. */
export function NewBuild({ first = false, onDone }: { first?: boolean; onDone: () => void }) {
  const navigate = useNavigate();
  const [opening, setOpening] = useState(false);
  const { text, number, problem, submit } = useRecordForm(buildFields, buildInput, {
    start: { scale: 24 },
    asks: {
      name: 'Give the build a name, such as the vehicle on the box.',
      scale: 'The scale is a number: 24 for 1:24.',
    },
  });
  const add = async (build: BuildInput) => {
    const { id } = await addBuild(build);
    onDone();
    void navigate(`/build/${id}/kit`);
  };
  return (
    <>
      <form className="in-row g12 low breaks" onSubmit={submit(add)}>
        <TextInput
          label="Build"
          placeholder="what is on the box"
          {...text('name')}
          style={{ flex: 2, minWidth: 200 }}
        />
        <TextInput
          label="Subject"
          placeholder="year, version, event"
          {...text('subject')}
          style={{ flex: 2, minWidth: 180 }}
        />
        <NumberInput label="Scale 1:" {...number('scale')} allowDecimal={false} style={{ width: 90 }} />
        <Button type="submit" variant="action" className="unstretched">
          {first ? 'Name your first build' : 'Add the build'}
        </Button>
        {!first && <Button onClick={onDone}>Cancel</Button>}
        {problem}
      </form>
      {opening ? (
        <OpenHandedOn />
      ) : (
        <UnstyledButton className="why" mt={10} onClick={() => setOpening(true)}>
          open one that was handed on…
        </UnstyledButton>
      )}
    </>
  );
}
