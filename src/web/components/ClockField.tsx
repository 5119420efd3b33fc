import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { clockKind } from '../data/clock.ts';
import { clockOf, typedClock } from './time.ts';

interface ClockFieldProps {
  name: string;
  /** Minutes since midnight. */
  value: number;
  onChange: (minutes: number) => void;
}

/** A time of day on the builder's clock, as all times are shown; taken when the field is left. What is no time is not
 *  taken, and stands with what is kept instead until it is mended or given up by Escape. */
export function ClockField({ name, value, onChange }: ClockFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [isWrong, setIsWrong] = useState(false);
  const take = () => {
    if (typed === null) return;
    const minutes = typedClock(typed);
    setIsWrong(minutes === null);
    if (minutes === null) return;
    setTyped(null);
    if (minutes !== value) onChange(minutes);
  };
  return (
    <TextInput
      size="xs"
      styles={{ input: { width: clockKind() === '12-hour' ? 84 : 64 } }}
      aria-label={name}
      placeholder={clockOf(1170)}
      maxLength={9}
      error={isWrong && `no time; ${clockOf(value)} stays`}
      value={typed ?? clockOf(value)}
      onFocus={({ currentTarget }) => currentTarget.select()}
      onChange={({ currentTarget }) => {
        setTyped(currentTarget.value);
        setIsWrong(false);
      }}
      onBlur={take}
      onKeyDown={({ key }) => {
        if (key === 'Enter') take();
        if (key !== 'Escape') return;
        setTyped(null);
        setIsWrong(false);
      }}
    />
  );
}
