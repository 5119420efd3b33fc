import { Button } from '@mantine/core';
import { useMemo } from 'react';
import {
  counted,
  learntRoles,
  SYSTEM_NAMES,
  type Kit,
  type LearntRole,
  type OtherKit,
} from '../../../../core/kit/index.ts';
import { labelled } from '../partNames.ts';

const SHOWN = 6;

interface LearntRolesProps {
  kit: Kit;
  others: readonly OtherKit[];
  onTake: (learnt: LearntRole[]) => void;
}

/** What was said of like parts on other kits, to be taken over at once. */
export function LearntRoles({ kit, others, onTake }: LearntRolesProps) {
  const learnt = useMemo(() => learntRoles(kit, others), [kit, others]);
  if (learnt.length === 0) return null;
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  return (
    <div className="panel">
      <h3>Said on your other kits</h3>
      {learnt.slice(0, SHOWN).map(({ partId, system, from }) => (
        <p key={partId} className="small">
          {labelled(parts.get(partId)!)}: {SYSTEM_NAMES[system]}{' '}
          <span className="soft">(as on {from.join(', ')})</span>
        </p>
      ))}
      {learnt.length > SHOWN && <p className="small soft">and {learnt.length - SHOWN} more</p>}
      <Button mt={8} onClick={() => onTake(learnt)}>
        Take over {counted(learnt.length, 'role')}
      </Button>
    </div>
  );
}
