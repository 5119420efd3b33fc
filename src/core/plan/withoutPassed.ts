import type { OperationPlan } from './operation.ts';
import { withoutSteps } from './stepEdits.ts';
import { TASKS } from './tasks.ts';

/** The plan without work on bare parts that the builder went past: it was not ticked, but a step that follows it was.
 *  Ticked steps stay, whatever their kind. What followed a step left out follows what came before it. */
export function withoutPassed({ operations, arcs }: OperationPlan, done: ReadonlySet<string>): OperationPlan {
  const before = new Map<string, string[]>();
  for (const { from, to } of arcs) {
    const known = before.get(to);
    if (known) known.push(from);
    else before.set(to, [from]);
  }
  const ledToDone = new Set<string>();
  const open = [...done];
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    for (const earlier of before.get(id) ?? []) {
      if (ledToDone.has(earlier)) continue;
      ledToDone.add(earlier);
      open.push(earlier);
    }
  }
  const passed = operations.filter(
    ({ id, kind }) => TASKS[kind].passable && ledToDone.has(id) && !done.has(id),
  );
  if (passed.length === 0) return { operations, arcs };
  return withoutSteps({ operations, arcs }, new Set(passed.map(({ id }) => id)));
}
