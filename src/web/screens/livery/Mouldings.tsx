import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { mouldingFields, type LiveryView, type ViewMoulding } from '../../../core/kit/index.ts';
import { SIDES_OF_LINE, type SideOfLine } from '../../../core/livery/index.ts';
import { textLimits } from '../../components/limits.ts';
import { newId } from '../../data/newId.ts';
import { PathEntries } from './PathEntries.tsx';

interface MouldingsProps {
  view: LiveryView;
  onSave: (mouldings: ViewMoulding[]) => void;
  /** An area of colour up to a line; null while there is no finish for one. */
  onPaint: ((line: ViewMoulding, side: SideOfLine) => void) | null;
}

/** Panel lines, creases and mouldings of a view: what an edge of colour can follow. */
export function Mouldings({ view: { id: viewId, mouldings = [] }, onSave, onPaint }: MouldingsProps) {
  const [name, setName] = useState('');
  return (
    <PathEntries
      title="Moulded lines"
      empty="None. Panel lines and mouldings go here: colour that ends along one is masked faster, and its edge is hidden."
      entries={mouldings}
      placeholder="M4 24 Q60 20 120 23"
      isLine
      act="It runs there"
      onAdd={(path) => {
        onSave([...mouldings, { id: newId(viewId), name: name.trim() || 'moulded line', path }]);
        setName('');
        return null;
      }}
      onRemove={(gone) => onSave(mouldings.filter(({ id }) => id !== gone))}
      actsOf={(id) => {
        const line = mouldings.find((each) => each.id === id);
        return (
          onPaint &&
          line &&
          SIDES_OF_LINE.map((side) => (
            <Button key={side} size="compact-xs" variant="subtle" onClick={() => onPaint(line, side)}>
              Colour {side} it
            </Button>
          ))
        );
      }}
    >
      <TextInput
        size="xs"
        label="Another line"
        placeholder="waist moulding"
        {...textLimits(mouldingFields.name)}
        value={name}
        onChange={({ currentTarget: { value } }) => setName(value)}
      />
    </PathEntries>
  );
}
