import type { StackEvaluation } from '../../../core/finish/index.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

interface MutedRulesProps {
  muted: StackEvaluation['muted'];
  onUnmute: (layerId: string, ruleId: string) => void;
}

/** What would have warned, had it not been silenced, each with the builder's reason. */
export function MutedRules({ muted, onUnmute }: MutedRulesProps) {
  if (muted.length === 0) return null;
  return (
    <div className="panel" aria-label="Silenced rules" role="region">
      <h3>Silenced by you</h3>
      {muted.map(({ ruleId, layerId, title, note }) => (
        <p key={`${ruleId} ${layerId}`} className="small in-row g6">
          <span className="grows">
            <b>{title}</b> would have warned here: “{note}”
          </span>
          <RemoveButton name={`Let “${title}” warn again`} onRemove={() => onUnmute(layerId, ruleId)} />
        </p>
      ))}
    </div>
  );
}
