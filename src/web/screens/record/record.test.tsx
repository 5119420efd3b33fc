// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../api/index.ts';
import {
  EMPTY_KIT,
  inspectionRecord,
  newRecord,
  plainPart,
  type Inspection,
} from '../../../core/kit/index.ts';
import type { PlanOperation, PlanView } from '../../../core/plan/index.ts';
import { changeKit, changeStock, useKit, useStock } from '../../data/kit.ts';
import { usePlan } from '../../data/plan.tsx';
import { useTask } from '../../data/useTask.ts';
import { InspectScreen } from './InspectScreen.tsx';

vi.mock('../../data/kit.ts', () => ({
  changeKit: vi.fn(),
  changeStock: vi.fn(),
  useKit: vi.fn(),
  useStock: vi.fn(),
}));
vi.mock('../../data/plan.tsx', () => ({ usePlan: vi.fn() }));
vi.mock('../../data/useTask.ts', () => ({ useTask: vi.fn() }));
vi.mock('../../data/buildContext.ts', () => ({
  useBuildContext: () => ({
    build: { id: 'b', name: 'Coupe', scale: 24, trays: [{ id: 't' }] } as unknown as BuildRecord,
    ready: true,
  }),
}));
const changed = vi.mocked(changeKit);
const last = () => changed.mock.calls.at(-1)![1];

const step = (id: string, kind: string, layerId: string) =>
  ({ id, buildId: 'b', trayId: 't', kind, layerId, title: `Step ${id}`, hands: 5, dry: 0 }) as PlanOperation;
const view = {
  operations: [step('primer', 'primer', 'p'), step('red', 'colour', 'r'), step('clear', 'clear', 'c')],
  arcs: [
    { from: 'primer', to: 'red' },
    { from: 'red', to: 'clear' },
  ],
  starts: { clear: 29_000_000 },
  problem: null,
  stuck: {},
} as unknown as PlanView;

const found = (more: Partial<Inspection> = {}): Inspection => ({
  ...newRecord(inspectionRecord),
  id: 'seen',
  operationId: 'red',
  fault: 'run',
  where: 'lower edge',
  ...more,
});
const show = (inspections: Inspection[] = []) => {
  vi.mocked(useKit).mockReturnValue({
    kit: { ...EMPTY_KIT, parts: [plainPart('A1', { name: 'Door' })], inspections },
  } as never);
  render(
    <MantineProvider env="test">
      <MemoryRouter>
        <InspectScreen />
      </MemoryRouter>
    </MantineProvider>,
  );
};

beforeEach(() => {
  matchMediaStandIn();
  changed.mockReset().mockResolvedValue(undefined);
  vi.mocked(changeStock).mockReset().mockResolvedValue(undefined);
  vi.mocked(useStock).mockReset();
  vi.mocked(usePlan).mockReturnValue({ view, request: {} } as never);
  vi.mocked(useTask).mockReturnValue({
    state: { kind: 'idle' },
    answer: undefined,
    again: vi.fn(),
    cancel: vi.fn(),
  } as never);
});
afterEach(cleanup);

describe('looking over', () => {
  it('is due for what is done, and said to come for the rest', () => {
    show();
    const due = within(screen.getByRole('region', { name: 'What is due' }));
    expect(due.getAllByRole('button').map((each) => each.textContent)).toEqual(['After colourStep red']);
    expect(due.getByText(/After clear: Step clear/)).toBeTruthy();
  });

  it('is passed over where a later coat is on already', () => {
    vi.mocked(usePlan).mockReturnValue({
      view: { ...view, starts: { red: 1, clear: 2 } },
      request: {},
    } as never);
    show();
    const due = within(screen.getByRole('region', { name: 'What is due' }));
    expect(due.getAllByRole('button')).toHaveLength(1);
    expect(due.getByText('Step primer')).toBeTruthy();
  });

  it('accepts where nothing is found', () => {
    show();
    fireEvent.click(screen.getByRole('button', { name: 'Nothing found: accept it' }));
    expect(last()).toMatchObject([
      { kind: 'inspection', value: { operationId: 'red', fault: null, outcome: 'accept' } },
    ]);
  });

  it('keeps what was found, and where', () => {
    show();
    const select = screen.getByRole('combobox', { name: 'Something was found' });
    fireEvent.focus(select);
    fireEvent.click(select);
    fireEvent.click(screen.getByRole('option', { name: 'a run' }));
    fireEvent.change(screen.getByLabelText('Where'), { target: { value: ' lower edge ' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep what was found' }));
    expect(last()[0]!.value).toMatchObject({
      operationId: 'red',
      fault: 'run',
      where: 'lower edge',
      outcome: null,
    });
  });
});

describe('what was found', () => {
  it('grows its repair in the plan when it is fixed now', () => {
    show([found()]);
    fireEvent.click(screen.getByRole('button', { name: 'Fix it now' }));
    const [mishap, inspection] = last();
    expect(mishap).toMatchObject({
      kind: 'mishap',
      value: { operationId: 'red', redoFrom: 'red', repair: 'sand', what: 'a run: lower edge' },
    });
    expect(inspection).toMatchObject({
      kind: 'inspection',
      value: { outcome: 'fix-now', mendId: mishap!.id },
    });
  });

  it('takes its repair along when it is taken out', () => {
    show([found({ outcome: 'fix-now', mendId: 'again-1' })]);
    fireEvent.click(screen.getByRole('button', { name: /Take out/ }));
    expect(last()).toMatchObject([
      { kind: 'inspection', id: 'seen', value: null },
      { kind: 'mishap', id: 'again-1', value: null },
    ]);
  });

  it('is a regret that may become a lesson', () => {
    show([found({ outcome: 'live-with' })]);
    fireEvent.click(screen.getByRole('button', { name: 'keep it as a lesson' }));
    expect(vi.mocked(changeStock).mock.calls[0]![0]).toMatchObject([
      {
        kind: 'lesson',
        value: { stepKind: 'colour', text: expect.stringMatching(/^A run: lower edge/) as string },
      },
    ]);
    // Kept once: it is not offered again.
    const { id, value } = vi.mocked(changeStock).mock.calls[0]![0][0]!;
    vi.mocked(useStock).mockReturnValue({ lessons: [{ id, ...value }] } as never);
    cleanup();
    show([found({ outcome: 'live-with' })]);
    expect(screen.queryByRole('button', { name: 'keep it as a lesson' })).toBeNull();
    expect(screen.getByText(/Kept as a lesson/)).toBeTruthy();
  });

  it('shows both ways once they are worked out', () => {
    const ways = [
      { when: 'never', hands: 100, ready: 29_000_000, again: [] },
      { when: 'now', hands: 130, ready: 29_001_440, again: ['Step red'] },
      { when: 'later', hands: 150, ready: 29_002_880, again: ['Step red', 'Step clear'] },
    ];
    vi.mocked(useTask).mockReturnValue({
      state: { kind: 'answered', answer: ways },
      again: vi.fn(),
    } as never);
    show([found()]);
    fireEvent.click(screen.getByRole('button', { name: /what would it cost/ }));
    const rows = within(screen.getByRole('table', { name: 'What the mend costs' })).getAllByRole('row');
    expect(rows.map((row) => row.textContent)).toEqual([
      expect.stringContaining('when'),
      expect.stringContaining('as it is'),
      expect.stringMatching(/fixed now1 steps? again\+30 min/),
      expect.stringMatching(/fixed once all is on it2 steps again\+50 min/),
    ]);
  });
});
