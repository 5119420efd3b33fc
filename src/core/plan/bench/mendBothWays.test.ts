import { describe, expect, it } from 'vitest';
import { TRAP_NOW, EVERY_EVENING } from '../advice/trapBench.ts';
import { CLEAN } from '../advice/traps.ts';
import { requestOfTrap } from '../advice/trapBench.ts';
import { mendBothWays, mendsOf } from './mendBothWays.ts';
import { planBench } from './planBench.ts';
import type { PlanView } from './request.ts';

/** What is wrong with a plan: an arc that is not kept, two steps in hand at once, a step outside the evenings. */
function faultsOf({ operations, arcs, starts, sessions }: PlanView): string[] {
  const timed = operations.filter(({ id }) => starts[id] !== undefined);
  const handsOf = new Map(operations.map(({ id, hands }) => [id, hands]));
  const faults = arcs.flatMap(({ from, to, minLag, maxLag }) => {
    const [a, b] = [starts[from], starts[to]];
    if (a === undefined || b === undefined) return [];
    const lag = b - (a + handsOf.get(from)!);
    return lag < minLag - 1e-6 || (maxLag !== null && lag > maxLag + 1e-6)
      ? [`${from} to ${to}: ${lag}`]
      : [];
  });
  const inOrder = timed.toSorted((p, q) => starts[p.id]! - starts[q.id]!);
  inOrder.forEach(({ id, hands }, at) => {
    const next = inOrder[at + 1];
    if (next && starts[id]! + hands > starts[next.id]! + 1e-6) faults.push(`${id} runs into ${next.id}`);
    if (!sessions.some(({ start, end }) => starts[id]! >= start - 1e-6 && starts[id]! + hands <= end + 1e-6))
      faults.push(`${id} lies in no evening`);
  });
  return faults;
}

const request = requestOfTrap({ ...CLEAN, sessions: EVERY_EVENING });
const base = planBench(request);
const primer = base.operations.find(({ kind }) => kind === 'primer')!;
const coats = base.operations.filter(
  ({ trayId, layerId }) => trayId === primer.trayId && layerId !== undefined,
);

describe('a mend at one time or the other', () => {
  const question = { buildId: 'b', operationId: primer.id, repair: 'sand' as const };

  it('repeats what was looked over now, and all that came after it later', () => {
    const [never, now, later] = [...mendBothWays(request, question)];
    expect([never!.when, now!.when, later!.when]).toEqual(['never', 'now', 'later']);
    expect(now!.again).toHaveLength(1);
    expect(later!.again.length).toBeGreaterThan(now!.again.length);
    // Sanding takes 25 minutes, and what is done again its own.
    const again = (ids: readonly string[]) =>
      base.operations.filter(({ id }) => ids.includes(id)).reduce((sum, { hands }) => sum + hands, 0);
    expect(now!.hands - never!.hands).toBe(25 + again([primer.id]));
    expect(later!.hands - never!.hands).toBeGreaterThan(now!.hands - never!.hands);
    for (const { ready } of [never!, now!, later!]) expect(ready).toBeGreaterThan(TRAP_NOW);
    expect(now!.ready).toBeGreaterThanOrEqual(never!.ready!);
  });

  it('stands in a plan that keeps every wait, window and evening', () => {
    const { now, later } = mendsOf(question, base);
    for (const mishap of [now, later!]) {
      const view = planBench({
        ...request,
        snapshot: {
          ...request.snapshot,
          builds: request.snapshot.builds.map((build) => ({
            ...build,
            kit: { ...build.kit, plan: { ...build.kit.plan, mishaps: [mishap] } },
          })),
        },
      });
      expect(view.problem).toBeNull();
      expect(view.operations.length).toBeGreaterThan(base.operations.length);
      expect(faultsOf(view)).toEqual([]);
    }
    expect(faultsOf(base)).toEqual([]);
  });

  it('is only now where nothing more goes onto it', () => {
    const last = coats.at(-1)!;
    const { later } = mendsOf({ ...question, operationId: last.id }, base);
    expect(later).toBeUndefined();
  });

  it('begins with the last coat that is on', () => {
    // Everything up to the second coat is done.
    const done = new Set(coats.slice(0, 2).map(({ id }) => id));
    const starts = Object.fromEntries(Object.entries(base.starts).filter(([id]) => !done.has(id)));
    const { now } = mendsOf({ ...question, operationId: coats[0]!.id }, { ...base, starts });
    expect([now.redoFrom, now.operationId]).toEqual([coats[0]!.id, coats[1]!.id]);
  });
});
