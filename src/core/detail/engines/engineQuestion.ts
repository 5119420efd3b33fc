/** A type of engine: what each of its slots takes, and kinds that never stand on the same engine. */
export interface EngineType {
  id: string;
  value: number;
  /** Built so often at most. */
  most: number;
  needs: readonly EngineSlot[];
  not: readonly (readonly [string, string])[];
}

/** Takes `count` parts, all of one kind of `anyOf`. */
export interface EngineSlot {
  slot: string;
  anyOf: readonly string[];
  count: number;
}

export interface EngineQuestion {
  /** What is at hand, of several kits and the spares box. */
  parts: readonly { kind: string; count: number }[];
  engines: readonly EngineType[];
}

/** The question with kinds by number. */
export interface Indexed {
  kinds: string[];
  /** On hand, by kind. */
  supply: number[];
  types: IndexedType[];
}
export interface IndexedType {
  type: EngineType;
  slots: { kinds: number[]; count: number }[];
  /** Whether two kinds may stand on one engine. */
  agree: (one: number, other: number) => boolean;
}

/** Throws RangeError, by name, for what is given twice or makes no sense. */
export function indexed({ parts, engines }: EngineQuestion): Indexed {
  const at = new Map<string, number>();
  const kindAt = (kind: string): number => {
    const known = at.get(kind) ?? at.size;
    at.set(kind, known);
    return known;
  };
  const supply: number[] = [];
  for (const { kind, count } of parts) {
    requireCount(count, 0, `There are ${count} of ${kind}`);
    const place = kindAt(kind);
    supply[place] = (supply[place] ?? 0) + count;
  }
  const ids = new Set<string>();
  const types = engines.map((type): IndexedType => {
    const { id, value, most, needs, not } = type;
    if (ids.has(id)) throw new RangeError(`The engine ${id} is given twice.`);
    ids.add(id);
    requireCount(most, 0, `The engine ${id} is built ${most} times at most`);
    if (!Number.isFinite(value)) throw new RangeError(`The engine ${id} is worth ${value}: give a number.`);
    const names = new Set(needs.map(({ slot }) => slot));
    if (names.size < needs.length) throw new RangeError(`The engine ${id} has a slot twice.`);
    for (const { slot, count } of needs) requireCount(count, 1, `${slot} of ${id} takes ${count} parts`);
    if (needs.length === 0) throw new RangeError(`The engine ${id} needs nothing: name its slots.`);
    const barred = new Set(
      not.flatMap(([p, q]) => [`${kindAt(p)} ${kindAt(q)}`, `${kindAt(q)} ${kindAt(p)}`]),
    );
    return {
      type,
      slots: needs.map(({ anyOf, count }) => ({ kinds: [...new Set(anyOf.map(kindAt))], count })),
      agree: (one, other) => !barred.has(`${one} ${other}`),
    };
  });
  const kinds = [...at.keys()];
  return { kinds, supply: kinds.map((_, place) => supply[place] ?? 0), types };
}

function requireCount(count: number, least: number, said: string): void {
  if (!Number.isInteger(count) || count < least)
    throw new RangeError(`${said}: give a whole number from ${least}.`);
}
