import type { ClockJump } from '../api/index.ts';
import type { Database } from './database/open.ts';
import { readFact, writeFact } from './store/revisions.ts';

const LAST_AT_WORK = 'last-at-work';
const MINUTE_MS = 60_000;
/** A clock that is set right over the network goes back a little. */
const BACK_MS = 30 * MINUTE_MS;
/** A bench that was left alone this long is asked about as well. */
const AHEAD_MS = 400 * 24 * 60 * MINUTE_MS;
/** How often the time is noted in the file. */
const NOTED_EVERY_MS = 5 * MINUTE_MS;

/** Notices that the machine's clock was set back, or is far ahead of when the bench was last at work. Waits, recoat
 *  windows and the plan go by that clock. */
export interface ClockWatch {
  /** The jump that nobody has answered for yet; null where the clock runs on. */
  jump: () => ClockJump | null;
  /** The clock is right as it is. */
  accept: () => void;
  /** Something is written: the bench is at work. */
  note: () => void;
}

export function watchClock(db: Database, clock: () => number): ClockWatch {
  let last = Number(readFact(db, LAST_AT_WORK) ?? clock());
  let noted = last;
  const hasJumped = () => {
    const now = clock();
    return now < last - BACK_MS || now > last + AHEAD_MS;
  };
  const write = (at: number) => {
    last = at;
    noted = at;
    writeFact(db, LAST_AT_WORK, String(at));
  };
  return {
    jump: () =>
      hasJumped() ? { before: Math.floor(last / MINUTE_MS), now: Math.floor(clock() / MINUTE_MS) } : null,
    accept: () => write(clock()),
    note: () => {
      if (hasJumped()) return;
      last = Math.max(last, clock());
      if (last - noted < NOTED_EVERY_MS && readFact(db, LAST_AT_WORK) !== undefined) return;
      try {
        write(last);
      } catch {
        // The file is held or full: what is being written says so itself, and the time is noted with the next.
      }
    },
  };
}
