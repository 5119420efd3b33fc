import { wrap } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import type { CodeRecord, PaintRecord } from '../../../api/index.ts';
import { spectrumToLab, type ViewingCondition } from '../../../core/colour/index.ts';
import type { PredictionBand } from '../../../core/match/index.ts';
import type { BandQuestion, RecipeWorker } from '../../workers/recipeWorker.ts';
import { targetUncertainty, type Candidate } from './candidates.ts';

const NONE: ReadonlyMap<string, PredictionBand> = new Map();

/** The 90 % band of every answer in a light, worked out in a worker; empty until it is there. */
export function useBands(
  candidates: readonly Candidate[],
  code: CodeRecord | undefined,
  paints: readonly PaintRecord[],
  condition: ViewingCondition,
): ReadonlyMap<string, PredictionBand> {
  const key = candidates.map((candidate) => candidate.key).join(' ');
  const question = useMemo<BandQuestion | undefined>(() => {
    if (!code || key === '') return undefined;
    const mixes = key.split(' ').map((one) => Object.fromEntries(one.split('+').map(partOf)));
    const ids = new Set(mixes.flatMap((mix) => Object.keys(mix)));
    return {
      mixes,
      paints: paints
        .filter(({ id }) => ids.has(id))
        .map(({ id, k, s, uncertainty }) => ({ id, k, s, uncertainty })),
      target: { lab: spectrumToLab(code.spectrum, condition), uncertainty: targetUncertainty(code) },
      condition,
    };
  }, [key, code, paints, condition]);
  const [answered, setAnswered] = useState<{ question: BandQuestion; bands: PredictionBand[] }>();

  useEffect(() => {
    if (!question) return;
    const worker = new Worker(new URL('../../workers/recipeWorker.ts', import.meta.url), { type: 'module' });
    wrap<RecipeWorker>(worker)
      .bands(question)
      .then((bands) => setAnswered({ question, bands }))
      // Without bands the figures stand alone; the search beside them says what went wrong.
      .catch(() => undefined)
      .finally(() => worker.terminate());
    return () => worker.terminate();
  }, [question]);

  return useMemo(
    () =>
      answered && answered.question === question
        ? new Map(key.split(' ').map((one, index) => [one, answered.bands[index]!]))
        : NONE,
    [answered, question, key],
  );
}

function partOf(part: string): [string, number] {
  const at = part.lastIndexOf(':');
  return [part.slice(0, at), Number(part.slice(at + 1))];
}
