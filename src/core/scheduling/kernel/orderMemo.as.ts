// AssemblyScript, part of orderVisits.as.ts. Remembers what a search over orders has been through, by the set of steps
// done and the paint used last.
//
// A state is numbers of which less is better: `length` that all states of a set have, then `ties` for steps left that a
// maximum lag ties to one done, then a tail: the last steps, with their sessions and starts, as far back as a maximum
// lag could push. One state dominates another where it is nowhere more, and in the ties either nowhere more or with the
// same steps in the same sessions at the end, none later: what pushes these back pushes both alike.

/** The state as it will be kept, and as it must be beaten: in the ties, what it could gain by being pushed back. */
export const MINE: usize = 34816;
export const THEIRS: usize = 35840;
/** Heads of the lists of sets with one hash; what is kept follows all that is laid out, to `setRoom`. */
const HEADS: usize = 36864;
const HEAD_COUNT: i32 = 8192;
export const END_OF_HEADS: usize = 69632;

/** States kept for one set of done steps at most, and bytes for all: beyond that nothing more is kept. */
const MOST_KEPT: i32 = 400;
const MOST_BYTES: usize = 96 << 20;
const PAGE_BITS: usize = 16;

// A set of done steps with a paint used last.
const NEXT_SET: usize = 0;
const MASK: usize = 4;
const PAINT: usize = 8;
const COUNT: usize = 12;
const FIRST: usize = 16;
const SET: usize = 20;

// A state of it, and how many numbers its tail has, before its numbers.
const NEXT: usize = 0;
const SESSION: usize = 4;
const TAIL: usize = 8;
const NUMBERS: usize = 12;

let room: usize = 0;
let used: usize = 0;

export function setRoom(address: usize): void {
  room = address;
  forget();
}

export function forget(): void {
  used = room;
  memory.fill(HEADS, 0, (<usize>HEAD_COUNT) << 2);
}

function take(bytes: usize): usize {
  const address = used;
  if (address + bytes > room + MOST_BYTES) return 0;
  used = address + bytes;
  const missing = <i32>((used + 0xffff) >> PAGE_BITS) - memory.size();
  if (missing > 0 && memory.grow(max(missing, memory.size() >> 2)) < 0 && memory.grow(missing) < 0) {
    used = address;
    return 0;
  }
  return address;
}

function setOf(mask: i32, paint: i32): usize {
  const hash = ((mask ^ (paint * 0x3c6ef372)) * 0x9e3779b1) >>> 19;
  const head = HEADS + ((<usize>hash) << 2);
  let set = load<usize>(head);
  while (set !== 0) {
    if (load<i32>(set, MASK) === mask && load<i32>(set, PAINT) === paint) return set;
    set = load<usize>(set, NEXT_SET);
  }
  set = take(SET);
  if (set === 0) return 0;
  store<usize>(set, load<usize>(head), NEXT_SET);
  store<i32>(set, mask, MASK);
  store<i32>(set, paint, PAINT);
  store<i32>(set, 0, COUNT);
  store<usize>(set, 0, FIRST);
  store<usize>(head, set);
  return set;
}

/** Whether so many numbers are nowhere more than others. */
function isNowhereMore(numbers: usize, others: usize, count: i32): bool {
  const end = numbers + ((<usize>count) << 2);
  for (; numbers + 16 <= end; numbers += 16, others += 16) {
    if (v128.any_true(i32x4.gt_s(v128.load(numbers), v128.load(others)))) return false;
  }
  for (; numbers < end; numbers += 4, others += 4) {
    if (load<i32>(numbers) > load<i32>(others)) return false;
  }
  return true;
}

/** Whether the tail has the same steps in the same sessions, none later. */
function isSameTail(numbers: usize, others: usize, count: i32): bool {
  for (let p = 0; p < count; p++, numbers += 8, others += 8) {
    if (load<i32>(numbers) !== load<i32>(others) || load<i32>(numbers, 4) > load<i32>(others, 4))
      return false;
  }
  return true;
}

/** Whether a state met before dominates the one at THEIRS; if not, the one at MINE is kept. `painting` tells whether the
 *  session has paint already. */
export function isDominated(
  mask: i32,
  lastFamily: i32,
  session: i32,
  painting: bool,
  length: i32,
  ties: i32,
  tail: i32,
): bool {
  const set = setOf(mask, lastFamily);
  if (set === 0) return false;
  const head = 2 * session + (painting ? 1 : 0);
  const common = (<usize>length) << 2;
  const ends = (<usize>(length + ties)) << 2;
  let kept = load<usize>(set, FIRST);
  let before: usize = 0;
  for (; kept !== 0; before = kept, kept = load<usize>(kept, NEXT)) {
    const other = load<i32>(kept, SESSION);
    // In an earlier session, or in the same with the paint out, nothing is lost; a paint that is out now is.
    if (other >> 1 === session ? other < head : other >> 1 > session || painting) continue;
    const numbers = kept + NUMBERS;
    if (!isNowhereMore(numbers, THEIRS, length)) continue;
    if (
      isNowhereMore(numbers + common, THEIRS + common, ties) ||
      (load<i32>(kept, TAIL) === tail && isSameTail(numbers + ends, THEIRS + ends, tail))
    ) {
      // What beats one beats the next.
      if (before !== 0) {
        store<usize>(before, load<usize>(kept, NEXT), NEXT);
        store<usize>(kept, load<usize>(set, FIRST), NEXT);
        store<usize>(set, kept, FIRST);
      }
      return true;
    }
  }
  if (load<i32>(set, COUNT) === MOST_KEPT) return false;
  const bytes = ends + ((<usize>tail) << 3);
  kept = take(NUMBERS + bytes);
  if (kept === 0) return false;
  store<usize>(kept, load<usize>(set, FIRST), NEXT);
  store<i32>(kept, head, SESSION);
  store<i32>(kept, tail, TAIL);
  for (let at: usize = 0; at < bytes; at += 4) store<i32>(kept + NUMBERS + at, load<i32>(MINE + at));
  store<usize>(set, kept, FIRST);
  store<i32>(set, load<i32>(set, COUNT) + 1, COUNT);
  return false;
}
