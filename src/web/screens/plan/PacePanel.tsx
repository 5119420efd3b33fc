import { Table } from '@mantine/core';
import { bare } from '../../../core/figures.ts';
import { FAMILIES, LAYER_KINDS, type FamilyId, type LayerKind } from '../../../core/finish/index.ts';
import type { CurePace, Pace } from '../../../core/plan/index.ts';

const nameOf = (kind: Pace['kind']) =>
  kind in LAYER_KINDS ? LAYER_KINDS[kind as LayerKind].name.toLowerCase() : kind.replace('-', ' ');

interface Learnt {
  name: string;
  factor: number;
  from: number;
  to: number;
  count: number;
}

function LearntTable({ of, each, rows }: { of: string; each: string; rows: readonly Learnt[] }) {
  return (
    <Table className="plainlist mt6">
      <Table.Thead>
        <Table.Tr>
          <Table.Th>{of}</Table.Th>
          <Table.Th className="num">Counts as</Table.Th>
          <Table.Th className="num">Middle half</Table.Th>
          <Table.Th className="num">{each}</Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {[...rows]
          .sort((p, q) => q.count - p.count)
          .map(({ name, factor, from, to, count }) => (
            <Table.Tr key={name}>
              <Table.Td>{name}</Table.Td>
              <Table.Td className="num mono">×{bare(factor, 'times', 2)}</Table.Td>
              <Table.Td className="num mono">
                {bare(from, 'times')}–{bare(to, 'times')}
              </Table.Td>
              <Table.Td className="num mono">{count}</Table.Td>
            </Table.Tr>
          ))}
      </Table.Tbody>
    </Table>
  );
}

interface PacePanelProps {
  paces: readonly Pace[];
  cures: readonly CurePace[];
}

/** What the log has taught of the builder's own minutes and cures. */
export function PacePanel({ paces, cures }: PacePanelProps) {
  if (paces.length === 0 && cures.length === 0) return null;
  return (
    <details className="panel">
      <summary>
        <b>Your pace</b>, learnt from {paces.reduce((sum, { steps }) => sum + steps, 0)} steps
      </summary>
      <LearntTable
        of="Step"
        each="Steps"
        rows={paces.map(({ kind, steps, ...rest }) => ({ name: nameOf(kind), count: steps, ...rest }))}
      />
      <p className="small soft mt4">
        Minutes taken over minutes planned, by their median, drawn towards ×1 while there are few.
      </p>
      {cures.length > 0 && (
        <>
          <LearntTable
            of="Cure"
            each="Coats"
            rows={cures.map(({ chemistry, coats, ...rest }) => ({
              name: FAMILIES[chemistry as FamilyId].name,
              count: coats,
              ...rest,
            }))}
          />
          <p className="small soft mt4">
            Minutes until you felt a coat dry over the product’s. Full cures are never cut short.
          </p>
        </>
      )}
    </details>
  );
}
