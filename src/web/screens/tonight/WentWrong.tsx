import { Button, NativeSelect, TextInput, UnstyledButton } from '@mantine/core';
import { KIT_ITEMS } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { REPAIR_IDS, mishapRecord, type Mishap } from '../../../core/kit/index.ts';
import {
  onceThePaintIs,
  REPAIRS,
  usualRepair,
  type PlanOperation,
  type PlanView,
} from '../../../core/plan/index.ts';
import { tickStep } from '../../data/bench.ts';
import { benchMinute } from '../../data/clock.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { together } from '../../data/undo.ts';

interface WentWrongProps {
  operation: PlanOperation;
  view: PlanView;
  minutes: number;
  onClose: () => void;
}

/** What went wrong, why, and from where the work is done again; the plan grows by the repair. */
export function WentWrong({ operation, view, minutes, onClose }: WentWrongProps) {
  const before = stepsBefore(operation, view);
  const first = usualRepair(operation.kind);
  const { values, text, pick, submit } = useRecordForm(mishapRecord.fields, KIT_ITEMS.mishap, {
    start: { operationId: operation.id, redoFrom: operation.id, repair: first },
    asks: { what: 'Say what went wrong.' },
    prepare: (mishap) => ({ ...mishap, at: benchMinute() }),
  });
  const save = (value: Omit<Mishap, 'id'>) => {
    const label = `went wrong: ${operation.title}`;
    const step = {
      operationId: operation.id,
      buildId: operation.buildId,
      trayId: operation.trayId ?? null,
      title: operation.title,
      endedAt: value.at,
      minutes,
      note: `Went wrong: ${value.what}${value.why ? ` (${value.why})` : ''}`,
    };
    // The repair and the tick are one thing that was done, and are taken back as one.
    const both = together(label);
    const mishap = { kind: 'mishap', id: newId('again'), value } as const;
    void changeKit(operation.buildId, [mishap], label, both).catch(() => undefined);
    void tickStep(step, both).catch(() => undefined);
    onClose();
  };
  const repair = REPAIRS[values.repair ?? first];
  const once = onceThePaintIs(values.repair ?? first);
  return (
    <form
      className="panel stacked g8 mt10"
      aria-label="Went wrong"

      onSubmit={submit(save)}
    >
      <TextInput label="What went wrong" placeholder="a run on the left door" autoFocus {...text('what')} />
      <TextInput label="Why, as far as you know" placeholder="too wet, too near" {...text('why')} />
      <NativeSelect
        label="Mend it by"
        data={REPAIR_IDS.map((id) => ({ value: id, label: REPAIRS[id].name }))}
        {...pick('repair')}
      />
      <NativeSelect
        label="Then do again from"
        data={[...before, operation].map(({ id, title }) => ({ value: id, label: title }))}
        {...pick('redoFrom')}
      />
      <p className="small soft">
        {repair.because} {repair.minutes} min{once && `, ${once}`}, and what must be done again, go into the
        plan.
      </p>
      <div className="in-row g10">
        <Button type="submit">Put the repair into the plan</Button>
        <UnstyledButton className="why" onClick={onClose}>
          never mind
        </UnstyledButton>
      </div>
    </form>
  );
}

const BACK = 8;

/** The steps of the same sub-assembly that lead to this one, nearest last. */
function stepsBefore(operation: PlanOperation, view: PlanView): PlanOperation[] {
  const found: PlanOperation[] = [];
  let at = operation.id;
  while (found.length < BACK) {
    const arc = view.arcs.find(
      ({ to, from }) => to === at && from.startsWith(`${operation.buildId}/${operation.trayId}`),
    );
    const step = arc && view.operations.find(({ id }) => id === arc.from);
    if (!step || step.kind === 'clean' || step.kind === 'join') break;
    found.unshift(step);
    at = step.id;
  }
  return found;
}
