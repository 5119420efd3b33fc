import { Button } from '@mantine/core';
import { useMemo } from 'react';
import {
  alikeEngines,
  engineParts,
  engineRecord,
  newRecord,
  type Engine,
  type EngineBuild,
} from '../../../core/kit/index.ts';
import { InTurn } from '../../components/InTurn.tsx';
import { useBench } from '../../data/bench.ts';
import { useOtherKits } from '../../data/kit.ts';
import type { DetailViewProps } from './detailView.ts';
import { EngineAnswer } from './EngineAnswer.tsx';
import { EngineColours } from './EngineColours.tsx';
import { EngineCard } from './EngineCard.tsx';
import { EngineKinds } from './EngineKinds.tsx';
import { freeName, useDetailRecords } from './useDetailRecords.ts';
import { knownKinds } from './engineKinds.ts';

/** Engines that could be built, and which of them can stand at once from the parts of this kit, of others and of the spares
 *  box. */
export function EnginesView({ build, kit, stock }: DetailViewProps) {
  const { data: bench } = useBench();
  const others = useOtherKits(bench?.builds, build.id);
  const { problem, add, change, remove } = useDetailRecords<Engine>(build.id, 'engine');
  const builds = useMemo<EngineBuild[]>(
    () => [{ id: build.id, name: build.name, kit }, ...others],
    [build.id, build.name, kit, others],
  );
  const hand = useMemo(() => engineParts(builds, stock.spares, build.id), [builds, stock.spares, build.id]);
  const kinds = useMemo(() => knownKinds(builds, stock.spares), [builds, stock.spares]);
  const alike = alikeEngines(kit.engines);
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Engines</h2>
        {problem && <p role="alert">{problem}</p>}
        {kit.engines.length === 0 && (
          <p className="panel soft">
            A kit often holds parts for two engines, and the spares box half of a third. Say what each engine
            is put together from and what each part is, and Fanfare says which engines can stand at once, what
            each takes from where, and what is short for one more.
          </p>
        )}
        {kit.engines.map((engine, at) => (
          <InTurn key={engine.id} at={at} first={1}>
            {() => (
              <EngineCard
                engine={engine}
                kit={kit}
                kinds={kinds}
                onChange={(part) => change(engine, part)}
                onRemove={() => remove(engine)}
              />
            )}
          </InTurn>
        ))}
        <Button
          variant="default"
          onClick={() => add({ ...newRecord(engineRecord), name: freeName('Engine', kit.engines) })}
        >
          Add an engine
        </Button>
        <EngineKinds build={build} kit={kit} spares={stock.spares} kinds={kinds} />
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {alike.map(({ one, other, hidden }) => (
          <p key={`${one.id} ${other.id}`} className="panel warned">
            {one.name} and {other.name} look the same once they are built
            {hidden.length > 0
              ? `: they differ in ${hidden.join(', ').toLowerCase()}, which nobody sees`
              : ''}
            . Build the one that takes fewer parts.
          </p>
        ))}
        <EngineColours buildId={build.id} kit={kit} />
        <EngineAnswer build={build} builds={builds} hand={hand} spares={stock.spares} />
      </section>
    </>
  );
}
