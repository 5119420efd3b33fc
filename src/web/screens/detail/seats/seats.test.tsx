// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../../api/index.ts';
import {
  assembleStock,
  EMPTY_KIT,
  newRecord,
  plainPart,
  seatRecord,
  type Kit,
  type Seat,
} from '../../../../core/kit/index.ts';
import { plainFinish, plainZones } from '../../../../core/kit/plainKit.ts';
import { changeKit } from '../../../data/kit.ts';
import { SeatsView } from './SeatsView.tsx';
import { SmallView } from './SmallView.tsx';

vi.mock('../../../data/kit.ts', () => ({ changeKit: vi.fn() }));
const changed = vi.mocked(changeKit);

const seat = (more: Partial<Seat> = {}): Seat => ({
  ...newRecord(seatRecord),
  id: 's',
  name: 'Front seat',
  partId: 'F2',
  ...more,
});
const show = (View: typeof SeatsView, kit: Partial<Kit>) =>
  render(
    <MantineProvider env="test">
      <View
        build={{ id: 'b', name: 'Coupe', scale: 24 } as BuildRecord}
        kit={{ ...EMPTY_KIT, parts: [plainPart('F2', { name: 'Seat' })], ...kit }}
        stock={assembleStock([])}
      />
    </MantineProvider>,
  );

beforeEach(() => {
  matchMediaStandIn();
  changed.mockReset().mockResolvedValue(undefined);
});
afterEach(cleanup);

describe('a seat', () => {
  it('says that nothing around it is measured, and saves what is', () => {
    show(SeatsView, { seats: [seat()] });
    expect(screen.getByText(/Nothing around it is measured yet/)).toBeTruthy();
    const wheel = screen.getByLabelText('Floor to lower rim, mm');
    fireEvent.change(wheel, { target: { value: '18.5' } });
    fireEvent.blur(wheel);
    expect(changed.mock.calls.at(-1)![1][0]).toMatchObject({
      kind: 'seat',
      id: 's',
      value: { wheelMm: 18.5 },
    });
  });

  it('is packed with sheet up to what the sill asks', () => {
    show(SeatsView, { seats: [seat({ heightMm: 9, sillMm: 15, wheelMm: 20 })] });
    // 15 less 120 of 24: 10.0 at least, so 1.0 under it.
    expect(screen.getByText('1.00 mm').closest('p')!.textContent).toBe('Under it 1.00 mm: sheet of 1 mm.');
  });

  it('says where two measures contradict, and where a pair differs', () => {
    show(SeatsView, {
      seats: [seat({ wheelMm: 14, sillMm: 16 }), seat({ id: 'r', name: 'Other seat', heightMm: 13 })],
    });
    expect(screen.getByRole('alert').textContent).toContain('No height keeps both');
    expect(screen.getByText('It differs from other seat: height by 1.0 mm.')).toBeTruthy();
  });

  it('names places of the tub that have its colour', () => {
    const zones = [
      ...plainZones('tan'),
      { ...plainZones('red')[0]!, id: 'z', name: 'arches', share: 0.2, boundary: 'masked' as const },
    ];
    show(SeatsView, {
      seats: [seat()],
      finishes: [plainFinish('red', 'satin'), plainFinish('tan', 'satin')],
      parts: [
        plainPart('F2', { name: 'Seat', zones: plainZones('red') }),
        plainPart('F1', { name: 'Tub', zones }),
      ],
    });
    expect(screen.getByText(/arches of tub/)).toBeTruthy();
  });
});

describe('small things', () => {
  it('are listed by colour, without what goes along with something larger', () => {
    const small = (id: string, name: string) => plainPart(id, { name, areaCm2: 1, zones: plainZones('red') });
    const parts = [small('A1', 'Winder'), small('A2', 'Knob'), small('A3', 'Latch')];
    show(SmallView, { finishes: [plainFinish('red', 'metal')], parts });
    expect(screen.getByRole('table', { name: 'red' }).textContent).toContain('Winder');
    cleanup();
    show(SmallView, { finishes: [plainFinish('red', 'metal')], parts: parts.slice(0, 2) });
    expect(screen.getByText(/No colour has three small things/)).toBeTruthy();
  });
});
