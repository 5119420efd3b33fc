import { isTooDampToSpray } from '../finish/index.ts';
import { SPRAY_BOOTH } from './operation.ts';

/** A bench session that comes back every week. */
export interface WeeklySession {
  /** 0 Sunday to 6 Saturday. */
  day: number;
  /** Minutes after midnight, local time. */
  start: number;
  end: number;
  /** Whether airbrush and spray booth can be used; they can where nothing is said. */
  spraying?: boolean;
}

/** Minutes of the longest session of a week; 0 where there is none. */
export function longestSession(sessions: readonly WeeklySession[]): number {
  return sessions.reduce((most, { start, end }) => Math.max(most, end - start), 0);
}

/** Minutes of the longest session of a week in which paint can be sprayed; 0 where there is none. */
export function longestSpraying(sessions: readonly WeeklySession[]): number {
  return longestSession(sessions.filter(({ spraying }) => spraying !== false));
}

/** Minutes of the longest sessions of a week. */
export interface LongestSessions {
  session: number;
  /** Of those in which paint can be sprayed. */
  spraying: number;
}

export const longestSessions = (sessions: readonly WeeklySession[]): LongestSessions => ({
  session: longestSession(sessions),
  spraying: longestSpraying(sessions),
});

/** Minutes of the longest session in which an operation can be done. */
export const roomFor = ({ place }: { place: string }, { session, spraying }: LongestSessions): number =>
  place === SPRAY_BOOTH ? spraying : session;

/** The air of a day as it is forecast for the bench. */
export interface DayForecast {
  /** Local date, YYYY-MM-DD. */
  day: string;
  temperatureC: number;
  /** Relative humidity, per cent. */
  humidity: number;
}

export interface BenchCalendar {
  sessions: WeeklySession[];
  /** Local dates (YYYY-MM-DD) on which no session is held. */
  closed: string[];
  /** Days of which the air is forecast; absent where none is. */
  forecast?: DayForecast[];
}

/** A session on a certain evening, in minutes since 1970 (UTC). */
export interface Session {
  start: number;
  end: number;
  /** Whether paint can be sprayed in it; it can where nothing is said. */
  spraying?: boolean;
}

/** Throws RangeError, in a builder's words, for a week that cannot be. */
export function requireCalendar({ sessions }: BenchCalendar): void {
  const sorted = [...sessions].sort((a, b) => a.day - b.day || a.start - b.start);
  sorted.forEach(({ day, start, end }, at) => {
    if (day < 0 || day > 6 || start < 0 || end > 1440)
      throw new RangeError('A session lies within one day of the week.');
    if (end - start < 10) throw new RangeError('A session must end at least 10 minutes after it starts.');
    const before = sorted[at - 1];
    if (before && before.day === day && start < before.end)
      throw new RangeError('Two sessions of the same day overlap.');
  });
}

/** What is left of a session below this is no session. */
const LEAST_MINUTES = 5;

/** The sessions of the coming days from a moment (minutes since 1970), the running one cut to what is left.
 *  Days follow the local clock, so an evening at 19:00 stays at 19:00 over a clock change. */
export function upcomingSessions(calendar: BenchCalendar, from: number, days: number): Session[] {
  const first = new Date(from * 60000);
  const found: Session[] = [];
  for (let offset = 0; offset < days; offset++) {
    const at = (minutes: number) =>
      new Date(first.getFullYear(), first.getMonth(), first.getDate() + offset, 0, minutes);
    const date = at(0);
    if (calendar.closed.includes(localDate(date))) continue;
    const air = calendar.forecast?.find((each) => each.day === localDate(date));
    const isDamp = air !== undefined && isTooDampToSpray(air);
    for (const { day, start, end, spraying } of calendar.sessions) {
      if (day !== date.getDay()) continue;
      const session = { start: epochMinutes(at(start)), end: epochMinutes(at(end)) };
      // An hour that the clock skips in spring leaves a session inside it without minutes.
      const left = Math.max(session.start, from);
      if (session.end - left >= LEAST_MINUTES)
        found.push({
          start: left,
          end: session.end,
          ...(spraying === false || isDamp ? { spraying: false } : {}),
        });
    }
  }
  return found.sort((a, b) => a.start - b.start);
}

const YEAR_DAYS = 365;
const MOST_YEARS = 10;
/** Waits and set-ups leave some of the open minutes without work. */
const ROOM = 2;

/** The sessions from a moment (minutes since 1970) for a year, or for as many as hold so many minutes of work with room
 *  to spare; ten at most. */
export function sessionsToHold(calendar: BenchCalendar, from: number, minutes: number): Session[] {
  for (let years = 1; ; years++) {
    const sessions = upcomingSessions(calendar, from, YEAR_DAYS * years);
    const open = sessions.reduce((sum, { start, end }) => sum + end - start, 0);
    if (open === 0 || open >= ROOM * minutes || years === MOST_YEARS) return sessions;
  }
}

/** YYYY-MM-DD by the local clock. */
export function localDate(date: Date): string {
  const two = (value: number) => String(value).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}

function epochMinutes(date: Date): number {
  return Math.round(date.getTime() / 60000);
}
