// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { ForecastPanel } from './ForecastPanel.tsx';

vi.mock('../../data/clock.ts', async (original) => ({
  ...(await original<object>()),
  benchNow: () => new Date(2026, 4, 12, 19).getTime(),
}));

const CALENDAR = { sessions: [], closed: [] };
const on = (day: string, humidity: number) => ({ day, temperatureC: 18, humidity });

describe('the forecast', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);
  const show = (forecast: ReturnType<typeof on>[], unit: 'C' | 'F' = 'C') => {
    const onSave = vi.fn();
    render(
      <MantineProvider>
        <ForecastPanel
          calendar={{ ...CALENDAR, forecast }}
          conditions={{ temperatureC: 20, humidity: 50 }}
          unit={unit}
          onSave={onSave}
        />
      </MantineProvider>,
    );
    return onSave;
  };
  const type = (label: string, value: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value } });

  it('says on which evenings nothing is sprayed, and nothing of days that are over', () => {
    show([on('2026-05-11', 90), on('2026-05-13', 82), on('2026-05-14', 60)]);
    expect(screen.getAllByRole('row').map((row) => row.textContent)).toEqual([
      expect.stringMatching(/^DayAir, °CHumidity, %Spraying/) as string,
      expect.stringMatching(/13 May.*82too damp/) as string,
      expect.stringMatching(/14 May.*60yes/) as string,
    ]);
  });

  it('takes a day in the builder’s unit, once, in order', () => {
    const onSave = show([on('2026-05-14', 60), on('2026-05-20', 60)], 'F');
    const keep = screen.getByRole<HTMLButtonElement>('button', { name: 'Keep this forecast' });
    expect(keep.disabled).toBe(true);
    type('Day', '14 May 2026');
    type('Air, °F', '50');
    type('Humidity, %', '85');
    fireEvent.click(keep);
    expect(onSave.mock.calls[0]![0]).toEqual({
      ...CALENDAR,
      forecast: [{ day: '2026-05-14', temperatureC: 10, humidity: 85 }, on('2026-05-20', 60)],
    });
  });

  it('refuses a day that is over, and says so', () => {
    show([]);
    type('Day', '11 May 2026');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'That day is over' }).disabled).toBe(true);
  });
});
