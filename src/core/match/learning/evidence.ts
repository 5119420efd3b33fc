import type { Drops } from './cup.ts';

/** So many readings tell all that is worth waiting for: more of the same paints narrow nothing that can be seen, and
 *  the fit would take longer with every spoon. */
const MOST_EVIDENCE = 24;

/** Paints that readings tie together with the given ones, directly or over others, and the readings to fit in one go:
 *  the newest of every given paint, then those nearest to the given paints, newest first, up to `most`. They come in
 *  the order in which they were given, oldest first. */
export function evidenceFor<R extends { drops: Drops }>(
  paintIds: readonly string[],
  readings: readonly R[],
  most = MOST_EVIDENCE,
): { paintIds: string[]; readings: R[] } {
  const away = stepsAway(paintIds, readings);
  const nearness = (at: number) =>
    Math.min(...Object.keys(readings[at]!.drops).map((id) => away.get(id) ?? Infinity));
  const newestOf = (id: string) => readings.findLastIndex(({ drops }) => id in drops);
  const chosen = new Set(paintIds.map(newestOf).filter((at) => at >= 0));
  const rest = readings
    .map((_, at) => ({ at, nearness: nearness(at) }))
    .filter(({ nearness: steps }) => steps < Infinity)
    .sort((p, q) => p.nearness - q.nearness || q.at - p.at);
  for (const { at } of rest) {
    if (chosen.size >= most) break;
    chosen.add(at);
  }
  return { paintIds: [...away.keys()], readings: readings.filter((_, at) => chosen.has(at)) };
}

/** Over how many readings each paint is tied to the given ones; 0 for these. */
function stepsAway(
  paintIds: readonly string[],
  readings: readonly { drops: Drops }[],
): ReadonlyMap<string, number> {
  const away = new Map(paintIds.map((id) => [id, 0]));
  for (let steps = 0, size = -1; size < away.size; steps++) {
    size = away.size;
    for (const { drops } of readings) {
      const ids = Object.keys(drops);
      if (!ids.some((id) => (away.get(id) ?? Infinity) <= steps)) continue;
      for (const id of ids) if (!away.has(id)) away.set(id, steps + 1);
    }
  }
  return away;
}
