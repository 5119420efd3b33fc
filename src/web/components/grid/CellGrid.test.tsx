// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { CellGrid } from './CellGrid.tsx';
import type { GridColumn } from './gridColumn.ts';

interface Row {
  id: string;
  name: string;
  kind: string;
  done: boolean;
}

const COLUMNS: GridColumn<Row>[] = [
  { key: 'name', name: 'Name', width: 100, frozen: true, text: ({ name }) => name },
  {
    key: 'kind',
    name: 'Kind',
    width: 80,
    text: ({ kind }) => kind,
    options: [
      { value: '', label: 'none yet' },
      { value: 'etch', label: 'etch' },
    ],
  },
  {
    key: 'done',
    name: 'Done',
    width: 60,
    text: ({ done }) => (done ? 'yes' : ''),
    check: ({ done, name }) => ({ checked: done, label: `${name} done` }),
  },
];
const rowsOf = (count: number): Row[] =>
  Array.from({ length: count }, (_, at) => ({ id: `r${at}`, name: `Part ${at}`, kind: '', done: false }));

describe('a grid of cells', () => {
  beforeAll(() => {
    matchMediaStandIn();
    // The page has no layout here: a frame of 300 px.
    vi.spyOn(Element.prototype, 'clientHeight', 'get').mockReturnValue(300);
  });
  const onEdit = vi.fn();
  const onMark = vi.fn();
  beforeEach(() => {
    onEdit.mockClear();
    onMark.mockClear();
  });
  afterEach(cleanup);

  const grid = (rows: Row[]) => (
    <MantineProvider>
      <CellGrid
        label="Parts"
        columns={COLUMNS}
        rows={rows}
        maxHeight="300px"
        onEdit={onEdit}
        onMark={onMark}
      />
    </MantineProvider>
  );
  const cell = (row: number, column: number) =>
    document.querySelector<HTMLElement>(`[aria-rowindex="${row + 2}"] [aria-colindex="${column + 1}"]`)!;
  const tap = (element: HTMLElement) => {
    fireEvent.mouseDown(element);
    element.focus();
    fireEvent.click(element);
  };
  const field = () => document.querySelector<HTMLInputElement>('.celledit');
  const key = (name: string, more: object = {}) =>
    fireEvent.keyDown(document.activeElement!, { key: name, ...more });
  const type = (text: string) => {
    key(text[0]!);
    fireEvent.change(field()!, { target: { value: text } });
  };

  it('draws what is in sight and says how much there is', () => {
    render(grid(rowsOf(2000)));
    expect(screen.getByRole('grid', { name: 'Parts' }).getAttribute('aria-rowcount')).toBe('2001');
    const drawn = document.querySelectorAll('[role="gridcell"]').length / COLUMNS.length;
    expect(drawn).toBeGreaterThan(5);
    expect(drawn).toBeLessThan(60);
  });

  it('has one cell to come to by Tab, and moves by arrows', () => {
    render(grid(rowsOf(6)));
    expect(document.querySelectorAll('[role="gridcell"][tabindex="0"]')).toHaveLength(1);
    tap(cell(0, 0));
    expect(field()).toBeNull();
    tap(cell(1, 0));
    expect(document.activeElement).toBe(cell(1, 0));
    key('ArrowDown');
    key('ArrowRight');
    expect(document.activeElement).toBe(cell(2, 1));
    expect(onMark.mock.lastCall).toEqual([expect.objectContaining({ id: 'r2' })]);
    key('End', { ctrlKey: true });
    expect(document.activeElement).toBe(cell(5, 2));
  });

  it('is typed over, Enter going on below, and left as it was by Escape', () => {
    render(grid(rowsOf(4)));
    tap(cell(0, 0));
    type('Rim');
    key('Enter');
    expect(onEdit.mock.calls).toEqual([[expect.objectContaining({ id: 'r0' }), 'name', 'Rim']]);
    expect(document.activeElement).toBe(cell(1, 0));
    type('Hub');
    key('Escape');
    expect(field()).toBeNull();
    expect(document.activeElement).toBe(cell(1, 0));
    expect(onEdit).toHaveBeenCalledTimes(1);
  });

  it('opens what is there by Enter, F2 or a second tap, and keeps it once when it is left', () => {
    render(grid(rowsOf(4)));
    tap(cell(0, 0));
    key('F2');
    expect(field()!.value).toBe('Part 0');
    fireEvent.blur(field()!);
    expect(onEdit).not.toHaveBeenCalled();
    tap(cell(0, 0));
    expect(field()!.value).toBe('Part 0');
    fireEvent.change(field()!, { target: { value: 'Hood' } });
    key('Tab');
    expect(onEdit.mock.calls).toEqual([[expect.objectContaining({ id: 'r0' }), 'name', 'Hood']]);
    expect(document.activeElement).toBe(cell(0, 1));
  });

  it('leaves Enter to a composition that is under way', () => {
    render(grid(rowsOf(2)));
    tap(cell(0, 0));
    key('Process');
    fireEvent.keyDown(field()!, { key: 'Enter', isComposing: true });
    expect(field()).not.toBeNull();
  });

  it('chooses from a list, and turns a check by the space bar', () => {
    render(grid(rowsOf(2)));
    tap(cell(1, 1));
    key('Enter');
    fireEvent.change(field()!, { target: { value: 'etch' } });
    expect(onEdit.mock.lastCall).toEqual([expect.objectContaining({ id: 'r1' }), 'kind', 'etch']);
    tap(cell(1, 2));
    key(' ');
    expect(onEdit.mock.lastCall).toEqual([expect.objectContaining({ id: 'r1' }), 'done', 'yes']);
  });

  it('goes on to the row that what was typed in the last one made', () => {
    const { rerender } = render(grid(rowsOf(3)));
    tap(cell(2, 0));
    type('New');
    key('Enter');
    rerender(grid(rowsOf(4)));
    expect(document.activeElement).toBe(cell(3, 0));
  });

  it('keeps what is being typed with its row while another comes in above', () => {
    const { rerender } = render(grid(rowsOf(3)));
    tap(cell(1, 0));
    type('Hub');
    rerender(grid([{ id: 'new', name: 'Above', kind: '', done: false }, ...rowsOf(3)]));
    expect(field()!.value).toBe('Hub');
    key('Enter');
    expect(onEdit.mock.calls).toEqual([[expect.objectContaining({ id: 'r1' }), 'name', 'Hub']]);
  });
});
