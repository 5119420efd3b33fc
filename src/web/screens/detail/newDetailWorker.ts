export const newDetailWorker = () =>
  new Worker(new URL('../../workers/detailWorker.ts', import.meta.url), { type: 'module' });
