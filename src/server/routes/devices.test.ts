import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { PATHS, pathTo, type OutputDeviceRecord, type Problem } from '../../api/index.ts';
import { testBench } from '../testBench.ts';

describe('cutters and printers, over the wire', () => {
  const bench = testBench(Date.UTC(2026, 4, 12));
  beforeEach(() => bench.listen(false));
  afterEach(() => bench.remove());
  const call = <T = OutputDeviceRecord>(method: string, path: string, id = 'label-printer', body?: object) =>
    bench.call<T>(method, pathTo(path, id), body);

  it('are connected, loaded, sent to, stopped and gone on with', async () => {
    expect((await call('GET', PATHS.outputDevice)).body.state).toBe('away');
    await call('POST', PATHS.outputDevice);
    await call('POST', PATHS.outputMedia);
    const sent = await call('POST', PATHS.outputJob, 'label-printer', { name: 'Plates', files: ['a', 'b'] });
    expect(sent.body).toMatchObject({ state: 'working', job: { name: 'Plates', pieces: 2 } });
    expect((await call('PUT', PATHS.outputJob, 'label-printer', { act: 'pause' })).body.stop).toBe('paused');
    bench.now += 60_000;
    expect((await call('GET', PATHS.outputDevice)).body.job!.done).toBe(0);
    await call('PUT', PATHS.outputJob, 'label-printer', { act: 'resume' });
    bench.now += 60_000;
    // What changes by itself is asked anew, though nothing was written.
    const done = await call('GET', PATHS.outputDevice);
    expect(done.body.state).toBe('done');
    expect(done.headers.get('etag')).toBeNull();
    // The other one is another machine.
    expect((await call('GET', PATHS.outputDevice, 'cutter')).body.state).toBe('away');
  });

  it('refuse jobs that are none, and acts that nobody knows', async () => {
    await call('POST', PATHS.outputDevice);
    for (const body of [{ name: '', files: ['a'] }, { name: 'x', files: [] }, { name: 'x', files: [1] }, {}])
      expect((await call<Problem>('POST', PATHS.outputJob, 'label-printer', body)).status).toBe(400);
    expect((await call<Problem>('PUT', PATHS.outputJob, 'label-printer', { act: 'burn' })).status).toBe(400);
    expect((await call<Problem>('PUT', PATHS.outputJob, 'label-printer', { act: 'resume' })).status).toBe(
      409,
    );
    expect((await call<Problem>('GET', PATHS.outputDevice, 'lathe')).status).toBe(404);
  });
});
