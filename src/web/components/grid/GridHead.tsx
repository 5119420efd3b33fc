import { Table } from '@mantine/core';
import type { CSSProperties } from 'react';
import type { GridColumn } from './gridColumn.ts';

const LEAST_PX = 36;

interface GridHeadProps<R> {
  columns: readonly GridColumn<R>[];
  widthOf: (column: GridColumn<R>) => number;
  frozenAt: (column: number) => CSSProperties;
  onResize: (key: string, width: number) => void;
}

/** The names of the columns; the line at the right of each is dragged to make it wider. */
export function GridHead<R>({ columns, widthOf, frozenAt, onResize }: GridHeadProps<R>) {
  return (
    <Table.Thead>
      <Table.Tr aria-rowindex={1}>
        {columns.map((column, number) => (
          <Table.Th
            key={column.key}
            role="columnheader"
            aria-colindex={number + 1}
            className={column.frozen ? 'frozen' : ''}
            style={{ width: widthOf(column), ...frozenAt(number) }}
          >
            {column.name}
            <span
              aria-hidden
              className="resize"
              title="Drag to make the column wider or narrower"
              onPointerDown={({ currentTarget, pointerId }) => currentTarget.setPointerCapture(pointerId)}
              onPointerMove={({ currentTarget, buttons, clientX }) => {
                if (buttons === 0) return;
                const { left } = currentTarget.parentElement!.getBoundingClientRect();
                onResize(column.key, Math.max(LEAST_PX, Math.round(clientX - left)));
              }}
            />
          </Table.Th>
        ))}
      </Table.Tr>
    </Table.Thead>
  );
}
