import {
  PAST_SIDES,
  pastFields,
  runRecord,
  type Kit,
  type PastPart,
  type Run,
} from '../../../core/kit/index.ts';
import { PAST_WORDS } from '../../../core/plan/index.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { listLimit } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { partOptions } from '../kit/partNames.ts';
import { AddFor } from './AddFor.tsx';

interface RunPastProps {
  run: Run;
  kit: Kit;
  onChange: (past: PastPart[]) => void;
}

/** The parts that a run goes past on its way, each on a side. */
export function RunPast({ run, kit, onChange }: RunPastProps) {
  const past = run.past ?? [];
  const names = new Map(partOptions(kit).map(({ value, label }) => [value, label]));
  const others = {
    ...kit,
    parts: kit.parts.filter(({ id }) => id !== run.fromPartId && id !== run.toPartId),
  };
  return (
    <div className="stacked g8">
      {past.map((each, at) => {
        const name = names.get(each.partId) ?? 'a part that is gone';
        return (
          <div key={`${each.partId} ${at}`} className="toolrow apart">
            <ChoiceSelect
              label={`Goes past ${name}`}
              values={PAST_SIDES}
              words={PAST_WORDS}
              value={each.side}
              onSave={(side) =>
                onChange(past.map((other, place) => (place === at ? { ...other, side } : other)))
              }
            />
            <RemoveButton
              name={`Not past ${name}`}
              onRemove={() => onChange(past.filter((_, place) => place !== at))}
            />
          </div>
        );
      })}
      {past.length < listLimit(runRecord.fields.past) && (
        <AddFor
          kit={others}
          label={past.length === 0 ? 'It goes past' : 'Then it goes past'}
          action="Lead it past"
          onAdd={(partId) => onChange([...past, { partId, side: pastFields.side.initial }])}
        />
      )}
    </div>
  );
}
