// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../api/index.ts';
import {
  assembleStock,
  dressingRecord,
  EMPTY_KIT,
  newRecord,
  plainPart,
  type Dressing,
} from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import { DressedView } from './DressedView.tsx';

vi.mock('../../data/kit.ts', () => ({ changeKit: vi.fn() }));
vi.mock('../../data/inWorker.ts', () => ({ inWorker: vi.fn() }));
const changed = vi.mocked(changeKit);

const build = { id: 'b', name: 'Motorcycle', scale: 12 } as BuildRecord;
const show = (...dressings: Partial<Dressing>[]) =>
  render(
    <MantineProvider env="test">
      <DressedView
        build={build}
        kit={{
          ...EMPTY_KIT,
          parts: [plainPart('A1', { name: 'Disc' })],
          dressings: dressings.map((each, at) => ({
            ...newRecord(dressingRecord),
            id: `d${at}`,
            name: `Thing ${at}`,
            ...each,
          })),
        }}
        stock={assembleStock([])}
      />
    </MantineProvider>,
  );

describe('forks, radiators and discs', () => {
  beforeEach(() => {
    matchMediaStandIn();
    changed.mockReset().mockResolvedValue(undefined);
  });
  afterEach(cleanup);

  it('teach while there is none, and are added with their usual sizes', () => {
    show();
    expect(screen.getByText(/A fork is a painted leg on a bright tube/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Add one' }));
    expect(changed.mock.calls[0]![1]).toMatchObject([
      { kind: 'dressing', value: { name: 'Fork', what: 'fork' } },
    ]);
  });

  it('ask of each only what it has, and keep a figure within its limits', () => {
    show({ what: 'disc', holes: 24, rows: 2, outerMm: 20, innerMm: 8, realHoleMm: 7 });
    expect(screen.queryByRole('textbox', { name: 'Tube, diameter, mm' })).toBeNull();
    expect(screen.getByRole('img', { name: 'Template for Thing 0' })).toBeTruthy();
    expect(screen.getByText('0.60 mm')).toBeTruthy();
    const holes = screen.getByRole('textbox', { name: 'Holes, 0 for none' });
    fireEvent.change(holes, { target: { value: '999' } });
    fireEvent.blur(holes);
    expect(changed.mock.calls[0]![1]).toMatchObject([{ value: { holes: 240, what: 'disc' } }]);
  });

  it('say what is wrong with one, and keep what was typed', () => {
    show({ what: 'fork', coils: 80, springLengthMm: 5 }, { what: 'fork', tubeLook: 'gold-anodised' });
    expect(screen.getByRole('alert').textContent).toMatch(/lie on each other/);
    expect(screen.getByText(/of clear yellow over the bright tube/)).toBeTruthy();
  });

  it('say what is not measured', () => {
    show({ what: 'radiator' }, { what: 'radiator', finMm: 0.5 });
    expect(screen.getByText(/Measure its fins/)).toBeTruthy();
    expect(screen.getByText(/fins where the real one has/).textContent).toMatch(/^28 fins .* 84/);
  });
});
