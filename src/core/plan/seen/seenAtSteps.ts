import { newRecord, showingRecord } from '../../kit/index.ts';
import { sceneOf } from '../../livery/index.ts';
import { traysOf, type DividedKit, type SeenAtSteps } from '../contribution.ts';
import { detailWork } from '../contributions/detailWork.ts';

/** Undefined where there is no detail whose share can be known: without a view or a place, and where all of it is done for its
 *  own sake or counts for nothing. */
export function seenAtSteps(build: DividedKit): SeenAtSteps | undefined {
  const { kit, scale } = build;
  const { pleasure, weights = [] } = kit.showings[0] ?? newRecord(showingRecord);
  const passed = new Set([
    ...pleasure,
    ...weights.flatMap(({ workId, times }) => (times === 0 ? [workId] : [])),
  ]);
  const all = detailWork(kit, scale).filter(({ id }) => !passed.has(id));
  const model = all.length > 0 ? sceneOf(kit) : undefined;
  if (!model) return undefined;
  const inScene = new Set(model.scene.parts.map(({ id }) => id));
  const work = all
    .filter(({ partIds }) => partIds.every((id) => inScene.has(id)))
    .map((each) => ({ ...each, trays: traysOf(build, each.partIds) }));
  if (work.length === 0) return undefined;
  return {
    scene: model.scene,
    guessed: model.placed.flatMap(({ partId, guessed }) => (guessed ? [partId] : [])),
    work,
  };
}
