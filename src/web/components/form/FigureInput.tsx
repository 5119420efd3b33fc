import { NumberInput, type NumberInputProps } from '@mantine/core';
import { useState } from 'react';
import type { Field } from '../../../core/kit/index.ts';
import { isWholeNumber, numberLimits } from '../limits.ts';

interface FigureInputProps extends Omit<NumberInputProps, 'value' | 'onChange' | 'defaultValue'> {
  value: number;
  field: Field<number>;
  onSave: (value: number) => void;
}

/** A figure of a record that is saved once it is typed, brought within its limits as the input shows it; what is no number
 *  gives way to the figure that stands. */
export function FigureInput({ value, field, onSave, ...more }: FigureInputProps) {
  const [turn, setTurn] = useState(0);
  const { min = -Infinity, max = Infinity } = numberLimits(field);
  const isWhole = isWholeNumber(field);
  return (
    <NumberInput
      key={`${value} ${turn}`}
      size="xs"
      defaultValue={value}
      decimalScale={isWhole ? 0 : 2}
      min={min}
      max={max}
      {...more}
      onBlur={({ currentTarget }) => {
        const given = Number(currentTarget.value);
        const typed = isWhole ? Math.round(given) : given;
        const said = currentTarget.value.trim() === '' ? Number.NaN : Math.min(max, Math.max(min, typed));
        if (Number.isNaN(said)) setTurn(turn + 1);
        else if (said !== value) onSave(said);
      }}
    />
  );
}
