import { Table, UnstyledButton } from '@mantine/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, useState } from 'react';
import type { PlanOperation, PlanView } from '../../../core/plan/index.ts';
import { whenText } from '../../components/time.ts';

interface StepTableProps {
  steps: readonly { operation: PlanOperation; start: number }[];
  view: PlanView;
  marked: string | undefined;
  onMark: (operationId: string) => void;
}

/** Shown at first; the rest on request, and then drawn only where it is seen. */
const LISTED = 14;
const ROW_PX = 40;

/** The steps of a build in the order of their start, each with what binds it. */
export function StepTable({ steps, view, marked, onMark }: StepTableProps) {
  const [whole, setWhole] = useState(false);
  const frame = useRef<HTMLDivElement>(null);
  const listed = whole ? steps : steps.slice(0, LISTED);
  // The virtual list keeps its own state; the compiler of React leaves such components alone.
  // eslint-disable-next-line react-hooks/incompatible-library
  const rows = useVirtualizer({
    count: listed.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW_PX,
    getItemKey: (at) => listed[at]!.operation.id,
    overscan: 12,
    enabled: whole,
  });
  const seen = whole ? rows.getVirtualItems().map(({ index }) => index) : listed.map((_, at) => at);
  const above = whole ? (rows.getVirtualItems()[0]?.start ?? 0) : 0;
  const below = whole ? rows.getTotalSize() - (rows.getVirtualItems().at(-1)?.end ?? 0) : 0;
  return (
    <div className="panel">
      <div
        ref={frame}
        style={whole ? { maxHeight: '66vh', overflowY: 'auto' } : undefined}
        tabIndex={whole ? 0 : undefined}
        role={whole ? 'region' : undefined}
        aria-label={whole ? 'All steps, scrolls down' : undefined}
      >
        <Table className="plainlist" aria-rowcount={steps.length + 1}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Start</Table.Th>
              <Table.Th style={{ width: '36%' }}>Step</Table.Th>
              <Table.Th className="num">Minutes</Table.Th>
              <Table.Th>Why then</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {above > 0 && <Table.Tr style={{ height: above }} aria-hidden />}
            {seen.map((at) => {
              const { operation, start } = listed[at]!;
              return (
                <Table.Tr
                  key={operation.id}
                  ref={whole ? rows.measureElement : undefined}
                  data-index={at}
                  aria-rowindex={at + 2}
                  style={operation.id === marked ? { background: 'var(--runner)' } : undefined}
                >
                  <Table.Td className="mono nowrap">{whenText(start)}</Table.Td>
                  <Table.Td>
                    <UnstyledButton
                      className="plain"
                      style={{ textAlign: 'left', padding: 0, minHeight: 24 }}
                      onClick={() => onMark(operation.id)}
                    >
                      {operation.title}
                    </UnstyledButton>
                  </Table.Td>
                  <Table.Td className="num mono">{operation.hands}</Table.Td>
                  <Table.Td className="small soft">{view.reasons[operation.id]?.text}</Table.Td>
                </Table.Tr>
              );
            })}
            {below > 0 && <Table.Tr style={{ height: below }} aria-hidden />}
          </Table.Tbody>
        </Table>
      </div>
      {steps.length > LISTED && (
        <UnstyledButton className="why mt8" onClick={() => setWhole(!whole)}>
          {whole ? 'show fewer' : `show all ${steps.length}`}
        </UnstyledButton>
      )}
    </div>
  );
}
