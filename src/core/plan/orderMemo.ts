/** More paints than steps that are searched. */
const MOST_FAMILIES = 32;
/** States kept for one set of done steps, at most: beyond that dominance is looked for no further. */
const MOST_KEPT = 400;

/** Remembers what a search over orders has been through, by the set of steps done and the paint used last.
 *
 *  A state is numbers of which less is better: `length` that all states of a set have, then `ties` for steps left that
 *  a maximum lag ties to one done, then a tail: the last steps, with their sessions and starts, as far back as a
 *  maximum lag could push. One state dominates another where it is nowhere more, and in the ties either nowhere more
 *  or with the same steps in the same sessions at the end, none later: what pushes these back pushes both alike. */
export interface OrderMemo {
  /** The state as it will be kept. */
  readonly mine: Int32Array;
  /** The state as it must be beaten: in the ties, what it could gain by being pushed back. */
  readonly theirs: Int32Array;
  /** Whether a state met before dominates the one in `theirs`; if not, the one in `mine` is kept. `painting` tells
   *  whether the session has paint already. */
  isDominated(
    mask: number,
    lastFamily: number,
    session: number,
    painting: boolean,
    length: number,
    ties: number,
    tail: number,
  ): boolean;
}

interface Kept {
  count: number;
  numbers: Int32Array;
}

/** A memo for so many steps. */
export function orderMemo(size: number): OrderMemo {
  const most = 2 + 2 * size + 2 * size;
  const mine = new Int32Array(most);
  const theirs = new Int32Array(most);
  const known = new Map<number, Kept>();
  return {
    mine,
    theirs,
    isDominated(mask, lastFamily, session, painting, length, ties, tail) {
      const head = 2 * session + (painting ? 1 : 0);
      const key = mask * MOST_FAMILIES + lastFamily + 1;
      // Ahead of the numbers: the session, and how long the tail is. What is done fits the tail.
      const stride = 2 + length + ties + 2 * (size - (length - 2));
      let kept = known.get(key);
      if (!kept) known.set(key, (kept = { count: 0, numbers: new Int32Array(stride) }));
      const { numbers } = kept;
      for (let entry = 0; entry < kept.count; entry++) {
        const at = entry * stride;
        const other = numbers[at]!;
        // In an earlier session, or in the same with the paint out, nothing is lost; a paint that is out now is.
        if (other >> 1 === session ? other < head : other >> 1 > session || painting) continue;
        const own = at + 2;
        let p = 0;
        while (p < length && numbers[own + p]! <= theirs[p]!) p++;
        if (p < length) continue;
        const end = length + ties;
        while (p < end && numbers[own + p]! <= theirs[p]!) p++;
        if (p === end) return true;
        if (numbers[at + 1] !== tail) continue;
        for (p = 0; p < tail; p++) {
          if (numbers[own + end + 2 * p] !== theirs[end + 2 * p]) break;
          if (numbers[own + end + 2 * p + 1]! > theirs[end + 2 * p + 1]!) break;
        }
        if (p === tail) return true;
      }
      if (kept.count === MOST_KEPT) return false;
      const at = kept.count * stride;
      if (at + stride > numbers.length) {
        const room = new Int32Array(Math.min(MOST_KEPT, 2 * kept.count + 2) * stride);
        room.set(numbers);
        kept.numbers = room;
      }
      kept.numbers[at] = head;
      kept.numbers[at + 1] = tail;
      for (let p = 0, end = length + ties + 2 * tail; p < end; p++) kept.numbers[at + 2 + p] = mine[p]!;
      kept.count++;
      return false;
    },
  };
}
