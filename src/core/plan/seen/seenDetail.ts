import { chooseDetail, type DetailChoice, type SeenShare } from '../../detail/index.ts';
import { newRecord, showingRecord, type Kit } from '../../kit/index.ts';
import { sceneOf, type ModelScene } from '../../livery/index.ts';
import { HARDLY } from './hardly.ts';
import { partShares } from './partShares.ts';
import { detailWork, type DetailWork } from '../contributions/detailWork.ts';

/** Detail with how much of it is seen. */
export interface SeenWork extends DetailWork {
  /** 0..1, the mean of its parts; 1 for what belongs to the outside; null where no place of them is known. */
  share: number | null;
  /** It rests on a place that is only guessed. */
  guessed: boolean;
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
  const guessed = new Set(rest.placed.flatMap((part) => (part.guessed ? [part.partId] : [])));
  const shares = partShares(scene, guessed);
  const shareOf = new Map(shares.map(({ id, share }) => [id, share]));
  const outside = new Set(model.outside);
  const seen = (partId: string) => shareOf.get(partId) ?? (outside.has(partId) ? 1 : null);
  const work = detailWork(kit, scale).map((each): SeenWork => {
    const known = each.partIds.flatMap((id) => seen(id) ?? []);
    const sum = known.reduce((all, share) => all + share, 0);
    const share = known.length > 0 ? sum / known.length : null;
    return { ...each, share, guessed: each.partIds.some((id) => guessed.has(id)) };
  });
  const { minutes, pleasure, weights = [] } = kit.showings[0] ?? newRecord(showingRecord);
  const times = new Map(weights.map((weight) => [weight.workId, weight.times]));
  const forItself = new Set(pleasure);
  const free = work.filter(({ id }) => !forItself.has(id));
  const spent = work.filter(({ id }) => forItself.has(id)).reduce((sum, each) => sum + each.minutes, 0);
  const choice = chooseDetail({
    minutes: Math.max(0, minutes - spent),
    tasks: free.flatMap(({ id, minutes: takes, share }) =>
      share === null
        ? []
        : [
            {
              id,
              minutes: takes,
              gain: share < HARDLY ? 0 : 100 * share * (times.get(id) ?? 1),
              after: [],
              not: [],
            },
          ],
    ),
  });
  return { ...rest, shares, work, choice };
}
