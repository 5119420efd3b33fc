import { Button } from '@mantine/core';
import { memo, useState } from 'react';
import type { PaintRecord } from '../../../api/index.ts';
import { figure } from '../../../core/figures.ts';
import { counted } from '../../../core/kit/index.ts';
import { takeLevels, type Levels } from './useLevels.ts';

const NAMED = 5;

/** What has gone from the shelf since its levels were told, to be written down at one press. */
export const LevelsFollow = memo(function LevelsFollow({
  paints,
  levels,
}: {
  paints: readonly PaintRecord[];
  levels: Levels;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  if (levels.size === 0) return null;
  const gone = paints.flatMap((paint) => {
    const level = levels.get(paint.id);
    return level ? [{ paint, level }] : [];
  });
  const take = async () => {
    setBusy(true);
    setProblem(null);
    try {
      await takeLevels(paints, levels);
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <div
      className="panel in-row apart breaks g12"
      style={{ marginBottom: 12 }}
      role="group"
      aria-label="Used since the levels were told"
    >
      <div style={{ flex: '1 1 280px' }}>
        <p>
          Of {counted(gone.length, 'paint')} some was used since its level was told:{' '}
          {gone
            .slice(0, NAMED)
            .map(
              ({ paint, level }) =>
                `${paint.name} ${figure(level.leftMl, 'ml')} left of ${figure(level.toldMl, 'ml')}`,
            )
            .join('; ')}
          {gone.length > NAMED && `; and ${gone.length - NAMED} more`}.
        </p>
        <p className="small soft">
          By film and area of what was laid, or by the drops of its cups, whichever is more; what stayed in
          the cup or the airbrush is not known.
        </p>
        {problem && <p role="alert">{problem}</p>}
      </div>
      <Button loading={busy} onClick={() => void take()}>
        Bring the levels up to date
      </Button>
    </div>
  );
});
