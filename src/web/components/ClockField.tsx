import { TimePicker } from '@mantine/dates';
import '@mantine/dates/styles.css';

interface ClockFieldProps {
  name: string;
  /** Minutes since midnight. */
  value: number;
  onChange: (minutes: number) => void;
}

const DAY = 1440;
const two = (value: number) => String(value).padStart(2, '0');

/** A time of day on the clock of 24 hours, as all times are shown. */
export function ClockField({ name, value, onChange }: ClockFieldProps) {
  const at = value % DAY;
  return (
    <TimePicker
      size="xs"
      aria-label={name}
      hoursInputLabel={`${name}, hours`}
      minutesInputLabel={`${name}, minutes`}
      value={`${two(Math.floor(at / 60))}:${two(at % 60)}`}
      onChange={(text) => {
        const [, hours, minutes] = /^(\d{1,2}):(\d{1,2})/.exec(text) ?? [];
        if (hours !== undefined) onChange(Number(hours) * 60 + Number(minutes));
      }}
    />
  );
}
