import { useKit } from '../../../data/kit.ts';
import { LevelMeasures } from './LevelMeasures.tsx';
import { usePutRecord } from '../useDetailRecords.ts';
import type { Advice } from '../../../../core/plan/index.ts';
import '../detail.css';

interface StepLevelsProps {
  buildId: string;
  /** What is said of things to be set straight in this step. */
  advice: readonly Advice[];
}

/** Measures that are taken in a step, filled in where it is done; what follows is said above, as advice of the step. */
export default function StepLevels({ buildId, advice }: StepLevelsProps) {
  const { kit } = useKit(buildId);
  const { problem, put } = usePutRecord(buildId, 'level');
  if (!kit) return null;
  const parts = new Set(advice.flatMap(({ about }) => about.parts));
  const levels = kit.levels.filter(({ partId }) => partId !== null && parts.has(partId));
  return (
    <div className="stacked g8">
      {problem && <p role="alert">{problem}</p>}
      {levels.map((level) => (
        <section key={level.id} aria-label={`Measure ${level.name}`}>
          <h3>{level.name}</h3>
          <LevelMeasures
            level={level}
            onChange={(part) =>
              put(level.id, { ...level, ...part }, `measures of ${level.name.toLowerCase()}`)
            }
          />
        </section>
      ))}
    </div>
  );
}
