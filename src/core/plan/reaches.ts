import type { PlanArc } from './operation.ts';

/** What follows each step at once, by its id. */
export function followers(arcs: readonly PlanArc[]): Map<string, string[]> {
  const after = new Map<string, string[]>();
  for (const { from, to } of arcs) {
    const known = after.get(from);
    if (known) known.push(to);
    else after.set(from, [to]);
  }
  return after;
}

/** Whether a step leads to another, by however many in between; a step leads to itself. */
export function reaches(from: string, to: string, after: ReadonlyMap<string, readonly string[]>): boolean {
  const seen = new Set([from]);
  const open = [from];
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (id === to) return true;
    for (const next of after.get(id) ?? []) {
      if (seen.has(next)) continue;
      seen.add(next);
      open.push(next);
    }
  }
  return false;
}
