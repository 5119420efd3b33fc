import { UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { PlanView, Warning } from '../../../core/plan/index.ts';
import { whenText } from '../../components/time.ts';

interface AheadPanelProps {
  buildId: string;
  warnings: readonly Warning[];
  view: PlanView;
  onMark: (operationId: string) => void;
}

const SHOWN = 3;
const STAGE_WORDS: Readonly<Record<Warning['stage'], string>> = {
  kit: 'in the Kit stage',
  colour: 'in the Colour stage',
  finish: 'in the Finish stage',
  plan: 'here',
  shelf: 'on the shelf',
};

/** What lies ahead that is better known now, soonest first, each with the step it stops and how to clear it. */
export function AheadPanel({ buildId, warnings, view, onMark }: AheadPanelProps) {
  const [all, setAll] = useState(false);
  if (warnings.length === 0) return null;
  return (
    <div className="panel" role="region" aria-label="Ahead">
      <h3>
        Ahead: {warnings.length} {warnings.length === 1 ? 'thing' : 'things'} to clear
      </h3>
      {warnings.slice(0, all ? undefined : SHOWN).map(({ id, title, reason, remedy, operationId, stage }) => (
        <div key={id} className="finding warn" style={{ marginTop: 8 }}>
          <b>{title}</b>
          <p className="small">
            {reason} {remedy}
          </p>
          <p className="small soft">
            {operationId !== undefined && view.starts[operationId] !== undefined && (
              <UnstyledButton className="why" onClick={() => onMark(operationId)}>
                the step, {whenText(view.starts[operationId])}
              </UnstyledButton>
            )}{' '}
            {stage !== 'plan' && (
              <Link to={stage === 'shelf' ? '/shelf' : `/build/${buildId}/${stage}`}>
                clear it {STAGE_WORDS[stage]}
              </Link>
            )}
          </p>
        </div>
      ))}
      {warnings.length > SHOWN && (
        <UnstyledButton className="why" style={{ marginTop: 8 }} onClick={() => setAll(!all)}>
          {all ? 'show fewer' : `show all ${warnings.length}`}
        </UnstyledButton>
      )}
    </div>
  );
}
