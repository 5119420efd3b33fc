import { describe, expect, it } from 'vitest';
import { suggestJoints } from '../suggestJoints.ts';
import { cabover } from './lists/cabover.ts';
import { coupe } from './lists/coupe.ts';
import { cruiser } from './lists/cruiser.ts';
import { formula } from './lists/formula.ts';
import { motorcycle } from './lists/motorcycle.ts';
import { readList } from './lists/partList.ts';
import { racer } from './lists/racer.ts';
import { saloon } from './lists/saloon.ts';
import { truck } from './lists/truck.ts';

describe('joints suggested from lists that builders might paste', () => {
  const lists = { saloon, racer, truck, motorcycle, coupe, formula, cabover, cruiser };
  for (const [name, list] of Object.entries(lists)) {
    it(`are right for a ${name}, and reach most of its parts`, () => {
      const { parts, right } = readList(list);
      expect(parts.length).toBeGreaterThanOrEqual(45);
      const found = suggestJoints({ parts, joints: [] }).map(({ joint: { a, b } }) => [a, b] as const);
      const good = found.filter(([a, b]) => right.get(a)?.has(b));
      expect(good.length / found.length).toBeGreaterThanOrEqual(0.95);
      expect(new Set(good.flat()).size / parts.length).toBeGreaterThanOrEqual(0.75);
    });

    it(`stay as they were for a ${name} once they are taken`, () => {
      const { parts } = readList(list);
      const joints = suggestJoints({ parts, joints: [] }).map(({ joint }) => joint);
      expect(suggestJoints({ parts, joints })).toEqual([]);
    });

    it(`do not hang on the order of the lines of a ${name}`, () => {
      const { parts } = readList(list);
      const pairs = (of: typeof parts) =>
        suggestJoints({ parts: of, joints: [] })
          .map(({ joint: { a, b } }) => [a, b].sort().join(' '))
          .sort();
      expect(pairs([...parts].reverse())).toEqual(pairs(parts));
    });
  }
});
