import { describe, expect, it } from 'vitest';
import { worked } from './worked.ts';

describe('something worked out', () => {
  it('is its answer, or what is wrong with the question; what is our own fault is thrown on', () => {
    expect(worked(() => 7)).toEqual({ answer: 7 });
    expect(worked(() => undefined)).toEqual({ answer: undefined });
    expect(
      worked(() => {
        throw new RangeError('Too long.');
      }),
    ).toEqual({ fault: 'Too long.' });
    expect(() =>
      worked(() => {
        throw new TypeError('ours');
      }),
    ).toThrow('ours');
  });
});
