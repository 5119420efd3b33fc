import { Link } from 'react-router';
import { bundlesOf, runName, type Run } from '../../../core/kit/index.ts';
import { bundleLines } from '../../../core/plan/index.ts';
import { InTurn } from '../../components/InTurn.tsx';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import type { DetailViewProps } from './detailView.ts';
import { NewRun } from './NewRun.tsx';
import { RunCard } from './RunCard.tsx';
import { RunFollows } from './RunFollows.tsx';
import { usePutRecord } from './useDetailRecords.ts';

/** Wires, cables, pipes and hoses that the builder adds: from where to where and past what, how thick at scale, how long and
 *  how bent, and which steps of the plan they make. */
export function RunsView({ build, kit }: DetailViewProps) {
  const { problem, put } = usePutRecord(build.id, 'run');
  const bundles = bundlesOf(kit.runs, build.scale);
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Wires and pipes</h2>
        {problem && <p role="alert">{problem}</p>}
        {kit.runs.length === 0 && (
          <p className="panel soft">
            Name what is led from one part to another: ignition leads, cables, pipes, hoses. Fanfare scales
            the real diameter, names the wire and the drill, and plans the holes before paint and the work
            after it.
          </p>
        )}
        {kit.runs.map((run, at) => (
          <InTurn key={run.id} at={at}>
            {() => (
              <RunCard
                run={run}
                kit={kit}
                bundles={bundles.map(({ name }) => name)}
                onChange={(part: Partial<Run>, label) => put(run.id, { ...run, ...part }, label)}
                onRemove={() => put(run.id, null, 'take out a run')}
              />
            )}
          </InTurn>
        ))}
        <NewRun
          kit={kit}
          onAdd={(run) => {
            const id = newId(build.id);
            return changeKit(build.id, [{ kind: 'run', id, value: { ...run, id } }], 'add a wire or pipe');
          }}
        />
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <div className="panel">
          <h3>At 1:{build.scale}</h3>
          {kit.runs.length === 0 && <p className="soft small">Nothing to scale yet.</p>}
          {kit.runs.map((run, at) => (
            <InTurn key={run.id} at={at}>
              {() => <RunFollows run={run} name={runName(run, kit)} kit={kit} build={build} />}
            </InTurn>
          ))}
        </div>
        {bundles.length > 0 && (
          <div className="panel">
            <h3>Tied together</h3>
            {bundleLines(kit.runs, build.scale).map((line) => (
              <p key={line}>{line}.</p>
            ))}
            {bundles
              .filter(({ count }) => count < 2)
              .map(({ name }) => (
                <p key={name} className="soft">
                  {name}: one wire alone. Give another the same name.
                </p>
              ))}
          </div>
        )}
        {kit.runs.length > 0 && (
          <div className="panel">
            <h3>In the plan</h3>
            <p>
              Holes are drilled before primer. Wires and pipes go in once both ends are painted, and before
              anything shuts them in. <Link to={`/build/${build.id}/plan`}>See the plan</Link>
            </p>
            <p className="soft small mt6">
              Diameters are usual ones of real vehicles; a measured one wins. What wire is missing stands
              under <Link to={`/build/${build.id}/kit/needs`}>Needs and stock</Link>.
            </p>
          </div>
        )}
      </section>
    </>
  );
}
