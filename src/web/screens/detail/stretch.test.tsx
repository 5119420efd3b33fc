// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../api/index.ts';
import {
  assembleStock,
  EMPTY_KIT,
  newRecord,
  plainPart,
  stretchRecord,
  type Stretch,
} from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import { StretchView } from './StretchView.tsx';

vi.mock('../../data/kit.ts', () => ({ changeKit: vi.fn() }));
const changed = vi.mocked(changeKit);

const parts = [
  plainPart('B1', { name: 'Rails', lengthMm: 200 }),
  plainPart('B2', { name: 'Shaft', lengthMm: 80 }),
];
const member = (partId: string) => ({
  partId,
  fromMm: 0,
  lengthMm: null,
  section: 'channel' as const,
  outsideMm: 5,
  insideMm: null,
  share: 1,
  cutAtMm: null,
  dropMm: 0,
  line: '',
});
const frame: Stretch = {
  ...newRecord(stretchRecord),
  id: 's',
  name: 'Longer frame',
  atMm: 100,
  members: [member('B1')],
};

const show = (stretches: Stretch[]) =>
  render(
    <MantineProvider env="test">
      <StretchView
        build={{ id: 'b', scale: 25 } as BuildRecord}
        kit={{ ...EMPTY_KIT, parts, stretches }}
        stock={assembleStock([])}
      />
    </MantineProvider>,
  );
const saved = () => changed.mock.calls.at(-1)![1][0]!.value as Stretch;

describe('a stretched frame', () => {
  beforeEach(() => {
    matchMediaStandIn();
    changed.mockReset().mockResolvedValue(undefined);
  });
  afterEach(cleanup);

  it('tells what becomes of each part, with a drawing', () => {
    show([frame]);
    expect(screen.getByText('200.0 mm becomes 220.0 mm')).toBeTruthy();
    expect(screen.getByText('500 mm on the real one')).toBeTruthy();
    expect(screen.getByRole('img', { name: 'Longer frame from the side, before and after' })).toBeTruthy();
    expect(screen.getByText(/Say where the axles lie/)).toBeTruthy();
  });

  it('tells what the real wheelbase asks for', () => {
    show([{ ...frame, frontAxleMm: 20, rearAxleMm: 150, realWheelbaseMm: 4000 }]);
    expect(
      screen.getByText(/the real one is 160.0 mm at scale: stretch it by 30.0 mm for that/),
    ).toBeTruthy();
  });

  it('saves a figure when it is left, and says what cannot be cut in place of a figure', () => {
    const { unmount } = show([frame]);
    const field = screen.getByRole('textbox', { name: 'Longer by, mm' });
    fireEvent.change(field, { target: { value: '42' } });
    fireEvent.blur(field);
    expect(saved().stretchMm).toBe(42);
    unmount();
    show([{ ...frame, stretchMm: 0 }]);
    expect(screen.getByText(/Say by how much it becomes longer/)).toBeTruthy();
  });

  it('adds brackets and parts, offers each part once, and takes them out again', () => {
    show([frame]);
    fireEvent.click(screen.getByRole('button', { name: 'Add a bracket' }));
    expect(saved().brackets).toEqual([{ name: 'bracket 1', atMm: 100, widthMm: 3 }]);
    fireEvent.click(screen.getByRole('combobox', { name: 'Add a part that runs along it' }));
    expect(screen.queryByRole('option', { name: /Rails/ })).toBeNull();
    fireEvent.click(screen.getByRole('option', { name: /Shaft/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    expect(saved().members.map(({ partId }) => partId)).toEqual(['B1', 'B2']);
    const rails = screen.getByRole('region', { name: /Rails/ });
    fireEvent.click(within(rails).getByRole('button', { name: /Take out .*Rails/ }));
    expect(saved().members).toEqual([]);
  });
});
