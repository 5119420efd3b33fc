import { Button, NumberInput, TextInput, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { numberLimits, textLimits } from '../../components/limits.ts';
import { type StepEdit, stepEditRecord } from '../../../core/kit/index.ts';
import {
  isDivisible,
  nextToJoin,
  type LongestSessions,
  type PlanOperation,
  type PlanView,
} from '../../../core/plan/index.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';

const UNCHANGED: Omit<StepEdit, 'id' | 'operationId'> = {
  title: '',
  minutes: null,
  note: '',
  parts: 1,
  withNext: false,
  leaveOut: false,
};
const MOST_PARTS = 8;

/** Stores a change of a step, or takes the record away where nothing is left of it. */
export function changeStep(
  buildId: string,
  operationId: string,
  before: StepEdit | undefined,
  change: Partial<typeof UNCHANGED>,
  label: string,
): void {
  const { id, ...rest } = before ?? { id: newId(buildId), ...UNCHANGED, operationId };
  const value = { ...rest, ...change };
  const isNothing = Object.entries(UNCHANGED).every(
    ([key, plain]) => value[key as keyof typeof value] === plain,
  );
  void changeKit(buildId, [{ kind: 'step-edit', id, value: isNothing ? null : value }], label).catch(
    () => undefined,
  );
}

/** The edit that made a step what it is: its own, or that of the step it is a part of. */
export function editOf(operationId: string, edits: readonly StepEdit[]): StepEdit | undefined {
  return edits.find(
    (edit) =>
      edit.operationId === operationId ||
      (edit.parts > 1 &&
        new RegExp(`^-[1-${edit.parts}]$`).test(operationId.slice(edit.operationId.length)) &&
        operationId.startsWith(edit.operationId)),
  );
}

interface StepEditingProps {
  operation: PlanOperation;
  view: PlanView;
  edits: readonly StepEdit[];
  /** Minutes. */
  longest: LongestSessions;
}

/** Other words and minutes for a step, its division into sittings, its joining with the next, or leaving it out. */
export function StepEditing({ operation, view, edits, longest }: StepEditingProps) {
  const { buildId } = operation;
  const edit = editOf(operation.id, edits);
  const own = edit?.operationId === operation.id ? edit : undefined;
  const [words, setWords] = useState(own?.title ?? '');
  const [minutes, setMinutes] = useState<number | null>(own?.minutes ?? null);
  const [note, setNote] = useState(own?.note ?? '');
  const [parts, setParts] = useState(2);
  const save = (change: Partial<typeof UNCHANGED>, label: string) =>
    changeStep(buildId, edit?.operationId ?? operation.id, edit, change, label);
  if (edit && edit.parts > 1)
    return (
      <p className="small">
        You do this step in {edit.parts} parts.{' '}
        <UnstyledButton className="why" onClick={() => save({ parts: 1 }, `${operation.title} in one`)}>
          do it in one
        </UnstyledButton>
      </p>
    );
  const next = nextToJoin(operation.id, view, longest);
  const together = next ? operation.hands + next.hands : 0;
  const isChanged =
    words !== (own?.title ?? '') || minutes !== (own?.minutes ?? null) || note !== (own?.note ?? '');
  return (
    <div className="stacked g8">
      <form
        className="stacked g6"
        onSubmit={(event) => {
          event.preventDefault();
          if (isChanged)
            save({ title: words.trim(), minutes, note: note.trim() }, `change ${operation.title}`);
        }}
      >
        <TextInput
          size="xs"
          label="Call it"
          placeholder={operation.title}
          value={words}
          {...textLimits(stepEditRecord.fields.title)}
          onChange={({ currentTarget: { value } }) => setWords(value)}
        />
        <div style={{ display: 'grid', gridTemplateColumns: '1fr 2fr', gap: 6 }}>
          <NumberInput
            size="xs"
            label="It takes, min"
            placeholder={String(operation.hands)}
            value={minutes ?? ''}
            {...numberLimits(stepEditRecord.fields.minutes)}
            onChange={(value) =>
              setMinutes(typeof value === 'number' ? Math.max(1, Math.round(value)) : null)
            }
          />
          <TextInput
            size="xs"
            label="Remember"
            value={note}
            {...textLimits(stepEditRecord.fields.note)}
            onChange={({ currentTarget: { value } }) => setNote(value)}
          />
        </div>
        <Button type="submit" className="self-start" disabled={!isChanged}>
          Change it
        </Button>
      </form>
      {isDivisible(operation) && operation.hands > 1 && !edit?.withNext && (
        <div className="in-row g8 low">
          <NumberInput
            size="xs"
            label="Do it in parts"
            w={90}
            value={parts}
            min={2}
            max={Math.min(MOST_PARTS, operation.hands)}
            onChange={(value) => typeof value === 'number' && value >= 2 && setParts(Math.round(value))}
          />
          <Button
            onClick={() =>
              save({ parts: Math.min(parts, MOST_PARTS, operation.hands) }, `split ${operation.title}`)
            }
          >
            Split
          </Button>
          <span className="small soft">about {Math.ceil(operation.hands / parts)} min each</span>
        </div>
      )}
      {edit?.withNext ? (
        <p className="small">
          You do these in one go.{' '}
          <UnstyledButton
            className="why"
            onClick={() => save({ withNext: false }, `take ${operation.title} apart`)}
          >
            take them apart
          </UnstyledButton>
        </p>
      ) : next ? (
        <UnstyledButton
          className="why self-start left"

          onClick={() => save({ withNext: true }, `${operation.title} with ${next.title}`)}
        >
          do it in one go with “{next.title}”, <span className="mono">{together}</span> min
        </UnstyledButton>
      ) : null}
      <UnstyledButton
        className="why self-start"

        onClick={() => save({ leaveOut: true }, `leave out ${operation.title}`)}
      >
        leave this step out
      </UnstyledButton>
    </div>
  );
}

/** Steps of the build that the builder left out, each with the way back. */
export function LeftOut({
  buildId,
  edits,
  view,
}: {
  buildId: string;
  edits: readonly StepEdit[];
  view: PlanView;
}) {
  const gone = view.leftOut.flatMap(({ editId, title }) => {
    const edit = edits.find(({ id, leaveOut }) => id === editId && leaveOut);
    return edit ? [{ edit, title }] : [];
  });
  if (gone.length === 0) return null;
  return (
    <div className="panel" role="region" aria-label="Left out">
      <h3>You left out</h3>
      {gone.map(({ edit, title }) => (
        <p key={edit.id} className="small">
          {title}{' '}
          <UnstyledButton
            className="why"
            onClick={() =>
              changeStep(buildId, edit.operationId, edit, { leaveOut: false }, `bring back ${title}`)
            }
          >
            bring it back
          </UnstyledButton>
        </p>
      ))}
    </div>
  );
}
