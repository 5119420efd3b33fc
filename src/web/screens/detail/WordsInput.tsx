import { TextInput } from '@mantine/core';
import type { Field } from '../../../core/kit/index.ts';
import { textLimits } from '../../components/limits.ts';

interface WordsInputProps {
  label?: string;
  'aria-label'?: string;
  placeholder?: string;
  field: Field<string>;
  value: string;
  onSave: (value: string) => void;
}

/** Words of a record, saved trimmed when they are left; a name that is emptied stays what it was. */
export const WordsInput = ({ field, value, onSave, ...named }: WordsInputProps) => (
  <TextInput
    size="xs"
    {...named}
    key={value}
    defaultValue={value}
    {...textLimits(field)}
    onBlur={({ currentTarget }) => {
      const words = currentTarget.value.trim();
      const mustBe = field.type === 'text' && field.required;
      if (words === '' && mustBe) currentTarget.value = value;
      else if (words !== value) onSave(words);
    }}
  />
);
