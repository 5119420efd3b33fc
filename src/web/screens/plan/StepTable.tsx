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
        <table className="plainlist" aria-rowcount={steps.length + 1}>
          <thead>
            <tr>
              <th>Start</th>
              <th style={{ width: '36%' }}>Step</th>
              <th className="num">Minutes</th>
              <th>Why then</th>
            </tr>
          </thead>
          <tbody>
            {above > 0 && <tr style={{ height: above }} aria-hidden />}
            {seen.map((at) => {
              const { operation, start } = listed[at]!;
              return (
                <tr
                  key={operation.id}
                  ref={whole ? rows.measureElement : undefined}
                  data-index={at}
                  aria-rowindex={at + 2}
                  style={operation.id === marked ? { background: 'var(--runner)' } : undefined}
                >
                  <td className="mono" style={{ whiteSpace: 'nowrap' }}>
                    {whenText(start)}
                  </td>
                  <td>
                    <button
                      type="button"
                      className="plain"
                      style={{ textAlign: 'left', padding: 0 }}
                      onClick={() => onMark(operation.id)}
                    >
                      {operation.title}
                    </button>
                  </td>
                  <td className="num mono">{operation.hands}</td>
                  <td className="small soft">{view.reasons[operation.id]?.text}</td>
                </tr>
              );
            })}
            {below > 0 && <tr style={{ height: below }} aria-hidden />}
          </tbody>
        </table>
      </div>
      {steps.length > LISTED && (
        <button type="button" className="why" style={{ marginTop: 8 }} onClick={() => setWhole(!whole)}>
          {whole ? 'show fewer' : `show all ${steps.length}`}
        </button>
      )}
    </div>
  );
}
