import { Table } from '@mantine/core';
import { Link } from 'react-router';
import type { BuildRecord, StepRecord } from '../../../api/index.ts';
import { counted } from '../../../core/kit/index.ts';
import { dayText } from '../../components/time.ts';

/** Builds that are over: what is left of them is what they taught and their book. */
export function Ended({ builds, steps }: { builds: readonly BuildRecord[]; steps: readonly StepRecord[] }) {
  return (
    <section className="panel mt14" aria-labelledby="ended-builds">
      <h3 id="ended-builds">Finished and given up</h3>
      <Table>
        <Table.Tbody>
          {builds.map(({ id, name, subject, scale, kit: { end } }) => {
            const own = steps.filter(({ buildId }) => buildId === id);
            const last = Math.max(...own.map(({ endedAt }) => endedAt));
            return (
              <Table.Tr key={id}>
                <Table.Td>
                  <Link to={`/build/${id}/record`}>{name}</Link>
                  <span className="soft small block">
                    {subject || 'no subject noted'} · 1:{scale}
                  </span>
                </Table.Td>
                <Table.Td className="small">
                  {end === 'given-up' ? 'given up' : 'finished'}
                  {own.length > 0 && `, ${counted(own.length, 'step')}, the last on ${dayText(last)}`}
                </Table.Td>
                <Table.Td className="small">
                  <Link to={`/build/${id}/record/verdict`}>Verdict of {name}</Link>
                </Table.Td>
                <Table.Td className="small">
                  <Link to={`/build/${id}/record/book`}>Book of {name}</Link>
                </Table.Td>
              </Table.Tr>
            );
          })}
        </Table.Tbody>
      </Table>
    </section>
  );
}
