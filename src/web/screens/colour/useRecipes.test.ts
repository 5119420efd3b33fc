import { describe, expect, it } from 'vitest';
import type { PaintRecord } from '../../../api/index.ts';
import { paintStamp } from './useRecipes.ts';

const paint = {
  id: 'red',
  k: [0.1, 0.2],
  s: [0.3, 0.4],
  perDrop: 1,
  family: 'lacquer',
  levelMl: 12,
  priceCents: 300,
} as unknown as PaintRecord;

describe('what an answer of the recipe search depends on', () => {
  it.each([
    ['a price', { priceCents: 320 }],
    ['what readings taught', { k: [0.1, 0.21] }],
    ['the size of a drop', { perDrop: 1.1 }],
    ['that the paint is used up', { levelMl: null }],
  ])('is another with %s', (_, change) => {
    expect(paintStamp({ ...paint, ...change })).not.toBe(paintStamp(paint));
  });

  it('stays the same with what does not matter', () => {
    expect(paintStamp({ ...paint, levelMl: 11, note: 'nearly empty', version: 9 })).toBe(paintStamp(paint));
  });
});
