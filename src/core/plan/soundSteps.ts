import type { OperationPlan, PlanArc, PlanOperation } from './operation.ts';

/** The steps of a build without what no schedule could hold: a second step of one id, lags between steps that are not
 *  there, and the lags that close a circle. `faults` says in words what was left out. */
export function soundSteps({ operations, arcs }: OperationPlan): { plan: OperationPlan; faults: string[] } {
  const faults: string[] = [];
  const byId = new Map<string, PlanOperation>();
  for (const operation of operations) {
    const twin = byId.get(operation.id);
    if (twin)
      faults.push(
        `“${operation.title}” and “${twin.title}” are one step to the plan: the second is left out.`,
      );
    else byId.set(operation.id, operation);
  }
  const named = (id: string) => byId.get(id)?.title ?? 'a step that is not there';
  const known = arcs.filter(({ from, to }) => {
    const isKnown = byId.has(from) && byId.has(to);
    if (!isKnown) faults.push(`“${named(to)}” was to wait for “${named(from)}”: that wait is left out.`);
    return isKnown;
  });
  const closing = closingArcs([...byId.keys()], known);
  for (const { from, to } of closing)
    faults.push(
      `“${named(to)}” was to wait for “${named(from)}”, which waits for it in turn: that wait is left out.`,
    );
  return {
    plan: {
      operations: [...byId.values()],
      arcs: closing.size > 0 ? known.filter((arc) => !closing.has(arc)) : known,
    },
    faults,
  };
}

/** Arcs that lead back to a step on the way to them, found depth first (without recursion: chains are long). */
function closingArcs(ids: readonly string[], arcs: readonly PlanArc[]): ReadonlySet<PlanArc> {
  const after = new Map<string, PlanArc[]>();
  for (const arc of arcs) {
    const others = after.get(arc.from);
    if (others) others.push(arc);
    else after.set(arc.from, [arc]);
  }
  const closing = new Set<PlanArc>();
  const state = new Map<string, 'open' | 'done'>();
  for (const root of ids) {
    if (state.has(root)) continue;
    const way = [{ id: root, next: 0 }];
    state.set(root, 'open');
    for (let top = way.at(-1); top !== undefined; top = way.at(-1)) {
      const arc = after.get(top.id)?.[top.next++];
      if (!arc) {
        state.set(top.id, 'done');
        way.pop();
      } else if (state.get(arc.to) === 'open') closing.add(arc);
      else if (!state.has(arc.to)) {
        state.set(arc.to, 'open');
        way.push({ id: arc.to, next: 0 });
      }
    }
  }
  return closing;
}
