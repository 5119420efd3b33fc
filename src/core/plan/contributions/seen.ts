import { adviseFromKit, type KitAdvice } from '../advice/kitAdvice.ts';
import { few, type Ahead, type PlanContribution, type SeenAtSteps } from '../contribution.ts';
import { HARDLY } from '../seen/hardly.ts';
import { keptShares } from '../seen/partShares.ts';
import type { TaskKind } from '../tasks.ts';

/** Work that nobody will see, by the sub-assemblies and the kind of step in which it is done. */
function hardlySeen({ scene, guessed, work }: SeenAtSteps): KitAdvice[] {
  const partIds = [...new Set(work.flatMap((each) => each.partIds))];
  const shares = keptShares(scene, guessed, partIds);
  const unsure = new Set(guessed);
  const groups = new Map<
    string,
    { kind: TaskKind; trays: string[]; told: string[]; ids: string[]; parts: string[] }
  >();
  for (const { id, name, partIds: of, trays, kind } of work) {
    const known = of.flatMap((part) => shares.get(part) ?? []);
    if (known.length < of.length || trays.length === 0) continue;
    const share = known.reduce((sum, each) => sum + each, 0) / known.length;
    if (share >= HARDLY) continue;
    const key = `${kind} ${trays.join(' ')}`;
    const group = groups.get(key) ?? { kind, trays, told: [], ids: [], parts: [] };
    group.told.push(
      `${name} (${(100 * share).toFixed(0)} %${of.some((part) => unsure.has(part)) ? ', its place guessed' : ''})`,
    );
    group.ids.push(id);
    group.parts.push(...of);
    groups.set(key, group);
  }
  return [...groups.values()].map(({ kind, trays, told, ids, parts }) => ({
    rule: 'hardly-seen',
    subject: [...ids].sort().join(' '),
    severity: 'note',
    topic: 'note',
    about: { trays, parts: [...new Set(parts)] },
    text: `Hardly seen once it is closed: ${few(told).join('; ')}`,
    why: 'That is what an eye sees of it on the mean, from where the model is shown.',
    remedy: 'Leave it out, spend the evening on what is seen, or say that it is done for its own sake.',
    source: 'the views, and where its parts sit',
    stage: 'detail',
    page: 'seen',
    at: { trays, joins: [], between: true, kinds: [kind], once: true },
  }));
}

function adviseOfSeen(ahead: Ahead): void {
  const { id, kit } = ahead.build;
  if (kit.seen)
    adviseFromKit({ id, kit: { advice: hardlySeen(kit.seen), crossSteps: kit.crossSteps } }, ahead);
}

/** Fine work that nobody will see, said where it is about to be done. */
export const seen: PlanContribution = { id: 'seen', advice: adviseOfSeen };
