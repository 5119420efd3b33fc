import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { clockOf, typedClock } from './time.ts';

interface ClockFieldProps {
  name: string;
  /** Minutes since midnight. */
  value: number;
  onChange: (minutes: number) => void;
}

/** A time of day on the clock of 24 hours, as all times are shown; taken when the field is left. What is no time is not
 *  taken, and what was there comes back. */
export function ClockField({ name, value, onChange }: ClockFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = () => {
    const minutes = typed === null ? null : typedClock(typed);
    setTyped(null);
    if (minutes !== null && minutes !== value) onChange(minutes);
  };
  return (
    <TextInput
      size="xs"
      w={64}
      aria-label={name}
      placeholder="19:30"
      maxLength={5}
      error={typed !== null && typed.length >= 4 && typedClock(typed) === null}
      value={typed ?? clockOf(value)}
      onFocus={({ currentTarget }) => currentTarget.select()}
      onChange={({ currentTarget }) => setTyped(currentTarget.value)}
      onBlur={take}
      onKeyDown={({ key }) => {
        if (key === 'Enter') take();
        if (key === 'Escape') setTyped(null);
      }}
    />
  );
}
