import { SimpleGrid } from '@mantine/core';
import type { Field, Fields } from '../../../core/kit/index.ts';
import { OpenFigure } from './OpenFigure.tsx';

interface OpenFiguresProps<K extends string> {
  record: Readonly<Record<K, number | null>>;
  fields: Fields;
  figures: readonly (readonly [K, string])[];
  placeholder: string;
  onChange: (part: { [key in K]?: number | null }) => void;
}

/** Figures that may each be left open. */
export const OpenFigures = <K extends string>({
  record,
  fields,
  figures,
  placeholder,
  onChange,
}: OpenFiguresProps<K>) => (
  <SimpleGrid cols={{ base: 2, sm: 3 }} spacing="xs" verticalSpacing={4} mt={6}>
    {figures.map(([key, label]) => (
      <OpenFigure
        key={key}
        label={label}
        placeholder={placeholder}
        field={fields[key] as Field<number | null>}
        value={record[key]}
        onSave={(value) => onChange({ [key]: value } as { [key in K]?: number | null })}
      />
    ))}
  </SimpleGrid>
);
