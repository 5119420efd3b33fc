// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../api/index.ts';
import {
  assembleStock,
  EMPTY_KIT,
  gaugeRecord,
  harnessRecord,
  newRecord,
  plainPart,
  patternRecord,
  wheelRecord,
  type Harness,
  type Kit,
} from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import { CuttingView } from './CuttingView.tsx';
import { readNumbers } from './firingOrder.ts';
import { IgnitionView } from './IgnitionView.tsx';
import { PatternsView } from './PatternsView.tsx';
import { ThicknessView } from './ThicknessView.tsx';
import { WheelsView } from './WheelsView.tsx';

vi.mock('../../data/kit.ts', () => ({ changeKit: vi.fn(() => Promise.resolve()), changeStock: vi.fn() }));
const changed = vi.mocked(changeKit);
const build = { id: 'b', scale: 24 } as BuildRecord;
const six: Harness = {
  ...newRecord(harnessRecord),
  id: 'h',
  name: 'Six',
  firingOrder: [1, 5, 3, 6, 2, 4],
  x: -15,
  y: 6,
  z: 10,
};
const show = (View: typeof IgnitionView, kit: Partial<Kit>) =>
  render(
    <MantineProvider env="test">
      <View build={build} kit={{ ...EMPTY_KIT, ...kit }} stock={assembleStock([])} />
    </MantineProvider>,
  );
const lastValue = () => changed.mock.calls.at(-1)![1][0]!.value;

beforeEach(() => {
  matchMediaStandIn();
  changed.mockReset();
  changed.mockResolvedValue(undefined);
});
afterEach(cleanup);

describe('the ignition drawer', () => {
  it('teaches when it is empty, and begins with an engine', () => {
    show(IgnitionView, {});
    expect(screen.getByText(/how the cylinders stand/)).toBeTruthy();
    fireEvent.click(screen.getByText('Wire an engine'));
    expect(lastValue()).toMatchObject({ name: 'Engine', firingOrder: [] });
  });

  it('lists every lead once in its order of gluing, with what to cut', () => {
    show(IgnitionView, { harnesses: [six] });
    const rows = screen.getByRole('table').querySelectorAll('tbody tr');
    expect(rows).toHaveLength(6);
    const cells = [...rows].map((row) =>
      [...row.querySelectorAll('td')].map(({ textContent }) => textContent),
    );
    expect(cells.map(([turn]) => turn)).toEqual(['1', '2', '3', '4', '5', '6']);
    expect(cells.map(([, cylinder]) => cylinder).sort()).toEqual(['1', '2', '3', '4', '5', '6']);
    expect(screen.getByLabelText('The cap of Six, towers by cylinder')).toBeTruthy();
  });

  it('says what is wrong with a firing order, and keeps it', () => {
    show(IgnitionView, { harnesses: [{ ...six, firingOrder: [1, 5, 3, 3, 2, 4] }] });
    expect(screen.getByRole('alert').textContent).toMatch(/names cylinder 3 twice.*kept/);
    expect(screen.getByLabelText<HTMLInputElement>('Firing order').value).toBe('1-5-3-3-2-4');
  });

  it('takes an order as it is typed, and asks again for what is no number', () => {
    show(IgnitionView, { harnesses: [six] });
    const input = screen.getByLabelText<HTMLInputElement>('Firing order');
    fireEvent.blur(input, { target: { value: '1 5 3 six 2 4' } });
    expect(screen.getByText(/“six” is no cylinder/)).toBeTruthy();
    expect(input.value).toBe('1 5 3 six 2 4');
    expect(changed).not.toHaveBeenCalled();
    fireEvent.blur(input, { target: { value: '1, 4, 2, 6, 3, 5' } });
    expect(lastValue()).toMatchObject({ firingOrder: [1, 4, 2, 6, 3, 5] });
  });

  it('offers the order that is usual for the engine where another stands', () => {
    show(IgnitionView, { harnesses: [{ ...six, firingOrder: [1, 2, 3, 4, 5, 6] }] });
    fireEvent.click(screen.getByText('Take 1-5-3-6-2-4, usual for it'));
    expect(lastValue()).toMatchObject({ firingOrder: [1, 5, 3, 6, 2, 4] });
  });

  it('says what the server refuses', async () => {
    changed.mockRejectedValue(new Error('The part is gone.'));
    show(IgnitionView, {});
    fireEvent.click(screen.getByText('Wire an engine'));
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('The part is gone.'));
  });
});

describe('numbers in a row', () => {
  it('are read with anything between them', () => {
    expect(readNumbers('1-5-3 6,2;4')).toEqual({ numbers: [1, 5, 3, 6, 2, 4], strange: [] });
    expect(readNumbers('1–2 x 300 0')).toEqual({ numbers: [1, 2], strange: ['x', '300', '0'] });
    expect(readNumbers('')).toEqual({ numbers: [], strange: [] });
  });
});

describe('the other drawers', () => {
  it('gives a spoke and its wire, or what is wrong with a wheel', () => {
    const wheel = { ...newRecord(wheelRecord), id: 'w', name: 'Front' };
    show(WheelsView, { wheels: [wheel, { ...wheel, id: 'v', name: 'Rear', spokes: 35 }] });
    expect(screen.getByLabelText('Jig for Front, as seen from the right')).toBeTruthy();
    expect(screen.getByRole('alert').textContent).toMatch(/^Rear35 spokes cannot be laced/);
  });

  it('says how many times too thick a part is, what is advised, and keeps what is decided', () => {
    const part = { ...plainPart('bonnet'), name: 'Bonnet' };
    const gauge = {
      ...newRecord(gaugeRecord),
      id: 'g',
      name: 'Bonnet',
      partId: 'bonnet',
      measuredMm: 1.2,
      realMm: 8,
    };
    show(ThicknessView, { parts: [part], gauges: [gauge] });
    expect(screen.getByText('×3.6')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('thin it (advised)'));
    expect(lastValue()).toMatchObject({ way: 'thin', name: 'Bonnet' });
    cleanup();
    show(ThicknessView, { gauges: [gauge] });
    expect(screen.getByRole('alert').textContent).toMatch(/Name its part/);
  });

  it('scales both ways, and says where nothing of a size is sold', () => {
    show(ThicknessView, {});
    fireEvent.change(screen.getByLabelText('On the model, mm'), { target: { value: '0.5' } });
    expect(screen.getByLabelText<HTMLInputElement>('Real, mm').value).toBe('12');
    const cells = [...screen.getByRole('table').querySelectorAll('td')].map(({ textContent }) => textContent);
    expect(cells[0]).toBe('0.5 mm+0 %');
    expect(cells[1]).toBe('–none');
  });

  it('lists what is cut by diameter, and asks for stock where there is none', () => {
    show(CuttingView, { harnesses: [six] });
    expect(screen.getAllByText(/^lead \d, six$/)).toHaveLength(6);
    expect(screen.getByText(/none in stock/)).toBeTruthy();
    fireEvent.click(screen.getByText('Write it down'));
    expect(screen.getByText('Say what it is.')).toBeTruthy();
  });

  it('asks of a pattern what its shape needs, and nothing else', () => {
    const pattern = { ...newRecord(patternRecord), id: 'p', name: 'Tank' };
    show(PatternsView, { patterns: [{ ...pattern, shape: 'cone' }] });
    expect(screen.getByLabelText('Radius at the top, mm')).toBeTruthy();
    expect(screen.queryByLabelText('Petals')).toBeNull();
    fireEvent.blur(screen.getByLabelText('Radius, mm'), { target: { value: '8' } });
    expect(lastValue()).toMatchObject({ radiusMm: 8, name: 'Tank' });
  });
});
