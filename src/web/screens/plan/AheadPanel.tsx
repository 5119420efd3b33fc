import { UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { adviceAhead, type PlanView } from '../../../core/plan/index.ts';
import type { BuildRecord } from '../../../api/index.ts';
import { AdviceList } from '../../components/AdviceList.tsx';
import { whenText } from '../../components/time.ts';

interface AheadPanelProps {
  build: BuildRecord;
  view: PlanView;
  onMark: (operationId: string) => void;
}

const SHOWN = 3;

/** What lies ahead that is better known now, soonest first, each with the first step that it is about and how to clear
 *  it. */
export function AheadPanel({ build, view, onMark }: AheadPanelProps) {
  const [all, setAll] = useState(false);
  const ahead = adviceAhead(view.advice, build.id);
  if (ahead.length === 0) return null;
  return (
    <div className="panel" role="region" aria-label="Ahead">
      <h3>
        Ahead: {ahead.length} {ahead.length === 1 ? 'thing' : 'things'} to clear
      </h3>
      <AdviceList
        advice={ahead.slice(0, all ? undefined : SHOWN)}
        muted={build.kit.plan.mutedAdvice}
        beside={({ about: { steps }, at }) =>
          steps[0] !== undefined &&
          at !== null && (
            <UnstyledButton className="why" onClick={() => onMark(steps[0]!)}>
              {steps.length === 1 ? 'the step' : `the first of ${steps.length} steps`}, {whenText(at)}
            </UnstyledButton>
          )
        }
      />
      {ahead.length > SHOWN && (
        <UnstyledButton className="why" onClick={() => setAll(!all)}>
          {all ? 'show fewer' : `show all ${ahead.length}`}
        </UnstyledButton>
      )}
    </div>
  );
}
