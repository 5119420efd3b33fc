import type { Indexed } from './engineQuestion.ts';

export interface Shortage {
  engine: string;
  slot: string;
  missing: number;
}

/** Ways of filling an engine that are tried for the fewest missing parts. */
const MOST_TRIES = 20_000;

/** What is missing for one more of a type, from what is left: kinds that agree and lack fewest parts in all. Empty where
 *  nothing is missing. */
export function shortages(type: Indexed['types'][number], left: readonly number[]): Shortage[] {
  const { slots, agree } = type;
  const { id, needs } = type.type;
  let best: { missing: number; lacks: number[] } | undefined;
  let tries = 0;
  const chosen: number[] = [];
  const taken = new Map<number, number>();
  const lacks: number[] = [];
  const step = (slot: number, missing: number): void => {
    if (best && missing >= best.missing) return;
    if (slot === slots.length) {
      best = { missing, lacks: [...lacks] };
      return;
    }
    const { kinds, count } = slots[slot]!;
    const lack = (kind: number) => Math.max(0, count - Math.max(0, left[kind]! - (taken.get(kind) ?? 0)));
    const open = kinds.filter((kind) => chosen.every((other) => agree(kind, other) && agree(other, kind)));
    for (const kind of open.sort((p, q) => lack(p) - lack(q))) {
      if (++tries > MOST_TRIES) return;
      const own = lack(kind);
      chosen.push(kind);
      lacks.push(own);
      taken.set(kind, (taken.get(kind) ?? 0) + count);
      step(slot + 1, missing + own);
      taken.set(kind, taken.get(kind)! - count);
      lacks.pop();
      chosen.pop();
    }
  };
  step(0, 0);
  // Kinds that never agree: the whole of every slot is missing.
  const found = best ? best.lacks : slots.map(({ count }) => count);
  return needs.flatMap(({ slot }, at) => (found[at]! > 0 ? [{ engine: id, slot, missing: found[at]! }] : []));
}
