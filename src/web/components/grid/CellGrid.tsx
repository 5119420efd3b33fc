import { Table } from '@mantine/core';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { Fragment, useEffect, useRef, useState, type CSSProperties } from 'react';
import { GridCell } from './GridCell.tsx';
import type { GridColumn } from './gridColumn.ts';
import { GridHead } from './GridHead.tsx';
import { moved, type Cell } from './gridMoves.ts';
import './grid.css';

interface CellGridProps<R> {
  label: string;
  columns: readonly GridColumn<R>[];
  rows: readonly R[];
  /** The most it may take of the page, as a length of CSS. */
  maxHeight: string;
  /** What was typed, chosen or turned: 'yes' or an empty text for a check. */
  onEdit: (row: R, key: string, text: string) => void;
  /** The row that the keyboard came to. */
  onMark: (row: R) => void;
}

export const ROW_PX = 29;
export const HEAD_PX = 30;

/** A grid of cells for the keyboard: arrows move, typing edits, Enter goes on below, Escape leaves things as they were.
 *  Rows out of sight are not drawn. */
export function CellGrid<R extends { id: string }>({
  label,
  columns,
  rows,
  maxHeight,
  onEdit,
  onMark,
}: CellGridProps<R>) {
  const [at, setAt] = useState<Cell & { id?: string }>({ row: 0, column: 0 });
  const [editing, setEditing] = useState<{ typed: boolean } | null>(null);
  const [widths, setWidths] = useState<Record<string, number>>({});
  const frame = useRef<HTMLDivElement>(null);
  /** Whether the keyboard is in the grid: a row that is only drawn anew must not take the focus from elsewhere. */
  const held = useRef(false);
  // By its row, so that what is typed stays with it while others come and go above.
  const known = at.id === undefined ? -1 : rows.findIndex(({ id }) => id === at.id);
  const active: Cell = { row: known >= 0 ? known : Math.min(at.row, rows.length - 1), column: at.column };
  // The virtual list keeps its own state; the compiler of React leaves such components alone.
  // eslint-disable-next-line react-hooks/incompatible-library
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW_PX,
    getItemKey: (index) => rows[index]!.id,
    overscan: 10,
    scrollPaddingStart: HEAD_PX,
    // The row with the keyboard in it stays, or the focus would be lost.
    rangeExtractor: (range) =>
      [...new Set([...defaultRangeExtractor(range), active.row])]
        .filter((row) => row >= 0)
        .sort((a, b) => a - b),
  });
  useEffect(() => {
    if (!held.current || editing) return;
    const cell = frame.current?.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"]');
    cell?.focus({ preventScroll: true });
    cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [active.row, active.column, editing]);

  const go = (to: Cell) => {
    held.current = true;
    setEditing(null);
    if (to.row !== active.row) list.scrollToIndex(to.row);
    setAt({ ...to, id: rows[to.row]?.id });
    // Below the last row there may be another as soon as what was typed is kept.
    onMark(rows[to.row] ?? rows[active.row]!);
  };
  const commit = (text: string | null, then: 'ArrowDown' | 'ArrowRight' | 'ArrowLeft' | null) => {
    const row = rows[active.row]!;
    const column = columns[active.column]!;
    setEditing(null);
    if (text !== null && text !== column.text(row)) onEdit(row, column.key, text);
    if (then)
      go(moved(active, { key: then, ctrl: false }, { rows: rows.length + 1, columns: columns.length })!);
  };
  const widthOf = ({ key, width }: GridColumn<R>) => widths[key] ?? width;
  const frozenAt = (column: number): CSSProperties =>
    columns[column]!.frozen
      ? { left: columns.slice(0, column).reduce((sum, other) => sum + widthOf(other), 0) }
      : {};
  const drawn = list.getVirtualItems();
  return (
    <div
      ref={frame}
      className="cellgrid"
      style={{ maxHeight }}
      onFocus={() => (held.current = true)}
      onBlur={({ relatedTarget }) => {
        // Without another focus, it was a row drawn anew that took it away.
        if (relatedTarget && !frame.current?.contains(relatedTarget)) held.current = false;
      }}
      onKeyDown={(event) => {
        if (editing) return;
        const to = moved(
          active,
          { key: event.key, ctrl: event.ctrlKey || event.metaKey },
          { rows: rows.length, columns: columns.length },
        );
        if (!to) return;
        event.preventDefault();
        go(to);
      }}
    >
      <Table
        role="grid"
        aria-label={label}
        aria-rowcount={rows.length + 1}
        aria-colcount={columns.length}
        style={{ width: columns.reduce((sum, column) => sum + widthOf(column), 0) }}
      >
        <GridHead
          columns={columns}
          widthOf={widthOf}
          frozenAt={frozenAt}
          onResize={(key, width) => setWidths((now) => ({ ...now, [key]: width }))}
        />
        <Table.Tbody>
          {drawn.map(({ index, start, key }, place) => {
            const row = rows[index]!;
            const gap = start - (place === 0 ? 0 : drawn[place - 1]!.end);
            return (
              <Fragment key={key}>
                {gap > 0 && <Table.Tr aria-hidden style={{ height: gap }} />}
                <Table.Tr aria-rowindex={index + 2} aria-selected={index === active.row}>
                  {columns.map((column, number) => {
                    const isActive = index === active.row && number === active.column;
                    return (
                      <GridCell
                        key={column.key}
                        row={row}
                        column={column}
                        number={number}
                        style={frozenAt(number)}
                        isActive={isActive}
                        editing={isActive ? editing : null}
                        onGo={() => go({ row: index, column: number })}
                        onOpen={(typed) => {
                          held.current = true;
                          setEditing({ typed });
                        }}
                        onCommit={commit}
                        onEdit={onEdit}
                      />
                    );
                  })}
                </Table.Tr>
              </Fragment>
            );
          })}
          {drawn.length > 0 && list.getTotalSize() > drawn.at(-1)!.end && (
            <Table.Tr aria-hidden style={{ height: list.getTotalSize() - drawn.at(-1)!.end }} />
          )}
        </Table.Tbody>
      </Table>
    </div>
  );
}
