import { Button } from '@mantine/core';
import { whenText } from '../../components/time.ts';
import { usePlan } from '../../data/plan.tsx';
import { undo, useUndoState } from '../../data/undo.ts';

const SHOWN = 5;

/** What the plan does otherwise since the last change of the build: to be accepted, or the change taken back. */
export function ChangePanel({ buildId }: { buildId: string }) {
  const { lastChange, acceptChange, operations } = usePlan();
  const { undoLabel } = useUndoState();
  // Something else may have been changed since.
  const canTakeBack = undoLabel !== null && undoLabel === lastChange?.after;
  if (!lastChange) return null;
  const isOwn = (id: string) => operations.get(id)?.buildId === buildId;
  const moves = lastChange.moves.filter(({ id }) => isOwn(id));
  const added = lastChange.added.filter(isOwn);
  const gone = lastChange.gone.filter((step) => step.buildId === buildId);
  if (moves.length + added.length + gone.length === 0) return null;
  const more = (count: number) => count > SHOWN && <p className="small soft">and {count - SHOWN} more</p>;
  return (
    <section className="panel" aria-label="What the change did to the plan">
      <h3>
        The plan followed: {added.length} added, {gone.length} gone, {moves.length} moved
      </h3>
      {added.slice(0, SHOWN).map((id) => (
        <p key={id} className="small">
          <span className="mono">+</span> {operations.get(id)!.title}
        </p>
      ))}
      {more(added.length)}
      {gone.slice(0, SHOWN).map(({ id, title }) => (
        <p key={id} className="small">
          <span className="mono">−</span> {title}
        </p>
      ))}
      {more(gone.length)}
      {moves.slice(0, SHOWN).map(({ id, from, to }) => (
        <p key={id} className="small">
          {operations.get(id)!.title}:{' '}
          <span className="mono">
            {whenText(from)} → {whenText(to)}
          </span>
        </p>
      ))}
      {more(moves.length)}
      <div className="in-row g8 mt8 breaks">
        <Button onClick={acceptChange}>Accept this plan</Button>
        {canTakeBack && <Button onClick={() => void undo()}>Take back: {undoLabel}</Button>}
      </div>
    </section>
  );
}
