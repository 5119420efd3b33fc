import { dayOf } from '../../components/time.ts';

/** Steps that were put off, so that they do not come first again after every tick: for one day, over reloads. */
const KEY = 'fanfare.skipped';

interface Skipped {
  day: string;
  ids: string[];
}

/** What was put off on the day of a minute. */
export function readSkipped(minute: number): ReadonlySet<string> {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Skipped | null;
    return new Set(kept?.day === dayOf(minute) ? kept.ids : []);
  } catch {
    return new Set();
  }
}

export function skip(minute: number, id: string): void {
  const ids = [...new Set([...readSkipped(minute), id])];
  localStorage.setItem(KEY, JSON.stringify({ day: dayOf(minute), ids } satisfies Skipped));
}

/** The step that comes next: the first that was not put off, or else the first of those that were. */
export function nextOf<Step extends { operation: { id: string } }>(
  steps: readonly Step[],
  skipped: ReadonlySet<string>,
): Step | undefined {
  return steps.find(({ operation }) => !skipped.has(operation.id)) ?? steps[0];
}

/** The step to go to when the one at a place is put off: the next that was not, from there on and then from the top. */
export function nextAfter<Step extends { operation: { id: string } }>(
  steps: readonly Step[],
  at: number,
  skipped: ReadonlySet<string>,
): Step | undefined {
  return nextOf([...steps.slice(at + 1), ...steps.slice(0, Math.max(0, at))], skipped);
}
