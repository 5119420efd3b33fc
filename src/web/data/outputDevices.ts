import { PATHS, pathTo, type OutputDeviceId, type OutputDeviceRecord } from '../../api/index.ts';
import { putCached, useCached } from './cache.ts';
import { request } from './request.ts';

const POLL_MS = 1000;

/** A cutter or printer as it is; asked again while it works. */
export const useOutputDevice = (id: OutputDeviceId) =>
  useCached<OutputDeviceRecord>(pathTo(PATHS.outputDevice, id), (path) => request('GET', path), {
    refreshInterval: (known) => (known?.state === 'working' ? POLL_MS : 0),
  });

/** What can be done with one; each throws what it refuses with. */
export function outputDevice(id: OutputDeviceId) {
  const send = async (method: 'POST' | 'PUT' | 'DELETE', path: string, body?: object): Promise<void> => {
    const now = await request<OutputDeviceRecord>(method, pathTo(path, id), { body });
    await putCached(pathTo(PATHS.outputDevice, id), now);
  };
  return {
    connect: () => send('POST', PATHS.outputDevice),
    disconnect: () => send('DELETE', PATHS.outputDevice),
    load: () => send('POST', PATHS.outputMedia),
    start: (name: string, files: readonly string[]) => send('POST', PATHS.outputJob, { name, files }),
    pause: () => send('PUT', PATHS.outputJob, { act: 'pause' }),
    resume: () => send('PUT', PATHS.outputJob, { act: 'resume' }),
    cancel: () => send('DELETE', PATHS.outputJob),
  };
}
