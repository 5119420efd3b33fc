import { createEvents, type EventAttributes } from 'ics';
import Papa from 'papaparse';
import type { PlanOperation, PlanView } from '../../../core/plan/index.ts';

interface Planned {
  operation: PlanOperation;
  start: number;
}

/** A local day and time as calendars write it, in UTC so that a clock change shifts nothing. */
function utc(minutes: number): [number, number, number, number, number] {
  const date = new Date(minutes * 60000);
  return [
    date.getUTCFullYear(),
    date.getUTCMonth() + 1,
    date.getUTCDate(),
    date.getUTCHours(),
    date.getUTCMinutes(),
  ];
}

/** The plan as a calendar: an event for every session with its steps, and one for every cure of an hour or more.
 *  Throws Error where the calendar cannot be written. */
export function planCalendar(
  { id, name }: { id: string; name: string },
  steps: readonly Planned[],
  sessions: PlanView['sessions'],
  waitAfter: (operationId: string) => number,
): string {
  const shared = {
    startInputType: 'utc',
    startOutputType: 'utc',
    endInputType: 'utc',
    endOutputType: 'utc',
  } as const;
  const evenings = sessions.flatMap((session): EventAttributes[] => {
    const own = steps.filter(({ start }) => start >= session.start && start < session.end);
    if (own.length === 0) return [];
    return [
      {
        ...shared,
        // By its end: a session that has begun begins later with every minute. By the build: each has its own entry.
        uid: `fanfare-session-${encodeURIComponent(id)}-${session.end}@fanfare`,
        start: utc(own[0]!.start),
        end: utc(session.end),
        title: `${name}: ${own.length} ${own.length === 1 ? 'step' : 'steps'}`,
        description: own.map(({ operation }) => `${operation.hands} min  ${operation.title}`).join('\n'),
        calName: `Fanfare: ${name}`,
      },
    ];
  });
  const cures = steps.flatMap(({ operation, start }): EventAttributes[] => {
    const wait = Math.max(operation.dry, waitAfter(operation.id));
    if (wait < 60) return [];
    const end = start + operation.hands;
    return [
      {
        ...shared,
        uid: `fanfare-cure-${encodeURIComponent(operation.id)}@fanfare`,
        start: utc(end),
        end: utc(end + wait),
        title: `Curing: ${operation.title}`,
        busyStatus: 'FREE',
      },
    ];
  });
  const { error, value } = createEvents([...evenings, ...cures]);
  if (error || !value) throw error ?? new Error('The calendar could not be written.');
  return value;
}

/** The plan as a table, one row for each step. */
export function planCsv(
  steps: readonly (Planned & { build: string; tray: string; why: string })[],
  timeText: (minutes: number) => string,
): string {
  return Papa.unparse(
    steps.map(({ operation, start, build, tray, why }) => ({
      start: timeText(start),
      build,
      'sub-assembly': tray,
      step: operation.title,
      minutes: operation.hands,
      place: operation.place,
      because: operation.because,
      'why then': why,
    })),
  );
}
