import { expose } from 'comlink';
import type { Spectrum } from '../../core/colour/index.ts';
import {
  bestOfGrounds,
  compareStacks,
  stackCandidates,
  type BestOfGround,
  type Conditions,
  type Stack,
} from '../../core/finish/index.ts';
import { searchRecipes, type Recipe, type RecipeRequest } from '../../core/match/index.ts';

export interface Comparison {
  /** How many were looked at. */
  count: number;
  /** The best of every ground, nearest colour first. */
  best: BestOfGround[];
}

/** Every primer, undercoat and number of coats under the colour of a stack. */
function compare(stack: Stack, wanted: Spectrum | undefined, conditions: Conditions): Comparison {
  const compared = compareStacks(stack, stackCandidates(stack), wanted, conditions);
  return { count: compared.length, best: bestOfGrounds(compared) };
}

/** The nearest recipes of two paints for a colour. */
function mixTwo(request: RecipeRequest): Recipe[] {
  return searchRecipes({ ...request, maxPaints: 2 }).best[1] ?? [];
}

const finishWorker = { compare, mixTwo };
export type FinishWorker = typeof finishWorker;
expose(finishWorker);
