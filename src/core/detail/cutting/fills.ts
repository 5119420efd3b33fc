/** Ways of filling one bar that are looked at. */
const MOST_FILLS = 3000;
const MOST_TRIES = 30_000;
const EPSILON = 1e-9;

export interface Fill {
  /** How many of each size. */
  fill: number[];
  used: number;
}

/** Every way of filling a bar with one piece of size `first` at least, so that nothing more that is left fits; sizes fall. Left
 *  out is what another way stands in for. */
export function fillsOf(
  room: number,
  sizes: readonly number[],
  left: readonly number[],
  first: number,
): { fills: Fill[]; isWhole: boolean } {
  const fills: Fill[] = [];
  const fill = sizes.map(() => 0);
  let tries = 0;
  let isWhole = true;
  const step = (at: number, free: number): void => {
    if (++tries > MOST_TRIES || fills.length >= MOST_FILLS) {
      isWhole = false;
      return;
    }
    if (at === sizes.length) {
      const fits = sizes.some((size, each) => left[each]! > fill[each]! && size <= free + EPSILON);
      if (!fits) fills.push({ fill: [...fill], used: room - free });
      return;
    }
    const most = Math.min(left[at]!, Math.floor((free + EPSILON) / sizes[at]!));
    for (let count = most; count >= (at === first ? 1 : 0); count--) {
      fill[at] = count;
      step(at + 1, free - count * sizes[at]!);
    }
    fill[at] = 0;
  };
  step(first, room);
  return { fills: undominated(fills), isWhole };
}

/** Without fills whose pieces could each change places with a larger one of another fill. */
function undominated(fills: readonly Fill[]): Fill[] {
  const kept: Fill[] = [];
  for (const each of [...fills].sort((p, q) => q.used - p.used))
    if (!kept.some(({ fill }) => standsIn(fill, each.fill))) kept.push(each);
  return kept;
}

/** Whether one fill has, for every piece of the other, one of its own that is as large. */
function standsIn(one: readonly number[], other: readonly number[]): boolean {
  let ahead = 0;
  for (let at = 0; at < one.length; at++) {
    ahead += one[at]! - other[at]!;
    if (ahead < 0) return false;
  }
  return true;
}
