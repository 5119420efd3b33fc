import { proxy } from 'comlink';
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
import { useTask, type TaskState } from '../../data/useTask.ts';
import type { RecipeWorker } from '../../workers/recipeWorker.ts';

type Found =
  | { kind: 'found'; answer: RecipeAnswer; paintCount: number }
  | { kind: 'saved'; aim: FrugalAim; recipes: FrugalRecipe[]; nearEnough: number };

export type RecipeState =
  | { kind: 'idle' }
  | { kind: 'searching'; share: number; soFar: Recipe[][] }
  | (Found & { seconds: number })
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
  const key =
    labs && paints.length > 0
      ? `${JSON.stringify([labs, conditions, surface])} ${maxPaints} ${maxDrops} ${mostBought} ${aim} ${aim === 'nearest' ? '' : tolerance} ${paints.map(paintStamp).join()}`
      : '';
  const { state, cancel, again } = useTask<RecipeWorker, Found, { share: number; soFar: Recipe[][] }>({
    question: key,
    worker: () => new Worker(new URL('../../workers/recipeWorker.ts', import.meta.url), { type: 'module' }),
    work: async (remote, tell) => {
      const onProgress = proxy((share: number, soFar: Recipe[][] = []) => tell({ share, soFar }));
      const request: RecipeRequest = {
        format: 'recipe-request',
        version: 1,
        paints: paints.map(recipePaint),
        surface,
        target: { lab: tripleOf(labs![0]!) },
        condition: conditions[0]!,
        alsoIn: labs!.slice(1).map((lab, at) => ({ lab: tripleOf(lab), condition: conditions[at + 1]! })),
        ...(mostBought === undefined ? {} : { mostBought }),
        maxPaints,
        maxDrops,
      };
      if (aim === 'nearest') {
        const answer = await remote.search(request, { keep: KEEP, within: WITHIN }, onProgress);
        return { kind: 'found', answer, paintCount: paints.length };
      }
      const bottles = paints.map(({ id, levelMl, priceCents }) => ({
        id,
        owned: levelMl !== null,
        priceCents,
      }));
      const question = { request, tolerance, aim, bottles, keep: KEEP };
      return { kind: 'saved', aim, ...(await remote.save(question, onProgress)) };
    },
    settleMs: SETTLE_MS,
  });
  return { state: shownState(state, labs !== undefined, paints.length), cancel, again };
}

function shownState(
  state: TaskState<Found, { share: number; soFar: Recipe[][] }>,
  isWanted: boolean,
  paintCount: number,
): RecipeState {
  if (!isWanted) return { kind: 'idle' };
  if (paintCount === 0) {
    return {
      kind: 'failed',
      message: 'There is no mixable paint to search: put paints on the shelf or search everything.',
    };
  }
  if (state.kind === 'working') return { kind: 'searching', ...(state.progress ?? { share: 0, soFar: [] }) };
  if (state.kind === 'answered') return { ...state.answer, seconds: state.seconds };
  return state;
}
