import { Button, NativeSelect, TextInput, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { textLimits } from '../../components/limits.ts';
import { REPAIR_IDS, type RepairId, mishapRecord } from '../../../core/kit/index.ts';
import { REPAIRS, type PlanOperation, type PlanView } from '../../../core/plan/index.ts';
import { tickStep } from '../../data/bench.ts';
import { benchNow } from '../../data/clock.ts';
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
  const [what, setWhat] = useState('');
  const [why, setWhy] = useState('');
  const [repair, setRepair] = useState<RepairId>('sand');
  const before = stepsBefore(operation, view);
  const [redoFrom, setRedoFrom] = useState(operation.id);
  const save = () => {
    const at = Math.floor(benchNow() / 60000);
    const label = `went wrong: ${operation.title}`;
    const value = { operationId: operation.id, redoFrom, repair, what: what.trim(), why: why.trim(), at };
    const step = {
      operationId: operation.id,
      buildId: operation.buildId,
      trayId: operation.trayId ?? null,
      title: operation.title,
      endedAt: at,
      minutes,
      note: `Went wrong: ${what.trim()}${why.trim() ? ` (${why.trim()})` : ''}`,
    };
    // The repair and the tick are one thing that was done, and are taken back as one.
    const both = together(label);
    const mishap = { kind: 'mishap', id: newId('again'), value } as const;
    void changeKit(operation.buildId, [mishap], label, both).catch(() => undefined);
    void tickStep(step, both).catch(() => undefined);
    onClose();
  };
  return (
    <form
      className="panel"
      aria-label="Went wrong"
      style={{ display: 'grid', gap: 8, marginTop: 10 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (what.trim()) save();
      }}
    >
      <TextInput
        label="What went wrong"
        placeholder="a run on the left door"
        value={what}
        {...textLimits(mishapRecord.fields.what)}
        autoFocus
        onChange={({ currentTarget: { value } }) => setWhat(value)}
      />
      <TextInput
        label="Why, as far as you know"
        placeholder="too wet, too near"
        value={why}
        {...textLimits(mishapRecord.fields.why)}
        onChange={({ currentTarget: { value } }) => setWhy(value)}
      />
      <NativeSelect
        label="Mend it by"
        data={REPAIR_IDS.map((id) => ({ value: id, label: REPAIRS[id].name }))}
        value={repair}
        onChange={({ currentTarget: { value } }) => setRepair(value as RepairId)}
      />
      <NativeSelect
        label="Then do again from"
        data={[...before, operation].map(({ id, title }) => ({ value: id, label: title }))}
        value={redoFrom}
        onChange={({ currentTarget: { value } }) => setRedoFrom(value)}
      />
      <p className="small soft">
        {REPAIRS[repair].because} {REPAIRS[repair].minutes} min, and what must be done again, go into the
        plan.
      </p>
      <div style={{ display: 'flex', gap: 10 }}>
        <Button type="submit" disabled={what.trim() === ''}>
          Put the repair into the plan
        </Button>
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
