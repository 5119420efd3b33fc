import { TextInput, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { textLimits } from '../../components/limits.ts';
import type { BuildRecord } from '../../../api/index.ts';
import { trayFields, type TrayInput } from '../../../core/kit/index.ts';
import { addTray } from '../../data/kit.ts';

/** A stack to begin with: primer, colour, clear, polish; all of it can be changed in the Finish stage. */
const FIRST_LAYERS: TrayInput['layers'] = [
  { id: 'primer', kind: 'primer', coats: 2, tool: 'airbrush', mix: { 'generic-primer-grey': 1 } },
  { id: 'colour', kind: 'colour', coats: 3, mistCoats: 1, tool: 'airbrush', mix: undefined },
  {
    id: 'clear',
    kind: 'clear',
    coats: 4,
    mistCoats: 2,
    tool: 'airbrush',
    mix: { 'generic-clear-lacquer': 1 },
  },
  { id: 'polish', kind: 'polish', coats: 1, tool: 'hand', mix: undefined },
];

export function NewTray({ build, onAdded }: { build: BuildRecord; onAdded: (id: string) => void }) {
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async () => {
    if (name.trim() === '') {
      setProblem('Name it by what it holds: body, chassis, wheels.');
      return;
    }
    try {
      const tray = await addTray(build, {
        name: name.trim(),
        areaCm2: 100,
        substrateId: 'styrene-white',
        partIds: [],
        layers: FIRST_LAYERS,
        codeId: null,
        position: build.trays.length,
      });
      setName('');
      setProblem(null);
      onAdded(tray.id);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
      className="in-row g8 low"
    >
      <TextInput
        label="New sub-assembly"
        placeholder="body, chassis, wheels…"
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
        {...textLimits(trayFields.name)}
        error={problem}
        style={{ flex: 1 }}
      />
      <UnstyledButton
        type="submit"
        className={build.trays.length === 0 ? 'action' : 'quiet'}
        style={{ width: 'auto' }}
      >
        Add it
      </UnstyledButton>
    </form>
  );
}
