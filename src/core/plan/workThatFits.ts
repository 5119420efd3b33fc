import type { PinnedStart } from '../kit/index.ts';
import type { Session } from './calendar.ts';
import { impossibleStarts, type ScheduleInstance } from '../scheduling/index.ts';
import type { OperationPlan } from './operation.ts';
import { remainingWork, SETUP, type DoneStep, type RemainingWork } from './replan.ts';

type Pin = Pick<PinnedStart, 'operationId' | 'start'>;

/** So many steps are let go of one by one before all are. */
const MOST_ONE_BY_ONE = 4;

/** Whether a start keeps a pin, both in the same minutes. Setting up for paint may come after the moment itself: nobody
 *  cleans an airbrush while the bench is closed. */
export function keepsPin(start: number, pinned: number, isPainted: boolean): boolean {
  return start >= pinned && start <= pinned + (isPainted ? SETUP.otherChemistry : 0);
}

export interface WorkThatFits {
  /** Holds everything that can be held at all, whatever the builder's hands. */
  work: RemainingWork;
  /** Each lets go of something more, for where no schedule is found. */
  lessHeld: () => Iterable<RemainingWork>;
}

/** What is left to schedule now, with pinned steps held to their moments where that can be. A pinned step that is
 *  let go of comes as soon after its moment as it can; an open recoat window that is, waits for cure like one that has
 *  closed. Pins in the past hold nothing. Times in minutes since 1970. */
export function workThatFits(
  plan: OperationPlan,
  done: readonly DoneStep[],
  sessions: readonly Session[],
  now: number,
  pins: readonly Pin[],
): WorkThatFits {
  const coming = pins.filter(({ start }) => start >= now);
  const isPinned = new Set(coming.map(({ operationId }) => operationId));
  const without = (loose: ReadonlySet<string>, lost: ReadonlySet<string>, free = false): RemainingWork => {
    const work = remainingWork(plan, done, sessions, now, lost);
    return { ...work, instance: withPins(work.instance, coming, now, loose, free) };
  };
  const loose = new Set<string>();
  const lost = new Set<string>();
  const letGo = (id: string) => {
    if (isPinned.has(id) && !loose.has(id)) loose.add(id);
    else if (!lost.has(id)) lost.add(id);
    else return false;
    return true;
  };
  let work = without(loose, lost);
  const beyond = () => (work.instance.windows.length > 0 ? impossibleStarts(work.instance) : []);
  for (let ids = beyond(); ids.some(letGo); ids = beyond()) work = without(loose, lost);
  return { work, lessHeld: lettingGo };

  function* lettingGo(): Generator<RemainingWork, void> {
    const held = work.instance.operations.flatMap(({ id, latest }) => (latest === undefined ? [] : [id]));
    held.sort((a, b) => Number(isPinned.has(b)) - Number(isPinned.has(a)));
    if (held.length > 1) {
      for (const id of held.slice(0, MOST_ONE_BY_ONE)) {
        yield isPinned.has(id) && !loose.has(id)
          ? without(new Set([...loose, id]), lost)
          : without(loose, new Set([...lost, id]));
      }
    }
    if (coming.length > 0) yield without(isPinned, lost);
    if (coming.length > 0 || held.length > 0) yield without(isPinned, new Set([...lost, ...held]), true);
  }
}

/** An instance whose pinned steps start at their moments; those that are loose start no sooner, or when they like where
 *  the pins are free. */
function withPins(
  instance: ScheduleInstance,
  pins: readonly Pin[],
  now: number,
  loose: ReadonlySet<string>,
  free: boolean,
): ScheduleInstance {
  if (free || pins.length === 0) return instance;
  const pinOf = new Map(pins.map((pin) => [pin.operationId, pin.start - now]));
  const closes = instance.windows.at(-1)?.[1] ?? 0;
  return {
    ...instance,
    operations: instance.operations.map((operation) => {
      const pin = pinOf.get(operation.id);
      if (pin === undefined) return operation;
      const { earliest = 0, latest = Infinity, family } = operation;
      const until = pin + (family === null ? 0 : SETUP.otherChemistry);
      // A window that closes before the pin is worth more than the pin, and no plan reaches beyond the last session.
      if (loose.has(operation.id))
        return pin > latest || pin >= closes
          ? operation
          : { ...operation, earliest: Math.max(earliest, pin) };
      return { ...operation, earliest: Math.max(earliest, pin), latest: Math.min(latest, until) };
    }),
  };
}
