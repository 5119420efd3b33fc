import { Link } from 'react-router';
import type { PlanOperation, PlanView, StepConsequence } from '../../../core/plan/index.ts';
import { formatMinutes } from '../../../core/finish/index.ts';
import { whenText } from '../../components/time.ts';

interface StepReasonProps {
  operation: PlanOperation;
  start: number;
  view: PlanView;
  chemistry: string | null;
}

const BINDING_WORDS = {
  cure: 'a cure',
  hands: 'your hands',
  session: 'the session',
  window: 'a recoat window',
  'set-up': 'set-up',
  'done-step': 'a step already done',
  pin: 'your pin',
  free: 'nothing',
} as const;

const EFFECT_WORDS: Readonly<Record<StepConsequence['effect'], string>> = {
  serves: 'It serves',
  prevents: 'Once done, no more',
  'traps-mask': 'Shuts in a mask of',
};

/** One step: when, why then, why at all, and what it holds up. */
export function StepReason({ operation, start, view, chemistry }: StepReasonProps) {
  const reason = view.reasons[operation.id];
  const after = view.arcs.filter(({ from }) => from === operation.id);
  const meanings = view.consequences[operation.id] ?? [];
  const titleOf = (id: string) => view.operations.find((other) => other.id === id)?.title ?? id;
  return (
    <div className="panel" data-testid="step-reason">
      <h3>{operation.title}</h3>
      <p>
        <span className="mono">{whenText(start)}</span>, {operation.hands} min at the {operation.place}
        {chemistry ? `, ${chemistry}` : ''}
      </p>
      {reason && (
        <p style={{ marginTop: 8 }}>
          <b>Bound by {BINDING_WORDS[reason.kind]}.</b> {reason.text}
        </p>
      )}
      <p style={{ marginTop: 8 }}>
        <b>Why at all.</b> {operation.because}
      </p>
      {operation.holds.map((line) => (
        <p key={line} style={{ marginTop: 8 }}>
          <b>Not yet.</b> {line}{' '}
          <Link to={`/build/${operation.buildId}/kit/evidence`}>Decide it in the kit</Link>
        </p>
      ))}
      {operation.lessons.map((line) => (
        <p key={line} style={{ marginTop: 8 }}>
          <b>Learnt earlier.</b> {line}
        </p>
      ))}
      {meanings.map(({ effect, operationId, because }) => (
        <p key={`${effect} ${operationId} ${because}`} style={{ marginTop: 8 }}>
          <b>{EFFECT_WORDS[effect]}</b> “{titleOf(operationId)}”
          {view.starts[operationId] === undefined ? ', done' : `, ${whenText(view.starts[operationId])}`}:{' '}
          {because}.
        </p>
      ))}
      {after.length > 0 && (
        <p style={{ marginTop: 8 }} className="small">
          Then{' '}
          {after
            .map(
              ({ to, minLag, maxLag }) =>
                `“${titleOf(to)}” ${minLag > 0 ? `after ${formatMinutes(minLag)}` : 'at will'}${maxLag === null ? '' : `, before ${formatMinutes(maxLag)}`}`,
            )
            .join('; ')}
          .
        </p>
      )}
    </div>
  );
}
