// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../../api/index.ts';
import {
  assembleStock,
  beltRecord,
  carpetRecord,
  EMPTY_KIT,
  newRecord,
  plainPart,
  type Belt,
  type Carpet,
  type Kit,
} from '../../../../core/kit/index.ts';
import { changeKit } from '../../../data/kit.ts';
import { BeltsView } from './BeltsView.tsx';
import { CarpetView } from './CarpetView.tsx';

vi.mock('../../../data/kit.ts', () => ({ changeKit: vi.fn() }));
const changed = vi.mocked(changeKit);
const last = () => changed.mock.calls.at(-1)![1][0]!.value as Record<string, unknown>;

const show = (View: typeof CarpetView, kit: Partial<Kit>) =>
  render(
    <MantineProvider env="test">
      <View
        build={{ id: 'b', name: 'Coupe', scale: 24 } as BuildRecord}
        kit={{ ...EMPTY_KIT, parts: [plainPart('F1', { name: 'Tub', areaCm2: 58 })], ...kit }}
        stock={assembleStock([])}
      />
    </MantineProvider>,
  );
const carpet = (more: Partial<Carpet> = {}): Carpet => ({
  ...newRecord(carpetRecord),
  id: 'c',
  name: 'Floor',
  partId: 'F1',
  ...more,
});
const belt = (more: Partial<Belt> = {}): Belt => ({
  ...newRecord(beltRecord),
  id: 'b',
  name: 'Lap belts',
  ...more,
});

beforeEach(() => {
  matchMediaStandIn();
  changed.mockReset().mockResolvedValue(undefined);
});
afterEach(cleanup);

describe('a carpet', () => {
  it('tells how much flock it takes, and asks for its colours', () => {
    show(CarpetView, { carpets: [carpet()] });
    expect(screen.getByText('0.46 g')).toBeTruthy();
    expect(screen.getByText(/Give the colours of the fibres/)).toBeTruthy();
  });

  it('keeps its colours together, and says how it will look', () => {
    show(CarpetView, { carpets: [carpet({ fibre: '#7a3038' })] });
    const keep = screen.getByRole<HTMLButtonElement>('button', { name: 'Keep the colours' });
    expect(keep.disabled).toBe(true);
    fireEvent.change(screen.getByRole('textbox', { name: 'Paint under them' }), {
      target: { value: '#302020 ' },
    });
    fireEvent.click(keep);
    expect(last()).toMatchObject({ fibre: '#7a3038', ground: '#302020' });
    cleanup();
    show(CarpetView, { carpets: [carpet({ fibre: '#7a3038', ground: '#302020', wanted: '#7a3038' })] });
    expect(screen.getByText(/By usual depths of a pile it looks/).textContent).toMatch(
      /dE from what is wanted/,
    );
    expect(screen.getByText(/Over a grey that reflects/)).toBeTruthy();
    expect(screen.getByRole('img', { name: /^The pile/ })).toBeTruthy();
  });

  it('says which colour is none, and keeps what was typed', () => {
    show(CarpetView, { carpets: [carpet({ fibre: '#7a3038', ground: 'dark' })] });
    expect(screen.getByRole('alert').textContent).toMatch(/The colour under them/);
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Paint under them' }).value).toBe('dark');
  });
});

describe('belts', () => {
  it('are cut piece by piece', () => {
    show(BeltsView, { belts: [belt({ pieces: [{ name: 'left', pathMm: 14, fittings: 1 }] })] });
    expect(screen.getByText('20.0 mm')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Add a piece' }));
    expect(last().pieces).toHaveLength(2);
    fireEvent.click(screen.getByRole('button', { name: 'Take out left' }));
    expect(last().pieces).toEqual([]);
  });

  it('say that they have no piece yet', () => {
    show(BeltsView, { belts: [belt()] });
    expect(screen.getByRole('alert').textContent).toMatch(/no pieces yet/);
  });
});
