// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { EMPTY_KIT, newRecord, viewRecord, type Kit, type Marking } from '../../../core/kit/index.ts';
import { plainFinish, plainPart } from '../../../core/kit/plainKit.ts';
import { placeMarkings } from '../../../core/livery/index.ts';
import { MarkingCanvas } from './MarkingCanvas.tsx';
import { MarkingForm } from './MarkingForm.tsx';
import { MarkingTable } from './MarkingTable.tsx';
import { MarkingWays } from './MarkingWays.tsx';
import { Openings } from './Openings.tsx';
import { PrintLook } from './PrintLook.tsx';
import { Regions } from './Regions.tsx';
import { SheetPicture } from './SheetPicture.tsx';
import { freshMarking } from './freshMarking.ts';

const view = { ...newRecord(viewRecord), id: 'v', name: 'Side', outline: 'M0 0H100V50H0Z', partId: 'A1' };
const field: Marking = {
  ...freshMarking('m', 'v', { x: 50, y: 25 }, []),
  name: 'field',
  width: 20,
  height: 20,
  round: true,
  sheet: '4',
  route: 'decal',
};
const number: Marking = {
  ...freshMarking('n', 'v', { x: 50, y: 25 }, [field]),
  name: 'number',
  width: 8,
  height: 9,
};
const kit: Kit = {
  ...EMPTY_KIT,
  finishes: [plainFinish('teal', 'gloss')],
  parts: [plainPart('A1', { name: 'Body' }), plainPart('A2', { name: 'Door' })],
  views: [view],
  markings: [number, field],
};
const placed = placeMarkings(kit).map((each) => ({
  ...each,
  drawn: { shapes: [], tooFine: each.marking.id === 'n' ? ['lines of 0.05 mm'] : [] },
}));
const show = (shown: ReactNode) => render(<MantineProvider>{shown}</MantineProvider>);
const facts = { ink: null, base: null, onClear: false };

describe('the markings of a build', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);

  it('are listed in the order in which they go on, chosen, added and taken out', () => {
    const calls = { onChoose: vi.fn(), onAdd: vi.fn(), onRemove: vi.fn() };
    show(<MarkingTable markings={kit.markings} placed={placed} chosen={field} {...calls} />);
    const rows = screen.getAllByRole('row').slice(1);
    expect(rows.map(({ textContent }) => textContent.slice(0, 5))).toEqual(['field', 'numbe']);
    expect(rows[1]!.textContent).toContain('not decided');
    fireEvent.click(screen.getByRole('button', { name: 'number' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take out field' }));
    fireEvent.click(screen.getByRole('button', { name: 'Add a marking' }));
    expect(calls.onChoose.mock.calls).toEqual([['n']]);
    expect(calls.onRemove.mock.calls).toEqual([[field]]);
    expect(calls.onAdd).toHaveBeenCalledTimes(1);
  });

  it('tell their ways with minutes, what they lie on, and what is too fine', () => {
    const onTake = vi.fn();
    show(
      <MarkingWays
        placed={placed.find(({ marking }) => marking.id === 'n')!}
        kit={kit}
        facts={facts}
        light="D65"
        said={[
          { rule: 'r', severity: 'warn', text: 'Old film', why: 'It breaks.', remedy: 'Float a spare.' },
        ]}
        onTake={onTake}
      />,
    );
    expect(screen.getByText('Body: 100 %')).toBeTruthy();
    expect(screen.getByText(/Over field: that goes on first/)).toBeTruthy();
    expect(screen.getByText('lines of 0.05 mm')).toBeTruthy();
    expect(screen.getByText('Float a spare.').closest('.finding')!.textContent).toContain('Old film');
    expect(screen.queryByText(/the kit’s decal/)).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Take mask and paint' }));
    expect(onTake.mock.calls).toEqual([['paint']]);
  });

  it('are edited in figures, and show what they are in life', () => {
    const onSave = vi.fn();
    show(<MarkingForm marking={field} kit={kit} buildId="b" scale={24} onSave={onSave} />);
    expect(screen.getAllByText('480 mm in life')).toHaveLength(2);
    const width = screen.getByRole('textbox', { name: 'Width, mm' });
    fireEvent.change(width, { target: { value: '' } });
    fireEvent.blur(width);
    expect(onSave).not.toHaveBeenCalled();
    // What stood before stands again.
    const again = screen.getByRole<HTMLInputElement>('textbox', { name: 'Width, mm' });
    expect(again.value).toBe('20');
    // Below its limit it is saved as it is shown.
    fireEvent.change(again, { target: { value: '0' } });
    fireEvent.blur(again);
    expect(onSave.mock.calls).toEqual([[{ width: 0.1 }]]);
    onSave.mockClear();
    fireEvent.change(again, { target: { value: '12.5' } });
    fireEvent.blur(again);
    const sheet = screen.getByRole('textbox', { name: 'Number on the sheet' });
    fireEvent.change(sheet, { target: { value: ' ' } });
    fireEvent.blur(sheet);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Round' }));
    expect(onSave.mock.calls).toEqual([[{ width: 12.5 }], [{ sheet: '' }], [{ round: false }]]);
  });

  it('move by the arrow keys where one is chosen', () => {
    const onMove = vi.fn();
    const canvas = (chosen?: Marking) => (
      <MantineProvider>
        <MarkingCanvas
          view={view}
          measured={undefined}
          markings={placed}
          chosen={chosen}
          hexOf={() => '#888'}
          onChoose={vi.fn()}
          onMove={onMove}
        />
      </MantineProvider>
    );
    const { rerender } = render(canvas());
    const group = () => screen.getByRole('group');
    fireEvent.keyDown(group(), { key: 'ArrowLeft' });
    expect(onMove).not.toHaveBeenCalled();
    rerender(canvas(field));
    fireEvent.keyDown(group(), { key: 'ArrowLeft' });
    fireEvent.keyDown(group(), { key: 'ArrowDown', shiftKey: true });
    expect(onMove.mock.calls).toEqual([
      [-0.1, 0],
      [0, 1],
    ]);
  });
});

describe('what lies on a view', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);
  const pathField = () => screen.getByRole('textbox', { name: /Its path/ });

  it('is opened where its path encloses something, and only there', () => {
    const onSave = vi.fn();
    show(<Openings view={view} onSave={onSave} />);
    fireEvent.click(screen.getByRole('button', { name: 'Open it there' }));
    expect(onSave).not.toHaveBeenCalled();
    expect(pathField().getAttribute('aria-invalid')).toBe('true');
    fireEvent.change(pathField(), { target: { value: 'M10 10 H20 V20 H10 Z' } });
    fireEvent.click(screen.getByRole('button', { name: 'Open it there' }));
    expect(onSave.mock.calls[0]![0]).toMatchObject([{ name: 'opening', path: 'M10 10 H20 V20 H10 Z' }]);
  });

  it('belongs to a part that is named', () => {
    const onSave = vi.fn();
    const withDoor = { ...view, regions: [{ id: 'r', partId: 'A2', path: 'M10 10 H20 V20 H10 Z' }] };
    show(<Regions view={withDoor} kit={kit} onSave={onSave} />);
    fireEvent.change(pathField(), { target: { value: 'M30 10 H40 V20 H30 Z' } });
    fireEvent.click(screen.getByRole('button', { name: 'It lies there' }));
    expect(screen.getByText('Say which part lies there.')).toBeTruthy();
    expect(onSave).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole('button', { name: 'Take out Door' }));
    expect(onSave.mock.calls).toEqual([[[]]]);
  });
});

describe('a sheet', () => {
  afterEach(cleanup);
  it('is shown in its proportions, with a ruler', () => {
    const { container } = show(
      <SheetPicture
        page={{ width: 210, height: 297, paths: [{ d: 'M0 0H5V5H0Z', fill: '#112233' }] }}
        label="Sheet 1"
      />,
    );
    expect(screen.getByRole('img', { name: 'Sheet 1, 210 by 297 mm' })).toBeTruthy();
    expect(container.querySelectorAll('text')).toHaveLength(4 + 5);
    expect(container.querySelector('path')!.getAttribute('fill')).toBe('#112233');
  });

  it('are shown as they will look on the paint beneath, where both colours are known', () => {
    const ink = { lab: { L: 45, a: 60, b: 35 }, transparent: true };
    show(<PrintLook facts={{ ...facts, ink, base: { L: 30, a: 0, b: -20 } }} light="D65" />);
    expect(screen.getByText(/^The paint beneath changes it by \d+\.\d dE\.$/)).toBeTruthy();
    const [on, white] = ['on the paint beneath', /^on white film/].map((name) =>
      screen.getByRole('img', { name }).querySelector('rect')!.getAttribute('fill'),
    );
    expect(on).not.toBe(white);
    cleanup();
    show(
      <PrintLook
        facts={{ ...facts, ink: { ...ink, transparent: false }, base: { L: 30, a: 0, b: 0 } }}
        light="D65"
      />,
    );
    expect(screen.getByText('The paint beneath does not show.')).toBeTruthy();
    cleanup();
    show(<PrintLook facts={{ ...facts, ink }} light="D65" />);
    expect(screen.getByText(/not known/)).toBeTruthy();
  });
});
