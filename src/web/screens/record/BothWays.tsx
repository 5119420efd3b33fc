import { Table, UnstyledButton } from '@mantine/core';
import { proxy } from 'comlink';
import { useState } from 'react';
import { formatMinutes } from '../../../core/finish/index.ts';
import { counted } from '../../../core/kit/index.ts';
import { mendWords, type MendQuestion, type MendWay } from '../../../core/plan/index.ts';
import { dayText } from '../../components/time.ts';
import { usePlan } from '../../data/plan.tsx';
import { useTask } from '../../data/useTask.ts';
import type { PlanWorker } from '../../workers/planWorker.ts';

const WHEN = { never: 'as it is', now: 'fixed now', later: 'fixed once all is on it' } as const;

/** What a mend costs in hours and days, now and after what follows: the whole plan is solved anew for each. */
export function BothWays({ question }: { question: MendQuestion }) {
  const { request } = usePlan();
  // What was asked first stands: a better plan that comes meanwhile does not begin it again.
  const [asked] = useState(() => request && { request, question });
  const { state, again } = useTask<PlanWorker, MendWay[], MendWay[]>({
    question: asked ?? undefined,
    worker: () => new Worker(new URL('../../workers/planWorker.ts', import.meta.url), { type: 'module' }),
    work: async (remote, tell) => {
      const found: MendWay[] = [];
      const onFound = proxy((one: MendWay) => {
        found.push(one);
        tell([...found]);
      });
      await remote.tryMends(asked!.request, asked!.question, onFound);
      return found;
    },
  });
  const ways = state.kind === 'answered' ? state.answer : (state.kind === 'working' && state.progress) || [];
  const never = ways.find(({ when }) => when === 'never');
  return (
    <div className="mt6">
      <p className="small">{mendWords(question.repair)}.</p>
      {ways.length > 1 && never && (
        <Table className="plainlist" aria-label="What the mend costs">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>when</Table.Th>
              <Table.Th>by hand</Table.Th>
              <Table.Th>ready</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {ways.map(({ when, hands, ready, again: steps }) => (
              <Table.Tr key={when}>
                <Table.Td>
                  {WHEN[when]}
                  {steps.length > 0 && (
                    <span className="soft small block">{counted(steps.length, 'step')} again</span>
                  )}
                </Table.Td>
                <Table.Td className="mono nowrap">
                  {when === 'never' ? formatMinutes(hands) : `+${formatMinutes(hands - never.hands)}`}
                </Table.Td>
                <Table.Td className="mono nowrap">{ready === null ? 'no plan' : dayText(ready)}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      <p role="status" className="small soft">
        {state.kind === 'working' && 'Solving the plan anew for each…'}
        {state.kind === 'failed' && 'That could not be worked out to its end. Nothing was changed.'}
        {state.kind === 'answered' && ways.length < 3 && 'Nothing more goes onto it: later costs the same.'}
      </p>
      {state.kind === 'failed' && (
        <UnstyledButton className="why" onClick={again}>
          try again
        </UnstyledButton>
      )}
    </div>
  );
}
