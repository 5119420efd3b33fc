import { resolveVersion } from '../kit/index.ts';
import type { Need, NeedsContext, NeedsQuestion } from './contribution.ts';
import { CONTRIBUTIONS } from './contributions/index.ts';

/** Days to wait for a material ordered, where the stock does not say. */
const MATERIAL_LEAD_DAYS = 4;

const RANK = { buy: 0, short: 1, 'from spares': 2, have: 3 } as const;

/** Everything the chosen version, its stacks, joints and parts need, against what is on hand; what is missing
 *  first, longest lead first. */
export function kitNeeds(question: NeedsQuestion): Need[] {
  const version = resolveVersion(question.kit);
  const inStock = new Set(question.materials.flatMap(({ kind, have }) => (have ? [kind] : [])));
  const leadOf = (kind: string) =>
    question.materials.find((material) => material.kind === kind)?.leadDays ?? MATERIAL_LEAD_DAYS;
  const context: NeedsContext = {
    ...question,
    version,
    parts: question.kit.parts.filter(({ id }) => version.used.has(id)),
    isInStock: (kind) => inStock.has(kind),
    material: (kind, what, why, instead = { substitute: '', looks: '' }) => ({
      id: `material:${kind}`,
      group: 'glue and filler',
      what,
      why,
      state: inStock.has(kind) ? 'have' : 'buy',
      leadDays: inStock.has(kind) ? 0 : leadOf(kind),
      ...instead,
    }),
  };
  return askedOnce(CONTRIBUTIONS.flatMap(({ needs }) => needs?.(context) ?? [])).sort(
    (p, q) => RANK[p.state] - RANK[q.state] || q.leadDays - p.leadDays || (p.what < q.what ? -1 : 1),
  );
}

/** What is needed for several things is got once; all that it is for is said. */
function askedOnce(needs: readonly Need[]): Need[] {
  const found = new Map<string, Need>();
  for (const need of needs) {
    const known = found.get(need.id);
    found.set(need.id, known ? { ...known, why: `${known.why}; ${need.why}` } : need);
  }
  return [...found.values()];
}
