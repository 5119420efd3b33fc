import { Button, Table, UnstyledButton } from '@mantine/core';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import { bare, figure } from '../../../core/figures.ts';
import { useMemo, useState } from 'react';
import type { CodeRecord, TrayRecord } from '../../../api/index.ts';
import {
  formatMinutes,
  GENERIC_PRODUCTS,
  type ComparedStack,
  type Conditions,
  type Stack,
} from '../../../core/finish/index.ts';
import type { PlannedLayer } from '../../../core/kit/index.ts';
import { useTask } from '../../data/useTask.ts';
import type { Comparison, FinishWorker } from '../../workers/finishWorker.ts';

interface ComparePanelProps {
  tray: TrayRecord;
  stack: Stack;
  code: CodeRecord | undefined;
  conditions: Conditions;
  onTake: (layers: PlannedLayer[], name: string) => void;
  onClose: () => void;
}

const SHOWN = 12;
const nameOf = (id: string | null) =>
  GENERIC_PRODUCTS.find((product) => product.id === id)?.name.toLowerCase();
const groundOf = ({ primerId, undercoatId }: ComparedStack) =>
  [nameOf(primerId), nameOf(undercoatId)].filter(Boolean).join(', ') || 'nothing, straight on the plastic';

/** Primers and undercoats against each other for this colour: colour error, coats, film, time, paint. */
export function ComparePanel({ tray, stack, code, conditions, onTake, onClose }: ComparePanelProps) {
  const [all, setAll] = useState(false);
  const question = useMemo(
    () => ({ stack, spectrum: code?.spectrum, conditions }),
    [stack, code, conditions],
  );
  const { state } = useTask<FinishWorker, Comparison>({
    question,
    worker: () => new Worker(new URL('../../workers/finishWorker.ts', import.meta.url), { type: 'module' }),
    work: (remote) => remote.compare(question.stack, question.spectrum, question.conditions),
  });
  const comparison = state.kind === 'answered' ? state.answer : undefined;
  const take = ({ primerId, undercoatId, coats }: ComparedStack) => {
    const about = tray.layers.findLast(({ kind }) => kind === 'colour');
    const kept = tray.layers.filter(({ kind }) => kind !== 'primer' && kind !== 'undercoat');
    const ground = (kind: 'primer' | 'undercoat', productId: string | null): PlannedLayer[] =>
      productId === null ? [] : [{ id: kind, kind, mix: { [productId]: 1 }, coats: 2, tool: 'airbrush' }];
    onTake(
      [
        ...ground('primer', primerId),
        ...ground('undercoat', undercoatId),
        ...kept.map((layer) => (layer === about ? { ...layer, coats } : layer)),
      ],
      'another ground',
    );
  };
  return (
    <div className="panel stacked g8" role="region" aria-label="Grounds compared">
      <div className="in-row apart">
        <h3>What to lay under it</h3>
        <UnstyledButton className="plain" aria-label="Close the comparison" onClick={onClose}>
          ✕
        </UnstyledButton>
      </div>
      <p role="status" className="small">
        {comparison
          ? comparison.count === 0
            ? 'The stack has no colour to lay anything under.'
            : `${comparison.count} ways worked out; for each ground the fewest coats that come as near as it can. In bold: no other is as near with fewer coats and less time.`
          : state.kind === 'failed'
            ? `Not worked out: ${state.message}`
            : 'Working out every primer, undercoat and number of coats…'}
      </p>
      {comparison && comparison.best.length > 0 && (
        <Table className="plainlist">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Under the colour</Table.Th>
              <Table.Th className="num">Its coats</Table.Th>
              <Table.Th className="num">All coats</Table.Th>
              <Table.Th className="num">dE</Table.Th>
              <Table.Th className="num">µm</Table.Th>
              <Table.Th className="num">Time</Table.Th>
              <Table.Th className="num">Paint</Table.Th>
              <SpokenHead>Take</SpokenHead>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {comparison.best.slice(0, all ? undefined : SHOWN).map((one) => (
              <Table.Tr key={`${one.primerId} ${one.undercoatId} ${one.coats}`}>
                <Table.Td className="wraps">
                  {one.unbeaten ? <b>{groundOf(one)}</b> : groundOf(one)}
                  {one.worst && (
                    <span className="soft small block">
                      {one.warnings > 1 ? `${one.warnings} warnings, first: ` : ''}
                      {one.worst.toLowerCase()}
                    </span>
                  )}
                </Table.Td>
                <Table.Td className="num mono">{one.coats}</Table.Td>
                <Table.Td className="num mono">{one.allCoats}</Table.Td>
                <Table.Td className="num mono">
                  {one.dE00 === undefined ? '–' : bare(one.dE00, 'dE')}
                </Table.Td>
                <Table.Td className="num mono">{Math.round(one.filmUm)}</Table.Td>
                <Table.Td className="num mono nowrap">{formatMinutes(one.elapsed)}</Table.Td>
                <Table.Td className="num mono nowrap">{figure(one.paintMl, 'ml', 0)}</Table.Td>
                <Table.Td>
                  <Button onClick={() => take(one)}>Take</Button>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      {comparison && comparison.best.length > SHOWN && (
        <UnstyledButton className="why" onClick={() => setAll(!all)}>
          {all ? `only the first ${SHOWN}` : `all ${comparison.best.length} grounds`}
        </UnstyledButton>
      )}
    </div>
  );
}
