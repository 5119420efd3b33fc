import { Button, NumberInput, TextInput, UnstyledButton } from '@mantine/core';
import { lazy, Suspense, useCallback, useEffect, useState } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { schemaNumberLimits, schemaTextLimits } from '../../components/limits.ts';
import { type BuildRecord, type StepRecord, stepInput } from '../../../api/index.ts';
import { formatMinutes } from '../../../core/finish/index.ts';
import {
  adviceAt,
  FACES_RULE,
  LEVEL_RULE,
  type PlanOperation,
  type PlanView,
} from '../../../core/plan/index.ts';
import { isCommandKey } from '../../components/keys.ts';
import { clockText, whenText } from '../../components/time.ts';
import { tickStep } from '../../data/bench.ts';
import { benchMinute, benchNow } from '../../data/clock.ts';
import { pausedKey, readTime, startedKey } from './stepClock.ts';
import { LoudAdvice, QuietAdvice } from './StepAdvice.tsx';
import { StepPictures } from './StepPictures.tsx';
import { WentWrong } from './WentWrong.tsx';
import { keepPause } from './keepPause.ts';

/** Only steps of a livery draw it. */
const StepOnLivery = lazy(() => import('../livery/StepOnLivery.tsx'));
/** Only steps that fit or glue what goes in one way. */
const StepFacings = lazy(() => import('../detail/StepFacings.tsx'));
/** Only steps in which something is set straight. */
const StepLevels = lazy(() => import('../detail/closing/StepLevels.tsx'));

/** Only where something is written down at once. */
const WriteDown = lazy(() => import('../record/log/WriteDown.tsx'));

/** A second tap so soon was meant for the step before: the next stands where that stood. */
const DOUBLE_TAP_MS = 600;
let lastTicked = -Infinity;

interface StepCardProps {
  operation: PlanOperation;
  start: number;
  view: PlanView;
  steps: readonly StepRecord[];
  build: BuildRecord | undefined;
  position: string;
  /** The builder began with it: it stays in sight. */
  onTouch: (operationId: string) => void;
  /** Whether a tap now can be meant for this card; not right after a better plan put it there. */
  isMeant: () => boolean;
  /** Goes to the next step without doing this one; absent where there is no other. */
  onSkip?: (() => void) | undefined;
}

/** One step in letters that can be read from the spray booth: what, with what, how, when it may begin and what
 *  to beware of; started and ticked with the time it really took. */
export function StepCard({
  operation,
  start,
  view,
  steps,
  build,
  position,
  onTouch,
  isMeant,
  onSkip,
}: StepCardProps) {
  const [wrong, setWrong] = useState(false);
  const [writing, setWriting] = useState(false);
  const [started, setStarted] = useState(() => readTime(startedKey(operation.id)));
  const [minutes, setMinutes] = useState<number | null>(null);
  const [note, setNote] = useState('');
  const [, tick] = useState(0);
  const now = benchNow() / 60000;
  const [pausedAt, setPausedAt] = useState(() => readTime(pausedKey(operation.id)));
  const elapsed = started === null ? null : Math.max(0, (pausedAt ?? now) - started);
  const pause = () => {
    const at = benchNow() / 60000;
    if (pausedAt === null) {
      localStorage.setItem(pausedKey(operation.id), String(at));
      setPausedAt(at);
      return;
    }
    // What was paused does not count: the start moves up by it.
    const resumed = started! + (at - pausedAt);
    localStorage.setItem(startedKey(operation.id), String(resumed));
    localStorage.removeItem(pausedKey(operation.id));
    setStarted(resumed);
    setPausedAt(null);
    keepPause(operation, pausedAt, at);
  };
  const took = minutes ?? (elapsed === null ? operation.hands : Math.max(1, Math.round(elapsed)));

  const before = view.arcs.flatMap((arc) => {
    if (arc.to !== operation.id) return [];
    const step = steps.find(({ operationId }) => operationId === arc.from);
    return [{ arc, step, title: view.operations.find(({ id }) => id === arc.from)?.title ?? arc.from }];
  });
  const readyAt = Math.max(0, ...before.map(({ arc, step }) => (step ? step.endedAt + arc.minLag : 0)));
  const closesAt = Math.min(
    ...before.map(({ arc, step }) => (step && arc.maxLag !== null ? step.endedAt + arc.maxLag : Infinity)),
  );
  const undone = before.filter(({ step }) => step === undefined);
  const wait = readyAt - now;
  const advice = adviceAt(view.advice, operation.id);
  const facings = advice.filter(({ rule }) => rule === FACES_RULE);
  const levels = advice.filter(({ rule }) => rule === LEVEL_RULE);
  const muted = build?.kit.plan.mutedAdvice ?? [];
  const blocked = advice.some(({ severity }) => severity === 'stop');

  useEffect(() => {
    const timer = setInterval(() => tick((count) => count + 1), 1000);
    return () => clearInterval(timer);
  }, []);

  const begin = useCallback(() => {
    const at = benchNow() / 60000;
    localStorage.setItem(startedKey(operation.id), String(at));
    setStarted(at);
    onTouch(operation.id);
  }, [operation.id, onTouch]);

  const finish = useCallback(() => {
    const at = performance.now();
    if (blocked || !isMeant() || at - lastTicked < DOUBLE_TAP_MS) return;
    lastTicked = at;
    localStorage.removeItem(startedKey(operation.id));
    localStorage.removeItem(pausedKey(operation.id));
    void tickStep({
      operationId: operation.id,
      buildId: operation.buildId,
      trayId: operation.trayId ?? null,
      title: operation.title,
      endedAt: benchMinute(),
      minutes: took,
      note: note.trim(),
    }).catch(() => undefined);
  }, [operation, took, note, blocked, isMeant]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // A key that is held down repeats, and would tick one step after another.
      if (!isCommandKey(event) || event.repeat || wrong || writing) return;
      const target = event.target as HTMLElement;
      if (event.key.toLowerCase() === 's' && started === null) begin();
      if (event.key.toLowerCase() === 'd' || (event.key === 'Enter' && !target.closest('button, a')))
        finish();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [begin, finish, started, wrong, writing]);

  return (
    <article
      className="stepcard panel"
      data-operation={operation.id}
      onFocusCapture={() => onTouch(operation.id)}
      onPointerDownCapture={() => onTouch(operation.id)}
    >
      <p className="soft">
        Step {position} · {build?.name} · {operation.place} · <span className="mono">{whenText(start)}</span>
      </p>
      <h2>{operation.title}</h2>
      <p className="because">{operation.because}</p>
      <LoudAdvice advice={advice} muted={muted} />
      {operation.details.length > 0 && (
        <ul className="details">
          {operation.details.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {operation.on && build && (
        <ErrorBoundary fallback={<p className="small soft">Its picture could not be fetched.</p>}>
          <Suspense fallback={null}>
            <StepOnLivery build={build} on={operation.on} />
          </Suspense>
        </ErrorBoundary>
      )}
      {facings.length > 0 && build && (
        <ErrorBoundary fallback={<p className="small soft">Its drawing could not be fetched.</p>}>
          <Suspense fallback={null}>
            <StepFacings buildId={build.id} advice={facings} />
          </Suspense>
        </ErrorBoundary>
      )}
      {levels.length > 0 && build && (
        <ErrorBoundary fallback={<p className="small soft">Its measures could not be fetched.</p>}>
          <Suspense fallback={null}>
            <StepLevels buildId={build.id} advice={levels} />
          </Suspense>
        </ErrorBoundary>
      )}
      {operation.cautions.map((line) => (
        <p key={line} className="caution">
          <b>Safety.</b> {line}
        </p>
      ))}
      <StepPictures
        operation={operation}
        operations={view.operations}
        advice={advice}
        milestones={build?.kit.plan.milestones ?? []}
      />
      <QuietAdvice advice={advice} muted={muted} />
      {undone.length > 0 && (
        <p className="hold">
          <b>First:</b> {undone.map(({ title }) => `“${title}”`).join(', ')}.
        </p>
      )}
      {wait > 0.02 && (
        <p className="hold" role="timer">
          <b>
            Wait{' '}
            {wait < 90
              ? `${Math.floor(wait)}:${String(Math.floor((wait % 1) * 60)).padStart(2, '0')}`
              : formatMinutes(wait)}
          </b>
          , ready {whenText(readyAt)}:{' '}
          {before.find(({ arc, step }) => step && step.endedAt + arc.minLag === readyAt)?.arc.because}.
        </p>
      )}
      {Number.isFinite(closesAt) && (
        <p className="hold">
          {closesAt > now ? (
            <>
              Before <b>{clockText(closesAt)}</b>, or the recoat window closes.
            </>
          ) : (
            <>The recoat window closed at {whenText(closesAt)}: let it cure first.</>
          )}
        </p>
      )}
      <div className="controls">
        {started === null ? (
          <Button size="lg" onClick={begin}>
            Start the clock <kbd>S</kbd>
          </Button>
        ) : (
          <p className="running" role="timer">
            {pausedAt === null ? 'running' : 'paused at'}{' '}
            <span className="mono">
              {Math.floor(elapsed!)}:{String(Math.floor((elapsed! % 1) * 60)).padStart(2, '0')}
            </span>{' '}
            <UnstyledButton className="why" onClick={pause}>
              {pausedAt === null ? 'pause' : 'go on'}
            </UnstyledButton>
          </p>
        )}
        <NumberInput
          label="Minutes it took"
          value={took}
          {...schemaNumberLimits(stepInput, 'minutes')}
          allowDecimal={false}
          onChange={(value) => setMinutes(typeof value === 'number' ? value : null)}
          w={120}
        />
        <TextInput
          label="Note"
          placeholder="what went well or wrong"
          value={note}
          {...schemaTextLimits(stepInput, 'note')}
          onChange={(event) => setNote(event.currentTarget.value)}
          style={{ flex: 1, minWidth: 140 }}
        />
      </div>
      <Button variant="action" size="lg" disabled={blocked} onClick={finish}>
        Done <kbd>D</kbd>
      </Button>
      <div style={{ display: 'flex', gap: 18, marginTop: 10 }}>
        {onSkip && (
          <UnstyledButton className="why" onClick={onSkip}>
            skip for now
          </UnstyledButton>
        )}
        {build && !writing && (
          <UnstyledButton className="why" onClick={() => setWriting(true)}>
            write into the log…
          </UnstyledButton>
        )}
        {!blocked && !wrong && (
          <UnstyledButton className="why" onClick={() => setWrong(true)}>
            it went wrong…
          </UnstyledButton>
        )}
      </div>
      {writing && build && (
        <ErrorBoundary fallback={<p className="small soft">The log could not be opened.</p>}>
          <Suspense fallback={null}>
            <WriteDown buildId={build.id} operationId={operation.id} onDone={() => setWriting(false)} />
          </Suspense>
        </ErrorBoundary>
      )}
      {wrong && (
        <WentWrong operation={operation} view={view} minutes={took} onClose={() => setWrong(false)} />
      )}
    </article>
  );
}
