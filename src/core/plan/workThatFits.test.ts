import { describe, expect, it } from 'vitest';
import type { Session } from './calendar.ts';
import { explainStarts } from './explainStarts.ts';
import type { OperationPlan } from './operation.ts';
import { plainArc, plainOperation } from './plainPlan.ts';
import { scheduleOperations } from '../scheduling/index.ts';
import { keepsPin, workThatFits } from './workThatFits.ts';

const NOW = 30_000_000;
/** Two hours every evening from now on. */
const SESSIONS: Session[] = Array.from({ length: 20 }, (_, day) => ({
  start: NOW + 1440 * day,
  end: NOW + 1440 * day + 120,
}));

const step = plainOperation;
const arc = plainArc;
const coat = (id: string) => step(id, { family: 'red', chemistry: 'enamel', place: 'spray booth' });
const pin = (operationId: string, after: number) => ({ operationId, start: NOW + after });
const solved = (
  plan: OperationPlan,
  pins: ReturnType<typeof pin>[],
  done: string[] = [],
  now = NOW,
  sessions = SESSIONS,
) => {
  const { work, lessHeld } = workThatFits(
    plan,
    done.map((operationId) => ({ operationId, endedAt: NOW })),
    sessions,
    now,
    pins,
  );
  for (const each of [work, ...lessHeld()]) {
    try {
      const { starts } = scheduleOperations(each.instance, { evaluations: 300, timeMs: 1e9 });
      return { work: each, isFirst: each === work, starts };
    } catch {
      // The next holds less.
    }
  }
  throw new Error('There is no schedule however little is held.');
};

describe('workThatFits', () => {
  const three: OperationPlan = {
    operations: [step('a'), step('b'), step('c')],
    arcs: [arc('a', 'b', 600), arc('b', 'c', 0)],
  };

  it('holds a pinned step to its minute, and what follows comes after', () => {
    const { starts, isFirst } = solved(three, [pin('b', 4 * 1440 + 30)]);
    expect(isFirst).toBe(true);
    expect(starts).toEqual({ a: 0, b: 4 * 1440 + 30, c: 4 * 1440 + 50 });
  });

  it('lets a painted step be set up for after its minute', () => {
    const { starts } = solved({ operations: [coat('a')], arcs: [] }, [pin('a', 1440)]);
    expect(starts).toEqual({ a: 1445 });
    expect(keepsPin(1445, 1440, true)).toBe(true);
    expect(keepsPin(1451, 1440, true)).toBe(false);
    expect(keepsPin(1445, 1440, false)).toBe(false);
    expect(keepsPin(1439, 1440, true)).toBe(false);
    expect(keepsPin(1440, 1440, false)).toBe(true);
  });

  it('lets go of a pin that comes too early, and puts the step as soon after as it can be', () => {
    const { starts, isFirst } = solved(three, [pin('b', 60), pin('c', 3 * 1440)]);
    // It is seen before anything is searched, and the other pin stays.
    expect(isFirst).toBe(true);
    expect(starts).toEqual({ a: 0, b: 1440, c: 3 * 1440 });
  });

  it('lets go of a pin outside of all sessions', () => {
    const { starts, isFirst } = solved(three, [pin('b', 2 * 1440 + 300)]);
    expect(isFirst).toBe(true);
    expect(starts['b']).toBe(3 * 1440);
  });

  it('lets go of a pin beyond the last session', () => {
    const { starts, isFirst } = solved(three, [pin('b', 900 * 1440)]);
    expect(isFirst).toBe(true);
    expect(starts).toEqual({ a: 0, b: 1440, c: 1460 });
  });

  it('lets go of one of two pins on the same minutes', () => {
    const plan = { operations: [step('a'), step('b')], arcs: [] };
    const { starts, isFirst } = solved(plan, [pin('a', 1440), pin('b', 1450)]);
    expect(isFirst).toBe(true);
    expect(starts).toEqual({ a: 1440, b: 1460 });
  });

  it('passes over pins in the past and pins of steps that are gone', () => {
    const { starts } = solved(three, [pin('b', -60), pin('gone', 1440)]);
    expect(starts).toEqual({ a: 0, b: 1440, c: 1460 });
  });

  it('lets go of pins one by one where the hands do not suffice', () => {
    // Between the two pins there are 100 min open for 120 min of work.
    const plan: OperationPlan = {
      operations: [step('first'), ...'uvwxyz'.split('').map((id) => step(id)), step('last')],
      arcs: 'uvwxyz'.split('').flatMap((id) => [arc('first', id, 0), arc(id, 'last', 0)]),
    };
    const { starts, isFirst } = solved(plan, [pin('first', 1440), pin('last', 2 * 1440)]);
    expect(isFirst).toBe(false);
    expect(starts['first']).toBe(1440);
    expect(starts['last']).toBe(2 * 1440 + 20);
  });

  const coats: OperationPlan = { operations: [coat('one'), coat('two')], arcs: [arc('one', 'two', 30, 90)] };

  it('keeps an open recoat window, and gives it up where no session is left for it', () => {
    const open = solved(coats, [], ['one'], NOW + 10);
    expect(open.work.missedWindows).toEqual([]);
    expect(open.starts['two']).toBe(20);
    // It would fit into what is left of the session, but not with its set-up.
    const tonight = { start: NOW + 40, end: NOW + 62 };
    const closing = solved(coats, [], ['one'], NOW + 40, [tonight, ...SESSIONS.slice(1)]);
    expect(closing.work.missedWindows.map(({ arc: { to }, until }) => [to, until])).toEqual([
      ['two', NOW + 90],
    ]);
    expect(closing.starts['two']).toBe(2 * 1440 + 5 - 40);
    const longEnough = [{ ...tonight, end: NOW + 65 }, ...SESSIONS.slice(1)];
    expect(solved(coats, [], ['one'], NOW + 40, longEnough).starts['two']).toBe(5);
  });

  it('gives up one of two windows that close at the same time', () => {
    const two: OperationPlan = {
      operations: ['p1', 'p2', 'q1', 'q2'].map((id) => ({ ...coat(id), hands: 40 })),
      arcs: [arc('p1', 'p2', 30, 60), arc('q1', 'q2', 30, 60)],
    };
    const { work, starts } = solved(two, [], ['p1', 'q1'], NOW + 20);
    expect(work.missedWindows).toHaveLength(1);
    const late = work.missedWindows[0]!.arc.to;
    const kept = late === 'p2' ? 'q2' : 'p2';
    expect(starts[kept]! + 20).toBeLessThanOrEqual(60);
    expect(starts[late]).toBeGreaterThanOrEqual(48 * 60 - 20);
  });

  it('would rather keep an open window than a pin beyond it', () => {
    const { work, starts } = solved(coats, [pin('two', 1440)], ['one'], NOW + 10);
    expect(work.missedWindows).toEqual([]);
    expect(starts['two']).toBeLessThanOrEqual(80);
  });

  it('has a pin as the reason of a start where it is kept', () => {
    const { work, starts } = solved(three, [pin('b', 2 * 1440)]);
    const titles = new Map(three.operations.map(({ id, title }) => [id, title]));
    const reasons = explainStarts(work.instance, starts, three.arcs, titles, new Set(['b']));
    expect(reasons.get('b')).toEqual({ kind: 'pin', text: 'You pinned it to this moment.' });
    expect(reasons.get('c')!.kind).toBe('cure');
    const painted = solved({ operations: [coat('a')], arcs: [] }, [pin('a', 1440)]);
    expect(
      explainStarts(painted.work.instance, painted.starts, [], titles, new Set(['a'])).get('a')!.text,
    ).toBe('You pinned it to this moment, with 5 min to set up.');
  });
});
