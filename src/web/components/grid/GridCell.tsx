import { Table } from '@mantine/core';
import { useRef, type CSSProperties } from 'react';
import { flushSync } from 'react-dom';
import type { GridColumn } from './gridColumn.ts';
import { isTyping } from './gridMoves.ts';

interface GridCellProps<R> {
  row: R;
  column: GridColumn<R>;
  /** Of the column, from 0. */
  number: number;
  style: CSSProperties;
  isActive: boolean;
  /** Open for typing; `typed` where the first key replaces what was there. */
  editing: { typed: boolean } | null;
  onGo: () => void;
  onOpen: (typed: boolean) => void;
  onCommit: (text: string | null, then: 'ArrowDown' | 'ArrowRight' | 'ArrowLeft' | null) => void;
  onEdit: (row: R, key: string, text: string) => void;
}

export function GridCell<R>({
  row,
  column,
  number,
  style,
  isActive,
  editing,
  onGo,
  onOpen,
  onCommit,
  onEdit,
}: GridCellProps<R>) {
  const { key, name, text, options, check, cellClass, shown, frozen } = column;
  const turned = check?.(row);
  const turn = () => turned && onEdit(row, key, turned.checked ? '' : 'yes');
  const isOpen = editing !== null && !check;
  const hadFocus = useRef(false);
  return (
    <Table.Td
      role="gridcell"
      aria-colindex={number + 1}
      tabIndex={isActive && !isOpen ? 0 : -1}
      className={`${frozen ? 'frozen ' : ''}${cellClass?.(row) ?? ''}`}
      style={style}
      onMouseDown={({ currentTarget }) => (hadFocus.current = document.activeElement === currentTarget)}
      onClick={() => {
        // A second tap on a cell opens it, as there is no key to press on a phone.
        if (!isActive || !hadFocus.current) onGo();
        else if (!isOpen && !check) onOpen(false);
      }}
      onKeyDown={(event) => {
        if (isOpen) return;
        const press = { key: event.key, ctrl: event.ctrlKey || event.metaKey, alt: event.altKey };
        if (check) {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          turn();
        } else if (event.key === 'Enter' || event.key === 'F2') {
          event.preventDefault();
          onOpen(false);
        } else if (event.key === 'Backspace' || event.key === 'Delete' || isTyping(press)) {
          // Opened before the key has its effect: what it types goes into the field.
          flushSync(() => onOpen(true));
        }
      }}
    >
      {isOpen ? (
        <CellEditor
          label={name}
          text={editing.typed && !options ? '' : text(row)}
          options={options}
          onCommit={onCommit}
        />
      ) : turned ? (
        <input
          type="checkbox"
          aria-label={turned.label}
          tabIndex={-1}
          checked={turned.checked}
          onChange={turn}
        />
      ) : (
        (shown?.(row) ??
        options?.find(({ value }) => value !== '' && value === text(row))?.label ??
        text(row))
      )}
    </Table.Td>
  );
}

interface CellEditorProps {
  label: string;
  text: string;
  options: GridColumn<unknown>['options'];
  onCommit: GridCellProps<unknown>['onCommit'];
}

/** The field of an open cell: Enter, Tab or leaving keeps what it holds, Escape does not. */
function CellEditor({ label, text, options, onCommit }: CellEditorProps) {
  /** Leaving follows every other end. */
  const ended = useRef(false);
  const end = (value: string | null, then: Parameters<GridCellProps<unknown>['onCommit']>[1]) => {
    if (ended.current) return;
    ended.current = true;
    onCommit(value, then);
  };
  const props = {
    autoFocus: true,
    className: 'celledit',
    'aria-label': label,
    defaultValue: text,
    onClick: (event: React.MouseEvent) => event.stopPropagation(),
    onBlur: ({ currentTarget }: React.FocusEvent<HTMLInputElement | HTMLSelectElement>) =>
      end(currentTarget.value, null),
    onKeyDown: (event: React.KeyboardEvent<HTMLInputElement | HTMLSelectElement>) => {
      // Enter that takes a suggestion of a composition is not for the grid.
      if (event.nativeEvent.isComposing) return;
      const { value } = event.currentTarget;
      if (event.key === 'Enter') end(value, 'ArrowDown');
      else if (event.key === 'Tab') end(value, event.shiftKey ? 'ArrowLeft' : 'ArrowRight');
      else if (event.key === 'Escape') end(null, null);
      else return;
      event.preventDefault();
      event.stopPropagation();
    },
  };
  if (!options) return <input {...props} onFocus={({ currentTarget }) => currentTarget.select()} />;
  return (
    <select {...props} onChange={({ currentTarget: { value } }) => end(value, null)}>
      {options.map(({ value, label: shown }) => (
        <option key={value} value={value}>
          {shown}
        </option>
      ))}
    </select>
  );
}
