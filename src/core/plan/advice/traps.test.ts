import { describe, expect, it } from 'vitest';
import { FINISH_RULES } from '../../finish/index.ts';
import { CABIN_TRAPS } from './cabinTraps.ts';
import { HANDLING_TRAPS } from './handlingTraps.ts';
import { planOfTrap, reworded, type TrapBench } from './trapBench.ts';
import { CLEAN, KIT_TRAPS, STACK_TRAPS, type Trap } from './traps.ts';

const said = (bench: TrapBench, rule: string) =>
  planOfTrap(bench).advice.filter((each) => each.rule === rule);

/** Names that say nothing, and names in another language. */
const REWORDINGS: readonly [string, (name: string, at: number) => string][] = [
  ['without names', (_, at) => `Piece ${at + 1}`],
  ['in foreign words', (_, at) => `Teil-Nr. ${900 - at}, lose`],
];

const inOtherWords = ({ bench, twin, words }: Trap): [string, TrapBench, TrapBench][] =>
  (
    words?.map((usage, at): (typeof REWORDINGS)[number] => [
      `in other words (${at + 1})`,
      (name) =>
        name
          .split(' to ')
          .map((each) => usage[each] ?? each)
          .join(' to '),
    ]) ?? REWORDINGS
  ).map(([how, nameOf]) => [how, reworded(bench, nameOf), reworded(twin, nameOf)]);

const SEVERITY = new Map(FINISH_RULES.map(({ id, severity }) => [id, severity]));
/** Told by a caution of the step rather than as advice. */
const CAUTIONS = new Set(FINISH_RULES.flatMap(({ id, severity }) => (severity === 'caution' ? [id] : [])));
const TRAPS = [
  ...KIT_TRAPS,
  ...HANDLING_TRAPS,
  ...CABIN_TRAPS,
  ...STACK_TRAPS.filter(({ says }) => !CAUTIONS.has(says)),
];

describe('a mistake that waits on the bench', () => {
  it('is one of at least sixty', () => {
    expect(TRAPS.length).toBeGreaterThanOrEqual(60);
  });

  it('is not seen where there is none', () => {
    const { advice, operations } = planOfTrap(CLEAN);
    expect(operations.length).toBeGreaterThan(10);
    expect(advice.filter(({ severity }) => severity !== 'note')).toEqual([]);
  });

  describe.each(TRAPS.map((trap, at) => [`${trap.says} (${at + 1})`, trap] as const))('%s', (_, trap) => {
    it('is said once at the steps it touches, and not on the clean bench beside it', () => {
      const found = said(trap.bench, trap.says);
      expect(found.length).toBeGreaterThan(0);
      expect(new Set(found.map(({ id }) => id)).size).toBe(found.length);
      expect(found[0]!.severity).toBe(trap.severity ?? SEVERITY.get(trap.says));
      for (const { text, why, about } of found) {
        expect(`${text} ${why}`).not.toMatch(/undefined|NaN|\[object/);
        expect(new Set(about.steps).size).toBe(about.steps.length);
      }
      expect(said(trap.twin, trap.says)).toEqual([]);
    });

    it.each(inOtherWords(trap))('is said %s and in another order', (__, bench, twin) => {
      expect(said(bench, trap.says).length).toBeGreaterThan(0);
      expect(said(twin, trap.says)).toEqual([]);
    });
  });
});
