import { NumberInput } from '@mantine/core';

interface DaysLeftProps {
  days: number | null;
  onChange: (days: number | null) => void;
  size?: 'xs' | 'sm';
}

/** How many days there are until something is needed; nothing for any time. */
export function DaysLeft({ days, onChange, size = 'sm' }: DaysLeftProps) {
  return (
    <NumberInput
      size={size}
      label="Needed in, days"
      placeholder="any time"
      min={1}
      max={400}
      value={days ?? ''}
      onChange={(value) => onChange(typeof value === 'number' && value > 0 ? value : null)}
    />
  );
}
