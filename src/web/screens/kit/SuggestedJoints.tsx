import { Button, Checkbox } from '@mantine/core';
import { useState } from 'react';
import { counted, type JointSuggestion, type Part } from '../../../core/kit/index.ts';
import { labelled } from './partNames.ts';

interface SuggestedJointsProps {
  suggestions: readonly JointSuggestion[];
  parts: ReadonlyMap<string, Part>;
  onTake: (taken: JointSuggestion[]) => void;
}

/** Joints that what the parts are suggests, all to be taken but those that the builder leaves. */
export function SuggestedJoints({ suggestions, parts, onTake }: SuggestedJointsProps) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const taken = suggestions.filter(({ joint: { id } }) => !left.has(id));
  const leave = (id: string, isLeft: boolean) => {
    const next = new Set(left);
    if (isLeft) next.add(id);
    else next.delete(id);
    setLeft(next);
  };
  return (
    <div className="panel" role="group" aria-label="Suggested joints">
      <h3>{counted(suggestions.length, 'joint')} suggested</h3>
      <ul className="suggested" tabIndex={0} aria-label="Suggested joints, scrolls">
        {suggestions.map(({ joint: { id, a, b, kind }, because }) => (
          <li key={id}>
            <Checkbox
              label={`${labelled(parts.get(a)!)} to ${labelled(parts.get(b)!)}`}
              description={`${kind}: ${because}`}
              checked={!left.has(id)}
              onChange={({ currentTarget: { checked } }) => leave(id, !checked)}
            />
          </li>
        ))}
      </ul>
      <Button mt={8} disabled={taken.length === 0} onClick={() => onTake(taken)}>
        {taken.length === 0 ? 'None is chosen' : `Take ${counted(taken.length, 'joint')}`}
      </Button>
    </div>
  );
}
