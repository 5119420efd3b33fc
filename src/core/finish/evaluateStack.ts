import {
  evaluateChain,
  type EvaluateOptions,
  type SeenColour,
  type StackEvaluation,
} from './evaluateChain.ts';
import { coloursOf, seenAs } from './severalColours.ts';
import { DEFAULT_CONDITIONS, type Conditions, type Stack } from './stack.ts';

/** What a stack looks like, how thick and how slow it is, and every rule it breaks, in the given air. A body in several
 *  colours is looked at once for each of them: only what lies on its areas, and what all of them share, is over each other
 *  there. Times are those of all layers, one after the other. What is said of the whole is said of the colour that the others
 *  are picked out over, else of the one that goes on last, and of the thickest film. Throws RangeError for air that no bench has, a substrate that is not known, too many
 *  layers, coats below one, a film that is not above zero or an area that is not above zero. */
export function evaluateStack(
  stack: Stack,
  conditions: Conditions = DEFAULT_CONDITIONS,
  options: EvaluateOptions = {},
): StackEvaluation {
  const whole = evaluateChain(stack, conditions, options);
  const finishIds = coloursOf(stack.layers);
  if (finishIds.length === 0) return whole;
  const chains = finishIds.map((finishId) => {
    const layers = seenAs(stack.layers, finishId);
    return { finishId, layers, seen: evaluateChain({ ...stack, layers }, conditions, options) };
  });
  const last = chains.find(({ finishId }) => finishId === null) ?? chains.at(-1)!;
  const thickest = chains.reduce((most, each) =>
    each.seen.filmFlat.usual > most.seen.filmFlat.usual ? each : most,
  );
  return {
    ...last.seen,
    layers: whole.layers.map((layer, at) => {
      const { finishId } = stack.layers[at]!;
      const own = finishId === undefined ? last : chains.find((each) => each.finishId === finishId)!;
      const seen = own.seen.layers.find(({ id }) => id === layer.id)!;
      const { begins, ends, wait, betweenCoats } = layer;
      return { ...seen, begins, ends, wait, betweenCoats };
    }),
    filmFlat: thickest.seen.filmFlat,
    filmEdge: thickest.seen.filmEdge,
    clearFilm: Math.min(...chains.map(({ seen }) => seen.clearFilm)),
    handsOn: whole.handsOn,
    elapsed: whole.elapsed,
    findings: onceEach(chains.flatMap(({ seen }) => seen.findings)),
    muted: onceEach(chains.flatMap(({ seen }) => seen.muted)),
    colours: chains.map(({ finishId, layers, seen }): SeenColour => {
      const { lab, spectrum, gloss, filmFlat, clearFilm } = seen;
      return { finishId, lab, spectrum, gloss, filmFlat, clearFilm, layerIds: layers.map(({ id }) => id) };
    }),
  };
}

/** What is found of what the colours share is found of each of them. */
function onceEach<T extends { ruleId: string; layerId: string }>(found: readonly T[]): T[] {
  const seen = new Map<string, T>();
  for (const each of found) {
    const key = `${each.ruleId} ${each.layerId}`;
    if (!seen.has(key)) seen.set(key, each);
  }
  return [...seen.values()];
}
