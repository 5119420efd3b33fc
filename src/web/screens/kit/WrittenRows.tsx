import { Table } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import type { KitItemKind } from '../../../core/kit/index.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';

interface WrittenRowsProps {
  heads: readonly { name: string; num?: true }[];
  rows: readonly { id: string; name: string; cells: readonly ReactNode[] }[];
  onRemove: (id: string) => void;
}

/** Records of one kind as rows, each with a way to take it out. */
export const WrittenRows = ({ heads, rows, onRemove }: WrittenRowsProps) => (
  <Table className="plainlist">
    <Table.Thead>
      <Table.Tr>
        {heads.map(({ name, num }) => (
          <Table.Th key={name} className={num && 'num'}>
            {name}
          </Table.Th>
        ))}
        <SpokenHead>Remove</SpokenHead>
      </Table.Tr>
    </Table.Thead>
    <Table.Tbody>
      {rows.map(({ id, name, cells }) => (
        <Table.Tr key={id}>
          {cells.map((cell, at) => (
            <Table.Td key={heads[at]!.name} className={heads[at]!.num && 'num mono'}>
              {cell}
            </Table.Td>
          ))}
          <Table.Td>
            <RemoveButton name={`Take out ${name}`} onRemove={() => onRemove(id)} />
          </Table.Td>
        </Table.Tr>
      ))}
    </Table.Tbody>
  </Table>
);

/** Writes records of one kind down and takes them out; what is refused is said. */
export function useWritten(buildId: string, kind: KitItemKind, noun: string) {
  const [problem, setProblem] = useState<string | null>(null);
  const put = (id: string, value: object | null, label: string) =>
    changeKit(buildId, [{ kind, id, value }], label).then(() => setProblem(null));
  const tell = (error: unknown) => setProblem((error as Error).message);
  /** Rejects where it is refused: a form says that itself. */
  const add = (value: object) => {
    const id = newId(buildId);
    return put(id, { ...value, id }, `write down ${noun}`);
  };
  return {
    problem: problem && <p role="alert">{problem}</p>,
    add,
    addNow: (value: object) => void add(value).catch(tell),
    remove: (id: string) => void put(id, null, `take out ${noun}`).catch(tell),
  };
}
