/** A recipe by paint indices and whole drops. */
export interface Entry {
  dE00: number;
  paints: number[];
  drops: readonly number[];
}

/** What a search fills, and the differences at which it can pass over the rest. */
export interface Collection {
  /** No recipe at least this far is wanted from any choice of paints still to come. */
  readonly reach: number;
  /** No recipe of the choice at hand that is at least this far is wanted; never above `reach`. */
  readonly limit: number;
  /** No recipe at least this far would change anything if it were offered. */
  readonly notice: number;
  /** A choice of paints is about to be searched. */
  begin: (choice: readonly number[]) => void;
  offer: (dE00: number, paints: ArrayLike<number>, drops: readonly number[]) => void;
}

/** The nearest recipes found so far. */
export interface Shortlist extends Collection {
  /** Nearest first. */
  readonly entries: readonly Entry[];
  /** Number of recipes offered. */
  readonly evaluated: number;
  /** The nearest recipe of each of the nearest choices of paints met so far, nearest first. */
  leads: () => Entry[];
}

/** How many choices of n paints are carried into the search for n + 1. */
const LEADS = 32;

/** Keeps `keep` recipes; `within` as in RecipeAnswer. */
export function shortlist(keep: number, within: number): Shortlist {
  const entries: Entry[] = [];
  const leads = new Map<string, Entry>();
  let farthestLead = Infinity;
  let evaluated = 0;
  let limit = Infinity;

  const lead = (entry: Entry): void => {
    const key = entry.paints.join();
    const known = leads.get(key);
    if (known && known.dE00 <= entry.dE00) return;
    leads.set(key, entry);
    if (leads.size < 2 * LEADS) return;
    const sorted = [...leads].sort((p, q) => p[1].dE00 - q[1].dE00);
    for (const [dropped] of sorted.slice(LEADS)) leads.delete(dropped);
    farthestLead = sorted[LEADS - 1]![1].dE00;
  };

  return {
    entries,
    get evaluated() {
      return evaluated;
    },
    get limit() {
      return limit;
    },
    get reach() {
      return limit;
    },
    get notice() {
      const kept = entries.length < keep ? Infinity : entries.at(-1)!.dE00;
      return Math.max(kept, farthestLead);
    },
    begin: () => undefined,
    offer: (dE00, paints, drops) => {
      evaluated++;
      const full = entries.length >= keep;
      const kept = !full || dE00 < entries.at(-1)!.dE00;
      if (!kept && dE00 >= farthestLead) return;
      const entry: Entry = { dE00, paints: Array.from(paints), drops };
      if (dE00 < farthestLead) lead(entry);
      if (!kept) return;
      const known = entries.some(
        (other) =>
          other.dE00 === dE00 &&
          other.paints.join() === entry.paints.join() &&
          other.drops.join() === drops.join(),
      );
      if (known) return;
      const at = entries.findIndex((other) => dE00 < other.dE00);
      entries.splice(at < 0 ? entries.length : at, 0, entry);
      if (entries.length > keep) entries.pop();
      if (within > 0) limit = entries[0]!.dE00 - within;
      else if (entries.length >= keep) limit = entries.at(-1)!.dE00;
    },
    leads: () => [...leads.values()].sort((p, q) => p.dE00 - q.dE00).slice(0, LEADS),
  };
}
