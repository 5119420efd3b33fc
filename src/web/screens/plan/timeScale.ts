import type { Session } from '../../../core/plan/index.ts';

/** A stretch of time drawn at one rate. */
interface Stretch {
  from: number;
  to: number;
  x: number;
  width: number;
  session: boolean;
}

export interface TimeScale {
  stretches: Stretch[];
  width: number;
  /** Pixels from the left for a moment in minutes since 1970. */
  x: (minute: number) => number;
}

const SESSION_PX_PER_MINUTE = 1.15;
const IDLE_PX_PER_MINUTE = 0.022;
const LEAST_IDLE_PX = 16;

/** Sessions are drawn wide and the hours between them narrow, so that an evening can be read and a cure that
 *  lasts for days still fits. */
export function timeScale(sessions: readonly Session[], from: number, to: number): TimeScale {
  const stretches: Stretch[] = [];
  let x = 0;
  let at = from;
  const add = (until: number, session: boolean) => {
    if (until <= at) return;
    const minutes = until - at;
    const width = session
      ? minutes * SESSION_PX_PER_MINUTE
      : Math.max(LEAST_IDLE_PX, minutes * IDLE_PX_PER_MINUTE);
    stretches.push({ from: at, to: until, x, width, session });
    x += width;
    at = until;
  };
  for (const { start, end } of sessions) {
    if (end <= from || start >= to) continue;
    add(start, false);
    add(end, true);
  }
  add(Math.max(to, at + 1), false);
  return {
    stretches,
    width: x,
    x: (minute) => {
      // The first that ends at this minute or later, found by halving.
      let first = 0;
      let beyond = stretches.length - 1;
      while (first < beyond) {
        const middle = (first + beyond) >> 1;
        if (stretches[middle]!.to < minute) first = middle + 1;
        else beyond = middle;
      }
      const stretch = stretches[first]!;
      const share = (minute - stretch.from) / (stretch.to - stretch.from);
      return stretch.x + Math.min(1, Math.max(0, share)) * stretch.width;
    },
  };
}
