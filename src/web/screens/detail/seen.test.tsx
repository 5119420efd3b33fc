// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { MemoryRouter } from 'react-router';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../api/index.ts';
import { assembleStock, EMPTY_KIT, plainPart, type Kit } from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import { useTask } from '../../data/useTask.ts';
import type { SeenDetail } from '../../../core/plan/index.ts';
import { SeenView } from './SeenView.tsx';

vi.mock('../../data/kit.ts', () => ({ changeKit: vi.fn(() => Promise.resolve()) }));
vi.mock('../../data/useTask.ts', () => ({ useTask: vi.fn() }));
const changed = vi.mocked(changeKit);
const kit: Kit = {
  ...EMPTY_KIT,
  parts: ['block', 'seat'].map((id) => ({
    ...plainPart(id),
    name: id === 'block' ? 'Engine block' : 'Seat',
  })),
};
const placed = (partId: string, guessed: boolean) => ({
  partId,
  behindMm: 20,
  leftMm: 0,
  upMm: 15,
  lengthMm: 30,
  widthMm: 10,
  heightMm: 10,
  guessed,
});
const seen: SeenDetail = {
  size: { lengthMm: 160, widthMm: 64, heightMm: 40 },
  unknownViews: ['top', 'width'],
  placed: [placed('block', true), placed('seat', false)],
  inside: [],
  outside: ['a', 'b'],
  unknown: ['c'],
  shares: [
    { id: 'seat', share: 0.314, error: 0.011 },
    { id: 'block', share: 0.012, error: 0.004 },
  ],
  work: [
    {
      id: 'belts',
      name: 'Belts',
      partIds: ['seat'],
      kind: 'plumb',
      minutes: 40,
      share: 0.314,
      guessed: false,
    },
    {
      id: 'leads',
      name: 'Leads',
      partIds: ['block'],
      kind: 'plumb',
      minutes: 60,
      share: 0.012,
      guessed: true,
    },
    { id: 'hose', name: 'Hose', partIds: ['c'], kind: 'plumb', minutes: 10, share: null, guessed: false },
  ],
  choice: { chosen: ['belts'], gain: 31.4, minutes: 40, proved: true, next: [{ minutes: 0, gain: 0 }] },
};
const show = (newest: SeenDetail | null | undefined, partBoxes: Kit['partBoxes'] = []) => {
  vi.mocked(useTask).mockReturnValue({ state: { kind: 'idle' }, newest } as never);
  render(
    <MantineProvider env="test">
      <MemoryRouter>
        <SeenView
          build={{ id: 'b', scale: 24 } as BuildRecord}
          kit={{ ...kit, partBoxes }}
          stock={assembleStock([])}
        />
      </MemoryRouter>
    </MantineProvider>,
  );
};
const lastValue = () => changed.mock.calls.at(-1)![1][0]!;

beforeEach(() => {
  matchMediaStandIn();
  changed.mockReset();
  changed.mockResolvedValue(undefined);
});
afterEach(cleanup);

describe('what is seen', () => {
  it('gives digits where a place is known and words where it is guessed, the most hidden first', () => {
    show(seen);
    const rows = [
      ...within(screen.getByLabelText('Parts inside')).getByRole('table').querySelectorAll('tbody tr'),
    ];
    expect(rows.map((row) => row.textContent)).toEqual([
      expect.stringMatching(/Engine block.*next to nothing.*guessed/),
      expect.stringMatching(/Seat.*31 % ± 1\.1 %.*as you said/),
    ]);
    expect(
      screen.getByText(
        /2 parts on the outside are taken as seen.*Of 1 part the place or the size is not known/,
      ),
    ).toBeTruthy();
    expect(screen.getByText(/roof is taken as closed.*width is guessed/)).toBeTruthy();
  });

  it('keeps a place once it is typed', () => {
    show(seen);
    fireEvent.click(screen.getByLabelText('Place of Engine block: guessed'));
    fireEvent.blur(screen.getByLabelText('Above the lowest, mm'), { target: { value: '22' } });
    expect(lastValue()).toMatchObject({
      kind: 'part-box',
      value: { partId: 'block', upMm: 22, behindMm: 20 },
    });
    expect(lastValue().value).not.toHaveProperty('guessed');
  });

  it('lets a place go again, and says where an eye would stand in a part', () => {
    show({ ...seen, inside: ['seat'], shares: seen.shares.filter(({ id }) => id !== 'seat') }, [
      { ...placed('seat', false), id: 'own' },
    ]);
    expect(screen.getByText('an eye stands in it')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Place of Seat: as you said'));
    fireEvent.click(screen.getByText('let it be guessed again'));
    expect(lastValue()).toEqual({ kind: 'part-box', id: 'own', value: null });
  });

  it('tells apart what is worth the time, what nobody will see, and what is not known', () => {
    show(seen);
    const named = (title: string) => screen.getByLabelText(title).textContent;
    expect(named('Worth the 4 h')).toMatch(/Belts.*31 %.*No other choice/);
    expect(named('Nobody will see it')).toMatch(/Leads.*next to nothing/);
    expect(named('Not weighed')).toMatch(/Hose.*\?/);
  });

  it('does what nobody will see all the same, by one tap', () => {
    show(seen);
    fireEvent.click(screen.getByLabelText('Leads: for my own pleasure'));
    expect(lastValue()).toMatchObject({ kind: 'showing', value: { pleasure: ['leads'], minutes: 240 } });
    fireEvent.change(screen.getByLabelText('What Leads counts'), { target: { value: '2' } });
    expect(lastValue()).toMatchObject({ value: { weights: [{ workId: 'leads', times: 2 }] } });
  });

  it('asks for a side view where there is none, and says while it looks', () => {
    show(null);
    expect(screen.getByText('No view shows its side')).toBeTruthy();
    cleanup();
    show(undefined);
    expect(screen.getByRole('status').textContent).toMatch(/Looking/);
  });

  it('changes from where it is looked at', () => {
    show(seen);
    fireEvent.click(screen.getByLabelText('on a shelf'));
    expect(lastValue()).toMatchObject({ kind: 'showing', value: { from: 'shelf' } });
  });
});
