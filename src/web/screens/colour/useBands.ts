import { useMemo } from 'react';
import type { CodeRecord, PaintRecord } from '../../../api/index.ts';
import {
  DAYLIGHT,
  spectrumToLab,
  type IlluminantId,
  type ViewingCondition,
} from '../../../core/colour/index.ts';
import { codeLab } from '../../../core/match/index.ts';
import { opaqueSpectrum, seenSurface } from '../../../core/paint/index.ts';
import { doubtfulPaint } from '../../data/mixable.ts';
import { useTask } from '../../data/useTask.ts';
import type { AnswerBand, BandQuestion, RecipeWorker } from '../../workers/recipeWorker.ts';
import { targetUncertainty, type Candidate } from './candidates.ts';

/** From here on a paint is a white, L. */
const WHITE_L = 92;
/** Lights that an answer is also shown in. */
export const OTHER_LIGHTS: readonly IlluminantId[] = ['D65', 'A', 'LED-4000', 'D50'];

/** The white on the shelf that a paint can be mixed with: the lightest of its chemistry. */
function whiteFor(paintId: string, paints: readonly PaintRecord[]): string | undefined {
  const family = paints.find(({ id }) => id === paintId)?.family;
  const strength = ({ k, s }: PaintRecord) => s[15]! / k[15]!;
  return paints
    .filter(
      (paint) =>
        paint.family === family &&
        paint.role === 'colour' &&
        paint.levelMl !== null &&
        paint.flakeUm === null &&
        spectrumToLab(opaqueSpectrum(paint), DAYLIGHT).L > WHITE_L,
    )
    .sort((p, q) => strength(q) - strength(p))[0]?.id;
}

const NONE: ReadonlyMap<string, AnswerBand> = new Map();

/** The 90 % band of every answer in a light, worked out in a worker; empty until it is there. */
export function useBands(
  candidates: readonly Candidate[],
  code: CodeRecord | undefined,
  paints: readonly PaintRecord[],
  condition: ViewingCondition,
): ReadonlyMap<string, AnswerBand> {
  const key = candidates.map((candidate) => candidate.key).join(' ');
  const question = useMemo<BandQuestion | undefined>(() => {
    if (!code || key === '') return undefined;
    const mixes = key.split(' ').map((one) => Object.fromEntries(one.split('+').map(partOf)));
    const whiteIds = mixes.map((mix) => whiteFor(Object.keys(mix)[0]!, paints));
    const ids = new Set([...mixes.flatMap((mix) => Object.keys(mix)), ...whiteIds]);
    const force = code.sources.find(({ inForce }) => inForce);
    return {
      mixes,
      paints: paints.filter(({ id }) => ids.has(id)).map(doubtfulPaint),
      target: { lab: spectrumToLab(code.spectrum, condition), uncertainty: targetUncertainty(code) },
      condition,
      surface: seenSurface(code.gloss),
      whiteIds,
      onlyLab: force?.spectrum ? undefined : { lab: codeLab(code), lights: OTHER_LIGHTS.map(seenIn) },
    };
    function seenIn(illuminant: IlluminantId): ViewingCondition {
      return { illuminant, observer: condition.observer };
    }
  }, [key, code, paints, condition]);
  const { state } = useTask<RecipeWorker, AnswerBand[]>({
    question,
    worker: () => new Worker(new URL('../../workers/recipeWorker.ts', import.meta.url), { type: 'module' }),
    work: (remote) => remote.bands(question!),
  });
  // Without bands the figures stand alone; the search beside them says what went wrong.
  const bands = state.kind === 'answered' ? state.answer : undefined;
  return useMemo(
    () => (bands ? new Map(key.split(' ').map((one, index) => [one, bands[index]!])) : NONE),
    [bands, key],
  );
}

function partOf(part: string): [string, number] {
  const at = part.lastIndexOf(':');
  return [part.slice(0, at), Number(part.slice(at + 1))];
}
