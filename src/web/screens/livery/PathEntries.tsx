import { Button, TextInput } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import { MOST_OPENINGS, openingFields } from '../../../core/kit/index.ts';
import { readCourses, readOutline } from '../../../core/livery/index.ts';
import { textLimits } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

interface PathEntriesProps {
  title: string;
  /** Said while there is none. */
  empty: string;
  entries: readonly { id: string; name: string }[];
  /** What else is asked of a new one, before its path. */
  children: ReactNode;
  placeholder: string;
  /** Paths need not close. */
  isLine?: boolean;
  /** On the button. */
  act: string;
  /** Takes a path that encloses something; what else is missing comes back in words. */
  onAdd: (path: string) => string | null;
  onRemove: (id: string) => void;
  /** What else can be done with one. */
  actsOf?: (id: string) => ReactNode;
}

const ringsOf = (path: string) => {
  const { rings, faults } = readOutline(path);
  return { runs: rings.length, faults };
};
const coursesOf = (path: string) => {
  const { courses, faults } = readCourses(path);
  return { runs: courses.length, faults };
};

/** Paths of a view in a list, and a field for another. */
export function PathEntries(props: PathEntriesProps) {
  const {
    title,
    empty,
    entries,
    children,
    placeholder,
    act,
    onAdd,
    onRemove,
    actsOf,
    isLine = false,
  } = props;
  const [path, setPath] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = () => {
    const { runs, faults } = isLine ? coursesOf(path) : ringsOf(path);
    const nothing = isLine
      ? 'Give its path: it leads nowhere yet.'
      : 'Give its path: it encloses nothing yet.';
    const wrong = runs === 0 ? (faults[0] ?? nothing) : onAdd(path.trim());
    setProblem(wrong);
    if (wrong === null) setPath('');
  };
  return (
    <div className="panel">
      <h3>{title}</h3>
      {entries.length === 0 && <p className="soft small">{empty}</p>}
      <ul className="arealist">
        {entries.map(({ id, name }) => (
          <li key={id}>
            <span className="small">{name}</span>
            {actsOf?.(id)}
            <RemoveButton name={`Take out ${name}`} onRemove={() => onRemove(id)} />
          </li>
        ))}
      </ul>
      <div className="toolrow">
        {children}
        <TextInput
          size="xs"
          className="grow"
          label="Its path, mm, as SVG writes it"
          placeholder={placeholder}
          {...textLimits(openingFields.path)}
          value={path}
          error={problem}
          onChange={({ currentTarget: { value } }) => setPath(value)}
        />
        <Button size="xs" className="self-low" disabled={entries.length >= MOST_OPENINGS} onClick={add}>
          {act}
        </Button>
      </div>
    </div>
  );
}
