import { TextInput } from '@mantine/core';
import type { Field } from '../../../core/kit/index.ts';
import { textLimits } from '../../components/limits.ts';

interface NameInputProps {
  label?: string;
  'aria-label'?: string;
  field: Field<string>;
  value: string;
  onSave: (value: string) => void;
}

/** A name of a record, saved when it is left; one that is emptied stays what it was. */
export const NameInput = ({ field, value, onSave, ...named }: NameInputProps) => (
  <TextInput
    size="xs"
    {...named}
    key={value}
    defaultValue={value}
    {...textLimits(field)}
    onBlur={({ currentTarget }) => {
      const name = currentTarget.value.trim();
      if (name === '') currentTarget.value = value;
      else if (name !== value) onSave(name);
    }}
  />
);
