import { NativeSelect } from '@mantine/core';
import { clockText } from '../../components/time.ts';
import { benchMinute } from '../../data/clock.ts';

interface TonightUntilProps {
  /** Minutes since 1970; null where the calendar says. */
  until: number | null;
  onChange: (until: number | null) => void;
}

const CHOICES = [30, 60, 90, 120, 180];

/** How long the builder has tonight; the plan is made anew for that. */
export function TonightUntil({ until, onChange }: TonightUntilProps) {
  const now = benchMinute();
  return (
    <NativeSelect
      size="xs"
      aria-label="How long you have tonight"
      value={until === null ? '' : 'set'}
      data={[
        { value: '', label: 'as the calendar has it' },
        ...(until === null ? [] : [{ value: 'set', label: `until ${clockText(until)}` }]),
        ...CHOICES.map((minutes) => ({
          value: String(minutes),
          label: `I have ${minutes} min, until ${clockText(now + minutes)}`,
        })),
      ]}
      onChange={({ currentTarget: { value } }) => {
        if (value === 'set') return;
        onChange(value === '' ? null : now + Number(value));
      }}
    />
  );
}
