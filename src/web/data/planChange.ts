import type { PlanView } from '../../core/plan/index.ts';

/** What a new plan does otherwise than the one before. */
export interface PlanChange {
  /** Steps that start elsewhere; minutes since 1970. */
  moves: PlanView['moves'];
  added: string[];
  /** Steps that are planned no longer and were not done. */
  gone: { id: string; title: string; buildId: string }[];
  /** The builder's change that it followed, as undo names it; null where time or another window brought it about. */
  after: string | null;
}

/** The difference between two plans. Before the first of this visit only what moved since it was stored is known. */
export function planChange(before: PlanView | null, after: PlanView): Omit<PlanChange, 'after'> {
  if (!before) return { moves: after.moves, added: [], gone: [] };
  const planned = new Set(after.operations.map(({ id }) => id));
  const known = new Set(before.operations.map(({ id }) => id));
  return {
    moves: after.moves,
    added: after.operations.flatMap(({ id }) =>
      known.has(id) || after.starts[id] === undefined ? [] : [id],
    ),
    gone: before.operations.flatMap(({ id, title, buildId }) =>
      planned.has(id) || before.starts[id] === undefined ? [] : [{ id, title, buildId }],
    ),
  };
}
