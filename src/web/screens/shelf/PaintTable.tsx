import { Checkbox, Table, UnstyledButton, VisuallyHidden } from '@mantine/core';
import { bare, figure } from '../../../core/figures.ts';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useMemo, useRef } from 'react';
import type { PaintRecord } from '../../../api/index.ts';
import { spectrumToDisplay } from '../../../core/colour/index.ts';
import { FAMILIES, opaqueInSheen } from '../../../core/finish/index.ts';
import { setShelfLevel } from '../../data/bench.ts';

const ROW_PX = 34;

type SortKey =
  'id' | 'name' | 'range' | 'family' | 'sheen' | 'hiding' | 'priceCents' | 'levelMl' | 'uncertainty';
export interface PaintSort {
  key: SortKey;
  down: boolean;
}

const COLUMNS: { key: SortKey; title: string; numeric?: boolean }[] = [
  { key: 'id', title: 'Code' },
  { key: 'name', title: 'Name' },
  { key: 'range', title: 'Range' },
  { key: 'family', title: 'Chemistry' },
  { key: 'sheen', title: 'Sheen' },
  { key: 'hiding', title: 'Hides' },
  { key: 'priceCents', title: 'Price', numeric: true },
  { key: 'levelMl', title: 'Left, ml', numeric: true },
];

/** Columns that the panel beside the table tells. */
const TOLD_BESIDE: ReadonlySet<SortKey> = new Set(['family', 'sheen', 'hiding', 'priceCents']);

interface PaintTableProps {
  paints: readonly PaintRecord[];
  sort: PaintSort | undefined;
  onSort: (sort: PaintSort | undefined) => void;
  onRead: (id: string) => void;
  /** The paint whose panel is open beside the table. */
  opened: string | undefined;
  onOpen: (id: string) => void;
  /** There is little room: what the panel tells is left out. */
  narrow: boolean;
}

/** Paints by the row; only those in sight are drawn, so that thousands scroll smoothly. */
export const PaintTable = memo(function PaintTable({
  paints,
  sort,
  onSort,
  onRead,
  opened,
  onOpen,
  narrow,
}: PaintTableProps) {
  const frame = useRef<HTMLDivElement>(null);
  // The virtual list keeps its own state; the compiler of React leaves such components alone.
  // eslint-disable-next-line react-hooks/incompatible-library
  const rows = useVirtualizer({
    count: paints.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW_PX,
    overscan: 10,
  });
  return (
    <div ref={frame} className="tableframe" tabIndex={0} aria-label="Paints, scrolls" role="region">
      <Table className="plainlist" aria-rowcount={paints.length + 1}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Colour</Table.Th>
            {COLUMNS.filter(({ key }) => !narrow || !TOLD_BESIDE.has(key)).map((column) => (
              <SortHead
                key={column.key}
                sortKey={column.key}
                title={column.title}
                numeric={column.numeric}
                sort={sort}
                onSort={onSort}
              />
            ))}
            <Table.Th>On the shelf</Table.Th>
            <SortHead sortKey="uncertainty" title="Known to, dE" numeric sort={sort} onSort={onSort} />
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          <Spacer height={rows.getVirtualItems()[0]?.start ?? 0} />
          {rows.getVirtualItems().map(({ index }) => {
            const paint = paints[index]!;
            return (
              <PaintRow
                key={paint.id}
                at={index + 2}
                paint={paint}
                onRead={onRead}
                open={paint.id === opened}
                onOpen={onOpen}
                narrow={narrow}
              />
            );
          })}
          <Spacer height={rows.getTotalSize() - (rows.getVirtualItems().at(-1)?.end ?? 0)} />
        </Table.Tbody>
      </Table>
    </div>
  );
});

interface SortHeadProps {
  sortKey: SortKey;
  title: string;
  numeric?: boolean | undefined;
  sort: PaintSort | undefined;
  onSort: (sort: PaintSort | undefined) => void;
}

/** A heading that sorts: up, down, then back to the catalogue's order. */
function SortHead({ sortKey, title, numeric, sort, onSort }: SortHeadProps) {
  const mine = sort?.key === sortKey ? sort : undefined;
  return (
    <Table.Th
      className={numeric ? 'num' : undefined}
      aria-sort={mine ? (mine.down ? 'descending' : 'ascending') : 'none'}
    >
      <UnstyledButton
        className="sorthead"
        onClick={() =>
          onSort(
            mine ? (mine.down ? undefined : { key: sortKey, down: true }) : { key: sortKey, down: false },
          )
        }
      >
        {title}
        {mine ? (mine.down ? ' ↓' : ' ↑') : ''}
      </UnstyledButton>
    </Table.Th>
  );
}

/** Stands in for the rows that are not drawn. */
function Spacer({ height }: { height: number }) {
  return height > 0 ? (
    <Table.Tr aria-hidden>
      <Table.Td colSpan={11} style={{ height, padding: 0, border: 0 }} />
    </Table.Tr>
  ) : null;
}

interface PaintRowProps {
  paint: PaintRecord;
  at: number;
  onRead: (id: string) => void;
  open: boolean;
  onOpen: (id: string) => void;
  narrow: boolean;
}

const PaintRow = memo(function PaintRow({ paint, at, onRead, open, onOpen, narrow }: PaintRowProps) {
  const hex = useMemo(() => spectrumToDisplay(opaqueInSheen(paint, paint.sheen)).hex, [paint]);
  const level = paint.levelMl;
  const put = (next: number | null) => void setShelfLevel(paint, next).catch(() => undefined);
  return (
    <Table.Tr aria-rowindex={at} style={{ height: ROW_PX }}>
      <Table.Td>
        <span
          className="dot"
          style={{
            background: paint.role === 'clear' ? 'transparent' : hex,
            display: 'inline-block',
            verticalAlign: 'middle',
          }}
          aria-hidden
        />
      </Table.Td>
      <Table.Td className="mono">{paint.id}</Table.Td>
      <Table.Td>
        <UnstyledButton className="rowname" aria-pressed={open} onClick={() => onOpen(paint.id)}>
          {paint.name}
        </UnstyledButton>
        {paint.discontinued && <span className="soft small"> no longer made</span>}
        {paint.flakeUm !== null && <span className="soft small"> flake {paint.flakeUm} µm</span>}
      </Table.Td>
      <Table.Td>{paint.range}</Table.Td>
      {!narrow && (
        <>
          <Table.Td>
            {FAMILIES[paint.family].name}, {paint.container}
          </Table.Td>
          <Table.Td>{paint.sheen}</Table.Td>
          <Table.Td>{paint.hiding}</Table.Td>
          <Table.Td className="num mono">{figure(paint.priceCents, 'euro')}</Table.Td>
        </>
      )}
      <Table.Td className="num">
        {level === null ? (
          <span className="soft mono">{paint.volumeMl}</span>
        ) : (
          <input
            className="mono"
            aria-label={`Left of ${paint.name}, ml`}
            defaultValue={level}
            key={level}
            inputMode="decimal"
            style={{
              width: 60,
              textAlign: 'right',
              background: 'none',
              border: '1px solid var(--line-strong)',
              borderRadius: 3,
              color: 'inherit',
              padding: '1px 4px',
            }}
            onBlur={(event) => {
              const value = Number(event.currentTarget.value);
              if (event.currentTarget.value.trim() !== '' && value >= 0 && value <= 5000 && value !== level)
                put(value);
              else event.currentTarget.value = String(level);
            }}
          />
        )}
      </Table.Td>
      <Table.Td>
        <Checkbox
          aria-label={`${paint.name} is on the shelf`}
          checked={level !== null}
          onChange={(event) => put(event.currentTarget.checked ? paint.volumeMl : null)}
        />
      </Table.Td>
      <Table.Td className="num">
        <UnstyledButton className="why" onClick={() => onRead(paint.id)}>
          <span className="mono">±{bare(paint.uncertainty, 'dE')}</span> read
          <VisuallyHidden>
            {' '}
            {paint.id} {paint.name}
          </VisuallyHidden>
        </UnstyledButton>
      </Table.Td>
    </Table.Tr>
  );
});
