import { SimpleGrid } from '@mantine/core';
import type { Field, Fields, Kit } from '../../../core/kit/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { WordsInput } from './WordsInput.tsx';
import { PartSelect } from './PartSelect.tsx';

interface Carded {
  id: string;
  name: string;
  partId: string | null;
}

interface RecordCardProps<T extends Carded> {
  record: T;
  fields: Fields;
  kit: Kit;
  partLabel: string;
  /** Figures to be set, with their words. */
  figures: readonly (readonly [keyof T & string, string])[];
  onChange: (part: Partial<T>) => void;
  onRemove: () => void;
  /** Choices before the figures, and what comes after them. */
  children?: React.ReactNode;
  after?: React.ReactNode;
}

/** Something that is made, with its name, its part and its figures, each saved once it is typed. */
export function RecordCard<T extends Carded>({
  record,
  fields,
  kit,
  partLabel,
  figures,
  onChange,
  onRemove,
  children,
  after,
}: RecordCardProps<T>) {
  return (
    <section className="panel" aria-label={record.name}>
      <div className="toolrow apart">
        <WordsInput
          label="Name"
          field={fields.name as Field<string>}
          value={record.name}
          onSave={(name) => onChange({ name } as Partial<T>)}
        />
        <RemoveButton name={`Take out ${record.name}`} onRemove={onRemove} />
      </div>
      <PartSelect
        label={partLabel}
        kit={kit}
        value={record.partId}
        onChange={(partId) => onChange({ partId } as Partial<T>)}
      />
      {children}
      <SimpleGrid cols={{ base: 2, sm: 3 }} spacing="xs" mt={6}>
        {figures.map(([key, label]) => (
          <FigureInput
            key={key}
            label={label}
            field={fields[key] as Field<number>}
            value={record[key] as number}
            onSave={(value) => onChange({ [key]: value } as Partial<T>)}
          />
        ))}
      </SimpleGrid>
      {after}
    </section>
  );
}
