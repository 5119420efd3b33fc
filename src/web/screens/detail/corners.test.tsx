// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../api/index.ts';
import { assembleStock, cornerRecord, EMPTY_KIT, newRecord, type Corner } from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import { CornersView } from './CornersView.tsx';

vi.mock('../../data/kit.ts', () => ({ changeKit: vi.fn() }));
const changed = vi.mocked(changeKit);

const left: Corner = { ...newRecord(cornerRecord), id: 'fl', name: 'Front left' };
const show = (...corners: Corner[]) =>
  render(
    <MantineProvider env="test">
      <CornersView
        build={{ id: 'b', scale: 24 } as BuildRecord}
        kit={{ ...EMPTY_KIT, corners }}
        stock={assembleStock([])}
      />
    </MantineProvider>,
  );

describe('wheels by corner', () => {
  beforeEach(() => {
    matchMediaStandIn();
    changed.mockReset().mockResolvedValue(undefined);
  });
  afterEach(cleanup);

  it('ask for the radius first, and then tell how a wheel stands and steers', () => {
    const { unmount } = show({ ...left, steers: true });
    expect(screen.getByText(/Measure from axle to ground/)).toBeTruthy();
    expect(screen.getByText(/How far it steers is known once/)).toBeTruthy();
    unmount();
    show({ ...left, steers: true, radiusMm: 15, flatMm: 0.5, outerGapMm: 3 });
    expect(screen.getByText('14.50 mm')).toBeTruthy();
    expect(screen.getByText('12°')).toBeTruthy();
    expect(screen.getByText(/before its tyre touches the wing/)).toBeTruthy();
  });

  it('tell the lower side of an axle', () => {
    show(
      { ...left, radiusMm: 15 },
      { ...left, id: 'fr', name: 'Front right', side: 'right', radiusMm: 15.3 },
    );
    expect(screen.getByText(/lower than front right: take it off the foot of that one/)).toBeTruthy();
  });

  it('save what is ticked and what is left open again', () => {
    show({ ...left, radiusMm: 15 });
    fireEvent.click(screen.getByRole('checkbox', { name: 'It spins' }));
    expect(changed.mock.calls[0]![1]).toMatchObject([{ kind: 'corner', id: 'fl', value: { spins: true } }]);
    const radius = screen.getByRole('textbox', { name: 'Axle to ground, mm' });
    fireEvent.change(radius, { target: { value: '' } });
    fireEvent.blur(radius);
    expect(changed.mock.calls[1]![1]).toMatchObject([{ value: { radiusMm: null } }]);
  });
});
