import { describe, expect, it } from 'vitest';
import { seededRandom } from '../seededRandom.ts';
import { newRecord, stanceRecord, type Stance } from './records/index.ts';
import { packingFor, packingWords } from './sheetStacks.ts';

const onHand = (...shimsMm: number[]) => ({
  stances: [{ ...newRecord(stanceRecord), id: 's', shimsMm } satisfies Stance],
});

describe('sheet to lay under something', () => {
  it('is as near as any three sheets on hand', () => {
    const random = seededRandom(8);
    const sheets = [0.13, 0.25, 0.5, 1];
    for (let round = 0; round < 60; round++) {
      const wanted = 3 * random();
      const found = packingFor(wanted, onHand(...sheets));
      const sum = found.sheets.reduce((all, each) => all + each, 0);
      expect(found.mm).toBeCloseTo(sum, 9);
      let least = wanted;
      for (const a of [0, ...sheets])
        for (const b of [0, ...sheets])
          for (const c of [0, ...sheets]) least = Math.min(least, Math.abs(a + b + c - wanted));
      expect(Math.abs(sum - wanted)).toBeCloseTo(least, 9);
    }
  });

  it('comes from what is sold where nobody wrote down what is on hand', () => {
    expect(packingFor(1.25, { stances: [] }).mm).toBeCloseTo(1.25, 9);
    expect(packingFor(1.3, onHand(0.5))).toEqual({ mm: 1.5, sheets: [0.5, 0.5, 0.5] });
  });

  it('says its sheets, or that none is thin enough', () => {
    expect(packingWords(packingFor(0.75, onHand(0.5, 0.25)))).toBe('sheet of 0.5 + 0.25 mm');
    expect(packingWords(packingFor(0.05, onHand(0.5)))).toBe('no sheet is thin enough');
  });
});
