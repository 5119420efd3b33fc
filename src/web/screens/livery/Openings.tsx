import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { openingFields, type LiveryView, type ViewOpening } from '../../../core/kit/index.ts';
import { textLimits } from '../../components/limits.ts';
import { newId } from '../../data/newId.ts';
import { PathEntries } from './PathEntries.tsx';

interface OpeningsProps {
  view: LiveryView;
  onSave: (openings: ViewOpening[]) => void;
}

/** Glass, arches and grilles of a view: what is not painted. */
export function Openings({ view: { id: viewId, openings }, onSave }: OpeningsProps) {
  const [name, setName] = useState('');
  return (
    <PathEntries
      title="Openings"
      empty="None: the whole outline is painted. Glass, arches and grilles go here."
      entries={openings}
      placeholder="M20 5 H40 V15 H20 Z"
      act="Open it there"
      onAdd={(path) => {
        onSave([...openings, { id: newId(viewId), name: name.trim() || 'opening', path }]);
        setName('');
        return null;
      }}
      onRemove={(gone) => onSave(openings.filter(({ id }) => id !== gone))}
    >
      <TextInput
        size="xs"
        label="Another opening"
        placeholder="rear glass"
        {...textLimits(openingFields.name)}
        value={name}
        onChange={({ currentTarget: { value } }) => setName(value)}
      />
    </PathEntries>
  );
}
