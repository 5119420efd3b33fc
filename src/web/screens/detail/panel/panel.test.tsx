// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../../api/index.ts';
import {
  assembleStock,
  EMPTY_KIT,
  initialOf,
  newRecord,
  onPanelFields,
  panelRecord,
  plainPart,
  type InstrumentPanel,
  type OnPanel,
} from '../../../../core/kit/index.ts';
import { changeKit } from '../../../data/kit.ts';
import { PanelView } from './PanelView.tsx';

vi.mock('../../../data/kit.ts', () => ({ changeKit: vi.fn() }));
vi.mock('../../../data/inWorker.ts', () => ({ inWorker: vi.fn() }));
vi.mock('../../../data/useTask.ts', () => ({
  useTask: () => ({ state: { kind: 'idle' }, newest: undefined }),
}));
const changed = vi.mocked(changeKit);

const dial = (name: string, xMm: number): OnPanel => ({
  ...initialOf(onPanelFields),
  name,
  xMm,
  yMm: 6,
  widthMm: 4,
});
const show = (more: Partial<InstrumentPanel>) =>
  render(
    <MantineProvider env="test">
      <PanelView
        build={{ id: 'b', name: 'Coupe', scale: 24 } as BuildRecord}
        kit={{
          ...EMPTY_KIT,
          parts: [plainPart('F5', { name: 'Dashboard' })],
          panels: [
            {
              ...newRecord(panelRecord),
              id: 'p',
              name: 'Dash',
              partId: 'F5',
              on: [dial('Speed', 10), dial('Revs', 20)],
              ...more,
            },
          ],
        }}
        stock={assembleStock([])}
      />
    </MantineProvider>,
  );
const last = () => changed.mock.calls.at(-1)![1][0]!.value as InstrumentPanel;

describe('the instrument panel', () => {
  beforeEach(() => {
    matchMediaStandIn();
    changed.mockReset().mockResolvedValue(undefined);
  });
  afterEach(cleanup);

  it('compares the ways to it, says what is missing for some, and takes one', () => {
    show({});
    const ways = within(screen.getByRole('radiogroup', { name: 'Way to dash' }));
    expect(ways.getByRole<HTMLInputElement>('radio', { name: /etched frame/ }).disabled).toBe(true);
    expect(ways.getByText(/not here: no etched frame/)).toBeTruthy();
    fireEvent.click(ways.getByRole('radio', { name: /printed paper behind an overlay/ }));
    expect(last().route).toBe('paper-lens');
    expect(screen.getByText(/the plan leaves it out/)).toBeTruthy();
  });

  it('names the web that will break, and draws template and dials', () => {
    show({ route: 'paper-lens', on: [dial('Speed', 10), dial('Revs', 14.4)] });
    expect(screen.getByText(/0\.40 mm between speed and revs in 0\.25 mm sheet: it will break/)).toBeTruthy();
    expect(screen.getByRole('img', { name: 'Template of Dash' })).toBeTruthy();
    expect(screen.getByRole('img', { name: 'Dials of Dash' })).toBeTruthy();
  });

  it('says which openings overlap, and keeps what was typed', () => {
    show({ route: 'paper-lens', on: [dial('Speed', 10), dial('Revs', 12)] });
    expect(screen.getByRole('alert').textContent).toMatch(/Speed and Revs overlap by 2\.00 mm/);
    expect(screen.getAllByRole<HTMLInputElement>('textbox', { name: 'From the left, mm' })[1]!.value).toBe(
      '12',
    );
  });

  it('adds what is on it beside the last, and takes it out', () => {
    show({});
    fireEvent.click(screen.getByRole('button', { name: 'Add something on it' }));
    expect(last().on.map(({ name, xMm }) => [name, xMm])).toEqual([
      ['Speed', 10],
      ['Revs', 20],
      ['dial 3', 25],
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Take out Speed' }));
    expect(last().on.map(({ name }) => name)).toEqual(['Revs']);
  });

  it('keeps the drills that are sizes, and says which is none', () => {
    show({ drills: [0.5] });
    const drills = screen.getByRole('combobox', { name: 'Drills there are, mm' });
    drills.focus();
    fireEvent.change(drills, { target: { value: 'wide' } });
    fireEvent.keyDown(drills, { key: 'Enter' });
    expect(screen.getByText(/“wide” is no drill/)).toBeTruthy();
    expect(last().drills).toEqual([0.5]);
  });

  it('tells of a decal what is trimmed, and into what it is cut', () => {
    show({
      art: 'kit-decal',
      route: 'decal-overlay',
      decalWidthMm: 52,
      decalHeightMm: 12,
      on: [dial('Speed', 10), { ...dial('Revs', 20), printedXMm: 20.6 }],
    });
    expect(screen.getByText(/It is larger than the recess/).textContent).toMatch(
      /trim 1\.00 mm off each side/,
    );
    expect(screen.getByText(/Cut it into 2 pieces/)).toBeTruthy();
    expect(screen.getByText(/^Revs:/).textContent).toMatch(/0\.60 mm left/);
  });
});
