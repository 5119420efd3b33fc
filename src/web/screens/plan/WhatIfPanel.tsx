import { Button, Table, UnstyledButton } from '@mantine/core';
import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { formatMinutes } from '../../../core/finish/index.ts';
import { dayText } from '../../components/time.ts';
import { usePlan } from '../../data/plan.tsx';
import type { WhatIf as Finding } from '../../../core/plan/index.ts';
import type { PlanWorker } from '../../workers/planWorker.ts';

type State = 'idle' | 'working' | 'done' | 'failed';

/** What one more evening, longer evenings or a dehydrator would give: the plan is solved again for each. What was found
 *  says nothing of another plan: each is given a panel of its own. */
export function WhatIfPanel() {
  const { view } = usePlan();
  return <WhatIf key={view?.fingerprint} />;
}

function WhatIf() {
  const { request } = usePlan();
  const [found, setFound] = useState<Finding[]>([]);
  const [state, setState] = useState<State>('idle');
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
    const thread = new Worker(new URL('../../workers/planWorker.ts', import.meta.url), { type: 'module' });
    worker.current = thread;
    // One that was ended may have spoken before it was.
    const isNews = () => worker.current === thread;
    const end = (next: State) => isNews() && setState(next);
    // A script that cannot be fetched or read answers nothing.
    thread.onerror = () => end('failed');
    void wrap<PlanWorker>(thread)
      .tryChanges(
        request,
        proxy((one: Finding) => {
          if (isNews()) setFound((before) => [...before, one]);
        }),
      )
      .then(() => end('done'))
      .catch(() => end('failed'));
  };
  const now = found[0]?.finish ?? null;
  return (
    <div className="panel" role="region" aria-label="What would help">
      <h3>What would help</h3>
      {found.length > 1 && (
        <Table className="plainlist">
          <Table.Tbody>
            {found.slice(1).map(({ name, finish }) => (
              <Table.Tr key={name}>
                <Table.Td style={{ whiteSpace: 'normal' }}>{name}</Table.Td>
                <Table.Td className="num mono" style={{ whiteSpace: 'nowrap' }}>
                  {finish === null || now === null
                    ? 'no plan'
                    : finish < now
                      ? `${dayText(finish)}, ${formatMinutes(now - finish)} sooner`
                      : 'no sooner'}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      <p role="status" className="small" style={{ marginTop: 4 }}>
        {state === 'working' && 'Solving the plan anew for each… '}
        {state === 'working' && (
          <UnstyledButton
            className="why"
            onClick={() => {
              stop();
              setState('idle');
            }}
          >
            cancel
          </UnstyledButton>
        )}
        {state === 'failed' &&
          'That could not be worked out to its end. Nothing was changed: your plan stands. Try again.'}
        {state === 'done' && 'All builds together, each solved anew with the same effort.'}
      </p>
      {state !== 'working' && (
        <Button style={{ marginTop: 6 }} disabled={!request} onClick={ask}>
          {state === 'done' ? 'Solve again' : 'Try one more evening'}
        </Button>
      )}
    </div>
  );
}
