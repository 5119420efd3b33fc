// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../../api/index.ts';
import {
  assembleStock,
  EMPTY_KIT,
  insertionRecord,
  levelRecord,
  newRecord,
  plainJoint,
  plainPart,
  tryoutRecord,
  type Insertion,
  type Kit,
  type Level,
} from '../../../../core/kit/index.ts';
import { summariseKit, type Advice } from '../../../../core/plan/index.ts';
import { changeKit, useKit } from '../../../data/kit.ts';
import { ClosingView } from './ClosingView.tsx';
import { MovesView } from './MovesView.tsx';
import StepLevels from './StepLevels.tsx';
import { StraightView } from './StraightView.tsx';
import { WayInView } from './WayInView.tsx';

vi.mock('../../../data/kit.ts', () => ({ changeKit: vi.fn(), useKit: vi.fn() }));
vi.mock('../../../data/inWorker.ts', () => ({ inWorker: vi.fn() }));
vi.mock('../../../data/bench.ts', () => ({
  useBench: () => ({ data: { settings: { conditions: { temperatureC: 8, humidity: 50 } } } }),
}));
const changed = vi.mocked(changeKit);
const last = () => changed.mock.calls.at(-1)![1][0]!.value as Record<string, unknown>;

const parts = [
  plainPart('A1', { name: 'Shell', areaCm2: 100 }),
  plainPart('B1', { name: 'Mirror', areaCm2: 1, lengthMm: 8, fragile: true }),
  plainPart('C1', { name: 'Bulb', areaCm2: 1, fragile: true }),
];
const whole = (kit: Partial<Kit>): Kit => ({ ...EMPTY_KIT, parts, ...kit });
const show = (View: typeof WayInView, kit: Partial<Kit>, build: Partial<BuildRecord> = {}) =>
  render(
    <MantineProvider env="test">
      <View
        build={{ id: 'b', name: 'Coupe', scale: 24, ...build } as BuildRecord}
        kit={whole(kit)}
        stock={assembleStock([])}
      />
    </MantineProvider>,
  );
const insertion = (unitMm: number, more: Partial<Insertion> = {}): Insertion => ({
  ...newRecord(insertionRecord),
  id: 'i',
  name: 'Chassis into body',
  partId: 'B1',
  shellPartId: 'A1',
  gaugeMm: 1.2,
  sideMm: 25,
  stations: [
    { atMm: 10, unitMm, openMm: 50 },
    { atMm: 90, unitMm, openMm: 50 },
  ],
  ...more,
});
const level = (leftMm: number | null, rightMm: number | null): Level => ({
  ...newRecord(levelRecord),
  id: 'l',
  name: 'Bumper',
  partId: 'B1',
  measures: [{ name: 'height', leftMm, rightMm }],
});

beforeEach(() => {
  matchMediaStandIn();
  changed.mockReset().mockResolvedValue(undefined);
});
afterEach(cleanup);

describe('a way in', () => {
  it('drops in, gives way or breaks, by the cold of the bench', () => {
    show(WayInView, { insertions: [insertion(48)] });
    expect(screen.getByText('Straight down').closest('p')!.textContent).toBe('Straight down: it drops in.');
    expect(screen.getByText(/At 8.0 °C/)).toBeTruthy();
    cleanup();
    show(WayInView, { insertions: [insertion(56)] });
    // 3 mm on each side strain it by 0.86 %: at 20 C it would give that much, in the cold it breaks.
    expect(screen.getByText('Straight down').closest('p')!.textContent).toMatch(/0\.9 %.*more than it takes/);
  });

  it('asks for what is not measured, and measures a place', () => {
    show(WayInView, { insertions: [insertion(48, { stations: [] })] });
    expect(screen.getByRole('alert').textContent).toContain('two places at least');
    fireEvent.click(screen.getByRole('button', { name: 'Measure it at a place' }));
    expect(last().stations).toEqual([{ atMm: 20, unitMm: null, openMm: null }]);
  });
});

describe('what is set straight', () => {
  it('says the shim, and which side', () => {
    show(StraightView, { levels: [level(12.6, 12)] });
    expect(screen.getByText(/Bumper hangs: 0.40 mm under its right seat/)).toBeTruthy();
  });

  it('is measured at the card of the step that glues it', () => {
    vi.mocked(useKit).mockReturnValue({ kit: whole({ levels: [level(null, null)] }) } as never);
    const about = { parts: ['B1'] } as Advice['about'];
    render(
      <MantineProvider env="test">
        <StepLevels buildId="b" advice={[{ about } as Advice]} />
      </MantineProvider>,
    );
    const left = screen.getByLabelText('height, left, mm');
    fireEvent.change(left, { target: { value: '12.4' } });
    fireEvent.blur(left);
    expect(last().measures).toEqual([{ name: 'height', leftMm: 12.4, rightMm: null }]);
  });
});

describe('what moves', () => {
  const joints = [plainJoint('j', 'B1', 'A1', { kind: 'hinge', motion: 'swings' })];

  it('is tried, and what is stuck is freed the gentlest way first', () => {
    show(MovesView, { joints });
    const [select] = screen.getAllByRole('combobox');
    fireEvent.focus(select!);
    fireEvent.click(select!);
    fireEvent.click(screen.getByText('no longer moves'));
    expect(last()).toMatchObject({ jointId: 'j', moves: 'not', tried: [] });
    cleanup();
    show(MovesView, {
      joints,
      tryouts: [{ ...newRecord(tryoutRecord), id: 't', jointId: 'j', moves: 'not' }],
    });
    const ways = screen.getAllByRole('checkbox');
    expect(ways.length).toBeGreaterThan(3);
    fireEvent.click(ways[0]!);
    expect(last()).toMatchObject({ jointId: 'j', moves: 'not', tried: ['look'] });
  });

  it('says that nothing moves', () => {
    show(MovesView, {});
    expect(screen.getByText(/No joint is to move/)).toBeTruthy();
  });
});

describe('what closes', () => {
  it('lists what each late join shuts in, and how its small parts are glued', () => {
    const kit = {
      joints: [plainJoint('m', 'B1', 'A1'), plainJoint('c', 'C1', 'A1', { captured: ['B1'] })],
    };
    const trays = parts.map((part) => ({ id: `t-${part.id}`, name: part.name, parts: [part] }));
    const division = trays.map(({ id, parts: held }) => ({ id, partIds: held.map((part) => part.id) }));
    const join = (id: string, name: string, trayIds: string[]) => ({
      id,
      name,
      trayIds,
      afterJoinIds: [],
      jointIds: [],
    });
    const joins = [
      join('lens', 'Bulb onto shell', ['t-C1', 't-A1']),
      join('mirror', 'Mirror onto shell', ['t-B1', 't-A1']),
    ];
    show(ClosingView, kit, {
      trays,
      joins,
      kit: summariseKit(whole(kit), division, joins, 24),
    } as unknown as Partial<BuildRecord>);
    const closes = within(screen.getByRole('region', { name: 'What closes' }));
    expect(closes.getByText('Shuts in mirror.')).toBeTruthy();
    expect(closes.getByText('Mirror onto shell')).toBeTruthy();
    const late = within(screen.getByRole('region', { name: 'Late parts' }));
    expect(late.getAllByText(/1 dot of/)).toHaveLength(2);
    // The mirror comes before what shuts it in.
    expect(late.getAllByRole('heading', { level: 3 }).map((each) => each.textContent)).toEqual([
      'Mirror onto shell',
      'Bulb onto shell',
    ]);
  });

  it('says that nothing is joined late', () => {
    show(ClosingView, {}, { trays: [], joins: [], kit: summariseKit(whole({}), []) });
    expect(screen.getByText(/Nothing is joined after paint yet/)).toBeTruthy();
  });
});
