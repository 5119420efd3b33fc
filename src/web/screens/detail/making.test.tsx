// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { MemoryRouter } from 'react-router';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../api/index.ts';
import { cutStock, type CutQuestion } from '../../../core/detail/index.ts';
import {
  assembleStock,
  barRecord,
  chainRecord,
  EMPTY_KIT,
  harnessRecord,
  newRecord,
  partBoxRecord,
  patternRecord,
  plainPart,
  runRecord,
  type Harness,
  type Kit,
  type Run,
  type StockLength,
} from '../../../core/kit/index.ts';
import { inWorker } from '../../data/inWorker.ts';
import { changeKit, changeStock } from '../../data/kit.ts';
import { saveFile } from '../../data/saveFile.ts';
import { ChainsView } from './ChainsView.tsx';
import { CuttingView } from './CuttingView.tsx';
import { IgnitionView } from './IgnitionView.tsx';
import { PatternsView } from './PatternsView.tsx';
import { RunsView } from './RunsView.tsx';

vi.mock('../../data/kit.ts', () => ({ changeKit: vi.fn(), changeStock: vi.fn() }));
vi.mock('../../data/saveFile.ts', () => ({ saveFile: vi.fn() }));
vi.mock('../../data/inWorker.ts', () => ({ inWorker: vi.fn() }));
// Here without a worker: what the page asks of it is worked out at once.
vi.mock('../../data/useTask.ts', () => ({
  useTask: ({ question }: { question: readonly ({ id: string } & CutQuestion)[] | undefined }) => ({
    state: { kind: 'idle' },
    newest: question?.map(({ id, ...asked }) => ({ id, plan: cutStock(asked) })),
  }),
}));
const kitChanged = vi.mocked(changeKit);
const stockChanged = vi.mocked(changeStock);
const saved = vi.mocked(saveFile);
const away = vi.mocked(inWorker);

const run: Run = {
  ...newRecord(runRecord),
  id: 'r',
  kind: 'heater-hose',
  fromPartId: 'head',
  toPartId: 'cowl',
  lengthMm: 30,
  count: 3,
};
const six: Harness = { ...newRecord(harnessRecord), id: 'h', name: 'Six', firingOrder: [1, 5, 3, 6, 2, 4] };
const parts = ['head', 'cowl'].map((id) => ({
  ...plainPart(id),
  name: id === 'head' ? 'Cylinder head' : 'Cowl',
}));
const bar = (more: Partial<StockLength>): StockLength => ({
  ...newRecord(barRecord),
  id: 'bar',
  name: 'Black hose',
  diameterMm: 0.7,
  lengthMm: 70,
  count: 1,
  ...more,
});
const show = (View: typeof IgnitionView, kit: Partial<Kit>, bars: StockLength[] = []) =>
  render(
    <MantineProvider env="test">
      <MemoryRouter>
        <View
          build={{ id: 'b', scale: 24 } as BuildRecord}
          kit={{ ...EMPTY_KIT, parts, ...kit }}
          stock={{ ...assembleStock([]), bars }}
        />
      </MemoryRouter>
    </MantineProvider>,
  );
const lastOf = (mock: typeof kitChanged) => mock.mock.calls.at(-1)![1][0]!.value;

beforeEach(() => {
  matchMediaStandIn();
  for (const mock of [kitChanged, stockChanged, saved, away]) mock.mockReset();
  kitChanged.mockResolvedValue(undefined);
  stockChanged.mockResolvedValue(undefined);
});
afterEach(cleanup);

describe('the cut list', () => {
  it('cuts what is there, says what is left over, and what cannot be cut', () => {
    show(CuttingView, { runs: [run] }, [bar({})]);
    // Two of 30 out of 70, and a cut of half a millimetre after each.
    expect(screen.getByText(/Black hose: 2 × heater hose, cylinder head to cowl/).textContent).toMatch(
      /9 mm left/,
    );
    expect(screen.getByRole('alert').textContent).toMatch(/1 piece cannot be cut/);
  });

  it('buys what is missing at its price, and says that nothing is cheaper', () => {
    show(CuttingView, { runs: [run] }, [
      bar({}),
      bar({ id: 'sold', name: 'Hose, sold', count: null, priceCents: 250 }),
    ]);
    expect(screen.getByText(/1 length to buy, €2\.50\./).textContent).toMatch(/Nothing cheaper/);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('tells what nobody measured, and does not count it', () => {
    show(CuttingView, { runs: [{ ...run, lengthMm: null }] });
    expect(screen.getByText(/Not measured yet, and not counted: heater hose/)).toBeTruthy();
    expect(screen.queryByText(/none in stock/)).toBeNull();
  });

  it('takes down what is here and what is sold, its price in euros, and takes it out again', async () => {
    show(CuttingView, { runs: [run] }, [bar({})]);
    const form = within(screen.getByLabelText('New wire, rod or tube'));
    fireEvent.change(form.getByLabelText('What it is'), { target: { value: 'Brass rod' } });
    fireEvent.click(form.getByText('Write it down'));
    await waitFor(() => expect(stockChanged).toHaveBeenCalledOnce());
    expect(stockChanged.mock.calls[0]![0][0]!.value).toMatchObject({
      name: 'Brass rod',
      diameterMm: 0.7,
      count: 1,
    });
    fireEvent.click(form.getByLabelText('Not here: bought as needed'));
    fireEvent.change(form.getByLabelText('What it is'), { target: { value: 'Brass rod, sold' } });
    fireEvent.change(form.getByLabelText('Price of one, €'), { target: { value: '2.4' } });
    fireEvent.click(form.getByText('Write it down'));
    await waitFor(() => expect(stockChanged).toHaveBeenCalledTimes(2));
    expect(stockChanged.mock.calls[1]![0][0]!.value).toMatchObject({ count: null, priceCents: 240 });
    fireEvent.click(screen.getByLabelText('Take out Black hose'));
    expect(stockChanged.mock.calls[2]![0]).toEqual([{ kind: 'bar', id: 'bar', value: null }]);
  });
});

describe('wires and pipes', () => {
  it('says how an end is made once that is picked', () => {
    show(RunsView, { runs: [run] });
    fireEvent.click(screen.getByRole('combobox', { name: 'Ends with' }));
    fireEvent.click(screen.getAllByText('a clip of foil').at(-1)!);
    expect(lastOf(kitChanged)).toMatchObject({ toEnd: 'clip' });
    cleanup();
    show(RunsView, { runs: [{ ...run, toEnd: 'clip' }] });
    expect(screen.getByText(/where it ends, clip: a strip of foil 3\.1 mm long/)).toBeTruthy();
  });

  it('asks for places where a length is not known, and leads it past a part on a side', () => {
    const fan = { ...plainPart('fan'), name: 'Fan' };
    const open = { ...run, lengthMm: null };
    show(RunsView, { parts: [...parts, fan], runs: [open] });
    expect(screen.getByText(/Its route is not known/).textContent).toMatch(/Cylinder head, .*Cowl sit/);
    cleanup();

    const place = (partId: string, behindMm: number) => ({
      ...newRecord(partBoxRecord),
      id: partId,
      partId,
      behindMm,
      lengthMm: 10,
      widthMm: 10,
      heightMm: 10,
    });
    const placed = {
      parts: [...parts, fan],
      partBoxes: [place('head', 0), place('fan', 20), place('cowl', 40)],
    };
    show(RunsView, { ...placed, runs: [open] });
    // From 5 to 35, and two ends of 2 mm.
    expect(screen.getByText('34.0 mm')).toBeTruthy();
    expect(screen.getByText(/In its way: .*Fan/)).toBeTruthy();
    const [past] = screen.getAllByRole('combobox', { name: 'It goes past' });
    fireEvent.click(past!);
    fireEvent.click(screen.getAllByText(/Fan$/).find((each) => each.closest('[role="option"]'))!);
    fireEvent.click(screen.getByText('Lead it past'));
    expect(lastOf(kitChanged)).toMatchObject({ past: [{ partId: 'fan', side: 'over' }] });
    cleanup();

    show(RunsView, { ...placed, runs: [{ ...open, past: [{ partId: 'fan', side: 'over' }] }] });
    expect(screen.queryByText(/In its way/)).toBeNull();
    expect(screen.getByText('led over fan')).toBeTruthy();
  });

  it('ties wires of one name together, and says where one is alone', () => {
    show(RunsView, { runs: [{ ...run, bundle: 'Loom' }] });
    expect(screen.getByText(/Loom: 3 tied together are 1\.\d mm thick/)).toBeTruthy();
    cleanup();
    show(RunsView, { runs: [{ ...run, count: 1, bundle: 'Loom' }] });
    expect(screen.getByText(/Loom: one wire alone/)).toBeTruthy();
  });
});

describe('a harness', () => {
  it('asks of an engine what its layout has, and of coils nothing of a cap', () => {
    show(IgnitionView, { harnesses: [six] });
    expect(screen.queryByLabelText('Between banks, degrees')).toBeNull();
    expect(screen.getByLabelText('Cap, radius, mm')).toBeTruthy();
    cleanup();
    show(IgnitionView, {
      harnesses: [{ ...six, layout: 'v', source: 'coil-per-plug', firingOrder: [1, 4, 2, 5, 3, 6] }],
    });
    expect(screen.getByLabelText('Between banks, degrees')).toBeTruthy();
    expect(screen.queryByLabelText('Cap, radius, mm')).toBeNull();
    expect(screen.getByText(/A coil sits on every plug/)).toBeTruthy();
    expect(screen.queryByRole('table')).toBeNull();
  });

  it('has clips for some of its leads, which make these longer', () => {
    show(IgnitionView, { harnesses: [six] });
    fireEvent.click(screen.getByText('Add a clip'));
    expect(lastOf(kitChanged)).toMatchObject({ guides: [{ x: 0, y: 0, cylinders: [] }] });
    cleanup();
    const cut = () =>
      [...screen.getByRole('table').querySelectorAll('tbody tr')].map((row) => row.textContent);
    show(IgnitionView, { harnesses: [six] });
    const straight = cut();
    cleanup();
    const clip = { x: -40, y: 30, z: 12, cylinders: [3] };
    show(IgnitionView, { harnesses: [{ ...six, guides: [clip] }] });
    expect(cut()).not.toEqual(straight);
    fireEvent.blur(screen.getByLabelText('Clip 1, up, mm'), { target: { value: '20' } });
    expect(lastOf(kitChanged)).toMatchObject({ guides: [{ ...clip, z: 20 }] });
    fireEvent.click(screen.getByLabelText('Take out clip 1'));
    expect(lastOf(kitChanged)).toMatchObject({ guides: [] });
  });

  it('keeps its name when that is emptied', () => {
    show(IgnitionView, { harnesses: [six] });
    fireEvent.blur(screen.getByLabelText('Name'), { target: { value: '  ' } });
    expect(kitChanged).not.toHaveBeenCalled();
    fireEvent.blur(screen.getByLabelText('Name'), { target: { value: 'Straight six' } });
    expect(lastOf(kitChanged)).toMatchObject({ name: 'Straight six' });
  });
});

describe('a chain', () => {
  it('is counted at scale, or says why it cannot run', () => {
    const chain = { ...newRecord(chainRecord), id: 'c', name: 'Final chain' };
    show(ChainsView, { chains: [chain, { ...chain, id: 'd', name: 'Short', centresMm: 2 }] });
    expect(screen.getByText(/^\d+ links$/)).toBeTruthy();
    expect(screen.getByRole('alert').textContent).toMatch(/^ShortAt 2 mm the sprockets touch/);
  });
});

describe('drawings', () => {
  const tank = { ...newRecord(patternRecord), id: 'p', name: 'Fuel tank', count: 2 };
  const made = { tooLarge: [] as string[], pdf: new Uint8Array([1]), sheets: ['<svg/>', '<svg/>'] };

  it('are saved as a PDF, or as a drawing for each sheet', async () => {
    away.mockResolvedValue(made);
    show(PatternsView, { patterns: [tank] });
    fireEvent.click(screen.getByText('Save as PDF, exact size'));
    await waitFor(() => expect(saved).toHaveBeenCalledOnce());
    expect(saved.mock.calls[0]).toEqual(['fuel-tank.pdf', made.pdf, 'application/pdf']);
    fireEvent.click(await screen.findByText('Save as SVG'));
    await waitFor(() => expect(saved).toHaveBeenCalledTimes(3));
    expect(saved.mock.calls.slice(1).map(([name]) => name)).toEqual(['fuel-tank-1.svg', 'fuel-tank-2.svg']);
  });

  it('that are larger than the sheet are said, and nothing is saved in their place', async () => {
    away.mockResolvedValue({ tooLarge: ['round it'], pdf: undefined, sheets: [] });
    show(PatternsView, { patterns: [tank] });
    fireEvent.click(screen.getByText('Save as PDF, exact size'));
    expect((await screen.findByRole('alert')).textContent).toMatch(
      /1 drawing larger than the sheet.*Nothing was saved/,
    );
    expect(saved).not.toHaveBeenCalled();
  });

  it('that fail say so', async () => {
    away.mockRejectedValue(new Error('The typeface could not be fetched.'));
    show(PatternsView, { patterns: [tank] });
    fireEvent.click(screen.getByText('Save as SVG'));
    expect((await screen.findByRole('alert')).textContent).toBe('The typeface could not be fetched.');
  });
});
