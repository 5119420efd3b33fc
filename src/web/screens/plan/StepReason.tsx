import { adviceAt, type PlanOperation, type PlanView } from '../../../core/plan/index.ts';
import { formatMinutes } from '../../../core/finish/index.ts';
import { AdviceList } from '../../components/AdviceList.tsx';
import { whenText } from '../../components/time.ts';

interface StepReasonProps {
  operation: PlanOperation;
  start: number;
  view: PlanView;
  chemistry: string | null;
  /** What the builder muted in the build. */
  muted: readonly { id: string; adviceId: string }[];
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

/** One step: when, why then, why at all, and what it holds up. */
export function StepReason({ operation, start, view, chemistry, muted }: StepReasonProps) {
  const reason = view.reasons[operation.id];
  const after = view.arcs.filter(({ from }) => from === operation.id);
  const titleOf = (id: string) => view.operations.find((other) => other.id === id)?.title ?? id;
  return (
    <div className="panel" data-testid="step-reason">
      <h3>{operation.title}</h3>
      <p>
        <span className="mono">{whenText(start)}</span>, {operation.hands} min at the {operation.place}
        {chemistry ? `, ${chemistry}` : ''}
      </p>
      {reason && (
        <p className="mt8">
          <b>Bound by {BINDING_WORDS[reason.kind]}.</b> {reason.text}
        </p>
      )}
      <p className="mt8">
        <b>Why at all.</b> {operation.because}
      </p>
      <AdviceList advice={adviceAt(view.advice, operation.id)} muted={muted} />
      {after.length > 0 && (
        <p className="small mt8">
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
