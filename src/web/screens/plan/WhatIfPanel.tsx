import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { formatMinutes } from '../../../core/finish/index.ts';
import { dayText } from '../../components/time.ts';
import { usePlan } from '../../data/plan.tsx';
import type { WhatIf } from '../../../core/plan/index.ts';
import type { PlanWorker } from '../../workers/planWorker.ts';

/** What one more evening, longer evenings or a dehydrator would give: the plan is solved again for each. */
export function WhatIfPanel() {
  const { request } = usePlan();
  const [found, setFound] = useState<WhatIf[]>([]);
  const [state, setState] = useState<'idle' | 'working' | 'done'>('idle');
  const worker = useRef<Worker | null>(null);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => stop, []);
  const ask = () => {
    if (!request) return;
    stop();
    setFound([]);
    setState('working');
    worker.current = new Worker(new URL('../../workers/planWorker.ts', import.meta.url), { type: 'module' });
    void wrap<PlanWorker>(worker.current)
      .tryChanges(
        request,
        proxy((one: WhatIf) => setFound((before) => [...before, one])),
      )
      .then(() => setState('done'));
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
              setState('idle');
            }}
          >
            cancel
          </button>
        )}
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
