import { Button } from '@mantine/core';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { Loading } from '../../components/Loading.tsx';
import { useBench, useCodes, usePaints } from '../../data/bench.ts';
import { BuildCard } from './BuildCard.tsx';
import { NextSession } from './NextSession.tsx';

/** Its fields are not needed for the first sight of the bench, and are fetched right after it. */
const fetchNewBuild = () => import('./NewBuild.tsx');
/** Stands below what is seen first. */
const Ended = lazy(async () => ({ default: (await import('./Ended.tsx')).Ended }));
const NewBuild = lazy(async () => ({ default: (await fetchNewBuild()).NewBuild }));

/** All builds on the bench: state, what is curing, next step. */
export function HomeScreen() {
  const { data, error } = useBench();
  const { data: paints } = usePaints();
  const { data: codes } = useCodes();
  const [adding, setAdding] = useState(false);
  useEffect(() => {
    // Where that fails it is fetched again when it is opened.
    fetchNewBuild().catch(() => undefined);
  }, []);
  if (!data) return <Loading what="your builds" error={error} />;
  if (data.builds.length === 0) {
    return (
      <div className="empty">
        <h2>An empty bench</h2>
        <p>
          Fanfare turns a factory colour, a kit and the evenings you have into paints and drops, coats and
          cures, and what to do tonight. Three things to begin with, in any order:
        </p>
        <ol style={{ lineHeight: 1.9, margin: '14px 0' }}>
          <li>
            <b>Name your first build</b> below: it gets its sub-assemblies in the Kit stage.
          </li>
          <li>
            <Link to="/shelf">Put your paints on the shelf</Link>: type them or paste a list
            {paints && paints.length > 0 ? ` (${paints.length} there already)` : ''}.
          </li>
          <li>
            <Link to="/bench">Say which evenings are bench evenings</Link>: the plan fills them.
          </li>
        </ol>
        <Suspense>
          <NewBuild first onDone={() => setAdding(false)} />
        </Suspense>
      </div>
    );
  }
  const going = data.builds.filter(({ kit }) => kit.end === null);
  const ended = data.builds.filter(({ kit }) => kit.end !== null);
  return (
    <div style={{ maxWidth: 1240, margin: '0 auto' }}>
      <div style={{ display: 'flex', alignItems: 'baseline', gap: 16, marginBottom: 12 }}>
        <h2 style={{ fontSize: 26 }}>On the bench</h2>
        {data.demo && (
          <span className="soft">
            sample bench: the Founders’ Day parade at Larkspur Bay, 1964. Your own bench starts with{' '}
            <span className="mono">npm start</span>
          </span>
        )}
        <Button className="ml-auto" onClick={() => setAdding(true)}>
          Add a build
        </Button>
      </div>
      {adding && (
        <div className="panel" style={{ marginBottom: 14 }}>
          <Suspense>
            <NewBuild onDone={() => setAdding(false)} />
          </Suspense>
        </div>
      )}
      <div style={{ display: 'grid', gap: 16, gridTemplateColumns: 'repeat(auto-fill, minmax(340px, 1fr))' }}>
        {going.map((build) => (
          <BuildCard key={build.id} build={build} paints={paints ?? []} codes={codes ?? []} />
        ))}
      </div>
      {going.length === 0 && (
        <p className="panel">
          Nothing is on the bench: every build is finished or given up. Add one, or go on with one below.
        </p>
      )}
      <NextSession />
      {ended.length > 0 && (
        <Suspense>
          <Ended builds={ended} steps={data.steps} />
        </Suspense>
      )}
    </div>
  );
}
