import { Button, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { FAMILIES, type FamilyId } from '../../../core/finish/index.ts';
import { longestSessions } from '../../../core/plan/index.ts';
import { LookingForBetter } from '../../components/LookingForBetter.tsx';
import { Loading } from '../../components/Loading.tsx';
import { PlanFailure } from '../../components/PlanFailure.tsx';
import { clockText, dayOf, dayText, whenText } from '../../components/time.ts';
import { useBench } from '../../data/bench.ts';
import { benchMinute } from '../../data/clock.ts';
import { problemOf, upcomingSteps, usePlan } from '../../data/plan.tsx';
import { saveFile } from '../../data/saveFile.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import { AheadPanel } from './AheadPanel.tsx';
import { ChangePanel } from './ChangePanel.tsx';
import { DeadlineField, PriorityField } from './DeadlineField.tsx';
import { HistoryPanel } from './HistoryPanel.tsx';
import { Lanes } from './Lanes.tsx';
import { OwnChanges } from './OwnChanges.tsx';
import { PacePanel } from './PacePanel.tsx';
import { planCalendar, planCsv } from './planFiles.ts';
import { StepChanges } from './StepChanges.tsx';
import { LeftOut } from './StepEditing.tsx';
import { TooLong } from './TooLong.tsx';
import { StepReason } from './StepReason.tsx';
import { StepTable } from './StepTable.tsx';
import { WhatIfPanel } from './WhatIfPanel.tsx';

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];

/** When everything happens, and why then. */
export function PlanScreen() {
  const { build, ready, error } = useBuildContext();
  const { data } = useBench();
  const { view, busy, improving, failure, lookLonger, lookCutShort, operations } = usePlan();
  const [marked, setMarked] = useState<string>();
  if (!ready || !data) return <Loading what="the plan" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (!view && failure !== null) return <PlanFailure why={failure} hasPlan={false} />;
  if (!view)
    return (
      <p className="loading" role="status">
        Working out the plan…
      </p>
    );
  const now = benchMinute();
  const left = upcomingSteps(view, build.id);
  // A step that was split since is its first part, and the other way about.
  const names = marked === undefined ? [] : [marked, `${marked}-1`, marked.replace(/-\d$/, '')];
  const chosen =
    names.flatMap((name) => left.find(({ operation }) => operation.id === name) ?? [])[0] ?? left[0];
  const last = left.reduce(
    (latest, { operation, start }) => Math.max(latest, start + operation.hands + operation.dry),
    0,
  );
  const problem = problemOf(view, build.id);
  const { sessions } = data.settings.calendar;
  const waitAfter = (id: string) =>
    view.arcs.reduce((most, { from, minLag }) => (from === id ? Math.max(most, minLag) : most), 0);
  const saveCalendar = () =>
    saveFile(`plan-${build.id}.ics`, planCalendar(build, left, view.sessions, waitAfter), 'text/calendar');
  const saveTable = () =>
    saveFile(
      `plan-${build.id}.csv`,
      planCsv(
        left.map(({ operation, start }) => ({
          operation,
          start,
          build: build.name,
          tray: build.trays.find(({ id }) => id === operation.trayId)?.name ?? '',
          why: view.reasons[operation.id]?.text ?? '',
        })),
        (minutes) => `${dayOf(minutes)} ${clockText(minutes)}`,
      ),
    );
  return (
    <div className="columns two">
      <section className="column" aria-label="What you decide">
        <div style={{ display: 'flex', alignItems: 'baseline', gap: 16 }}>
          <h2>The coming evenings</h2>
          <span className="soft" role="status">
            {improving !== null && left.length > 0 && (
              <>
                ready {dayText(last)} {clockText(last)} so far; <LookingForBetter />
              </>
            )}
            {busy && 'working it out again…'}
            {!busy && improving === null && failure === null
              ? left.length > 0
                ? `${left.length} steps, ready ${dayText(last)} ${clockText(last)}`
                : ''
              : ''}
          </span>
          <Link to="/bench" className="soft ml-auto">
            {sessions.length > 0
              ? `bench evenings: ${[...new Set(sessions.map(({ day }) => DAYS[day]))].join(', ')}`
              : 'no bench evenings yet'}
          </Link>
        </div>
        {failure !== null && <PlanFailure why={failure} hasPlan />}
        {problem !== null ? (
          <div className="panel warned" role="alert">
            <h3>{view.problem === null ? 'There is no plan for this build' : 'There is no plan'}</h3>
            <p>{problem}</p>
            <TooLong view={view} builds={data.builds} />
            <OwnChanges view={view} builds={data.builds} steps={data.steps} />
            <p className="soft">
              Nothing was lost: your stacks and steps are as they were.{' '}
              <Link to="/bench">Change the bench evenings</Link>, or make the stack shorter in the Finish
              stage.
            </p>
          </div>
        ) : left.length === 0 ? (
          <div className="panel">
            <p>
              {build.trays.length === 0
                ? 'Steps come from the sub-assemblies and their stacks: begin in the Kit stage.'
                : 'Every step of this build is done.'}
            </p>
          </div>
        ) : (
          <>
            <Lanes
              build={build}
              view={view}
              steps={data.steps}
              now={now}
              marked={chosen?.operation.id}
              onMark={setMarked}
            />
            <p className="small soft">
              Solid: your hands. Hatched: curing by itself. Grey: the bench is closed. Thin marks above the
              lanes: your hands are on another build.
            </p>
            <StepTable steps={left} view={view} marked={chosen?.operation.id} onMark={setMarked} />
          </>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {left.length > 0 && (
          <div className="panel">
            <h3 style={{ fontSize: 22 }}>
              Ready {dayText(last)}, {clockText(last)}
            </h3>
            <dl className="rows mt6">
              <dt>This build</dt>
              <dd className="mono">
                {left.length} steps,{' '}
                {Math.round(left.reduce((sum, { operation }) => sum + operation.hands, 0) / 6) / 10} h
              </dd>
              <dt>Needed by</dt>
              <dd>
                <DeadlineField build={build} last={last} />
              </dd>
              {data.builds.length > 1 && (
                <>
                  <dt>Among the builds</dt>
                  <dd>
                    <PriorityField build={build} />
                  </dd>
                </>
              )}
              <dt>All builds ready</dt>
              <dd className="mono">{dayText(view.finish)}</dd>
              <dt>No plan can be ready before</dt>
              <dd className="mono">{dayText(view.bound)}</dd>
              <dt>Set-up and cleaning</dt>
              <dd className="mono">{view.setupMinutes} min</dd>
            </dl>
            <div className="in-row g8 mt8 breaks">
              <Link to={`/build/${build.id}/plan/sheet`} className="quiet">
                Run sheet
              </Link>
              <Button onClick={saveCalendar}>Calendar file</Button>
              <Button onClick={saveTable}>Table (CSV)</Button>
            </div>
            <p className="small soft mt4">
              {view.proved
                ? 'Proved earliest for these evenings.'
                : 'The best found; the bound above counts cures and sessions but gives you endless hands.'}
            </p>
            {lookCutShort && !busy && improving === null && failure === null && (
              <p className="small" role="status">
                The longer look was ended by a change, or by leaving the page; this plan went on from what it
                had found.
              </p>
            )}
            {!view.proved && failure === null && (
              <UnstyledButton className="why" disabled={busy || improving !== null} onClick={lookLonger}>
                look longer for a better one
              </UnstyledButton>
            )}
          </div>
        )}
        <ChangePanel buildId={build.id} />
        <LeftOut buildId={build.id} edits={build.kit.plan.stepEdits} view={view} />
        <AheadPanel build={build} view={view} onMark={setMarked} />
        {chosen && (
          <StepReason
            operation={chosen.operation}
            start={chosen.start}
            view={view}
            muted={build.kit.plan.mutedAdvice}
            chemistry={
              chosen.operation.chemistry ? FAMILIES[chosen.operation.chemistry as FamilyId].name : null
            }
          />
        )}
        {chosen && (
          <StepChanges
            key={chosen.operation.id}
            operation={chosen.operation}
            start={chosen.start}
            plan={build.kit.plan}
            view={view}
            longest={longestSessions(sessions)}
          />
        )}
        <PacePanel cures={view.cures} paces={view.paces} />
        {left.length > 0 && <WhatIfPanel />}
        <HistoryPanel buildId={build.id} view={view} />
        {view.missedWindows.length > 0 && (
          <div className="panel warned">
            <h3>
              {view.missedWindows.some(({ until }) => until > now)
                ? 'A recoat window closes'
                : 'A recoat window has closed'}
            </h3>
            {view.missedWindows.map(({ operationId, until, from }) => (
              <p key={operationId} className="small">
                “{operations.get(operationId)?.title}”{' '}
                {until > now
                  ? `cannot come before its window closes at ${whenText(until)}: the bench is closed by then, or your hands are on another coat. As planned it`
                  : 'came too late for its first window; it now'}{' '}
                waits for cure until {whenText(from)}.
              </p>
            ))}
          </div>
        )}
      </section>
    </div>
  );
}
