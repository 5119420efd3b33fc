import { expose } from 'comlink';
import { cupAdvice } from './cupAdvice.ts';

const cupWorker = { advise: cupAdvice };
export type CupWorker = typeof cupWorker;
expose(cupWorker);
