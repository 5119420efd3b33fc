import { DateInput } from '@mantine/dates';
import '@mantine/dates/styles.css';
import { IconCalendar } from '@tabler/icons-react';
import { fieldPattern } from './time.ts';
import { typedDay } from './typedDay.ts';

interface DayFieldProps {
  label?: string;
  /** Its name where it shows none. */
  name?: string;
  /** A day as it is stored, like "2026-05-12". */
  value: string | null;
  onChange: (day: string | null) => void;
  disabled?: boolean;
  width?: number;
}

/** A day, typed or picked, written as all days are. */
export function DayField({ label, name, value, onChange, disabled, width }: DayFieldProps) {
  return (
    <DateInput
      size="xs"
      w={width}
      clearable
      clearButtonProps={{ 'aria-label': `no day: ${label ?? name}` }}
      label={label}
      aria-label={name}
      placeholder="no day"
      disabled={disabled}
      valueFormat={fieldPattern()}
      dateParser={typedDay}
      firstDayOfWeek={1}
      leftSection={<IconCalendar size={15} />}
      value={value}
      onChange={onChange}
    />
  );
}
