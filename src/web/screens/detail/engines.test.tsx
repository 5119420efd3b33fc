// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { MemoryRouter } from 'react-router';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../api/index.ts';
import { allocateEngines, type EngineQuestion } from '../../../core/detail/index.ts';
import {
  assembleStock,
  EMPTY_KIT,
  engineRecord,
  facingRecord,
  newRecord,
  plainJoint,
  plainPart,
  spareRecord,
  type Engine,
  type Kit,
  type Spare,
} from '../../../core/kit/index.ts';
import { changeKit, changeStock } from '../../data/kit.ts';
import { EnginesView } from './EnginesView.tsx';
import { FacingsView } from './FacingsView.tsx';

vi.mock('../../data/bench.ts', () => ({ useBench: () => ({ data: { builds: [] } }) }));
vi.mock('../../data/kit.ts', () => ({
  changeKit: vi.fn(),
  changeStock: vi.fn(),
  useOtherKits: () => [],
  refetchOtherKits: () => Promise.resolve(),
}));
// Here without a worker: what the page asks of it is worked out at once.
vi.mock('../../data/useTask.ts', () => ({
  useTask: ({ question }: { question: EngineQuestion | undefined }) => ({
    state: { kind: 'idle' },
    newest: question && allocateEngines(question),
  }),
}));
const kitChanged = vi.mocked(changeKit);
const stockChanged = vi.mocked(changeStock);

const v8: Engine = {
  ...newRecord(engineRecord),
  id: 'v8',
  name: 'Eight',
  slots: [
    { name: 'block', kinds: ['block'], count: 1, seen: true },
    { name: 'ignition', kinds: ['magneto'], count: 1, seen: true },
  ],
};
const magneto: Spare = {
  ...newRecord(spareRecord),
  id: 's',
  name: 'Magneto, flat',
  count: 2,
  engineKind: 'Magneto',
};
const parts = [
  plainPart('C1', { name: 'Engine block', engineKind: 'block' }),
  plainPart('C2', { name: 'Rocker cover' }),
];
const build = { id: 'b', name: 'Truck', scale: 25 } as BuildRecord;
const stockOf = (spares: Spare[]) => ({ ...assembleStock([]), spares });

const show = (View: typeof EnginesView, kit: Partial<Kit>, spares: Spare[] = []) =>
  render(
    <MantineProvider env="test">
      <MemoryRouter>
        <View build={build} kit={{ ...EMPTY_KIT, parts, ...kit }} stock={stockOf(spares)} />
      </MemoryRouter>
    </MantineProvider>,
  );

describe('engines', () => {
  beforeEach(() => {
    matchMediaStandIn();
    Object.defineProperty(document, 'fonts', { value: new EventTarget(), configurable: true });
    for (const mock of [kitChanged, stockChanged]) mock.mockReset().mockResolvedValue(undefined);
  });
  afterEach(cleanup);

  it('are told with what each place takes from where, and are taken with the spare that they need', async () => {
    show(EnginesView, { engines: [v8] }, [magneto]);
    const stands = screen.getByRole('region', { name: 'Eight can stand' });
    expect(within(stands).getByRole('row', { name: /block Engine block.*this kit/ })).toBeTruthy();
    expect(within(stands).getByRole('row', { name: /ignition Magneto, flat.*spares box/ })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take Eight, with 1 part from elsewhere' }));
    await screen.findByText('Eight taken: the version picks it.');
    const [buildId, changes] = kitChanged.mock.calls[0]!;
    expect(buildId).toBe('b');
    expect(changes.map(({ kind }) => kind)).toEqual(['part', 'choice']);
    expect(stockChanged.mock.calls[0]![0]).toMatchObject([{ kind: 'spare', id: 's', value: { count: 1 } }]);
  });

  it('are taken once, however often it is pressed, and a refusal is said with what is kept', async () => {
    kitChanged.mockRejectedValueOnce(new Error('The disk is full.'));
    show(EnginesView, { engines: [v8] }, [magneto]);
    const take = screen.getByRole<HTMLButtonElement>('button', { name: /^Take Eight/ });
    fireEvent.click(take);
    fireEvent.click(take);
    await screen.findByText(/The disk is full\. What was taken so far is kept; undo takes it back\./);
    expect(kitChanged).toHaveBeenCalledTimes(1);
    expect(stockChanged).not.toHaveBeenCalled();
    await waitFor(() => expect(take.disabled).toBe(false));
  });

  it('say what is short, and what is wrong with one that is told half', () => {
    const half = { ...v8, id: 'half', name: 'Half', slots: [] };
    show(EnginesView, { engines: [v8, half] });
    expect(screen.getByText(/No engine can stand yet/)).toBeTruthy();
    expect(screen.getByText('1 for ignition', { exact: false })).toBeTruthy();
    expect(screen.getByText(/It has no places yet/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Take Eight/ })).toBeNull();
  });

  it('take the kinds that names tell at one press, and a kind that is typed', async () => {
    show(EnginesView, { engines: [v8] });
    fireEvent.click(screen.getByRole('button', { name: 'Take the kinds that the names tell (1)' }));
    await waitFor(() => expect(kitChanged).toHaveBeenCalledTimes(1));
    expect(kitChanged.mock.calls[0]![1]).toMatchObject([
      { kind: 'part', id: 'C2', value: { name: 'Rocker cover', engineKind: 'rocker cover' } },
    ]);
    const field = screen.getByRole('combobox', { name: 'Kind of C1 Engine block' });
    fireEvent.change(field, { target: { value: '' } });
    fireEvent.blur(field);
    expect(kitChanged.mock.calls[1]![1][0]!.value).not.toHaveProperty('engineKind');
  });

  it('are coloured part by part, and the finishes taken at one press', async () => {
    show(EnginesView, { parts: [...parts, plainPart('B1', { name: 'Body' })] });
    const colours = within(screen.getByRole('region', { name: 'Colours of the engine' }));
    expect(colours.getByRole('row', { name: /C1 Engine block Engine colour/ })).toBeTruthy();
    expect(colours.getByRole('row', { name: /C2 Rocker cover Polished aluminium/ })).toBeTruthy();
    expect(colours.queryByText(/Body/)).toBeNull();
    fireEvent.click(colours.getByRole('button', { name: 'Give 2 parts their finishes' }));
    await waitFor(() => expect(kitChanged).toHaveBeenCalledTimes(1));
    expect(kitChanged.mock.calls[0]![1].map(({ kind }) => kind)).toEqual([
      'finish',
      'finish',
      'part',
      'part',
    ]);
  });

  it('say which two read as one where all have a finish', () => {
    const finishes = [{ id: 'f', name: 'Cast aluminium', look: 'metal' as const, codeId: null }];
    const zones = [
      { id: 'z', name: '', finishId: 'f', share: 1, boundary: 'moulded' as const, edgeMm: null },
    ];
    show(EnginesView, {
      finishes,
      parts: parts.map((part) => ({ ...part, zones })),
      joints: [plainJoint('j', 'C1', 'C2')],
    });
    expect(screen.getByText(/Engine block and rocker cover touch and will read as one/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /their finishes/ })).toBeNull();
  });

  it('start with the usual places, and keep what was typed of each', () => {
    show(EnginesView, { engines: [{ ...v8, slots: [] }] });
    fireEvent.click(screen.getByRole('button', { name: 'Start with the usual places' }));
    const { slots } = kitChanged.mock.calls[0]![1][0]!.value as Engine;
    expect(slots.map(({ name }) => name)).toContain('heads');
    expect(slots.every(({ kinds }) => kinds.length > 0)).toBe(true);
  });
});

describe('which way round', () => {
  beforeEach(() => {
    matchMediaStandIn();
    Object.defineProperty(document, 'fonts', { value: new EventTarget(), configurable: true });
    kitChanged.mockReset().mockResolvedValue(undefined);
  });
  afterEach(cleanup);

  it('is shown in words and drawn, and changed at its card', () => {
    const facing = { ...newRecord(facingRecord), id: 'f', partId: 'C1', what: 'the lug' };
    show(FacingsView, { facings: [facing] });
    expect(screen.getByText('The lug faces the front.')).toBeTruthy();
    expect(screen.getByRole('img', { name: 'the lug faces the front' })).toBeTruthy();
    const what = screen.getByRole('textbox', { name: 'What is looked for' });
    fireEvent.change(what, { target: { value: 'the long lug' } });
    fireEvent.blur(what);
    expect(kitChanged.mock.calls[0]![1]).toMatchObject([
      { kind: 'facing', id: 'f', value: { what: 'the long lug', faces: 'front' } },
    ]);
  });

  it('keeps what stood where a name is emptied, and says where a part is gone', () => {
    const facing = { ...newRecord(facingRecord), id: 'f', partId: 'nowhere', what: 'the lug' };
    show(FacingsView, { facings: [facing] });
    expect(screen.getAllByText('a part that is gone').length).toBeGreaterThan(0);
    const what = screen.getByRole<HTMLInputElement>('textbox', { name: 'What is looked for' });
    fireEvent.change(what, { target: { value: ' ' } });
    fireEvent.blur(what);
    expect(what.value).toBe('the lug');
    expect(kitChanged).not.toHaveBeenCalled();
  });
});
