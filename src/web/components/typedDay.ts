import { format, isValid, parse } from 'date-fns';
import type { DateOrder } from '../../api/index.ts';
import { dateOrder } from '../data/clock.ts';
import { DAYS } from './time.ts';

/** How days are typed in numbers alone. */
const NUMBERS: Readonly<Record<DateOrder, readonly string[]>> = {
  'day-month': ['d.M.yyyy', 'd/M/yyyy'],
  'month-day': ['M/d/yyyy', 'M.d.yyyy'],
  iso: ['yyyy/MM/dd'],
};

/** A day as it is stored, from what was typed in the builder's order or as 2026-12-05; null for no whole day. */
export function typedDay(text: string): string | null {
  const patterns = [DAYS[dateOrder()].far, 'yyyy-MM-dd', ...NUMBERS[dateOrder()]];
  const dates = patterns.map((pattern) => parse(text.trim(), pattern, new Date(0)));
  const date = dates.find((each) => isValid(each) && each.getFullYear() >= 1900);
  return date ? format(date, 'yyyy-MM-dd') : null;
}
