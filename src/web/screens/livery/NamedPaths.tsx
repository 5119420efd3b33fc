import { TextInput } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import { openingFields, type ViewOpening } from '../../../core/kit/index.ts';
import { textLimits } from '../../components/limits.ts';
import { newId } from '../../data/newId.ts';
import { PathEntries } from './PathEntries.tsx';

interface NamedPathsProps {
  title: string;
  /** Said while there is none. */
  empty: string;
  viewId: string;
  paths: readonly ViewOpening[];
  /** Asks for another one, with a name that it might have. */
  another: { label: string; example: string; path: string; act: string };
  /** What one without a name is called. */
  usualName: string;
  /** Paths need not close. */
  isLine?: boolean;
  actsOf?: (path: ViewOpening) => ReactNode;
  onSave: (paths: ViewOpening[]) => void;
}

/** Paths of a view that bear names of their own: openings, moulded lines. */
export function NamedPaths(props: NamedPathsProps) {
  const { title, empty, viewId, paths, another, usualName, isLine = false, actsOf, onSave } = props;
  const [name, setName] = useState('');
  return (
    <PathEntries
      title={title}
      empty={empty}
      entries={paths}
      placeholder={another.path}
      isLine={isLine}
      act={another.act}
      onAdd={(path) => {
        onSave([...paths, { id: newId(viewId), name: name.trim() || usualName, path }]);
        setName('');
        return null;
      }}
      onRemove={(gone) => onSave(paths.filter(({ id }) => id !== gone))}
      actsOf={(id) => {
        const path = paths.find((each) => each.id === id);
        return path && actsOf?.(path);
      }}
    >
      <TextInput
        size="xs"
        label={another.label}
        placeholder={another.example}
        {...textLimits(openingFields.name)}
        value={name}
        onChange={({ currentTarget: { value } }) => setName(value)}
      />
    </PathEntries>
  );
}
