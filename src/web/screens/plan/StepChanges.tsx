import { Button, NumberInput, TextInput, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { KIT_ITEMS } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { ownStepRecord, type OwnStep } from '../../../core/kit/index.ts';
import type { KitSummary, LongestSessions, PlanOperation, PlanView } from '../../../core/plan/index.ts';
import { ClockField } from '../../components/ClockField.tsx';
import { DayField } from '../../components/DayField.tsx';
import { dayOf, minuteOfDay, momentOf, whenText } from '../../components/time.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { editOf, StepEditing } from './StepEditing.tsx';

interface StepChangesProps {
  operation: PlanOperation;
  start: number;
  plan: KitSummary['plan'];
  view: PlanView;
  longest: LongestSessions;
}

/** What the builder changes about one step: hold it to a moment, word, time or divide it, leave it out, or put a step
 *  of one's own after it. The plan is
 *  generated as before and these are kept beside it, so a change of stack or version loses nothing. */
export function StepChanges({ operation, start, plan, view, longest }: StepChangesProps) {
  const [editing, setEditing] = useState(editOf(operation.id, plan.stepEdits) !== undefined);
  const [adding, setAdding] = useState(false);
  const [day, setDay] = useState<string | null>(dayOf(start));
  const [clock, setClock] = useState(minuteOfDay(start));
  const held = day === null ? undefined : momentOf(day, clock);
  const { buildId } = operation;
  const pin = plan.pins.find(({ operationId }) => operationId === operation.id);
  const own = plan.ownSteps.find(({ id }) => operation.id === `${buildId}/own/${id}`);
  const change = (kind: 'pin' | 'own-step', id: string, value: object | null, label: string) =>
    void changeKit(buildId, [{ kind, id, value }], label).catch(() => undefined);
  return (
    <div className="panel stacked g8" role="region" aria-label="Change this step">
      <h3>Change this step</h3>
      {pin ? (
        <p className="small">
          Pinned to <span className="mono">{whenText(pin.start)}</span>.{' '}
          <UnstyledButton
            className="why"
            onClick={() => change('pin', pin.id, null, `let go of ${operation.title}`)}
          >
            let go
          </UnstyledButton>
        </p>
      ) : (
        <div className="in-row g8 low">
          <DayField label="Hold it to" width={150} value={day} onChange={setDay} />
          <ClockField name="Hold it to, time" value={clock} onChange={setClock} />
          <Button
            disabled={held === undefined}
            onClick={() =>
              change(
                'pin',
                newId(buildId),
                { operationId: operation.id, start: held! },
                `pin ${operation.title}`,
              )
            }
          >
            Pin
          </Button>
        </div>
      )}
      {editing ? (
        <StepEditing
          key={JSON.stringify(editOf(operation.id, plan.stepEdits) ?? null)}
          operation={operation}
          view={view}
          edits={plan.stepEdits}
          longest={longest}
        />
      ) : (
        <UnstyledButton className="why self-start" onClick={() => setEditing(true)}>
          change its words, minutes or parts…
        </UnstyledButton>
      )}
      {own && (
        <UnstyledButton
          className="why self-start"

          onClick={() => change('own-step', own.id, null, `remove ${own.title}`)}
        >
          remove this step of yours
        </UnstyledButton>
      )}
      {adding ? (
        <AddStep
          after={operation.id}
          onAdd={(step) => {
            change('own-step', newId(buildId), step, `add ${step.title}`);
            setAdding(false);
          }}
          onClose={() => setAdding(false)}
        />
      ) : (
        <UnstyledButton className="why self-start" onClick={() => setAdding(true)}>
          add a step after this one…
        </UnstyledButton>
      )}
    </div>
  );
}

interface AddStepProps {
  /** The step that it follows. */
  after: string;
  onAdd: (step: Omit<OwnStep, 'id'>) => void;
  onClose: () => void;
}

/** A step of the builder's own. */
function AddStep({ after, onAdd, onClose }: AddStepProps) {
  const { text, number, submit } = useRecordForm(ownStepRecord.fields, KIT_ITEMS['own-step'], {
    start: { after, minutes: 15 },
    asks: { title: 'Say what is done.', waitMinutes: 'Say for how long, 0 for not at all.' },
    // Waits are typed in hours.
    prepare: (step) => ({ ...step, waitMinutes: Math.round(step.waitMinutes * 60) }),
  });
  return (
    <form className="stacked g6" onSubmit={submit(onAdd)}>
      <TextInput size="xs" label="What you add after it" autoFocus {...text('title')} />
      <div className="stacked two-columns g6">
        <NumberInput size="xs" label="Minutes of work" allowDecimal={false} {...number('minutes')} />
        <NumberInput size="xs" label="Then leave it, h" {...number('waitMinutes', 60)} />
      </div>
      <div className="in-row g8">
        <Button type="submit">Add it</Button>
        <UnstyledButton className="why" onClick={onClose}>
          never mind
        </UnstyledButton>
      </div>
    </form>
  );
}
