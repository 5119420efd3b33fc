import { UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { PATHS, pathTo, type PastPlanHead, type PastPlanRecord } from '../../../api/index.ts';
import { dayText, whenText } from '../../components/time.ts';
import { useCached } from '../../data/cache.ts';
import { get } from '../../data/request.ts';
import type { PlanView } from '../../../core/plan/index.ts';

interface HistoryPanelProps {
  buildId: string;
  view: PlanView;
}

const SHOWN = 8;
const MOVED_MINUTES = 5;

/** What the plan looked like before: when it would have been ready, and what has moved since. */
export function HistoryPanel({ buildId, view }: HistoryPanelProps) {
  const [open, setOpen] = useState(false);
  const [picked, setPicked] = useState<number>();
  const { data, error } = useCached<PastPlanHead[]>(open ? PATHS.planHistory : null, get);
  const { data: chosen } = useCached<PastPlanRecord>(
    picked === undefined ? null : pathTo(PATHS.pastPlan, String(picked)),
    get,
  );
  const past = [...(data ?? [])].reverse().slice(0, SHOWN);
  const titles = new Map(view.operations.map(({ id, title }) => [id, title]));
  const own = (id: string) => id.startsWith(`${buildId}/`);
  const moved = chosen
    ? Object.entries(chosen.starts)
        .filter(([id, start]) => own(id) && Math.abs((view.starts[id] ?? start) - start) >= MOVED_MINUTES)
        .sort((a, b) => a[1] - b[1])
    : [];
  const gone = chosen ? Object.keys(chosen.starts).filter((id) => own(id) && !titles.has(id)) : [];
  const added = chosen
    ? Object.keys(view.starts).filter((id) => own(id) && chosen.starts[id] === undefined)
    : [];
  return (
    <details className="panel" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        <b>Earlier plans</b>
      </summary>
      {error && <p role="alert">{error.message}</p>}
      {data?.length === 0 && <p className="small">The first plan has just been made.</p>}
      <ul className="plainbullets small mt6">
        {past.map(({ id, at, finish }) => (
          <li key={id}>
            <UnstyledButton className="why" aria-pressed={id === picked} onClick={() => setPicked(id)}>
              {whenText(at)}
            </UnstyledButton>
            : all ready {dayText(finish)}
          </li>
        ))}
      </ul>
      {chosen && (
        <div className="small mt6">
          <b>
            Since then: {moved.length} moved, {added.length} added, {gone.length} gone or done otherwise
          </b>
          {moved.slice(0, SHOWN).map(([id, start]) => (
            <p key={id}>
              {titles.get(id) ?? id}:{' '}
              <span className="mono">
                {whenText(start)} → {whenText(view.starts[id]!)}
              </span>
            </p>
          ))}
          {added.slice(0, SHOWN).map((id) => (
            <p key={id}>+ {titles.get(id) ?? id}</p>
          ))}
        </div>
      )}
    </details>
  );
}
