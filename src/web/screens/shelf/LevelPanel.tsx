import { Button, Group, NumberInput } from '@mantine/core';
import { useState } from 'react';
import { shelfInput, type PaintRecord } from '../../../api/index.ts';
import { figure } from '../../../core/figures.ts';
import { mlByWeight, type LevelNow } from '../../../core/record/index.ts';
import { schemaNumberLimits } from '../../components/limits.ts';
import { shortDay } from '../../components/time.ts';
import { saveShelf } from '../../data/bench.ts';
import { benchNow } from '../../data/clock.ts';

/** How full a bottle looks. */
const BY_EYE = [
  ['full', 1],
  ['¾', 0.75],
  ['half', 0.5],
  ['¼', 0.25],
  ['dregs', 0.05],
] as const;

interface LevelPanelProps {
  paint: PaintRecord;
  level: LevelNow | undefined;
}

/** What is left in a bottle: as it was told, less what was used; put right by eye or by weighing. */
export function LevelPanel({ paint, level }: LevelPanelProps) {
  const put = (levelMl: number) => {
    const { openedOn, place, note } = paint;
    const rounded = Math.round(10 * levelMl) / 10;
    // Told now, even where it is the figure that stood there: use is followed from here on.
    const level = { levelMl: rounded, toldAt: Math.floor(benchNow() / 60_000), openedOn, place, note };
    void saveShelf(paint, level, `level of ${paint.name}`).catch(() => undefined);
  };
  return (
    <section className="stacked g8" aria-label={`What is left of ${paint.name}`}>
      <h3>What is left</h3>
      <p className="small">
        Told{paint.toldAt === null ? ', nobody noted when' : ` ${shortDay(paint.toldAt)}`}:{' '}
        <span className="mono">{figure(paint.levelMl ?? 0, 'ml')}</span> of {figure(paint.volumeMl, 'ml')}.{' '}
        {level
          ? `Used since: ${figure(level.usedMl, 'ml')} (laid ${figure(level.laidMl, 'ml')}, mixed ${figure(level.mixedMl, 'ml')}), which leaves about ${figure(level.leftMl, 'ml')}.`
          : paint.toldAt === null
            ? 'Tell it anew, and use is followed from then on.'
            : 'Nothing was used since.'}
        {level?.isOver && ' That is more than there was: look into the bottle.'}
      </p>
      {level && (
        <Group>
          <Button size="xs" variant="default" onClick={() => put(level.leftMl)}>
            Take {figure(level.leftMl, 'ml')}
          </Button>
        </Group>
      )}
      <Group gap={6} role="group" aria-label="By eye">
        <span className="small">By eye:</span>
        {BY_EYE.map(([words, share]) => (
          <Button key={words} size="compact-xs" variant="default" onClick={() => put(share * paint.volumeMl)}>
            {words}
          </Button>
        ))}
      </Group>
      <ByWeight paint={paint} onLevel={put} />
    </section>
  );
}

/** The bottle on the scales: now, full and empty. */
function ByWeight({ paint, onLevel }: { paint: PaintRecord; onLevel: (ml: number) => void }) {
  const [said, setSaid] = useState<Readonly<Record<'nowG' | 'fullG' | 'emptyG', number | string>>>({
    nowG: '',
    fullG: '',
    emptyG: '',
  });
  const numbers = Object.fromEntries(
    Object.entries(said).map(([key, value]) => [key, value === '' ? Number.NaN : Number(value)]),
  ) as Record<keyof typeof said, number>;
  const ml = mlByWeight(numbers, paint.volumeMl);
  const isTyped = Object.values(said).every((value) => value !== '');
  const input = (key: keyof typeof said, label: string) => (
    <NumberInput
      size="xs"
      label={label}
      suffix=" g"
      min={0}
      hideControls
      value={said[key]}
      onChange={(value) => setSaid({ ...said, [key]: value })}
    />
  );
  const { max } = schemaNumberLimits(shelfInput, 'levelMl');
  return (
    <details>
      <summary className="small">By weighing</summary>
      <Group gap="xs" grow mt={6}>
        {input('nowG', 'Bottle now')}
        {input('fullG', 'The same, full')}
        {input('emptyG', 'Empty')}
      </Group>
      {isTyped && ml === null && (
        <p className="small" role="alert">
          The bottle now lies between empty and full, and full weighs more than empty.
        </p>
      )}
      <Button
        size="xs"
        variant="default"
        mt={6}
        disabled={ml === null || ml > (max ?? Infinity)}
        onClick={() => ml !== null && onLevel(ml)}
      >
        {ml === null ? 'three weights are wanted' : `Take ${figure(ml, 'ml')}`}
      </Button>
    </details>
  );
}
