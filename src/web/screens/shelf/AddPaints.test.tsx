// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { addPaints } from '../../data/bench.ts';
import { AddPaints } from './AddPaints.tsx';

vi.mock('../../data/bench.ts', () => ({ addPaints: vi.fn() }));
const sent = vi.mocked(addPaints);

describe('paints by hand', () => {
  beforeEach(() => {
    matchMediaStandIn();
    Object.defineProperty(document, 'fonts', { value: new EventTarget(), configurable: true });
    sent.mockReset();
  });
  afterEach(cleanup);

  const show = () => {
    const onSend = vi.fn();
    render(
      <MantineProvider env="test">
        <AddPaints first onSend={onSend} onDone={vi.fn()} />
      </MantineProvider>,
    );
    const field = (name: string) => screen.getByRole<HTMLInputElement>('textbox', { name });
    const type = (name: string, value: string) => fireEvent.change(field(name), { target: { value } });
    const put = () => fireEvent.click(screen.getByRole('button', { name: 'Put it on the shelf' }));
    return { onSend, field, type, put };
  };

  it('say what is missing at its input, and of the range beneath, which is no part of the row', async () => {
    const { onSend, field, type, put } = show();
    type('Code', '12');
    put();
    await screen.findByText(/range is missing/i);
    expect(field('Name').getAttribute('aria-invalid')).toBe('true');
    expect(field('Colour, hex').getAttribute('aria-invalid')).toBe('true');
    expect(onSend).not.toHaveBeenCalled();
    expect(sent).not.toHaveBeenCalled();
  });

  it('are sent trimmed, leave the row empty for the next, and come back where the server refuses', async () => {
    const { field, type, put } = show();
    type('Range', ' Oriel ');
    const row = () => ['Code', 'Name', 'Colour, hex'].map((name) => field(name).value);
    const typed = ['12', 'Harbour Blue', '#24527a'];
    ['Code', 'Name', 'Colour, hex'].forEach((name, at) => type(name, typed[at]!));
    sent.mockRejectedValueOnce(new Error('The disk is full.'));
    put();
    await screen.findByText('The disk is full.');
    expect(row()).toEqual(typed);
    sent.mockResolvedValueOnce([{}] as never);
    put();
    await screen.findByText('1 paint is on the shelf.');
    await waitFor(() => expect(row()).toEqual(['', '', '']));
    expect(field('Range').value).toBe(' Oriel ');
    expect(sent.mock.calls[1]![0]).toMatchObject([{ range: 'Oriel', code: '12', hex: '#24527a' }]);
  });
});
