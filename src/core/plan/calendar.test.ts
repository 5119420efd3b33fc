import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  scheduleOperations,
  sessionsToHold,
  localDate,
  upcomingSessions,
  verifySchedule,
  type BenchCalendar,
  type Session,
} from './index.ts';
import { randomInstance } from '../scheduling/randomInstance.ts';

describe('upcomingSessions over a clock change', () => {
  const zone = process.env['TZ'];
  beforeAll(() => {
    process.env['TZ'] = 'Europe/Berlin';
  });
  afterAll(() => {
    if (zone === undefined) delete process.env['TZ'];
    else process.env['TZ'] = zone;
  });
  const minuteOf = (text: string) => Date.parse(text) / 60000;
  const daily = (start: number, end: number): BenchCalendar => ({
    sessions: Array.from({ length: 7 }, (_, day) => ({ day, start, end })),
    closed: [],
  });
  const localTimes = (calendar: BenchCalendar, from: string) =>
    upcomingSessions(calendar, minuteOf(from), 7).map(({ start, end }) => {
      const date = new Date(start * 60000);
      return { hour: date.getHours(), minute: date.getMinutes(), minutes: end - start };
    });

  it.each(['2026-03-26T10:00:00Z', '2026-10-22T10:00:00Z'])(
    'keeps an evening at its hour and its length from %s',
    (from) => {
      for (const session of localTimes(daily(19 * 60 + 30, 21 * 60 + 30), from)) {
        expect(session).toEqual({ hour: 19, minute: 30, minutes: 120 });
      }
    },
  );

  it('gives a night session the hour that autumn repeats, and takes the one that spring skips', () => {
    const lengths = (from: string) => localTimes(daily(60, 240), from).map(({ minutes }) => minutes);
    expect(lengths('2026-10-22T10:00:00Z').sort((a, b) => b - a)).toEqual([240, 180, 180, 180, 180, 180]);
    expect(lengths('2026-03-26T10:00:00Z').sort((a, b) => a - b)).toEqual([120, 180, 180, 180, 180, 180]);
  });

  it('leaves out a session that lies inside the hour that is skipped', () => {
    expect(localTimes(daily(120, 180), '2026-03-26T10:00:00Z')).toHaveLength(5);
  });

  it('plans across the change without breaking a wait', () => {
    const from = minuteOf('2026-10-22T10:00:00Z');
    const sessions = upcomingSessions(daily(60, 240), from, 60);
    const windows = sessions.map(({ start, end }): [number, number] => [start - from, end - from]);
    const instance = { ...randomInstance(4, 30), windows };
    const result = scheduleOperations(instance, { evaluations: 200, timeMs: 1e9 });
    expect(verifySchedule(instance, result)).toEqual([]);
  });
});

describe('sessions for the work there is', () => {
  const thursdays: BenchCalendar = { sessions: [{ day: 4, start: 1170, end: 1290 }], closed: [] };
  const now = new Date(2026, 4, 12, 12).getTime() / 60000;
  const yearsOf = (minutes: number, calendar = thursdays) => {
    const sessions = sessionsToHold(calendar, now, minutes);
    return Math.round(((sessions.at(-1)?.end ?? now) - now) / 1440 / 365);
  };

  it('go on for a year, and for longer where a year holds too few', () => {
    expect(sessionsToHold(thursdays, now, 600)).toEqual(upcomingSessions(thursdays, now, 365));
    expect(yearsOf(0)).toBe(1);
    // A year of Thursdays is 104 hours.
    expect(yearsOf(52 * 60)).toBe(1);
    expect(yearsOf(60 * 60)).toBe(2);
    expect(yearsOf(110 * 60)).toBe(3);
    expect(yearsOf(1e6)).toBe(10);
  });

  it('are held without spraying on a day that is forecast too damp for it', () => {
    const [first, second] = upcomingSessions(thursdays, now, 15) as [Session, Session];
    const day = localDate(new Date(first.start * 60000));
    const damp = (humidity: number) =>
      upcomingSessions({ ...thursdays, forecast: [{ day, temperatureC: 20, humidity }] }, now, 15);
    expect(damp(82)).toEqual([{ ...first, spraying: false }, second, ...damp(82).slice(2)]);
    expect(damp(60)[0]).toEqual(first);
  });

  it('are none where no evening is kept', () => {
    expect(sessionsToHold({ sessions: [], closed: [] }, now, 1e6)).toEqual([]);
  });

  it('are named as too few where even all of them do not hold the work', () => {
    const instance = randomInstance(3, 12);
    const short = { ...instance, windows: instance.windows.slice(0, 1) };
    const [[from, to] = [0, 0]] = short.windows;
    const work = short.operations.reduce((minutes, { hands }) => minutes + hands, 0);
    expect(work).toBeGreaterThan(to - from);
    expect(() => scheduleOperations(short, { evaluations: 100 })).toThrow(
      new RegExp(
        `need your hands for ${Math.round(work / 6) / 10} h and the only session is open for ${Math.round((to - from) / 6) / 10} h: keep more evenings`,
      ),
    );
  });
});
