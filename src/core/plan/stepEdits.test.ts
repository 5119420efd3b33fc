import { describe, expect, it } from 'vitest';
import type { StepEdit } from '../kit/index.ts';
import { nextToJoin, withStepEdits, type OperationPlan } from './index.ts';
import { SPRAY_BOOTH } from './operation.ts';
import { plainArc, plainOperation } from './plainPlan.ts';

const edit = (operationId: string, change: Partial<StepEdit>): StepEdit => ({
  id: `edit-${operationId}`,
  operationId,
  title: '',
  minutes: null,
  note: '',
  parts: 1,
  withNext: false,
  leaveOut: false,
  ...change,
});
/** fill, sand, prime (a coat), a wait, wet sand; a cut beside it that the last waits for too. */
const plan: OperationPlan = {
  operations: [
    plainOperation('fill', { hands: 25, hazards: ['dust'], cautions: ['dust'] }),
    plainOperation('sand'),
    plainOperation('prime', { kind: 'primer', family: 'primer', chemistry: 'lacquer' }),
    plainOperation('wet', { dry: 60 }),
    plainOperation('cut'),
  ],
  arcs: [
    plainArc('fill', 'sand'),
    plainArc('sand', 'prime', 30),
    plainArc('prime', 'wet', 120, 600),
    plainArc('cut', 'wet'),
  ],
};
const ids = ({ operations }: OperationPlan) => operations.map(({ id }) => id);
const minutes = ({ operations }: OperationPlan) => operations.reduce((sum, { hands }) => sum + hands, 0);
const lags = ({ arcs }: OperationPlan) =>
  arcs.map(({ from, to, minLag, maxLag }) => [from, to, minLag, maxLag]).sort();

describe('steps as the builder changed them', () => {
  it('are those of the plan where nothing was changed, and where the step is gone', () => {
    expect(withStepEdits(plan, [])).toEqual(plan);
    expect(withStepEdits(plan, [edit('gone', { leaveOut: true, parts: 3, withNext: true })])).toEqual(plan);
  });

  it('have other words, minutes and a note, and say that the minutes are the builder’s', () => {
    const [fill] = withStepEdits(plan, [
      edit('fill', { title: 'Fill twice', minutes: 50, note: 'white putty' }),
    ]).operations;
    expect(fill).toMatchObject({
      title: 'Fill twice',
      hands: 50,
      ownMinutes: true,
      details: ['white putty'],
      hazards: ['dust'],
    });
  });

  it('come in parts that take as long together, in turn, with the wait after the last', () => {
    for (const parts of [2, 3, 4, 7]) {
      const split = withStepEdits(plan, [edit('wet', { parts }), edit('fill', { parts })]);
      expect(minutes(split)).toBe(minutes(plan));
      const pieces = split.operations.filter(({ id }) => id.startsWith('wet-'));
      expect(pieces.map(({ dry }) => dry)).toEqual([...Array<number>(parts - 1).fill(0), 60]);
      expect(pieces[0]!.title).toBe(`wet, part 1 of ${parts}`);
      // Nothing is shorter or longer than another by more than a minute.
      const hands = pieces.map((piece) => piece.hands);
      expect(Math.max(...hands) - Math.min(...hands)).toBeLessThanOrEqual(1);
      expect(lags(split)).toEqual(
        expect.arrayContaining([
          ['prime', 'wet-1', 120, 600],
          ['wet-1', 'wet-2', 0, null],
          [`fill-${parts}`, 'sand', 0, null],
        ]),
      );
    }
  });

  it('stay whole where they are a coat', () => {
    expect(withStepEdits(plan, [edit('prime', { parts: 2 })])).toEqual(plan);
  });

  it('are done in one go with the step that follows at once', () => {
    expect(nextToJoin('fill', plan)?.id).toBe('sand');
    const joined = withStepEdits(plan, [edit('fill', { withNext: true })]);
    expect(ids(joined)).toEqual(['fill', 'prime', 'wet', 'cut']);
    expect(joined.operations[0]).toMatchObject({
      title: 'fill; then sand',
      hands: 45,
      hazards: ['dust'],
      because: 'Why fill. Why sand. You do both in one go.',
    });
    expect(lags(joined)).toEqual([
      ['cut', 'wet', 0, null],
      ['fill', 'prime', 30, null],
      ['prime', 'wet', 120, 600],
    ]);
    expect(minutes(joined)).toBe(minutes(plan));
  });

  it('are joined only where a session holds both, for sprayed ones a session in which one can spray', () => {
    const longest = { session: 45, spraying: 44 };
    expect(nextToJoin('fill', plan, longest)?.id).toBe('sand');
    expect(nextToJoin('fill', plan, { ...longest, session: 44 })).toBeUndefined();
    const sprayed = {
      ...plan,
      operations: plan.operations.map((each) => ({ ...each, place: SPRAY_BOOTH })),
    };
    expect(nextToJoin('fill', sprayed, longest)).toBeUndefined();
    expect(nextToJoin('fill', sprayed, { ...longest, spraying: 45 })?.id).toBe('sand');
  });

  it('are not joined over a wait, another paint, another sub-assembly, or a step in between', () => {
    expect(nextToJoin('sand', plan)).toBeUndefined();
    expect(nextToJoin('wet', plan)).toBeUndefined();
    const elsewhere = {
      ...plan,
      operations: plan.operations.map((each) => (each.id === 'sand' ? { ...each, trayId: 'u' } : each)),
    };
    expect(nextToJoin('fill', elsewhere)).toBeUndefined();
    // With the cut between the two, one go would make a circle.
    const around = { ...plan, arcs: [...plan.arcs, plainArc('fill', 'cut', 10), plainArc('cut', 'sand')] };
    expect(nextToJoin('fill', around)).toBeUndefined();
    expect(withStepEdits(around, [edit('fill', { withNext: true })])).toEqual(around);
  });

  it('are left out, and what followed waits for what came before, as long', () => {
    const without = withStepEdits(plan, [edit('prime', { leaveOut: true })]);
    expect(ids(without)).toEqual(['fill', 'sand', 'wet', 'cut']);
    expect(lags(without)).toEqual([
      ['cut', 'wet', 0, null],
      ['fill', 'sand', 0, null],
      // The window of the paint that is not sprayed binds nobody.
      ['sand', 'wet', 120, null],
    ]);
    // One that was open before it still does, where the wait leaves room.
    const open = (until: number) =>
      withStepEdits(
        { ...plan, arcs: plan.arcs.map((each) => (each.to === 'prime' ? { ...each, maxLag: until } : each)) },
        [edit('prime', { leaveOut: true })],
      );
    expect(lags(open(300))).toContainEqual(['sand', 'wet', 120, 300]);
    expect(lags(open(100))).toContainEqual(['sand', 'wet', 120, null]);
    // The longer of both waits counts.
    const longer = withStepEdits(
      { ...plan, arcs: plan.arcs.map((each) => (each.to === 'prime' ? { ...each, minLag: 900 } : each)) },
      [edit('prime', { leaveOut: true })],
    );
    expect(lags(longer)).toContainEqual(['sand', 'wet', 900, null]);
  });
});
