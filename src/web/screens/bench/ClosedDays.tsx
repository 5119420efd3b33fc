import { Button, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import type { SettingsRecord } from '../../../api/index.ts';
import { DayField } from '../../components/DayField.tsx';
import { storedDay } from '../../components/time.ts';
import type { SaveSettings } from './saveSettings.ts';

interface ClosedDaysProps {
  calendar: SettingsRecord['calendar'];
  onSave: SaveSettings;
}

/** Days on which the bench is closed, whatever the week says. */
export function ClosedDays({ calendar, onSave }: ClosedDaysProps) {
  const [day, setDay] = useState<string | null>(null);
  return (
    <div className="panel">
      <h3>Closed days</h3>
      <div className="chips middle">
        {calendar.closed.map((date) => (
          <UnstyledButton
            key={date}
            className="chip"
            title="Open this day again"
            onClick={() =>
              onSave(
                {
                  calendar: { ...calendar, closed: calendar.closed.filter((other) => other !== date) },
                },
                `open ${storedDay(date)}`,
              )
            }
          >
            {storedDay(date)} ✕
          </UnstyledButton>
        ))}
        <DayField name="A day the bench is closed" width={170} value={day} onChange={setDay} />
        <Button
          disabled={day === null || calendar.closed.includes(day)}
          onClick={() => {
            if (day === null) return;
            const closed = [...calendar.closed, day].sort();
            onSave({ calendar: { ...calendar, closed } }, `close ${storedDay(day)}`);
            setDay(null);
          }}
        >
          Close this day
        </Button>
      </div>
    </div>
  );
}
