import type { ScheduleInstance, ScheduleResult } from './instance.ts';

/** Checks a schedule against its instance without any code of the scheduler; lists what is wrong. */
export function verifySchedule(
  instance: ScheduleInstance,
  result: Pick<ScheduleResult, 'starts' | 'finish' | 'setupMinutes'>,
): string[] {
  const problems: string[] = [];
  const { starts } = result;
  for (const { id } of instance.operations) {
    if (!Number.isInteger(starts[id])) problems.push(`${id} has no whole-minute start`);
  }
  if (Object.keys(starts).length !== instance.operations.length)
    problems.push('starts and operations differ in number');
  if (problems.length > 0) return problems;

  const byTime = [...instance.operations].sort((a, b) => starts[a.id]! - starts[b.id]!);
  const familyIndex = new Map(instance.setup.families.map((name, index) => [name, index]));
  let lastFamily: string | null = null;
  let lastFamilyWindow = -1;
  let busyUntil = -Infinity;
  let finish = 0;
  let setupMinutes = 0;
  for (const { id, hands, family, dry, needsBooth, earliest, latest } of byTime) {
    const start = starts[id]!;
    const end = start + hands;
    const window = instance.windows.findIndex(([from, to]) => from <= start && end <= to);
    if (window < 0) {
      problems.push(`${id} does not lie inside one session`);
      continue;
    }
    if (needsBooth && instance.boothOpen?.[window] === false)
      problems.push(`${id} needs the booth in a session without it`);
    let setup = 0;
    if (family !== null) {
      if (lastFamily !== null && lastFamily !== family) {
        setup = instance.setup.change[familyIndex.get(lastFamily)!]![familyIndex.get(family)!]!;
      }
      if (lastFamilyWindow !== window) setup = Math.max(setup, instance.setup.newWindow);
      lastFamily = family;
      lastFamilyWindow = window;
    }
    if (start - setup < instance.windows[window]![0])
      problems.push(`${id} leaves no room for its set-up in the session`);
    if (start - setup < busyUntil) problems.push(`${id} begins while the builder is busy`);
    if (earliest !== undefined && start < earliest) problems.push(`${id} starts before it may`);
    if (latest !== undefined && start > latest) problems.push(`${id} starts after its window has closed`);
    busyUntil = end;
    setupMinutes += setup;
    finish = Math.max(finish, end + dry);
  }
  const handsOf = new Map(instance.operations.map(({ id, hands }) => [id, hands]));
  for (const { from, to, minLag, maxLag } of instance.arcs) {
    const lag = starts[to]! - starts[from]! - handsOf.get(from)!;
    if (lag < minLag) problems.push(`${to} starts ${minLag - lag} min too soon after ${from}`);
    if (maxLag !== null && lag > maxLag)
      problems.push(`${to} starts ${lag - maxLag} min after its window from ${from} closed`);
  }
  if (result.finish !== finish) problems.push(`the finish is ${finish}, not ${result.finish}`);
  if (result.setupMinutes !== setupMinutes)
    problems.push(`set-up adds up to ${setupMinutes}, not ${result.setupMinutes}`);
  return problems;
}
