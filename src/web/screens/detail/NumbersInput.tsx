import { TextInput, type TextInputProps } from '@mantine/core';
import { useState } from 'react';
import { readNumbers } from './firingOrder.ts';

interface NumbersInputProps extends Omit<TextInputProps, 'value' | 'onChange' | 'defaultValue'> {
  value: readonly number[];
  onSave: (numbers: number[]) => void;
}

/** Cylinder numbers in a row, saved once they are typed; what is no number stays in the box and is said. */
export function NumbersInput({ value, onSave, ...more }: NumbersInputProps) {
  const [problem, setProblem] = useState<string>();
  return (
    <TextInput
      key={value.join('-')}
      size="xs"
      defaultValue={value.join('-')}
      maxLength={120}
      error={problem}
      {...more}
      onBlur={({ currentTarget }) => {
        const { numbers, strange } = readNumbers(currentTarget.value);
        if (strange.length > 0 || numbers.length > 28)
          return setProblem(
            strange.length > 0
              ? `“${strange[0]!}” is no cylinder: give numbers such as 1-3-4-2.`
              : 'There are 28 cylinders at most.',
          );
        setProblem(undefined);
        if (numbers.join() !== value.join()) onSave(numbers);
      }}
    />
  );
}
