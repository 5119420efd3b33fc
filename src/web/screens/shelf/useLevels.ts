import { useMemo } from 'react';
import type { PaintRecord } from '../../../api/index.ts';
import { layerUses, productIndex } from '../../../core/kit/index.ts';
import { carriedOver } from '../../../core/plan/index.ts';
import { USUAL_DROP_ML } from '../../../core/match/index.ts';
import { levelNow, type LevelNow, type UseOfBuild } from '../../../core/record/index.ts';
import { mergeShelf, useBench } from '../../data/bench.ts';
import { benchNow } from '../../data/clock.ts';
import { useCups } from '../../data/cups.ts';
import { usePlan } from '../../data/plan.tsx';

export type Levels = ReadonlyMap<string, LevelNow>;

/** What has gone of the paints on the shelf since their levels were told, of those of which something has. */
export function useLevels(paints: readonly PaintRecord[] | undefined): Levels {
  const { data: bench } = useBench();
  const { data: cups } = useCups();
  const { view } = usePlan();
  const builds = useMemo((): UseOfBuild[] => {
    if (!bench || !view || !cups || !paints) return [];
    const products = productIndex(paints);
    return bench.builds.map((build) => {
      const operations = view.operations.filter(({ buildId }) => buildId === build.id);
      const own = bench.steps.filter(({ buildId }) => buildId === build.id);
      return {
        uses: layerUses(build.trays, build.scale, products),
        operations,
        steps: carriedOver(operations, own).done,
        cups: cups.filter(({ buildId }) => buildId === build.id),
      };
    });
  }, [bench, view, cups, paints]);
  return useMemo(
    () =>
      new Map(
        (paints ?? []).flatMap((paint) => {
          if (paint.levelMl === null) return [];
          const dropMl = paint.dropMl ?? USUAL_DROP_ML * paint.perDrop;
          const level = levelNow(paint, builds, dropMl);
          return level ? [[paint.id, level] as const] : [];
        }),
      ),
    [paints, builds],
  );
}

/** Writes down what is left of every paint of which something has gone. */
export function takeLevels(paints: readonly PaintRecord[], levels: Levels): Promise<void> {
  const toldAt = Math.floor(benchNow() / 60_000);
  return mergeShelf({
    rows: paints.flatMap(({ id, version, openedOn, place, note }) => {
      const level = levels.get(id);
      return level
        ? [
            {
              paintId: id,
              shelf: { levelMl: level.leftMl, toldAt, openedOn, place, note },
              change: {},
              version,
            },
          ]
        : [];
    }),
  });
}
