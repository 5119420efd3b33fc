import { Button, Table, UnstyledButton } from '@mantine/core';
import { proxy } from 'comlink';
import { useState } from 'react';
import { formatMinutes } from '../../../core/finish/index.ts';
import { dayText } from '../../components/time.ts';
import { usePlan } from '../../data/plan.tsx';
import { useTask } from '../../data/useTask.ts';
import type { WhatIf as Finding } from '../../../core/plan/index.ts';
import type { PlanWorker } from '../../workers/planWorker.ts';

/** What one more evening, longer evenings or a dehydrator would give: the plan is solved again for each. What was found
 *  says nothing of another plan: each is given a panel of its own. */
export function WhatIfPanel() {
  const { view } = usePlan();
  return <WhatIf key={view?.fingerprint} />;
}

function WhatIf() {
  const { request } = usePlan();
  const [asked, setAsked] = useState<typeof request>();
  const { state, cancel, again } = useTask<PlanWorker, Finding[], Finding[]>({
    question: asked,
    worker: () => new Worker(new URL('../../workers/planWorker.ts', import.meta.url), { type: 'module' }),
    work: async (remote, tell) => {
      const found: Finding[] = [];
      const onFound = proxy((one: Finding) => {
        found.push(one);
        tell([...found]);
      });
      await remote.tryChanges(asked!, onFound);
      return found;
    },
  });
  const found = state.kind === 'answered' ? state.answer : (state.kind === 'working' && state.progress) || [];
  const now = found[0]?.finish ?? null;
  return (
    <div className="panel" role="region" aria-label="What would help">
      <h3>What would help</h3>
      {found.length > 1 && (
        <Table className="plainlist">
          <Table.Tbody>
            {found.slice(1).map(({ name, finish }) => (
              <Table.Tr key={name}>
                <Table.Td className="wraps">{name}</Table.Td>
                <Table.Td className="num mono nowrap">
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
      <p role="status" className="small mt4">
        {state.kind === 'working' && 'Solving the plan anew for each… '}
        {state.kind === 'working' && (
          <UnstyledButton className="why" onClick={cancel}>
            cancel
          </UnstyledButton>
        )}
        {state.kind === 'failed' &&
          'That could not be worked out to its end. Nothing was changed: your plan stands. Try again.'}
        {state.kind === 'answered' && 'All builds together, each solved anew with the same effort.'}
      </p>
      {state.kind !== 'working' && (
        <Button
          className="mt6"
          disabled={!request}
          onClick={() => (asked === request ? again() : setAsked(request))}
        >
          {state.kind === 'answered' ? 'Solve again' : 'Try one more evening'}
        </Button>
      )}
    </div>
  );
}
