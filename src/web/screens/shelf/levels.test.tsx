// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { PaintRecord } from '../../../api/index.ts';
import type { LevelNow } from '../../../core/record/index.ts';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { LevelPanel } from './LevelPanel.tsx';
import { LevelsFollow } from './LevelsFollow.tsx';

const saved = vi.hoisted(() => ({
  saveShelf: vi.fn(() => Promise.resolve()),
  mergeShelf: vi.fn(() => Promise.resolve()),
}));
vi.mock('../../data/bench.ts', () => ({ ...saved, useBench: vi.fn() }));
vi.mock('../../data/clock.ts', async (original) => ({
  ...(await original<object>()),
  benchMinute: () => 30_000_000,
  benchNow: () => 60_000 * 30_000_000,
}));
vi.mock('../../data/cups.ts', () => ({ useCups: vi.fn() }));
vi.mock('../../data/plan.tsx', () => ({ usePlan: vi.fn() }));

beforeEach(() => {
  matchMediaStandIn();
  saved.saveShelf.mockClear();
  saved.mergeShelf.mockClear();
});
afterEach(cleanup);

const paint = {
  id: 'red',
  name: 'Parade Red',
  levelMl: 10,
  volumeMl: 20,
  toldAt: Date.parse('2026-05-01T12:00:00') / 60_000,
  openedOn: null,
  place: 'rack',
  note: '',
  version: 7,
} as unknown as PaintRecord;
const level: LevelNow = { toldMl: 10, usedMl: 2.5, laidMl: 2.5, mixedMl: 1, leftMl: 7.5, isOver: false };
const shown = (what: React.ReactNode) => render(<MantineProvider env="test">{what}</MantineProvider>);
/** Told now: where the same figure is told again, use is followed from here as well. */
const shelf = { toldAt: 30_000_000, openedOn: null, place: 'rack', note: '' };

it('takes what use leaves, an eye’s guess, or what the scales say', () => {
  shown(<LevelPanel paint={paint} level={level} />);
  fireEvent.click(screen.getByRole('button', { name: /^Take 7.5/ }));
  expect(saved.saveShelf).toHaveBeenLastCalledWith(paint, { levelMl: 7.5, ...shelf }, 'level of Parade Red');
  fireEvent.click(screen.getByRole('button', { name: 'half' }));
  expect(saved.saveShelf).toHaveBeenLastCalledWith(paint, { levelMl: 10, ...shelf }, 'level of Parade Red');
  const weigh = (label: string, grams: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: grams } });
  weigh('Bottle now', '60');
  weigh('The same, full', '50');
  weigh('Empty', '30');
  expect(screen.getByRole('alert').textContent).toMatch(/between empty and full/);
  weigh('Bottle now', '35');
  fireEvent.click(screen.getByRole('button', { name: /^Take 5/, hidden: true }));
  expect(saved.saveShelf).toHaveBeenLastCalledWith(paint, { levelMl: 5, ...shelf }, 'level of Parade Red');
});

it('says where more was used than there was, and where nobody noted when it was told', () => {
  const { rerender } = shown(<LevelPanel paint={paint} level={{ ...level, leftMl: 0, isOver: true }} />);
  expect(screen.getByText(/more than there was/)).toBeTruthy();
  rerender(
    <MantineProvider env="test">
      <LevelPanel paint={{ ...paint, toldAt: null }} level={undefined} />
    </MantineProvider>,
  );
  expect(screen.getByText(/Tell it anew, and use is followed/)).toBeTruthy();
});

it('brings all levels up to date in one write, and is not there while nothing was used', async () => {
  const { container, rerender } = shown(<LevelsFollow paints={[paint]} levels={new Map()} />);
  expect(container.querySelector('[role=group]')).toBeNull();
  rerender(
    <MantineProvider env="test">
      <LevelsFollow paints={[paint]} levels={new Map([['red', level]])} />
    </MantineProvider>,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Bring the levels up to date' }));
  await waitFor(() =>
    expect(saved.mergeShelf).toHaveBeenCalledWith({
      rows: [{ paintId: 'red', shelf: { levelMl: 7.5, ...shelf }, change: {}, version: 7 }],
    }),
  );
});
