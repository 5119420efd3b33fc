// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { EMPTY_KIT, newRecord, viewRecord, type LiveryView } from '../../../core/kit/index.ts';
import { plainFinish } from '../../../core/kit/plainKit.ts';
import { measureView } from '../../../core/livery/index.ts';
import { freshArea } from './areaChanges.ts';
import { AreaForm } from './AreaForm.tsx';
import { AreaList } from './AreaList.tsx';
import { MeasuredPanel } from './MeasuredPanel.tsx';
import { NarrowAreas } from './NarrowAreas.tsx';
import { Mouldings } from './Mouldings.tsx';
import { ViewCanvas } from './ViewCanvas.tsx';

const kit = { ...EMPTY_KIT, finishes: [plainFinish('red', 'gloss'), plainFinish('cream', 'gloss')] };
const view: LiveryView = {
  ...newRecord(viewRecord),
  id: 'v',
  name: 'Side',
  outline: 'M0 0 H100 V50 H0 Z',
  slope: 1.2,
};
const low = { ...freshArea('a', view, 'band', 'red', []), name: 'belt' };
const high = { ...freshArea('b', view, 'ellipse', 'red', [low]), name: 'roundel' };
const measured = measureView(view, [low, high], 'cream');
const show = (shown: ReactNode) => render(<MantineProvider>{shown}</MantineProvider>);

describe('the areas of a view', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);

  it('are listed from the uppermost, chosen, raised, taken out and added with a finish that is not there yet', () => {
    const calls = { onChoose: vi.fn(), onAdd: vi.fn(), onRaise: vi.fn(), onRemove: vi.fn() };
    show(<AreaList kit={kit} areas={[low, high]} chosen={high} hexOf={() => '#888'} {...calls} />);
    const names = screen.getAllByRole('button', { pressed: false }).map(({ textContent }) => textContent);
    expect(names.some((name) => name.includes('belt'))).toBe(true);
    expect(screen.getByRole('button', { pressed: true }).textContent).toContain('roundel');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Raise roundel' }).disabled).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Raise belt' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take out belt' }));
    fireEvent.click(screen.getByRole('button', { name: 'Band' }));
    expect(calls.onRaise.mock.calls).toEqual([['a', 1]]);
    expect(calls.onRemove.mock.calls).toEqual([[low]]);
    expect(calls.onAdd.mock.calls).toEqual([['band', 'cream']]);
  });

  it('say where finishes come from when there are none', () => {
    show(
      <AreaList
        kit={EMPTY_KIT}
        areas={[]}
        chosen={undefined}
        hexOf={() => '#888'}
        onChoose={vi.fn()}
        onAdd={vi.fn()}
        onRaise={vi.fn()}
        onRemove={vi.fn()}
      />,
    );
    expect(screen.getByText(/Name the finishes of this build first/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Band' })).toBeNull();
  });

  it('are edited in figures: what is no number, or is as it was, changes nothing', () => {
    const onSave = vi.fn();
    show(<AreaForm area={high} kit={kit} onSave={onSave} onMirror={vi.fn()} onLayAlong={null} />);
    const width = screen.getByRole('textbox', { name: 'Width, mm' });
    fireEvent.blur(width);
    fireEvent.change(width, { target: { value: '' } });
    fireEvent.blur(width);
    expect(onSave).not.toHaveBeenCalled();
    const again = screen.getByRole('textbox', { name: 'Width, mm' });
    fireEvent.change(again, { target: { value: '12.5' } });
    fireEvent.blur(again);
    expect(onSave.mock.calls).toEqual([[{ width: 12.5 }]]);
  });

  it('are mirrored and laid along lines where there are any', () => {
    const [onMirror, onLayAlong] = [vi.fn(), vi.fn()];
    const form = (lay: (() => void) | null) => (
      <AreaForm area={high} kit={kit} onSave={vi.fn()} onMirror={onMirror} onLayAlong={lay} />
    );
    show(form(null));
    expect(screen.queryByRole('button', { name: /moulded line/ })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Add its mirror image' }));
    cleanup();
    show(form(onLayAlong));
    fireEvent.click(screen.getByRole('button', { name: 'Lay its edge along the moulded line' }));
    expect([onMirror.mock.calls.length, onLayAlong.mock.calls.length]).toEqual([1, 1]);
  });

  it('are added up to a moulded line, on either side, and a line needs a course', () => {
    const line = { id: 'l', name: 'waist', path: 'M0 20 H100' };
    const [onSave, onPaint] = [vi.fn(), vi.fn()];
    show(<Mouldings view={{ ...view, mouldings: [line] }} onSave={onSave} onPaint={onPaint} />);
    fireEvent.click(screen.getByRole('button', { name: 'Colour below it' }));
    expect(onPaint.mock.calls).toEqual([[line, 'below']]);
    const run = () => fireEvent.click(screen.getByRole('button', { name: 'It runs there' }));
    const path = screen.getByRole('textbox', { name: /Its path/ });
    fireEvent.change(path, { target: { value: 'M5 5' } });
    run();
    expect(onSave).not.toHaveBeenCalled();
    expect(screen.getByText(/single point/)).toBeTruthy();
    // Two points are a line, though they enclose nothing.
    fireEvent.change(path, { target: { value: 'M5 5 H40' } });
    run();
    expect(onSave.mock.calls[0]![0]).toMatchObject([line, { name: 'moulded line', path: 'M5 5 H40' }]);
    fireEvent.click(screen.getByRole('button', { name: 'Take out waist' }));
    expect(onSave.mock.calls[1]![0]).toEqual([]);
  });

  it('that are narrow are compared by their ways, the quickest first', () => {
    const offers = [
      { way: 'marker', minutes: 4 },
      { way: 'spray', minutes: 45 },
    ] as const;
    show(
      <NarrowAreas
        narrow={[
          {
            areaId: 'a',
            finishId: 'black',
            cm2: 0.96,
            edgeMm: 241.6,
            widthMm: 0.8,
            lengthMm: 120,
            offers: [...offers],
          },
        ]}
        nameOf={({ finishId }) => `Rubber ${finishId}`}
      />,
    );
    const row = screen.getByRole('row').textContent;
    expect(row).toMatch(/Rubber black 0\.8 mm wide, 120 mm long.*marker 4 min, mask and spray 45 min/);
    cleanup();
    show(<NarrowAreas narrow={[]} nameOf={() => ''} />);
    expect(screen.queryByRole('table')).toBeNull();
  });

  it('move by the arrow keys, with shift by a whole millimetre, and only where one is chosen', () => {
    const onMove = vi.fn();
    const canvas = (chosen: typeof high | undefined) => (
      <ViewCanvas
        view={view}
        areas={[low, high]}
        measured={measured}
        chosen={chosen}
        hexOf={() => '#888'}
        onChoose={vi.fn()}
        onMove={onMove}
        onTurn={onTurn}
      />
    );
    const onTurn = vi.fn();
    show(canvas(high));
    const group = screen.getByRole('group', { name: /Side: the arrow keys move roundel/ });
    fireEvent.keyDown(group, { key: 'ArrowLeft' });
    fireEvent.keyDown(group, { key: 'ArrowDown', shiftKey: true });
    fireEvent.keyDown(group, { key: 'x' });
    fireEvent.keyDown(group, { key: 'PageDown' });
    fireEvent.keyDown(group, { key: 'PageUp' });
    expect(onTurn.mock.calls).toEqual([[1], [-1]]);
    expect(onMove.mock.calls).toEqual([
      [-0.1, 0],
      [0, 1],
    ]);
    cleanup();
    onMove.mockClear();
    show(canvas(undefined));
    fireEvent.keyDown(screen.getByRole('group'), { key: 'ArrowLeft' });
    expect(onMove).not.toHaveBeenCalled();
  });

  it('are measured by finish, with what is to be mended', () => {
    const lost = { ...high, id: 'c', name: 'lost', x: 900 };
    show(
      <MeasuredPanel
        view={view}
        kit={{ ...kit, liveryAreas: [low, high, lost] }}
        measured={measureView(view, [low, lost], null)}
      />,
    );
    expect(screen.getByText('no finish yet')).toBeTruthy();
    expect(screen.getByText(/lies outside the outline/).textContent).toContain('lost:');
  });
});
