import { counted, type Kit } from '../../kit/index.ts';
import { substitutes, type SubstitutePaint } from '../../match/index.ts';
import type { PaintUse } from '../log/costs.ts';

/** Something that the next builder will not get, or that was replaced, and what stands in. */
export interface GoneThing {
  what: string;
  instead: string;
}

const NAMED = 2;

/** Paints that were used and are no longer made, with what comes nearest; things that were wanted and stood in for; parts that came back
 *  otherwise than from the box. */
export function goneThings(
  used: readonly Pick<PaintUse, 'paintId' | 'laidMl' | 'mixedMl'>[],
  paints: readonly (SubstitutePaint & { name: string; discontinued: boolean })[],
  { parts, wants }: Pick<Kit, 'parts' | 'wants'>,
): GoneThing[] {
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const replaced = parts.filter(({ state }) => state === 'from-spares' || state === 'scratch-built');
  return [
    ...used.flatMap(({ paintId, laidMl, mixedMl }) => {
      const paint = byId.get(paintId);
      if (!paint?.discontinued || Math.max(laidMl, mixedMl) <= 0) return [];
      const nearest = substitutes(paint, paints, NAMED).map(({ id }) => `${byId.get(id)!.name} (${id})`);
      return [
        {
          what: `${paint.name} (${paintId}) is no longer made`,
          instead:
            nearest.length > 0 ? `nearest: ${nearest.join(', ')}` : 'nothing in the catalogue comes near',
        },
      ];
    }),
    ...wants
      .filter(({ have, substitute }) => !have && substitute.trim() !== '')
      .map(({ name, substitute, looks }) => ({
        what: `${name} is not there`,
        instead: [`stands in: ${substitute}`, looks].filter((words) => words !== '').join('; '),
      })),
    ...replaced.map(({ name, count, state }) => ({
      what: count > 1 ? `${counted(count, 'piece')} of ${name}` : name,
      instead: state === 'from-spares' ? 'from spares, or from elsewhere' : 'made from stock',
    })),
  ];
}
