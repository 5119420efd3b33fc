import { describe, expect, it } from 'vitest';
import { isTyping, moved, type Cell } from './gridMoves.ts';

const SIZE = { rows: 40, columns: 5 };
const go = (from: Cell, key: string, ctrl = false) => moved(from, { key, ctrl }, SIZE);

describe('keys in a grid', () => {
  it('move by one cell, a page, and to the ends of row and grid', () => {
    const from = { row: 20, column: 2 };
    expect(go(from, 'ArrowUp')).toEqual({ row: 19, column: 2 });
    expect(go(from, 'ArrowRight')).toEqual({ row: 20, column: 3 });
    expect(go(from, 'PageDown')).toEqual({ row: 32, column: 2 });
    expect(go(from, 'Home')).toEqual({ row: 20, column: 0 });
    expect(go(from, 'Home', true)).toEqual({ row: 0, column: 0 });
    expect(go(from, 'End', true)).toEqual({ row: 39, column: 4 });
    expect(go(from, 'ArrowDown', true)).toEqual({ row: 39, column: 2 });
    expect(go(from, 'x')).toBeNull();
  });

  it('never leave it, from wherever they are pressed', () => {
    const keys = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'PageUp', 'PageDown', 'Home', 'End'];
    for (let row = 0; row < SIZE.rows; row++)
      for (let column = 0; column < SIZE.columns; column++)
        for (const key of keys)
          for (const ctrl of [false, true]) {
            const to = go({ row, column }, key, ctrl)!;
            expect(to.row >= 0 && to.row < SIZE.rows && to.column >= 0 && to.column < SIZE.columns).toBe(
              true,
            );
          }
  });

  it('type where they are characters, also the first of a composition', () => {
    const plain = { ctrl: false, alt: false };
    expect(['a', 'é', '7', ' ', 'Process', 'Dead'].map((key) => isTyping({ key, ...plain }))).toEqual(
      Array(6).fill(true),
    );
    expect(['F2', 'Enter', 'Shift'].some((key) => isTyping({ key, ...plain }))).toBe(false);
    expect(isTyping({ key: 'c', ctrl: true, alt: false })).toBe(false);
  });
});
