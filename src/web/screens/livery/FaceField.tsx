import { Button, FileButton, Select } from '@mantine/core';
import { useState } from 'react';
import { TYPEFACES } from '../../../core/livery/index.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { addTypeface, removeTypeface, useTypefaces } from '../../data/typefaces.ts';

interface FaceFieldProps {
  /** '' for the usual one. */
  face: string;
  onSave: (face: string) => void;
}

/** The typeface of a lettering: one that comes with Fanfare, or the builder's own font file. */
export function FaceField({ face, onSave }: FaceFieldProps) {
  const own = useTypefaces();
  const [problem, setProblem] = useState<string | null>(null);
  const said = (failure: unknown) => setProblem((failure as Error).message);
  const chosen = own.find(({ id }) => id === face);
  const known = chosen !== undefined || face === '' || TYPEFACES.some(({ id }) => id === face);
  return (
    <div>
      <Select
        size="xs"
        label="Typeface"
        allowDeselect={false}
        data={[
          ...TYPEFACES.map(({ id, name }) => ({ value: id, label: name })),
          ...own.map(({ id, name }) => ({ value: id, label: name })),
          ...(known ? [] : [{ value: face, label: 'not on this bench' }]),
        ]}
        value={face || TYPEFACES[0].id}
        error={problem}
        rightSection={
          chosen ? (
            <RemoveButton
              name={`Take ${chosen.name} off the bench`}
              onRemove={() =>
                void removeTypeface(chosen).then(() => {
                  setProblem(null);
                  onSave('');
                }, said)
              }
            />
          ) : undefined
        }
        onChange={(value) => value && onSave(value === TYPEFACES[0].id ? '' : value)}
      />
      <FileButton
        accept=".ttf,.otf,.woff"
        onChange={(file) => {
          if (!file) return;
          addTypeface(file).then(({ id }) => {
            setProblem(null);
            onSave(id);
          }, said);
        }}
      >
        {(props) => (
          <Button size="compact-xs" variant="subtle" mt={4} {...props}>
            Bring a font file
          </Button>
        )}
      </FileButton>
    </div>
  );
}
