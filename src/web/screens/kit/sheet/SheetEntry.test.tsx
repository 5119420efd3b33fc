// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import { plainPart } from '../../../../core/kit/index.ts';
import { SheetEntry } from './SheetEntry.tsx';
import { SheetPaste } from './SheetPaste.tsx';

const parts = [
  plainPart('C1', { name: 'Block' }),
  plainPart('C5', { name: 'Carburettor' }),
  plainPart('C6', { name: 'Air cleaner' }),
];

describe('the sheet typed in', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);

  it('names the parts while it is typed, and is taken by Enter, one after the other', () => {
    const onTake = vi.fn();
    render(
      <MantineProvider>
        <SheetEntry parts={parts} last={6} numbers={new Set(['3'])} onTake={onTake} />
      </MantineProvider>,
    );
    const field = screen.getByRole<HTMLInputElement>('textbox');
    const type = (value: string) => fireEvent.change(field, { target: { value } });
    expect(screen.getByRole<HTMLButtonElement>('button').disabled).toBe(true);
    type('C5 C6 > C1, drill F2 hole');
    expect(screen.getByRole('status').textContent).toMatch(
      /step7put onC5 Carburettor, C6 Air cleanerontoC1 Blockdrill/,
    );
    expect(screen.getByRole('button').textContent).toBe('Add step 7');
    fireEvent.submit(field.closest('form')!);
    expect(onTake.mock.calls[0]![0]).toMatchObject({
      number: '7',
      placements: [{ partIds: ['C5', 'C6'], ontoIds: ['C1'] }],
      drill: 'F2 hole',
    });
    expect(field.value).toBe('');
    type('3: C5 > G9, mind it');
    expect(screen.getByRole('button').textContent).toBe('Put in place of step 3');
    expect(screen.getByRole('status').textContent).toMatch(/Not in the box: G9.*kept as a note: “mind it”/);
  });

  it('pasted, takes what is understood and leaves the rest in the box', () => {
    const onTake = vi.fn();
    render(
      <MantineProvider>
        <SheetPaste parts={parts} last={0} onTake={onTake} />
      </MantineProvider>,
    );
    const box = screen.getByRole<HTMLTextAreaElement>('textbox');
    fireEvent.change(box, { target: { value: '1: C5 > C1\n2:\nC6 > C5' } });
    fireEvent.click(screen.getByRole('button', { name: 'Take 2 steps, leave 1 to be mended' }));
    expect(onTake.mock.calls[0]![0]).toMatchObject([{ number: '1' }, { number: '3' }]);
    expect(box.value).toBe('2:');
  });
});
