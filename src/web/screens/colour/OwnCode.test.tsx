// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { addCode } from '../../data/bench.ts';
import { OwnCode } from './OwnCode.tsx';

vi.mock('../../data/bench.ts', () => ({ addCode: vi.fn() }));
const sent = vi.mocked(addCode);

describe('a code of one’s own', () => {
  beforeEach(() => {
    matchMediaStandIn();
    sent.mockReset();
  });
  afterEach(cleanup);

  const show = () => {
    const onSaved = vi.fn();
    render(
      <MantineProvider env="test">
        <OwnCode onSaved={onSaved} onCancel={vi.fn()} />
      </MantineProvider>,
    );
    const field = (name: string) => screen.getByRole<HTMLInputElement>('textbox', { name });
    const type = (name: string, text: string) => fireEvent.change(field(name), { target: { value: text } });
    const save = () => fireEvent.click(screen.getByRole('button', { name: 'Save and use it' }));
    return { onSaved, field, type, save };
  };
  const COLOUR = 'Colour: hex, or L a b';

  it('says at each input what is missing, and sends nothing', async () => {
    const { field, save } = show();
    save();
    await screen.findByText('Give the maker, so that you find it again.');
    expect(screen.getByText('Give the code, so that you find it again.')).toBeTruthy();
    expect(screen.getByText('Type the colour: hex, or L a b.')).toBeTruthy();
    expect(field('Maker').getAttribute('aria-invalid')).toBe('true');
    expect(sent).not.toHaveBeenCalled();
  });

  it.each([
    ['', /Type the colour: hex, or L a b/],
    ['teal', /teal/],
    ['400 0 0', /lightness|L /i],
  ])('says at the colour what is wrong with “%s”', async (colour, words) => {
    const { field, type, save } = show();
    type('Maker', 'Tolliver');
    type('Code', '31');
    if (colour !== '') type(COLOUR, colour);
    save();
    await waitFor(() => expect(field(COLOUR).getAttribute('aria-invalid')).toBe('true'));
    const told = field(COLOUR).getAttribute('aria-describedby')!.split(' ');
    expect(told.map((id) => document.getElementById(id)?.textContent).join(' ')).toMatch(words);
    expect(sent).not.toHaveBeenCalled();
  });

  it('hands over what was typed, trimmed, and keeps it where the server refuses', async () => {
    const { onSaved, field, type, save } = show();
    type('Maker', ' Tolliver ');
    type('Code', '31');
    type(COLOUR, '48 -24 -12');
    sent.mockRejectedValueOnce(new Error('The disk is full.'));
    save();
    await screen.findByText('The disk is full.');
    expect([field('Maker').value, field(COLOUR).value]).toEqual([' Tolliver ', '48 -24 -12']);
    sent.mockResolvedValueOnce({ id: 'tolliver-31' } as never);
    save();
    await waitFor(() => expect(onSaved).toHaveBeenCalledWith({ id: 'tolliver-31' }));
    expect(sent.mock.calls[1]![0]).toMatchObject({
      maker: 'Tolliver',
      code: '31',
      lab: { L: 48, a: -24, b: -12 },
      provenance: 'swatch',
    });
  });
});
