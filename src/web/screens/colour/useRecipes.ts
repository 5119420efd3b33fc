import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { PaintRecord } from '../../../api/index.ts';
import type { Lab, ViewingCondition } from '../../../core/colour/index.ts';
import type {
  FrugalAim,
  FrugalRecipe,
  PaletteAim,
  Recipe,
  RecipeAnswer,
  RecipeRequest,
} from '../../../core/match/index.ts';
import type { Surface } from '../../../core/paint/index.ts';
import { textHash } from '../../../core/textHash.ts';
import { recipePaint } from '../../data/mixable.ts';
import type { RecipeWorker } from '../../workers/recipeWorker.ts';

export type RecipeState =
  | { kind: 'idle' }
  | { kind: 'searching'; share: number; soFar: Recipe[][] }
  | { kind: 'found'; answer: RecipeAnswer; seconds: number; paintCount: number }
  | { kind: 'saved'; aim: FrugalAim; recipes: FrugalRecipe[]; nearEnough: number; seconds: number }
  | { kind: 'cancelled' }
  | { kind: 'failed'; message: string };

interface RecipeQuestion {
  paints: readonly PaintRecord[];
  /** The colour wanted in each condition, the first leading; undefined where nothing is wanted. */
  labs: readonly Lab[] | undefined;
  conditions: readonly ViewingCondition[];
  /** The face that it is seen with. */
  surface: Surface;
  maxPaints: number;
  maxDrops: number;
  mostBought: number | undefined;
  aim: PaletteAim;
  tolerance: number;
}

/** How near the promise goes: nothing better by more than this. */
export const WITHIN = 0.1;
const KEEP = 12;
const SETTLE_MS = 150;
const stamps = new WeakMap<PaintRecord, string>();

/** Changes with all of a paint that an answer depends on: optics, drop, chemistry, price, and whether it is owned. Worked
 *  out once for each record: what changes is another. */
export function paintStamp(paint: PaintRecord): string {
  let stamp = stamps.get(paint);
  if (stamp === undefined) {
    stamp = textHash(JSON.stringify([recipePaint(paint), paint.priceCents]));
    stamps.set(paint, stamp);
  }
  return stamp;
}

const tripleOf = ({ L, a, b }: Lab) => [L, a, b] as const;

/** Searches recipes in a worker whenever the question changes; a new question or cancel ends the old worker. */
export function useRecipes({
  paints,
  labs,
  conditions,
  surface,
  maxPaints,
  maxDrops,
  mostBought,
  aim,
  tolerance,
}: RecipeQuestion) {
  const [answered, setAnswered] = useState<{ key: string; state: RecipeState }>({
    key: '',
    state: { kind: 'idle' },
  });
  const [turn, setTurn] = useState(0);
  const stop = useRef<() => void>(() => undefined);
  const key =
    labs && paints.length > 0
      ? `${JSON.stringify([labs, conditions, surface])} ${maxPaints} ${maxDrops} ${mostBought} ${aim} ${aim === 'nearest' ? '' : tolerance} ${turn} ${paints.map(paintStamp).join()}`
      : '';

  useEffect(() => {
    if (!labs || key === '') return;
    const answer = (state: RecipeState) => setAnswered({ key, state });
    let worker: Worker | undefined;
    const timer = setTimeout(() => {
      worker = new Worker(new URL('../../workers/recipeWorker.ts', import.meta.url), { type: 'module' });
      const remote = wrap<RecipeWorker>(worker);
      const began = performance.now();
      const request: RecipeRequest = {
        format: 'recipe-request',
        version: 1,
        paints: paints.map(recipePaint),
        surface,
        target: { lab: tripleOf(labs[0]!) },
        condition: conditions[0]!,
        alsoIn: labs.slice(1).map((lab, at) => ({ lab: tripleOf(lab), condition: conditions[at + 1]! })),
        ...(mostBought === undefined ? {} : { mostBought }),
        maxPaints,
        maxDrops,
      };
      // Progress comes on a port of its own and may arrive after the answer.
      const onProgress = proxy((share: number, soFar: Recipe[][] = []) =>
        setAnswered((now) =>
          now.key === key && now.state.kind !== 'searching'
            ? now
            : { key, state: { kind: 'searching', share, soFar } },
        ),
      );
      const seconds = () => (performance.now() - began) / 1000;
      const answered =
        aim === 'nearest'
          ? remote
              .search(request, { keep: KEEP, within: WITHIN }, onProgress)
              .then((found) =>
                answer({ kind: 'found', answer: found, seconds: seconds(), paintCount: paints.length }),
              )
          : remote
              .save(
                {
                  request,
                  tolerance,
                  aim,
                  bottles: paints.map(({ id, levelMl, priceCents }) => ({
                    id,
                    owned: levelMl !== null,
                    priceCents,
                  })),
                  keep: KEEP,
                },
                onProgress,
              )
              .then((saved) => answer({ kind: 'saved', aim, ...saved, seconds: seconds() }));
      answered
        .catch((error: unknown) => answer({ kind: 'failed', message: (error as Error).message }))
        .finally(() => worker?.terminate());
    }, SETTLE_MS);
    stop.current = () => {
      clearTimeout(timer);
      worker?.terminate();
    };
    return () => stop.current();
    // The key stands for the paints and the question; their identity changes with every render.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);

  let state: RecipeState = answered.state;
  if (!labs) state = { kind: 'idle' };
  else if (paints.length === 0) {
    state = {
      kind: 'failed',
      message: 'There is no mixable paint to search: put paints on the shelf or search everything.',
    };
  } else if (answered.key !== key) state = { kind: 'searching', share: 0, soFar: [] };

  return {
    state,
    cancel: () => {
      stop.current();
      setAnswered({ key, state: { kind: 'cancelled' } });
    },
    again: () => setTurn((count) => count + 1),
  };
}
