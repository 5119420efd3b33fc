import { UnstyledButton } from '@mantine/core';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { counted } from '../../../core/kit/index.ts';
import { isCommandKey } from '../../components/keys.ts';
import { Loading } from '../../components/Loading.tsx';
import { LookingForBetter } from '../../components/LookingForBetter.tsx';
import { PlanFailure } from '../../components/PlanFailure.tsx';
import { clockText, dayText, whenText } from '../../components/time.ts';
import { useBench } from '../../data/bench.ts';
import { benchMinute } from '../../data/clock.ts';
import { problemOf, sessionSteps, upcomingSteps, usePlan } from '../../data/plan.tsx';
import { nextAfter, nextOf, readSkipped, skip } from './skipped.ts';
import { cardGuard } from './cardGuard.ts';
import { StepCard } from './StepCard.tsx';
import { isRunning } from './stepClock.ts';
import { TonightUntil } from './TonightUntil.tsx';
import './tonight.css';

const RECENT_MINUTES = 8 * 60;

/** Tonight's steps, large, one at a time. */
export function TonightScreen() {
  const { buildId } = useParams();
  const { data, error } = useBench();
  const { view, busy, improving, failure, tonightUntil, setTonightUntil } = usePlan();
  const [markedId, setMarkedId] = useState<string>();
  const tonight = view && sessionSteps(view, buildId);
  const done = new Set(data?.steps.map(({ operationId }) => operationId));
  const steps = tonight?.steps.filter(({ operation }) => !done.has(operation.id)) ?? [];
  // What is under the hands stays there, wherever a new plan puts it, until it is done.
  const upcoming = view
    ? upcomingSteps(view, buildId).filter(({ operation }) => !done.has(operation.id))
    : [];
  const marked =
    upcoming.find(({ operation }) => operation.id === markedId) ??
    upcoming.find(({ operation }) => isRunning(operation.id));
  const skipped = readSkipped(tonight?.session.start ?? 0);
  const current = marked ?? nextOf(steps, skipped);
  const at = steps.findIndex(({ operation }) => operation.id === current?.operation.id);
  const [guard] = useState(cardGuard);
  const currentId = current?.operation.id;
  useEffect(() => {
    guard.shows(currentId, (before) => done.has(before) || currentId === markedId);
  });

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!isCommandKey(event)) return;
      if (event.key === 'ArrowRight') setMarkedId(steps[Math.min(steps.length - 1, at + 1)]?.operation.id);
      if (event.key === 'ArrowLeft') setMarkedId(steps[Math.max(0, at - 1)]?.operation.id);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  if (!data) return <Loading what="tonight" error={error} />;
  if (!view && failure !== null) return <PlanFailure why={failure} hasPlan={false} />;
  if (!view)
    return (
      <p className="loading" role="status">
        Working out tonight…
      </p>
    );
  const now = benchMinute();
  const recent = data.steps.filter(
    ({ endedAt, buildId: owner }) =>
      now - endedAt < RECENT_MINUTES && (buildId === undefined || owner === buildId),
  );
  const minutes = steps.reduce((sum, { operation }) => sum + operation.hands, 0);
  const problem = problemOf(view, buildId);
  const running = tonight && tonight.session.start <= now + 1;
  return (
    <div className="tonight">
      <section aria-label="Step" className="shrinks">
        <div className="tonight-head">
          <h2>
            {tonight
              ? running
                ? 'Now at the bench'
                : `${dayText(tonight.session.start)}, ${clockText(tonight.session.start)}–${clockText(tonight.session.end)}`
              : 'Tonight'}
          </h2>
          <span className="soft">
            {steps.length > 0 ? `${counted(steps.length, 'step')}, ${minutes} min of work` : ''}
            {tonight?.session.spraying === false ? ' · no spraying in this session' : ''}
            {busy ? ' · the plan is following…' : ''}
            {improving !== null && (
              <span role="status">
                {' · '}these steps so far; <LookingForBetter />
              </span>
            )}
          </span>
          <TonightUntil until={tonightUntil} onChange={setTonightUntil} />
        </div>
        {failure !== null && <PlanFailure why={failure} hasPlan />}
        {current ? (
          <StepCard
            key={current.operation.id}
            operation={current.operation}
            start={current.start}
            view={view}
            steps={data.steps}
            build={data.builds.find(({ id }) => id === current.operation.buildId)}
            position={at < 0 ? 'moved by the plan' : `${at + 1} of ${steps.length}`}
            onTouch={setMarkedId}
            isMeant={guard.isMeant}
            onSkip={
              tonight && steps.length > 1
                ? () => {
                    skip(tonight.session.start, current.operation.id);
                    setMarkedId(nextAfter(steps, at, readSkipped(tonight.session.start))?.operation.id);
                  }
                : undefined
            }
          />
        ) : problem !== null ? (
          <div className="panel warned" role="alert">
            <h3>{view.problem === null ? 'There is no plan for this build' : 'There is no plan'}</h3>
            <p>{problem}</p>
            {buildId !== undefined && (
              <>
                <Link to={`/build/${buildId}/plan`}>See in the Plan stage what would make one</Link>
                {' · '}
              </>
            )}
            <Link to="/bench">Change the bench evenings</Link>
          </div>
        ) : (
          <div className="panel">
            <h3>No step is waiting</h3>
            <p>
              {data.builds.length === 0
                ? 'Name a build first, and give it a sub-assembly with a stack; its steps then come here, evening by evening.'
                : busy
                  ? 'The plan is being worked out again.'
                  : 'Either everything is done, or the build has no sub-assembly yet. The Kit stage is where steps begin.'}
            </p>
            <Link className="quiet mt10" to={buildId ? `/build/${buildId}/kit` : '/'}>
              {buildId ? 'Go to the Kit stage' : 'All builds'}
            </Link>
          </div>
        )}
      </section>
      <aside className="column" aria-label="All steps of the session">
        {steps.length > 0 && (
          <ol className="steplist">
            {steps.map(({ operation, start }) => (
              <li key={operation.id}>
                <UnstyledButton
                  aria-current={operation.id === current?.operation.id ? 'step' : undefined}
                  onClick={() => setMarkedId(operation.id)}
                >
                  <span className="mono">{whenText(start)}</span>
                  <span>
                    {operation.title}
                    {skipped.has(operation.id) && <span className="soft small"> · skipped for now</span>}
                    {buildId === undefined && (
                      <span className="soft small">
                        {' '}
                        · {data.builds.find(({ id }) => id === operation.buildId)?.name.split(' ')[0]}
                      </span>
                    )}
                  </span>
                  <span className="mono soft">{operation.hands}′</span>
                </UnstyledButton>
              </li>
            ))}
          </ol>
        )}
        {buildId !== undefined && (
          <Link to="/tonight" className="soft small">
            show the steps of all builds
          </Link>
        )}
        {recent.length > 0 && (
          <div>
            <h3>Done lately</h3>
            {recent
              .slice(-6)
              .reverse()
              .map(({ operationId, title, endedAt, minutes: took }) => (
                <p key={operationId} className="small soft">
                  ✓ {title},{' '}
                  <span className="mono">
                    {whenText(endedAt)}, {took} min
                  </span>
                </p>
              ))}
          </div>
        )}
      </aside>
    </div>
  );
}
