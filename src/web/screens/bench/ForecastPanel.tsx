import { Button, NumberInput, Table } from '@mantine/core';
import { useState } from 'react';
import type { SettingsRecord } from '../../../api/index.ts';
import { isTooDampToSpray } from '../../../core/finish/index.ts';
import { localDate, type DayForecast } from '../../../core/plan/index.ts';
import { celsiusOf, degreesOf, type DegreeUnit } from '../../components/degrees.ts';
import { DayField } from '../../components/DayField.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import { storedDay } from '../../components/time.ts';
import { benchNow } from '../../data/clock.ts';

type Calendar = SettingsRecord['calendar'];

interface ForecastPanelProps {
  calendar: Calendar;
  /** The air as it is, for a start. */
  conditions: SettingsRecord['conditions'];
  unit: DegreeUnit;
  onSave: (calendar: Calendar, label: string) => void;
}

/** The air of days to come, as it is forecast for the bench: what cannot be sprayed then is planned for another evening. */
export function ForecastPanel({ calendar, conditions, unit, onSave }: ForecastPanelProps) {
  const [day, setDay] = useState<string | null>(null);
  const [temperatureC, setTemperature] = useState(conditions.temperatureC);
  const [humidity, setHumidity] = useState(conditions.humidity);
  const today = localDate(new Date(benchNow()));
  const known = calendar.forecast ?? [];
  // Days that are over say nothing more.
  const ahead = known.filter((each) => each.day >= today);
  const save = (forecast: DayForecast[], label: string) => onSave({ ...calendar, forecast }, label);
  const isPast = day !== null && day < today;
  return (
    <div className="panel" role="region" aria-label="Forecast">
      <h3>Forecast for the bench</h3>
      {ahead.length === 0 ? (
        <p className="soft small">
          Type the air of an evening to come: where it is too damp to spray, the plan sprays on another.
        </p>
      ) : (
        <Table className="plainlist">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Day</Table.Th>
              <Table.Th>Air, °{unit}</Table.Th>
              <Table.Th>Humidity, %</Table.Th>
              <Table.Th>Spraying</Table.Th>
              <SpokenHead>Remove</SpokenHead>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {ahead.map((each) => (
              <Table.Tr key={each.day}>
                <Table.Td>{storedDay(each.day)}</Table.Td>
                <Table.Td className="mono">{degreesOf(each.temperatureC, unit)}</Table.Td>
                <Table.Td className="mono">{each.humidity}</Table.Td>
                <Table.Td>{isTooDampToSpray(each) ? 'too damp' : 'yes'}</Table.Td>
                <Table.Td>
                  <RemoveButton
                    name={`Remove the forecast for ${storedDay(each.day)}`}
                    onRemove={() =>
                      save(
                        ahead.filter((other) => other !== each),
                        `forecast for ${storedDay(each.day)} removed`,
                      )
                    }
                  />
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      <form
        className="fieldrow even"
        onSubmit={(event) => {
          event.preventDefault();
          if (day === null || isPast) return;
          const others = ahead.filter((each) => each.day !== day);
          save(
            [...others, { day, temperatureC, humidity }].sort((p, q) => p.day.localeCompare(q.day)),
            `forecast for ${storedDay(day)}`,
          );
          setDay(null);
        }}
      >
        <DayField label="Day" value={day} onChange={setDay} />
        <NumberInput
          label={`Air, °${unit}`}
          size="xs"
          min={degreesOf(-10, unit)}
          max={degreesOf(50, unit)}
          value={degreesOf(temperatureC, unit)}
          onChange={(value) => typeof value === 'number' && setTemperature(celsiusOf(value, unit))}
        />
        <NumberInput
          label="Humidity, %"
          size="xs"
          min={0}
          max={100}
          value={humidity}
          onChange={(value) => typeof value === 'number' && setHumidity(value)}
        />
        <Button type="submit" disabled={day === null || isPast}>
          {isPast ? 'That day is over' : 'Keep this forecast'}
        </Button>
      </form>
    </div>
  );
}
