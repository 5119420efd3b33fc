import type { Kit, Part } from '../kit.ts';
import { isSure, rolesOf, type Role } from './suggestRoles.ts';

/** Two parts that belong together, with who says so. */
export interface FoundPair {
  a: string;
  b: string;
  kind: 'mirrored' | 'alike';
  because: string;
}

const key = (a: string, b: string): string => [a, b].sort().join(' ');

/** One for each thing of a system, whatever its side. */
const placeOf = ({ system, thing, stem, end, level, half }: Role): string =>
  JSON.stringify([system, thing, stem, end, level, half]);

/** Pairs of a kit: those that the builder names, and every left part with the one right part that is the same but for its
 *  side and of the same material. Halves, which are joined to each other, are none, nor is what the builder calls none; and
 *  where two could be meant nothing is said. */
export function pairsOf(kit: Pick<Kit, 'parts' | 'roles' | 'pairs' | 'joints'>): FoundPair[] {
  const said = kit.pairs.flatMap(({ a, b, kind }): FoundPair[] =>
    kind === 'no-pair' ? [] : [{ a, b, kind, because: 'you said so' }],
  );
  const taken = new Set(said.flatMap(({ a, b }) => [a, b]));
  const isNone = new Set([
    ...kit.pairs.flatMap(({ a, b, kind }) => (kind === 'no-pair' ? [key(a, b)] : [])),
    ...kit.joints.map(({ a, b }) => key(a, b)),
  ]);
  const sides = new Map<string, { left: Part[]; right: Part[] }>();
  rolesOf(kit).forEach((role, at) => {
    const part = kit.parts[at]!;
    if (taken.has(part.id) || !isSure(role) || role.side === null || role.half) return;
    const place = placeOf(role);
    const held = sides.get(place) ?? { left: [], right: [] };
    held[role.side].push(part);
    sides.set(place, held);
  });
  const found = [...sides.values()].flatMap(({ left, right }): FoundPair[] => {
    const [a, b] = [left[0], right[0]];
    if (left.length !== 1 || right.length !== 1 || !a || !b) return [];
    if (a.material !== b.material || a.count !== b.count || isNone.has(key(a.id, b.id))) return [];
    return [{ a: a.id, b: b.id, kind: 'mirrored', because: 'the same thing on the left and on the right' }];
  });
  return [...said, ...found];
}
