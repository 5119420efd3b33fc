import { chooseDetail, visibleShare, type DetailChoice, type SeenShare } from '../../core/detail/index.ts';
import { newRecord, showingRecord, type Kit } from '../../core/kit/index.ts';
import { sceneOf, type ModelScene } from '../../core/livery/index.ts';
import { detailWork, type DetailWork } from '../../core/plan/index.ts';

/** Rays for each part: two parts in a hundred. */
const RAYS = 700;
const SEED = 1;

/** Detail with how much of it is seen. */
export interface SeenWork extends DetailWork {
  /** 0..1; 1 for what belongs to the outside; null where its place is not known. */
  share: number | null;
}

export interface SeenDetail extends Omit<ModelScene, 'scene'> {
  shares: SeenShare[];
  work: SeenWork[];
  /** What is worth the time there is, after what is done for its own sake. */
  choice: DetailChoice;
}

/** How much of each part is seen, and which detail is worth the time. Null where no view shows a side of the model. */
export function seenDetail(kit: Kit, scale: number): SeenDetail | null {
  const model = sceneOf(kit);
  if (!model) return null;
  const { scene, ...rest } = model;
  const { parts: shares } = visibleShare(scene, { rays: RAYS, seed: SEED });
  const shareOf = new Map(shares.map(({ id, share }) => [id, share]));
  const outside = new Set(model.outside);
  const seen = (partId: string) => shareOf.get(partId) ?? (outside.has(partId) ? 1 : null);
  const work = detailWork(kit, scale).map((each): SeenWork => {
    const known = each.partIds.flatMap((id) => seen(id) ?? []);
    return { ...each, share: known.length > 0 ? Math.max(...known) : null };
  });
  const { minutes, pleasure } = kit.showings[0] ?? newRecord(showingRecord);
  const forItself = new Set(pleasure);
  const free = work.filter(({ id }) => !forItself.has(id));
  const spent = work.filter(({ id }) => forItself.has(id)).reduce((sum, each) => sum + each.minutes, 0);
  const choice = chooseDetail({
    minutes: Math.max(0, minutes - spent),
    tasks: free.flatMap(({ id, minutes: takes, share }) =>
      share === null ? [] : [{ id, minutes: takes, gain: 100 * share, after: [], not: [] }],
    ),
  });
  return { ...rest, shares, work, choice };
}
