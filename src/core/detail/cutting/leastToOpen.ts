const EPSILON = 1e-9;

/** What the pieces left must cost and open at least: by their length in all, and by how many bars they need since two long
 *  ones share none. `bars`: how many there are of each stock. */
export function leastToOpen(
  stock: readonly { length: number; price: number }[],
  bars: readonly number[],
  lengths: readonly number[],
  left: readonly number[],
  kerf: number,
): { cost: number; opened: number } {
  const open = stock.flatMap(({ length, price }, at) =>
    bars[at]! > 0 ? [{ room: length + kerf, length, price, count: bars[at]! }] : [],
  );
  if (open.length === 0) return { cost: 0, opened: 0 };
  const need = lengths.reduce((sum, length, at) => sum + left[at]! * (length + kerf), 0);
  const room = Math.max(...open.map((each) => each.room));
  const count = leastBars(
    room,
    lengths.map((length) => length + kerf),
    left,
  );
  return {
    cost: Math.max(
      cheapest(open, need, ({ price }) => price),
      fewest(open, count, ({ price }) => price),
    ),
    opened: Math.max(
      cheapest(open, need, ({ length }) => length),
      fewest(open, count, ({ length }) => length),
    ),
  };
}

interface Open {
  room: number;
  length: number;
  price: number;
  count: number;
}

/** Room bought by the part where it is cheapest; where all that is left is of one kind, in whole bars. */
function cheapest(open: readonly Open[], need: number, worth: (each: Open) => number): number {
  const [only, ...more] = open;
  if (more.length === 0 && only) return Math.ceil(need / only.room - EPSILON) * worth(only);
  let [left, sum] = [need, 0];
  for (const each of [...open].sort((p, q) => worth(p) / p.room - worth(q) / q.room)) {
    const bars = Math.min(each.count, left / each.room);
    sum += bars * worth(each);
    left -= bars * each.room;
    if (left <= EPSILON) break;
  }
  return sum;
}

/** So many bars, the least of them. */
function fewest(open: readonly Open[], count: number, worth: (each: Open) => number): number {
  let [left, sum] = [count, 0];
  for (const each of [...open].sort((p, q) => worth(p) - worth(q))) {
    const bars = Math.min(each.count, left);
    sum += bars * worth(each);
    left -= bars;
    if (left <= 0) break;
  }
  return sum;
}

/** Bars that the pieces need at least were all as long as the longest (S. Martello and P. Toth, Lower bounds and reduction
 *  procedures for the bin packing problem, 1990). */
function leastBars(room: number, sizes: readonly number[], left: readonly number[]): number {
  let most = 0;
  for (const limit of [0, ...sizes.filter((size) => size <= room / 2 + EPSILON)]) {
    let [alone, halves, freeBesideHalves, small] = [0, 0, 0, 0];
    sizes.forEach((size, at) => {
      const count = left[at]!;
      if (size > room - limit + EPSILON) alone += count;
      else if (size > room / 2 + EPSILON) {
        halves += count;
        freeBesideHalves += count * (room - size);
      } else if (size >= limit - EPSILON) small += count * size;
    });
    const further = Math.max(0, Math.ceil((small - freeBesideHalves) / room - EPSILON));
    most = Math.max(most, alone + halves + further);
  }
  return most;
}
