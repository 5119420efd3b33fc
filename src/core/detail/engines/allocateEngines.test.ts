import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { allocateEngines, type EngineAllocation } from './allocateEngines.ts';
import type { EngineQuestion, EngineType } from './engineQuestion.ts';

const random = seededRandom(6);
const below = (most: number) => Math.floor(random() * most);
const some = <T>(from: readonly T[], most: number): T[] =>
  Array.from({ length: 1 + below(most) }, () => from[below(from.length)]!);

function randomQuestion(types: number, kinds: number, slots: number): EngineQuestion {
  const names = Array.from({ length: kinds }, (_, at) => `k${at}`);
  return {
    parts: names.map((kind) => ({ kind, count: below(4) })),
    engines: Array.from({ length: types }, (_, at) => ({
      id: `e${at}`,
      value: 1 + below(9),
      most: 1 + below(2),
      needs: Array.from({ length: 1 + below(slots) }, (_, slot) => ({
        slot: `s${slot}`,
        anyOf: some(names, 3),
        count: 1 + below(2),
      })),
      not: random() < 0.5 ? [[names[below(kinds)]!, names[below(kinds)]!] as const] : [],
    })),
  };
}

/** What is wrong with an allocation. */
function faults({ parts, engines }: EngineQuestion, { built, value }: EngineAllocation): string[] {
  const left = new Map<string, number>();
  for (const { kind, count } of parts) left.set(kind, (left.get(kind) ?? 0) + count);
  const found: string[] = [];
  for (const { engine, takes } of built) {
    const type = engines.find(({ id }) => id === engine)!;
    if (takes.length !== type.needs.length) found.push(`${engine} is not whole`);
    for (const { slot, kind, count } of takes) {
      const need = type.needs.find((each) => each.slot === slot)!;
      if (!need.anyOf.includes(kind) || need.count !== count)
        found.push(`${slot} of ${engine} takes ${count} ${kind}`);
      left.set(kind, left.get(kind)! - count);
    }
    const kinds = takes.map(({ kind }) => kind);
    for (const [p, q] of type.not)
      if (p === q ? kinds.filter((kind) => kind === p).length > 1 : kinds.includes(p) && kinds.includes(q))
        found.push(`${p} beside ${q} on ${engine}`);
  }
  for (const [kind, count] of left) if (count < 0) found.push(`${-count} of ${kind} too many`);
  for (const { id, most } of engines)
    if (built.filter(({ engine }) => engine === id).length > most) found.push(`too many ${id}`);
  const worth = built.reduce((sum, { engine }) => sum + engines.find(({ id }) => id === engine)!.value, 0);
  return worth === value ? found : [...found, 'another value'];
}

/** Every engine in every way, one after the other. */
function bestOfAll({ parts, engines }: EngineQuestion): number {
  const left = new Map<string, number>();
  for (const { kind, count } of parts) left.set(kind, (left.get(kind) ?? 0) + count);
  const wanted = engines.flatMap((type) => Array.from({ length: type.most }, () => type));
  const fill = (type: EngineType, slot: number, kinds: string[], then: () => number): number => {
    const need = type.needs[slot];
    if (!need) return type.value + then();
    let best = -Infinity;
    for (const kind of new Set(need.anyOf)) {
      const isBarred = type.not.some(
        ([p, q]) => (p === kind && kinds.includes(q)) || (q === kind && kinds.includes(p)),
      );
      if (isBarred || (left.get(kind) ?? 0) < need.count) continue;
      left.set(kind, left.get(kind)! - need.count);
      best = Math.max(best, fill(type, slot + 1, [...kinds, kind], then));
      left.set(kind, left.get(kind)! + need.count);
    }
    return best;
  };
  const go = (at: number): number => {
    const type = wanted[at];
    if (!type) return 0;
    return Math.max(
      go(at + 1),
      fill(type, 0, [], () => go(at + 1)),
    );
  };
  return go(0);
}

describe('engines from the parts at hand', () => {
  it('agree with every way tried', () => {
    let several = 0;
    for (let round = 0; round < 300; round++) {
      const question = randomQuestion(1 + below(3), 5, 3);
      const answer = allocateEngines(question);
      expect(faults(question, answer)).toEqual([]);
      expect(answer.value, JSON.stringify(question)).toBe(bestOfAll(question));
      expect(answer.proved).toBe(true);
      if (answer.built.length > 1) several++;
    }
    expect(several).toBeGreaterThan(50);
  });

  it('are whole and never more than there is, of twelve types and sixty kinds', () => {
    for (let round = 0; round < 5; round++) {
      const question = randomQuestion(12, 60, 8);
      const answer = allocateEngines(question);
      expect(faults(question, answer)).toEqual([]);
    }
  });

  it('say what is short for one more, the fewest parts first', () => {
    const question: EngineQuestion = {
      parts: [
        { kind: 'block', count: 2 },
        { kind: 'head', count: 3 },
        { kind: 'blower', count: 1 },
        { kind: 'belt', count: 1 },
        { kind: 'fan', count: 2 },
      ],
      engines: [
        {
          id: 'blown',
          value: 5,
          most: 2,
          needs: [
            { slot: 'block', anyOf: ['block'], count: 1 },
            { slot: 'heads', anyOf: ['head'], count: 2 },
            { slot: 'induction', anyOf: ['blower'], count: 1 },
            { slot: 'front', anyOf: ['fan', 'belt'], count: 1 },
          ],
          not: [['blower', 'fan']],
        },
        {
          id: 'plain',
          value: 2,
          most: 1,
          needs: [
            { slot: 'block', anyOf: ['block'], count: 1 },
            { slot: 'heads', anyOf: ['head'], count: 2 },
            { slot: 'front', anyOf: ['fan'], count: 1 },
          ],
          not: [],
        },
      ],
    };
    const { built, value, proved, short } = allocateEngines(question);
    expect(value).toBe(5);
    expect(proved).toBe(true);
    // The blower's belt leaves off the fan.
    expect(built[0]!.takes.find(({ slot }) => slot === 'front')!.kind).toBe('belt');
    expect(short).toEqual([
      { engine: 'plain', slot: 'heads', missing: 1 },
      { engine: 'blown', slot: 'heads', missing: 1 },
      { engine: 'blown', slot: 'induction', missing: 1 },
      { engine: 'blown', slot: 'front', missing: 1 },
    ]);
  });

  it('refuse a question that makes no sense, by name', () => {
    const engine: EngineType = {
      id: 'e',
      value: 1,
      most: 1,
      needs: [{ slot: 's', anyOf: ['k'], count: 1 }],
      not: [],
    };
    const ask =
      (more: Partial<EngineType>, parts: EngineQuestion['parts'] = []) =>
      () =>
        allocateEngines({ parts, engines: [{ ...engine, ...more }] });
    expect(ask({}, [{ kind: 'k', count: -1 }])).toThrow('There are -1 of k');
    expect(ask({ most: 0.5 })).toThrow('e is built 0.5 times');
    expect(ask({ needs: [] })).toThrow('e needs nothing');
    expect(ask({ needs: [engine.needs[0]!, engine.needs[0]!] })).toThrow('a slot twice');
    expect(ask({ needs: [{ slot: 's', anyOf: ['k'], count: 0 }] })).toThrow('s of e takes 0 parts');
    expect(() => allocateEngines({ parts: [], engines: [engine, engine] })).toThrow('e is given twice');
    // A slot that nothing fills, and kinds that bar each other, are short.
    expect(ask({ needs: [{ slot: 's', anyOf: [], count: 2 }] })().short).toEqual([
      { engine: 'e', slot: 's', missing: 2 },
    ]);
  });
});
