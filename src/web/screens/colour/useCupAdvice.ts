import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { CupAdvice, CupAdviceQuestion } from '../../workers/cupAdvice.ts';
import type { CupWorker } from '../../workers/cupWorker.ts';

export type AdviceState =
  { kind: 'working' } | { kind: 'made'; advice: CupAdvice } | { kind: 'refused'; message: string };

/** Asks the worker what to add whenever the cup, its spoons or the paints change. */
export function useCupAdvice(question: CupAdviceQuestion | undefined): AdviceState {
  const key = question ? JSON.stringify(question) : '';
  const [answered, setAnswered] = useState<{ key: string; state: AdviceState }>();
  useEffect(() => {
    if (key === '') return;
    const worker = new Worker(new URL('../../workers/cupWorker.ts', import.meta.url), { type: 'module' });
    const answer = (state: AdviceState) => setAnswered({ key, state });
    wrap<CupWorker>(worker)
      .advise(JSON.parse(key) as CupAdviceQuestion)
      .then((advice) => answer({ kind: 'made', advice }))
      .catch((error: unknown) => answer({ kind: 'refused', message: (error as Error).message }))
      .finally(() => worker.terminate());
    return () => worker.terminate();
  }, [key]);
  return answered && answered.key === key ? answered.state : { kind: 'working' };
}
