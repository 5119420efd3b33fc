import { describe, expect, it } from 'vitest';
import { simulatedThermometer } from './thermometer.ts';

const MONDAY = Date.UTC(2026, 4, 11, 18);

describe('simulatedThermometer', () => {
  it('must be connected and settle before it reads', () => {
    let now = MONDAY;
    const thermometer = simulatedThermometer(() => now, 7);
    expect(() => thermometer.read()).toThrow(/not connected/);
    thermometer.connect();
    expect(thermometer.state().state).toBe('settling');
    expect(() => thermometer.read()).toThrow(/not taken the temperature/);
    now += 3000;
    expect(thermometer.state().state).toBe('ready');
    const { temperatureC, humidity } = thermometer.read();
    expect(temperatureC).toBeGreaterThan(13);
    expect(temperatureC).toBeLessThan(26);
    expect(humidity).toBeGreaterThan(20);
    expect(humidity).toBeLessThan(85);
    thermometer.disconnect();
    expect(() => thermometer.read()).toThrow(/not connected/);
  });

  it('repeats itself for the same seed, reads a little differently each time, and is warmer by day', () => {
    const readings = (start: number, seed: number) => {
      let now = start;
      const thermometer = simulatedThermometer(() => now, seed);
      thermometer.connect();
      now += 5000;
      return Array.from({ length: 40 }, () => thermometer.read());
    };
    expect(readings(MONDAY, 7)).toEqual(readings(MONDAY, 7));
    expect(new Set(readings(MONDAY, 7).map(({ temperatureC }) => temperatureC)).size).toBeGreaterThan(1);
    const mean = (start: number) =>
      readings(start, 7).reduce((sum, { temperatureC }) => sum + temperatureC, 0) / 40;
    expect(mean(Date.UTC(2026, 4, 11, 16))).toBeGreaterThan(mean(Date.UTC(2026, 4, 11, 4)) + 2);
  });
});
