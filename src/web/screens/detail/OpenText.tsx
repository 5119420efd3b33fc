import { TextInput } from '@mantine/core';
import type { Field } from '../../../core/kit/index.ts';
import { textLimits } from '../../components/limits.ts';

interface OpenTextProps {
  label: string;
  placeholder?: string;
  field: Field<string>;
  value: string;
  onSave: (value: string) => void;
}

/** Words of a record that may be left open, saved trimmed when they are left. */
export const OpenText = ({ field, value, onSave, ...named }: OpenTextProps) => (
  <TextInput
    size="xs"
    {...named}
    key={value}
    defaultValue={value}
    {...textLimits(field)}
    onBlur={({ currentTarget }) => {
      const words = currentTarget.value.trim();
      if (words !== value) onSave(words);
    }}
  />
);
