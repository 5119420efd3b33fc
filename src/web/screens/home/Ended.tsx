import { Group } from '@mantine/core';
import { Link } from 'react-router';
import type { BuildRecord, StepRecord } from '../../../api/index.ts';
import { counted } from '../../../core/kit/index.ts';
import { dayText } from '../../components/time.ts';

/** Builds that are over: what is left of them is what they taught and their book. */
export function Ended({ builds, steps }: { builds: readonly BuildRecord[]; steps: readonly StepRecord[] }) {
  return (
    <section className="panel mt14" aria-labelledby="ended-builds">
      <h3 id="ended-builds">Finished and given up</h3>
      {builds.map(({ id, name, subject, scale, kit: { end } }) => {
        const own = steps.filter(({ buildId }) => buildId === id);
        const last = Math.max(...own.map(({ endedAt }) => endedAt));
        return (
          <Group key={id} gap="4px 24px" justify="space-between" mt={8}>
            <div>
              <Link to={`/build/${id}/record`}>{name}</Link>
              <span className="soft small block">
                {subject || 'no subject noted'} · 1:{scale}
              </span>
            </div>
            <p className="small">
              {end === 'given-up' ? 'given up' : 'finished'}
              {own.length > 0 && `, ${counted(own.length, 'step')}, the last on ${dayText(last)}`}
            </p>
            <p className="small">
              <Link to={`/build/${id}/record/verdict`}>Verdict of {name}</Link>
              {' · '}
              <Link to={`/build/${id}/record/book`}>Book of {name}</Link>
            </p>
          </Group>
        );
      })}
    </section>
  );
}
