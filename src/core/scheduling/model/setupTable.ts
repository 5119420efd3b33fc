import type { SetupTimes } from './instance.ts';

/** The table doubles with every family; with more, no bound is given. */
const MOST_FAMILIES = 8;

/** Set-up minutes that work left costs at least, for every case. */
export interface SetupTable {
  /** By the family used last, -1 being the first, then by set, then by sessions, of which there are as many as `width`;
   *  Infinity where nothing leads there. Undefined for too many families, of which no more is known than that some
   *  session begins with one. */
  minutes: Float64Array | undefined;
  sets: number;
  width: number;
}

/** Set-up minutes that work left costs at least: from the family used last (-1 for none), into every family of a set
 *  (bits) that is still to come, with paint in at least a number of sessions that have seen none. Exact over all walks
 *  through the families that are used at all (bits), where a change that falls on the beginning of a session serves for
 *  both. */
export function setupTable(
  { families, change, newWindow }: SetupTimes,
  used: number,
  mostSessions: number,
): SetupTable {
  const count = families.length;
  const sets = 1 << count;
  const width = mostSessions + 1;
  if (count > MOST_FAMILIES) return { minutes: undefined, sets, width };
  const table = new Float64Array((count + 1) * sets * width).fill(Infinity);
  const isUsed = (set: number) => (set & ~used) === 0;
  for (let last = -1; last < count; last++) {
    if (last >= 0 && !isUsed(1 << last)) continue;
    // Least minutes of walks of so many changes, by the family they end in and the set they have been through.
    let walks = new Float64Array(count * sets).fill(Infinity);
    for (let family = 0; family < count; family++) {
      if (isUsed(1 << family) && (last < 0 || family === last)) walks[family * sets + (1 << family)] = 0;
    }
    for (let sessions = 0; sessions < width; sessions++) {
      table[(last + 1) * sets * width + sessions] = newWindow * sessions;
    }
    // With more changes than that none is saved on the beginning of a session.
    for (let changes = 0; changes <= Math.max(count, mostSessions); changes++) {
      const least = new Float64Array(sets).fill(Infinity);
      for (let at = 0; at < walks.length; at++) {
        const visited = at % sets;
        if (walks[at]! < least[visited]!) least[visited] = walks[at]!;
      }
      // A walk serves every set that it has been through.
      for (let family = 0; family < count; family++) {
        for (let set = sets - 1; set >= 0; set--) {
          if (!(set & (1 << family))) least[set] = Math.min(least[set]!, least[set | (1 << family)]!);
        }
      }
      for (let set = 0; set < sets; set++) {
        if (least[set] === Infinity) continue;
        for (let sessions = 0; sessions < width; sessions++) {
          const at = ((last + 1) * sets + set) * width + sessions;
          table[at] = Math.min(table[at]!, least[set]! + newWindow * Math.max(0, sessions - changes));
        }
      }
      const longer = new Float64Array(count * sets).fill(Infinity);
      for (let at = 0; at < walks.length; at++) {
        if (walks[at] === Infinity) continue;
        const [from, visited] = [Math.floor(at / sets), at % sets];
        for (let to = 0; to < count; to++) {
          if (to === from || !isUsed(1 << to)) continue;
          const place = to * sets + (visited | (1 << to));
          longer[place] = Math.min(longer[place]!, walks[at]! + change[from]![to]!);
        }
      }
      walks = longer;
    }
  }
  return { minutes: table, sets, width };
}
