import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { MOST_OPENINGS, openingFields, type LiveryView, type ViewOpening } from '../../../core/kit/index.ts';
import { readOutline } from '../../../core/livery/index.ts';
import { textLimits } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { newId } from '../../data/newId.ts';

interface OpeningsProps {
  view: LiveryView;
  onSave: (openings: ViewOpening[]) => void;
}

/** Glass, arches and grilles of a view: what is not painted. */
export function Openings({ view: { id: viewId, openings }, onSave }: OpeningsProps) {
  const [name, setName] = useState('');
  const [path, setPath] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = () => {
    const { rings, faults } = readOutline(path);
    if (rings.length === 0) {
      setProblem(faults[0] ?? 'Give its path: it encloses nothing yet.');
      return;
    }
    setProblem(null);
    onSave([...openings, { id: newId(viewId), name: name.trim() || 'opening', path: path.trim() }]);
    setName('');
    setPath('');
  };
  return (
    <div className="panel">
      <h3>Openings</h3>
      {openings.length === 0 && (
        <p className="soft small">None: the whole outline is painted. Glass, arches and grilles go here.</p>
      )}
      <ul className="arealist">
        {openings.map((opening) => (
          <li key={opening.id}>
            <span className="small">{opening.name}</span>
            <RemoveButton
              name={`Take out ${opening.name}`}
              onRemove={() => onSave(openings.filter(({ id }) => id !== opening.id))}
            />
          </li>
        ))}
      </ul>
      <div className="toolrow">
        <TextInput
          size="xs"
          label="Another opening"
          placeholder="rear glass"
          {...textLimits(openingFields.name)}
          value={name}
          onChange={({ currentTarget: { value } }) => setName(value)}
        />
        <TextInput
          size="xs"
          className="grow"
          label="Its path, mm, as SVG writes it"
          placeholder="M20 5 H40 V15 H20 Z"
          {...textLimits(openingFields.path)}
          value={path}
          error={problem}
          onChange={({ currentTarget: { value } }) => setPath(value)}
        />
        <Button
          size="xs"
          style={{ alignSelf: 'end' }}
          disabled={openings.length >= MOST_OPENINGS}
          onClick={add}
        >
          Open it there
        </Button>
      </div>
    </div>
  );
}
