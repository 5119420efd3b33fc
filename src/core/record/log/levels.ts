import type { LayerUse } from '../../kit/index.ts';
import type { LoggedCup, TickedStep } from './logOf.ts';

/** What was done with paint in one build. */
export interface UseOfBuild {
  /** By film and area of its layers. */
  uses: readonly LayerUse[];
  operations: readonly { id: string; trayId?: string; layerId?: string }[];
  steps: readonly Pick<TickedStep, 'operationId' | 'endedAt'>[];
  cups: readonly Pick<LoggedCup, 'trayId' | 'mixedAt' | 'drops' | 'additions'>[];
}

/** What has gone of a paint since its level was told, ml. Of each sub-assembly what was laid or what was mixed, whichever is more: a
 *  cup is mixed to be laid. A layer counts when the last of its steps was done. Times in minutes since 1970. `dropMl`: volume of
 *  a drop of the paint. */
export function usedSince(
  paintId: string,
  toldAt: number,
  builds: readonly UseOfBuild[],
  dropMl: number,
): { laidMl: number; mixedMl: number; usedMl: number } {
  const total = { laidMl: 0, mixedMl: 0, usedMl: 0 };
  for (const build of builds) {
    const byTray = new Map<string | null, { laid: number; mixed: number }>();
    const at = (trayId: string | null) => {
      const known = byTray.get(trayId) ?? { laid: 0, mixed: 0 };
      byTray.set(trayId, known);
      return known;
    };
    for (const use of build.uses) {
      if (use.paintId !== paintId) continue;
      const laidAt = laidWhen(use, build);
      if (laidAt !== null && laidAt > toldAt) at(use.trayId).laid += use.ml;
    }
    for (const { trayId, mixedAt, drops, additions } of build.cups)
      for (const each of [{ at: mixedAt, add: drops }, ...additions])
        if (each.at > toldAt) at(trayId).mixed += (each.add[paintId] ?? 0) * dropMl;
    for (const { laid, mixed } of byTray.values()) {
      total.laidMl += laid;
      total.mixedMl += mixed;
      total.usedMl += Math.max(laid, mixed);
    }
  }
  return total;
}

/** When a layer was finished; null while a step of it is open, or where none is known. */
function laidWhen(
  { trayId, layerId }: LayerUse,
  { operations, steps }: Pick<UseOfBuild, 'operations' | 'steps'>,
): number | null {
  const own = operations.filter((each) => each.trayId === trayId && each.layerId === layerId);
  if (own.length === 0) return null;
  const ended = new Map(steps.map(({ operationId, endedAt }) => [operationId, endedAt]));
  const ends = own.map(({ id }) => ended.get(id));
  return ends.every((end) => end !== undefined) ? Math.max(...ends) : null;
}

/** How full a bottle is now, as far as it can be told. */
export interface LevelNow {
  /** As it was told, ml. */
  toldMl: number;
  usedMl: number;
  laidMl: number;
  mixedMl: number;
  /** What that leaves, ml, not below nothing. */
  leftMl: number;
  /** More was used than there was: what was told, or the reckoning, was off. */
  isOver: boolean;
}

/** Use below this is no use worth writing down, ml. */
const LEAST_ML = 0.05;

/** What is left of a paint whose level was told at a time; null where nothing worth a word went since, or nobody noted when it was
 *  told. */
export function levelNow(
  paint: { id: string; levelMl: number | null; toldAt: number | null },
  builds: readonly UseOfBuild[],
  dropMl: number,
): LevelNow | null {
  if (paint.levelMl === null || paint.toldAt === null) return null;
  const used = usedSince(paint.id, paint.toldAt, builds, dropMl);
  if (used.usedMl < LEAST_ML) return null;
  const left = paint.levelMl - used.usedMl;
  return {
    toldMl: paint.levelMl,
    ...used,
    leftMl: Math.round(10 * Math.max(0, left)) / 10,
    isOver: left < -LEAST_ML,
  };
}

/** What is left by weighing, ml: the bottle now against the same bottle full and empty, g. Null for weights that cannot be. */
export function mlByWeight(
  { nowG, fullG, emptyG }: { nowG: number; fullG: number; emptyG: number },
  volumeMl: number,
): number | null {
  if (![nowG, fullG, emptyG, volumeMl].every(Number.isFinite) || !(fullG > emptyG) || emptyG < 0) return null;
  if (nowG < emptyG || nowG > fullG) return null;
  return (volumeMl * (nowG - emptyG)) / (fullG - emptyG);
}
