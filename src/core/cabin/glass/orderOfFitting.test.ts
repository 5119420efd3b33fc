import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { orderOfFitting, type FittingRule } from './orderOfFitting.ts';

const rule = (first: string, then: string): FittingRule => ({
  first,
  then,
  because: `${first} before ${then}`,
});

/** Every order of some things. */
const orders = (ids: readonly string[]): string[][] =>
  ids.length === 0
    ? [[]]
    : ids.flatMap((id) => orders(ids.filter((other) => other !== id)).map((rest) => [id, ...rest]));
const keeps = (order: readonly string[], rules: readonly FittingRule[]) =>
  rules.every(({ first, then }) => order.indexOf(first) < order.indexOf(then));

describe('an order of fitting', () => {
  it('exists where one of all orders keeps every rule, and then keeps them; else a ring is named', () => {
    const random = seededRandom(9);
    const ids = ['a', 'b', 'c', 'd', 'e'];
    const all = orders(ids);
    let found = 0;
    for (let round = 0; round < 300; round++) {
      const rules = Array.from({ length: 2 + Math.floor(7 * random()) }, () => {
        const first = ids[Math.floor(5 * random())]!;
        const others = ids.filter((id) => id !== first);
        return rule(first, others[Math.floor(4 * random())]!);
      });
      const early = new Set(ids.filter(() => random() < 0.3));
      const answer = orderOfFitting({ items: ids, rules, early });
      const possible = all.filter((order) => keeps(order, rules));
      expect(answer.order !== undefined).toBe(possible.length > 0);
      if (!answer.order) {
        const { ring } = answer;
        ring.forEach(({ then }, at) => expect(ring[(at + 1) % ring.length]!.first).toBe(then));
        expect(ring.every((each) => rules.includes(each))).toBe(true);
        continue;
      }
      found++;
      const order = answer.order.map(({ id }) => id);
      expect(keeps(order, rules)).toBe(true);
      // No order has the last of the early ones sooner.
      const last = (each: readonly string[]) => Math.max(-1, ...[...early].map((id) => each.indexOf(id)));
      expect(last(order)).toBe(Math.min(...possible.map(last)));
    }
    expect(found).toBeGreaterThan(50);
  });

  it('stands as it is given where nothing holds it, and tells what held each', () => {
    const { order } = orderOfFitting({ items: ['x', 'y', 'z'], rules: [rule('z', 'x')] });
    expect(order!.map(({ id }) => id)).toEqual(['y', 'z', 'x']);
    expect(order!.at(-1)!.because.map(({ because }) => because)).toEqual(['z before x']);
    expect(orderOfFitting({ items: [], rules: [rule('a', 'b')] }).order).toEqual([]);
  });

  it('names the shortest ring, also of two that each come first, and of one that waits for itself', () => {
    const long = [rule('a', 'b'), rule('b', 'c'), rule('c', 'a'), rule('d', 'e'), rule('e', 'd')];
    expect(orderOfFitting({ items: ['a', 'b', 'c', 'd', 'e'], rules: long }).ring).toHaveLength(2);
    expect(orderOfFitting({ items: ['a'], rules: [rule('a', 'a')] }).ring).toEqual([rule('a', 'a')]);
  });
});
