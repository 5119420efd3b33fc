import { useTask } from '../../data/useTask.ts';
import type { CupAdvice, CupAdviceQuestion } from '../../workers/cupAdvice.ts';
import type { CupWorker } from '../../workers/cupWorker.ts';

/** Asks the worker what to add whenever the cup, its spoons or the paints change. */
export function useCupAdvice(question: CupAdviceQuestion | undefined) {
  const { state } = useTask<CupWorker, CupAdvice>({
    question: question && JSON.stringify(question),
    worker: () => new Worker(new URL('../../workers/cupWorker.ts', import.meta.url), { type: 'module' }),
    work: (remote) => remote.advise(question!),
  });
  return state;
}
