import { expose } from 'comlink';
import { planView } from './planView.ts';

const planWorker = { planView };
export type PlanWorker = typeof planWorker;
expose(planWorker);
