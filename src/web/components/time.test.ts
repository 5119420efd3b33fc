import { afterEach, describe, expect, it, vi } from 'vitest';
import { setBenchClock, setClock, setDateOrder } from '../data/clock.ts';
import {
  clockOf,
  clockText,
  dayOf,
  dayText,
  fieldPattern,
  minuteOfDay,
  momentOf,
  shortDay,
  storedDay,
  typedClock,
  whenText,
} from './time.ts';
import { typedDay } from './typedDay.ts';

const minutes = (...parts: [number, number, number, number, number]) => {
  const [year, month, day, hour, minute] = parts;
  return new Date(year, month - 1, day, hour, minute).getTime() / 60000;
};

describe('days and times on screen', () => {
  afterEach(() => {
    setDateOrder('day-month');
    setClock('24-hour');
    setBenchClock(Date.now());
    vi.useRealTimers();
  });
  const now = () => setBenchClock(minutes(2026, 5, 12, 19, 32) * 60000);

  it.each([
    ['day-month', 'Sat 4 Jul', 'Fri 1 Jan 2027', 'Tue 12 May'],
    ['month-day', 'Sat Jul 4', 'Fri Jan 1, 2027', 'Tue May 12'],
    ['iso', 'Sat 2026-07-04', 'Fri 2027-01-01', 'Tue 2026-05-12'],
  ] as const)('are written as the builder writes them: %s', (order, near, far, stored) => {
    now();
    setDateOrder(order);
    expect(dayText(minutes(2026, 7, 4, 10, 35))).toBe(near);
    expect(dayText(minutes(2027, 1, 1, 0, 0))).toBe(far);
    expect(storedDay('2026-05-12')).toBe(stored);
    expect(`Sat ${shortDay(minutes(2026, 7, 4, 10, 35))}`).toBe(near);
    expect(whenText(minutes(2026, 7, 4, 10, 35))).toBe(`${near} 10:35`);
  });

  it('come back from their day and minute', () => {
    const at = minutes(2026, 10, 25, 3, 15);
    expect([dayOf(at), minuteOfDay(at)]).toEqual(['2026-10-25', 195]);
    expect(momentOf(dayOf(at), minuteOfDay(at))).toBe(at);
  });

  it.each([
    ['19:30', 1170],
    ['9.05', 545],
    ['0400', 240],
    ['7', 420],
    ['24:00', null],
    ['12:60', null],
    ['1:2', null],
    ['noon', null],
  ])('are typed in any usual way: %s', (text, minute) => {
    expect(typedClock(text)).toBe(minute);
    if (minute !== null) expect(typedClock(clockOf(minute))).toBe(minute);
  });

  it.each([
    ['7:30 pm', 1170],
    ['7.30PM', 1170],
    ['7p', 1140],
    ['12 am', 0],
    ['12:05 p.m.', 725],
    ['13 pm', null],
    ['0:10 am', null],
    ['7 mp', null],
  ])('are typed with their half of the day: %s', (text, minute) => {
    expect(typedClock(text)).toBe(minute);
    setClock('12-hour');
    if (minute !== null) expect(typedClock(clockOf(minute))).toBe(minute);
  });

  it('are written by a clock of 12 hours where that is chosen', () => {
    now();
    setClock('12-hour');
    expect([0, 725, 1170, 1440].map(clockOf)).toEqual(['12:00 am', '12:05 pm', '7:30 pm', '12:00 am']);
    expect(whenText(minutes(2026, 5, 12, 21, 5))).toBe('9:05 pm');
    expect(whenText(minutes(2026, 5, 15, 9, 0))).toBe('Fri 9:00 am');
  });

  it('leave out what today and this week need not say', () => {
    now();
    expect(whenText(minutes(2026, 5, 12, 21, 5))).toBe('21:05');
    expect(whenText(minutes(2026, 5, 15, 9, 0))).toBe('Fri 09:00');
    expect(clockText(minutes(2026, 5, 15, 9, 0))).toBe('09:00');
  });

  it('are typed in the same order in which they are shown', () => {
    expect(fieldPattern()).toBe('D MMM YYYY');
    expect([typedDay('4 Jul 2026'), typedDay('4.7.2026'), typedDay('2026-07-04')]).toEqual(
      Array(3).fill('2026-07-04'),
    );
    setDateOrder('month-day');
    expect([typedDay('Jul 4, 2026'), typedDay('7/4/2026')]).toEqual(Array(2).fill('2026-07-04'));
    setDateOrder('iso');
    expect(fieldPattern()).toBe('YYYY-MM-DD');
  });

  it.each(['', '4', '4 Jul', '4 Jul 20', '4 Jul 202', '31.2.2026', 'soon'])(
    'are none where half typed: “%s”',
    (text) => expect(typedDay(text)).toBeNull(),
  );
});
