import { NumberInput } from '@mantine/core';
import type { Field } from '../../../core/kit/index.ts';
import { isWholeNumber, numberLimits } from '../../components/limits.ts';

interface OpenFigureProps {
  label: string;
  placeholder: string;
  field: Field<number | null>;
  value: number | null;
  onSave: (value: number | null) => void;
  /** Larger where gloves are on. */
  size?: 'xs' | 'md';
}

/** A figure that may be left open, saved once it is typed, brought within its limits. */
export const OpenFigure = ({ label, placeholder, field, value, onSave, size = 'xs' }: OpenFigureProps) => {
  const { min = -Infinity, max = Infinity } = numberLimits(field);
  const isWhole = isWholeNumber(field);
  return (
    <NumberInput
      size={size}
      key={value}
      label={label}
      placeholder={placeholder}
      defaultValue={value ?? ''}
      decimalScale={isWhole ? 0 : 2}
      min={min}
      max={max}
      onBlur={({ currentTarget }) => {
        const typed = currentTarget.value.trim();
        const given = isWhole ? Math.round(Number(typed)) : Number(typed);
        const next = typed === '' ? null : Math.min(max, Math.max(min, given));
        if (next === null || !Number.isNaN(next)) if (next !== value) onSave(next);
      }}
    />
  );
};
