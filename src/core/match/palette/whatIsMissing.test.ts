import { describe, expect, it } from 'vitest';
import { typedColour } from '../../colour/index.ts';
import { whatIsMissing } from '../index.ts';

describe('whatIsMissing', () => {
  it.each([
    [{ L: 50, a: 10, b: 5 }, { L: 50, a: 60, b: 40 }, 'a purer, more vivid red'],
    [{ L: 60, a: 0, b: 0 }, { L: 96, a: 0, b: 1 }, 'a cleaner, whiter white'],
    [{ L: 30, a: 1, b: 0 }, { L: 8, a: 0, b: 0 }, 'a deeper, neutral black'],
    [{ L: 70, a: 2, b: -38 }, { L: 30, a: 3, b: -40 }, 'a deeper blue'],
    [{ L: 50, a: 30, b: 0 }, { L: 50, a: -25, b: 20 }, 'a green of the right hue'],
    [{ L: 50, a: 50, b: 0 }, { L: 50, a: 15, b: 0 }, 'something that dulls'],
  ])('from %o to %o', (best, wanted, words) => {
    expect(whatIsMissing(best, wanted)).toContain(words);
  });
});

describe('typedColour', () => {
  it('reads Lab and hex and says what is wrong with anything else', () => {
    expect(typedColour(' 50, -3.5  12')).toEqual({ L: 50, a: -3.5, b: 12 });
    expect(typedColour('#ffffff').L).toBeCloseTo(100, 1);
    expect(() => typedColour('101 0 0')).toThrow(/between 0 and 100/);
    expect(() => typedColour('50 200 0')).toThrow(/-130 and 130/);
    expect(() => typedColour('mauve')).toThrow();
  });
});
