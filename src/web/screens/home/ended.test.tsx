// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord, StepRecord } from '../../../api/index.ts';
import type { Lesson, Stock } from '../../../core/kit/index.ts';
import { useBench } from '../../data/bench.ts';
import { TaughtBefore } from '../kit/TaughtBefore.tsx';
import { Ended } from './Ended.tsx';

vi.mock('../../data/bench.ts', () => ({ useBench: vi.fn() }));
beforeEach(matchMediaStandIn);
afterEach(cleanup);

const show = (node: ReactNode) =>
  render(
    <MantineProvider env="test">
      <MemoryRouter>{node}</MemoryRouter>
    </MantineProvider>,
  );
const build = (id: string, name: string, end: BuildRecord['kit']['end'] = null) =>
  ({ id, name, subject: '', scale: 24, kit: { end } }) as BuildRecord;
const step = (buildId: string, endedAt: number) => ({ buildId, endedAt }) as StepRecord;

describe('builds that are over', () => {
  it('lead to their verdict and book, with how far they came', () => {
    show(
      <Ended
        builds={[build('a', 'Saloon', 'finished'), build('b', 'Van', 'given-up')]}
        steps={[step('a', 29_000_000), step('a', 29_010_000), step('c', 29_900_000)]}
      />,
    );
    expect(screen.getByText(/finished, 2 steps, the last on/)).toBeTruthy();
    // Nothing was done of it: no day is made up.
    expect(screen.getByText('given up')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Verdict of Saloon' }).getAttribute('href')).toBe(
      '/build/a/record/verdict',
    );
    expect(screen.getByRole('link', { name: 'Book of Van' }).getAttribute('href')).toBe(
      '/build/b/record/book',
    );
  });
});

describe('what a kit opens with', () => {
  const lesson = (id: string, more: Partial<Lesson>): Lesson => ({
    id,
    text: `Lesson ${id}`,
    origin: '',
    kit: null,
    partWord: null,
    material: null,
    stepKind: null,
    ...more,
  });
  const open = (lessons: Lesson[], others: BuildRecord[]) => {
    const begun = build('new', 'Tolliver Four');
    vi.mocked(useBench).mockReturnValue({ data: { builds: [...others, begun] } } as never);
    return show(<TaughtBefore build={begun} stock={{ lessons } as Stock} />);
  };

  it('is what kits like it taught, and which they were', () => {
    open(
      [
        lesson('a', { kit: 'Tolliver' }),
        lesson('b', { origin: 'Tolliver Three, a mishap', stepKind: 'clear' }),
        lesson('c', { origin: 'Tolliver Threefold, hours', stepKind: 'clear' }),
        lesson('d', { kit: 'Pellam' }),
      ],
      [build('three', 'Tolliver Three', 'finished'), build('far', 'Pellam 660')],
    );
    expect(screen.getByRole('link', { name: 'Tolliver Three' })).toBeTruthy();
    expect(screen.queryByRole('link', { name: 'Pellam 660' })).toBeNull();
    expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent.slice(0, 8))).toEqual([
      'Lesson a',
      'Lesson b',
    ]);
  });

  it('is said to be no lesson, or nothing where nothing is like it', () => {
    open([], [build('three', 'Tolliver Three')]);
    expect(screen.getByText('No lesson was kept of it.')).toBeTruthy();
    cleanup();
    open([lesson('d', { kit: 'Pellam' })], [build('far', 'Pellam 660')]);
    expect(screen.queryByRole('heading')).toBeNull();
  });

  it('leads on to the lessons where there are many', () => {
    open(
      Array.from({ length: 8 }, (_, at) => lesson(String(at), { kit: 'Tolliver' })),
      [],
    );
    expect(screen.getAllByRole('listitem')).toHaveLength(6);
    expect(screen.getByRole('link', { name: '2 more lessons' })).toBeTruthy();
  });
});
