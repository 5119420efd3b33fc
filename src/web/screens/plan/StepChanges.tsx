import { Button, NumberInput, TextInput, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { numberLimits, textLimits } from '../../components/limits.ts';
import { ownStepRecord } from '../../../core/kit/index.ts';
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
  const [title, setTitle] = useState('');
  const [minutes, setMinutes] = useState(15);
  const [waitHours, setWaitHours] = useState(0);
  const [day, setDay] = useState<string | null>(dayOf(start));
  const [clock, setClock] = useState(minuteOfDay(start));
  const held = day === null ? undefined : momentOf(day, clock);
  const { buildId } = operation;
  const pin = plan.pins.find(({ operationId }) => operationId === operation.id);
  const own = plan.ownSteps.find(({ id }) => operation.id === `${buildId}/own/${id}`);
  const change = (kind: 'pin' | 'own-step', id: string, value: object | null, label: string) =>
    void changeKit(buildId, [{ kind, id, value }], label).catch(() => undefined);
  return (
    <div className="panel" role="region" aria-label="Change this step" style={{ display: 'grid', gap: 8 }}>
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
        <div style={{ display: 'flex', gap: 8, alignItems: 'end' }}>
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
        <UnstyledButton className="why" style={{ justifySelf: 'start' }} onClick={() => setEditing(true)}>
          change its words, minutes or parts…
        </UnstyledButton>
      )}
      {own && (
        <UnstyledButton
          className="why"
          style={{ justifySelf: 'start' }}
          onClick={() => change('own-step', own.id, null, `remove ${own.title}`)}
        >
          remove this step of yours
        </UnstyledButton>
      )}
      {adding ? (
        <form
          style={{ display: 'grid', gap: 6 }}
          onSubmit={(event) => {
            event.preventDefault();
            if (title.trim() === '') return;
            change(
              'own-step',
              newId(buildId),
              {
                after: operation.id,
                title: title.trim(),
                minutes,
                waitMinutes: Math.round(waitHours * 60),
                note: '',
              },
              `add ${title.trim()}`,
            );
            setAdding(false);
            setTitle('');
          }}
        >
          <TextInput
            size="xs"
            label="What you add after it"
            value={title}
            {...textLimits(ownStepRecord.fields.title)}
            autoFocus
            onChange={({ currentTarget: { value } }) => setTitle(value)}
          />
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 6 }}>
            <NumberInput
              size="xs"
              label="Minutes of work"
              value={minutes}
              {...numberLimits(ownStepRecord.fields.minutes)}
              onChange={(value) => typeof value === 'number' && value >= 1 && setMinutes(Math.round(value))}
            />
            <NumberInput
              size="xs"
              label="Then leave it, h"
              value={waitHours}
              {...numberLimits(ownStepRecord.fields.waitMinutes, 60)}
              onChange={(value) => typeof value === 'number' && value >= 0 && setWaitHours(value)}
            />
          </div>
          <div style={{ display: 'flex', gap: 8 }}>
            <Button type="submit" disabled={title.trim() === ''}>
              Add it
            </Button>
            <UnstyledButton className="why" onClick={() => setAdding(false)}>
              never mind
            </UnstyledButton>
          </div>
        </form>
      ) : (
        <UnstyledButton className="why" style={{ justifySelf: 'start' }} onClick={() => setAdding(true)}>
          add a step after this one…
        </UnstyledButton>
      )}
    </div>
  );
}
