import { expose } from 'comlink';
import { measureViews, planLivery, readSvg, type LiveryInput } from '../../core/livery/index.ts';

/** Several bodies, each with an order of colours of its own. */
const planLiveries = (bodies: readonly (LiveryInput & { id: string })[]) =>
  bodies.map((body) => ({ id: body.id, ...planLivery(body) }));

const liveryWorker = { measureViews, planLiveries, readSvg };
export type LiveryWorker = typeof liveryWorker;
expose(liveryWorker);
