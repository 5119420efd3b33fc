// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../api/index.ts';
import { EMPTY_KIT, plainPart, type Kit, type KitChange } from '../../../core/kit/index.ts';
import { GapsPanel } from './GapsPanel.tsx';
import { HoldingPanel } from './HoldingPanel.tsx';
import { PairsPanel } from './roles/PairsPanel.tsx';

const sent = vi.hoisted(() => vi.fn());
vi.mock('../../data/kit.ts', () => ({ changeKit: sent }));

const build = { id: 'coupe' } as BuildRecord;
const kit: Kit = {
  ...EMPTY_KIT,
  parts: [
    plainPart('A1', { name: 'Door, left' }),
    plainPart('A2', { name: 'Door, right' }),
    plainPart('E1', { name: 'Tyre' }),
  ],
};
const show = (view: ReactNode) => render(<MantineProvider env="test">{view}</MantineProvider>);
const said = () => sent.mock.calls.map(([, changes]) => (changes as KitChange[])[0]!);
async function pick(name: string, option: RegExp): Promise<void> {
  fireEvent.click(screen.getByRole('combobox', { name }));
  const list = await screen.findByRole('listbox', { name });
  fireEvent.click(await within(list).findByRole('option', { name: option }));
}

describe('what is written down of a kit', () => {
  beforeAll(matchMediaStandIn);
  beforeEach(() => {
    sent.mockReset().mockResolvedValue(undefined);
  });
  afterEach(cleanup);

  it('is a gap between two parts, measured; what is missing is asked for where it is', async () => {
    show(<GapsPanel build={build} kit={kit} />);
    fireEvent.click(screen.getByRole('button', { name: 'Write the gap down' }));
    expect(await screen.findAllByText('Say between which parts it lies.')).toHaveLength(2);
    await pick('Between', /Tyre/);
    await pick('And', /Tyre/);
    fireEvent.change(screen.getByRole('textbox', { name: 'Bare, mm' }), { target: { value: '0.4' } });
    fireEvent.click(screen.getByRole('button', { name: 'Write the gap down' }));
    expect(await screen.findByText('A gap lies between two parts: name two.')).toBeTruthy();
    expect(sent).not.toHaveBeenCalled();
    await pick('And', /Door, left/);
    fireEvent.click(screen.getByRole('button', { name: 'Write the gap down' }));
    await waitFor(() => expect(sent).toHaveBeenCalledTimes(1));
    expect(said()[0]).toMatchObject({ kind: 'gap', value: { a: 'E1', b: 'A1', gapMm: 0.4, where: 'gap' } });
  });

  it('is taken out again, and a refusal is said', async () => {
    sent.mockRejectedValue(new Error('The bench is away.'));
    const gap = { id: 'g', a: 'E1', b: 'A1', where: 'front arch', gapMm: 0.4, motion: 'turns' as const };
    show(<GapsPanel build={build} kit={{ ...kit, gaps: [gap] }} />);
    expect(screen.getByText('Tyre, Door, left')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take out front arch' }));
    expect((await screen.findByRole('alert')).textContent).toBe('The bench is away.');
    expect(said()).toEqual([{ kind: 'gap', id: 'g', value: null }]);
  });

  it('is where a sub-assembly is held, on the one part that it has', async () => {
    show(<HoldingPanel build={build} kit={kit} partIds={['A1']} />);
    fireEvent.change(screen.getByRole('textbox', { name: 'Where it is held' }), {
      target: { value: ' inside the sill ' },
    });
    await pick('Its mark', /will be seen/);
    fireEvent.click(screen.getByRole('button', { name: 'Hold it there' }));
    await waitFor(() => expect(sent).toHaveBeenCalledTimes(1));
    expect(said()[0]!.value).toMatchObject({ partId: 'A1', where: 'inside the sill', shows: 'shows' });
    cleanup();
    // A point on a part that is elsewhere is no business of this sub-assembly.
    const elsewhere = { id: 'h', partId: 'E1', where: 'spigot', shows: 'hidden' as const };
    show(<HoldingPanel build={build} kit={{ ...kit, holdings: [elsewhere] }} partIds={['A1']} />);
    expect(screen.queryByText('spigot')).toBeNull();
  });

  it('is that two parts are no pair, with one press', async () => {
    show(<PairsPanel build={build} kit={kit} />);
    expect(screen.getByText(/Door, left and door, right: mirrored/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'They are no pair' }));
    await waitFor(() => expect(sent).toHaveBeenCalledTimes(1));
    const { value } = said()[0]!;
    expect(value).toMatchObject({ a: 'A1', b: 'A2', kind: 'no-pair' });
    cleanup();
    show(<PairsPanel build={build} kit={{ ...kit, pairs: [value as Kit['pairs'][number]] }} />);
    expect(screen.queryByText(/: mirrored/)).toBeNull();
    expect(screen.getByText('no pair', { selector: 'td' })).toBeTruthy();
  });
});
