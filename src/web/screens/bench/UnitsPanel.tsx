import { SegmentedControl } from '@mantine/core';
import type { Preferences } from '../../../api/index.ts';
import type { SaveSettings } from './saveSettings.ts';

/** What can be chosen: its name on the panel and in the list of what was done, and the words of each. */
const CHOICES = [
  {
    key: 'temperature',
    name: 'Temperature in',
    label: 'unit of temperature',
    usual: 'C',
    words: { C: '°C', F: '°F' },
  },
  {
    key: 'volume',
    name: 'Amounts in',
    label: 'unit of volume',
    usual: 'ml',
    words: { ml: 'millilitres', drops: 'drops' },
  },
  {
    key: 'dates',
    name: 'Days as',
    label: 'order of dates',
    usual: 'day-month',
    words: { 'day-month': '5 Dec', 'month-day': 'Dec 5', iso: '2026-12-05' },
  },
  {
    key: 'clock',
    name: 'Times as',
    label: 'clock',
    usual: '24-hour',
    words: { '24-hour': '19:30', '12-hour': '7:30 pm' },
  },
] as const;

/** In what units, and how, everything is written. */
export const UnitsPanel = ({ preferences, onSave }: { preferences: Preferences; onSave: SaveSettings }) => (
  <div className="panel stacked g8">
    <h3>Units, dates, times</h3>
    {CHOICES.map(({ key, name, label, usual, words }) => (
      <SegmentedControl
        key={key}
        fullWidth
        aria-label={name}
        data={Object.entries<string>(words).map(([value, text]) => ({ value, label: text }))}
        value={preferences[key] ?? usual}
        onChange={(value) => onSave({ preferences: { ...preferences, [key]: value } }, label)}
      />
    ))}
  </div>
);
