// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { OutputDeviceRecord } from '../../../api/index.ts';
import { SendToDevice } from './SendToDevice.tsx';

const plain: OutputDeviceRecord = {
  id: 'cutter',
  name: 'Film cutter (simulated)',
  simulated: true,
  media: 'film',
  loaded: 1,
  state: 'ready',
  stop: null,
  job: null,
};

/** A server with one machine; what is asked of it is kept. */
function machine(start: Partial<OutputDeviceRecord>) {
  const asked: string[] = [];
  const now: OutputDeviceRecord = { ...plain, ...start };
  vi.stubGlobal(
    'fetch',
    (path: string, { method = 'GET', body }: { method?: string; body?: string } = {}) => {
      if (method !== 'GET') asked.push(`${method} ${path} ${body ?? ''}`.trim());
      return Promise.resolve(Response.json(now));
    },
  );
  return asked;
}
const show = () =>
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <MantineProvider env="test">
        <SendToDevice device="cutter" name="Masks" files={['IN;']} />
      </MantineProvider>
    </SWRConfig>,
  );
const buttons = () => screen.getAllByRole('button').map(({ textContent }) => textContent);

describe('a machine at the bench', () => {
  beforeEach(() => {
    matchMediaStandIn();
  });
  afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
  });

  it('offers what can be done with it as it is, and nothing else', async () => {
    const offered = async (state: Partial<OutputDeviceRecord>) => {
      machine(state);
      show();
      await screen.findByRole('status');
      const found = buttons();
      cleanup();
      return found;
    };
    const job = { name: 'Masks', pieces: 4, done: 1, spoilt: 1 };
    expect(await offered({ state: 'away' })).toEqual(['Connect']);
    expect(await offered({ state: 'ready' })).toEqual(['Send it', 'Load film', 'Disconnect']);
    expect(await offered({ state: 'working', job })).toEqual(['Pause', 'Cancel the job', 'Disconnect']);
    // There is nothing to go on with yet.
    expect(await offered({ state: 'standing', stop: 'out', loaded: 0, job })).toEqual([
      'Load film',
      'Cancel the job',
      'Disconnect',
    ]);
    expect(await offered({ state: 'standing', stop: 'slipped', job })).toEqual([
      'Go on',
      'Load film',
      'Cancel the job',
      'Disconnect',
    ]);
  });

  it('is sent the job, and says why it stands and what to do', async () => {
    const asked = machine({ state: 'ready' });
    show();
    fireEvent.click(await screen.findByRole('button', { name: 'Send it' }));
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]).toBe('POST /api/devices/cutter/job {"name":"Masks","files":["IN;"]}');
    cleanup();
    machine({ state: 'standing', stop: 'slipped', job: { name: 'Masks', pieces: 4, done: 1, spoilt: 1 } });
    show();
    expect((await screen.findByRole('status')).textContent).toContain('Lay it straight');
    expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('25');
  });
});
