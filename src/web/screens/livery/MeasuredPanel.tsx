import { Table } from '@mantine/core';
import { figure } from '../../../core/figures.ts';
import type { Kit, LiveryView } from '../../../core/kit/index.ts';
import type { MeasuredView } from '../../../core/livery/index.ts';
import { Why } from '../../components/Why.tsx';

interface MeasuredPanelProps {
  view: LiveryView;
  kit: Kit;
  measured: MeasuredView;
}

/** What is seen of every finish of a view, and where two meet. */
export function MeasuredPanel({ view, kit, measured }: MeasuredPanelProps) {
  const name = (id: string | null) =>
    kit.finishes.find((finish) => finish.id === id)?.name ?? 'no finish yet';
  const sums = new Map<string | null, number>();
  for (const { finishId, cm2 } of measured.areas) sums.set(finishId, (sums.get(finishId) ?? 0) + cm2);
  const seen = [...sums].filter(([, cm2]) => cm2 > 0.005).sort((p, q) => q[1] - p[1]);
  const part = kit.parts.find(({ id }) => id === view.partId);
  const all = measured.areas.reduce((sum, { cm2 }) => sum + cm2, 0);
  return (
    <>
      <div className="panel">
        <h3>
          Seen of each finish{' '}
          <Why about="the areas">
            Areas are clipped to the outline without its openings; what lies higher hides what lies lower. The
            slope factor, {view.slope} (or that of a part on it), turns what is seen into surface.
          </Why>
        </h3>
        <Table className="plainlist">
          <Table.Tbody>
            {seen.map(([finishId, cm2]) => (
              <Table.Tr key={finishId ?? ''}>
                <Table.Td>{name(finishId)}</Table.Td>
                <Table.Td className="num mono">{figure(cm2, 'cm²', 1)}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
        {part?.areaCm2 != null && (
          <p className="small soft">
            {part.name} is noted with {figure(part.areaCm2, 'cm²', 1)} in all; this view shows{' '}
            {figure(all, 'cm²', 1)} of it.
          </p>
        )}
      </div>
      <div className="panel">
        <h3>Where two meet</h3>
        {measured.borders.length === 0 ? (
          <p className="soft small">No border yet: one finish is all over.</p>
        ) : (
          measured.borders.map(({ a, b, lengthMm, leastRadiusMm, moulded }) => (
            <p key={`${a} ${b} ${moulded}`} className="small">
              {name(a)}, {name(b).toLowerCase()}: <span className="mono">{figure(lengthMm, 'mm', 0)}</span>
              {leastRadiusMm !== null && (
                <span className="soft">, tightest curve {figure(leastRadiusMm, 'mm', 1)}</span>
              )}
              {moulded && <span className="soft">, along a moulded line</span>}
            </p>
          ))
        )}
      </div>
      {measured.faults.length > 0 && (
        <div className="panel warned">
          <h3>To be mended</h3>
          {measured.faults.map(({ areaId, what }) => (
            <p key={`${areaId} ${what}`} className="small">
              <b>{kit.liveryAreas.find(({ id }) => id === areaId)?.name ?? view.name}:</b> {what}
            </p>
          ))}
        </div>
      )}
    </>
  );
}
