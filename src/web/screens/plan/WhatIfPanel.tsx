import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { formatMinutes } from '../../../core/finish/index.ts';
import { dayText } from '../../components/time.ts';
import { usePlan } from '../../data/plan.tsx';
import type { WhatIf } from '../../../core/plan/index.ts';
import type { PlanWorker } from '../../workers/planWorker.ts';

/** What one more evening, longer evenings or a dehydrator would give: the plan is solved again for each. */
export function WhatIfPanel() {
  const { request, inputs } = usePlan();
  const [asked, setAsked] = useState<{
    of: unknown;
    state: 'working' | 'done' | 'failed';
    found: WhatIf[];
  }>();
  // What the plan was made from is another by now: what was found for that says nothing any more.
  const answer = asked && asked.of === inputs ? asked : undefined;
  const state = answer?.state ?? 'idle';
  const found = answer?.found ?? [];
  const worker = useRef<Worker | null>(null);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => stop, []);
  const ask = () => {
    if (!request) return;
    stop();
    setAsked({ of: inputs, state: 'working', found: [] });
    const thread = new Worker(new URL('../../workers/planWorker.ts', import.meta.url), { type: 'module' });
    worker.current = thread;
    const told = (change: (before: WhatIf[]) => WhatIf[], next: 'working' | 'done' | 'failed') => {
      if (worker.current === thread)
        setAsked((before) => before && { ...before, state: next, found: change(before.found) });
    };
    const fail = () => told((before) => before, 'failed');
    // A script that cannot be fetched or read answers nothing.
    thread.onerror = fail;
    void wrap<PlanWorker>(thread)
      .tryChanges(
        request,
        proxy((one: WhatIf) => told((before) => [...before, one], 'working')),
      )
      .then(() => told((before) => before, 'done'))
      .catch(fail);
  };
  const now = found[0]?.finish ?? null;
  return (
    <div className="panel" role="region" aria-label="What would help">
      <h3>What would help</h3>
      {found.length > 1 && (
        <table className="plainlist">
          <tbody>
            {found.slice(1).map(({ name, finish }) => (
              <tr key={name}>
                <td style={{ whiteSpace: 'normal' }}>{name}</td>
                <td className="num mono" style={{ whiteSpace: 'nowrap' }}>
                  {finish === null || now === null
                    ? 'no plan'
                    : finish < now
                      ? `${dayText(finish)}, ${formatMinutes(now - finish)} sooner`
                      : 'no sooner'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p role="status" className="small" style={{ marginTop: 4 }}>
        {state === 'working' && 'Solving the plan anew for each… '}
        {state === 'working' && (
          <button
            type="button"
            className="why"
            onClick={() => {
              stop();
              setAsked(undefined);
            }}
          >
            cancel
          </button>
        )}
        {state === 'failed' &&
          'That could not be worked out to its end. Nothing was changed: your plan stands. Try again.'}
        {state === 'done' && 'All builds together, each solved anew with the same effort.'}
      </p>
      {state !== 'working' && (
        <button type="button" className="quiet" style={{ marginTop: 6 }} disabled={!request} onClick={ask}>
          {state === 'done' ? 'Solve again' : 'Try one more evening'}
        </button>
      )}
    </div>
  );
}
