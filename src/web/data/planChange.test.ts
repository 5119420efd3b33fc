import { describe, expect, it } from 'vitest';
import type { PlanView } from '../../core/plan/index.ts';
import { planChange } from './planChange.ts';

const view = (starts: Record<string, number>, done: string[] = [], moves: PlanView['moves'] = []) =>
  ({
    operations: [...Object.keys(starts), ...done].map((id) => ({
      id,
      title: `step ${id}`,
      buildId: 'coupe',
    })),
    starts,
    moves,
  }) as unknown as PlanView;

describe('planChange', () => {
  it('names what came, what went and what moved', () => {
    const moves = [{ id: 'b', from: 20, to: 90 }];
    expect(planChange(view({ a: 10, b: 20, c: 30 }), view({ b: 90, c: 30, d: 40 }, [], moves))).toEqual({
      moves,
      added: ['d'],
      gone: [{ id: 'a', title: 'step a', buildId: 'coupe' }],
    });
  });

  it('counts a step that was done as neither', () => {
    expect(planChange(view({ a: 10, b: 20 }), view({ b: 20 }, ['a']))).toEqual({
      moves: [],
      added: [],
      gone: [],
    });
    expect(planChange(view({ b: 20 }, ['a']), view({ b: 20 }))).toMatchObject({ gone: [] });
  });

  it('knows only the moves where there was no plan before', () => {
    const moves = [{ id: 'a', from: 1, to: 9 }];
    expect(planChange(null, view({ a: 9, b: 5 }, [], moves))).toEqual({ moves, added: [], gone: [] });
  });
});
