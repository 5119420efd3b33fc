import { Button, Select } from '@mantine/core';
import { useState } from 'react';
import { TYPEFACES } from '../../../core/livery/index.ts';
import { addTypeface, removeTypeface, useTypefaces } from '../../data/typefaces.ts';
import { OpenFile } from './OpenFile.tsx';

interface FaceFieldProps {
  /** '' for the usual one. */
  face: string;
  onSave: (face: string) => void;
}

/** The typeface of a lettering: one that comes with Fanfare, or the builder's own font file. */
export function FaceField({ face, onSave }: FaceFieldProps) {
  const own = useTypefaces();
  const [problem, setProblem] = useState<string | null>(null);
  const chosen = own.find(({ id }) => id === face);
  const isKnown = chosen !== undefined || face === '' || TYPEFACES.some(({ id }) => id === face);
  return (
    <div>
      <Select
        size="xs"
        label="Typeface"
        allowDeselect={false}
        data={[
          ...[...TYPEFACES, ...own].map(({ id, name }) => ({ value: id, label: name })),
          ...(isKnown ? [] : [{ value: face, label: 'not on this bench' }]),
        ]}
        value={face || TYPEFACES[0].id}
        error={problem}
        onChange={(value) => value && onSave(value === TYPEFACES[0].id ? '' : value)}
      />
      <OpenFile
        accept=".ttf,.otf,.woff"
        size="compact-xs"
        variant="subtle"
        mt={4}
        onOpen={async (file) => {
          const { id } = await addTypeface(file);
          onSave(id);
          return [];
        }}
      >
        Bring a font file
      </OpenFile>
      {chosen && (
        <Button
          size="compact-xs"
          variant="subtle"
          mt={4}
          onClick={() =>
            void removeTypeface(chosen).then(
              () => setProblem(null),
              (failure: unknown) => setProblem((failure as Error).message),
            )
          }
        >
          Take {chosen.name} off the bench
        </Button>
      )}
    </div>
  );
}
