// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { Advice } from '../../../core/plan/index.ts';
import { changeKit } from '../../data/kit.ts';
import { LoudAdvice, QuietAdvice } from './StepAdvice.tsx';

vi.mock('../../data/kit.ts', () => ({ changeKit: vi.fn(() => Promise.resolve()) }));

const advice = (id: string, change: Partial<Advice> = {}): Advice => ({
  id,
  buildId: 'b',
  rule: id,
  severity: 'warn',
  topic: 'risk',
  about: { trays: ['body'], parts: [], joints: [], layers: [], taskKinds: [], steps: ['s'] },
  text: `Text of ${id}`,
  why: `Why ${id}.`,
  remedy: 'Do this.',
  source: 'practice',
  stage: 'kit',
  at: null,
  ...change,
});

describe('what is said on a card', () => {
  beforeAll(matchMediaStandIn);
  afterEach(() => {
    cleanup();
    vi.mocked(changeKit).mockClear();
  });
  const show = (said: Advice[], muted: { id: string; adviceId: string }[] = []) =>
    render(
      <MantineProvider>
        <MemoryRouter>
          <LoudAdvice advice={said} muted={muted} />
          <QuietAdvice advice={said} muted={muted} />
        </MemoryRouter>
      </MantineProvider>,
    );

  it('leads to the place where it is settled', () => {
    show([
      advice('undecided', { severity: 'stop', page: 'evidence' }),
      advice('patchy', { stage: 'finish' }),
      advice('short', { stage: 'shelf' }),
    ]);
    expect(screen.getAllByRole('link').map((link) => link.getAttribute('href'))).toEqual([
      '/build/b/kit/evidence',
      '/build/b/finish/body',
      '/shelf',
    ]);
    expect(screen.getByRole('alert').textContent).toMatch(/Text of undecided/);
  });

  it('is gone on from only with a note', () => {
    show([advice('undecided', { severity: 'stop' })]);
    fireEvent.click(screen.getByRole('button', { name: 'go on all the same…' }));
    const send = screen.getByRole<HTMLButtonElement>('button', { name: 'Go on' });
    expect(send.disabled).toBe(true);
    fireEvent.change(screen.getByRole('textbox'), { target: { value: ' tried on a spoon ' } });
    fireEvent.click(send);
    expect(vi.mocked(changeKit).mock.calls[0]!.slice(0, 2)).toMatchObject([
      'b',
      [{ kind: 'muted-advice', value: { adviceId: 'undecided', note: 'tried on a spoon' } }],
    ]);
  });

  it('keeps what neither stops nor warns one key away, and hears again what was silenced', () => {
    const note = { severity: 'note', topic: 'decided', settledBy: 'by eye' } as const;
    show(
      [advice('patchy'), advice('order', note), advice('silenced', note)],
      [{ id: 'm', adviceId: 'silenced' }],
    );
    expect(screen.queryByText(/Text of order/)).toBeNull();
    expect(screen.getByRole('button', { name: /show 2 decisions/ })).toBeTruthy();
    fireEvent.keyDown(document.body, { key: 'a' });
    expect(screen.getByText(/Text of order/)).toBeTruthy();
    expect(screen.getAllByText(/Settled: by eye/)).toHaveLength(2);
    fireEvent.click(screen.getByRole('button', { name: 'warn of it again' }));
    expect(vi.mocked(changeKit).mock.calls[0]!.slice(0, 2)).toMatchObject([
      'b',
      [{ kind: 'muted-advice', id: 'm', value: null }],
    ]);
    fireEvent.keyDown(document.body, { key: 'a' });
    expect(screen.queryByText(/Text of order/)).toBeNull();
  });
});
