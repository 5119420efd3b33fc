import { NumberInput, type NumberInputProps } from '@mantine/core';
import type { Field } from '../../../core/kit/index.ts';
import { numberLimits } from '../limits.ts';

interface FigureInputProps extends Omit<NumberInputProps, 'value' | 'onChange' | 'defaultValue'> {
  value: number;
  field: Field<number>;
  onSave: (value: number) => void;
}

/** A figure of a record that is saved once it is typed: what is no number, out of its limits or as it was changes nothing. */
export const FigureInput = ({ value, field, onSave, ...more }: FigureInputProps) => {
  const { min = -Infinity, max = Infinity } = numberLimits(field);
  return (
    <NumberInput
      key={value}
      size="xs"
      defaultValue={value}
      decimalScale={2}
      min={min}
      max={max}
      {...more}
      onBlur={({ currentTarget }) => {
        const typed = Number(currentTarget.value);
        if (currentTarget.value.trim() === '' || !Number.isFinite(typed)) return;
        if (typed !== value && typed >= min && typed <= max) onSave(typed);
      }}
    />
  );
};
