import { planBench } from './planBench.ts';
import type { BenchSettings, PlanRequest } from './request.ts';

/** A change that could bring the end nearer, and what it would give. */
export interface WhatIf {
  name: string;
  /** Minutes since 1970; null where no plan was found. */
  finish: number | null;
}

const WEEK = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const DRYER_C = 40;

/** Settings that could bring the end nearer: one more evening on each closed day of the week, longer evenings, spraying
 *  in all of them, a dehydrator. */
function changesOf({
  calendar,
  conditions,
}: BenchSettings): { name: string; change: Partial<BenchSettings> }[] {
  const withSessions = (sessions: BenchSettings['calendar']['sessions']) => ({
    calendar: { ...calendar, sessions },
  });
  const usual = calendar.sessions[0] ?? { start: 19 * 60, end: 21 * 60 };
  const closedDays = WEEK.map((_, day) => day).filter((day) =>
    calendar.sessions.every((session) => session.day !== day),
  );
  return [
    ...closedDays.map((day) => ({
      name: `one more evening, ${WEEK[day]!}s`,
      change: withSessions([...calendar.sessions, { ...usual, day }]),
    })),
    {
      name: 'half an hour longer each evening',
      change: withSessions(
        calendar.sessions.map((session) => ({ ...session, end: Math.min(1440, session.end + 30) })),
      ),
    },
    ...(calendar.sessions.some(({ spraying }) => spraying === false)
      ? [
          {
            name: 'spraying in every session',
            change: withSessions(calendar.sessions.map((session) => ({ ...session, spraying: true }))),
          },
        ]
      : []),
    ...(conditions.dryerC === undefined
      ? [
          {
            name: `everything dried at ${DRYER_C} °C`,
            change: { conditions: { ...conditions, dryerC: DRYER_C } },
          },
        ]
      : []),
  ];
}

/** The plan solved again as it is and with each of some changes. Each is a whole search, not a guess. */
export function* whatIf(request: PlanRequest): Generator<WhatIf, void> {
  const { snapshot } = request;
  for (const { name, change } of [{ name: 'as it is', change: {} }, ...changesOf(snapshot.settings)]) {
    const { finish, problem } = planBench({
      ...request,
      snapshot: {
        ...snapshot,
        settings: { ...snapshot.settings, ...change },
        plan: { ...snapshot.plan, fingerprint: '' },
      },
    });
    yield { name, finish: problem === null ? finish : null };
  }
}
