import { Button, Table, UnstyledButton } from '@mantine/core';
import { figure } from '../../../core/figures.ts';
import type { Marking } from '../../../core/kit/index.ts';
import { applyOrder } from '../../../core/livery/index.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import type { DrawnMarking } from '../../workers/liveryWorker.ts';
import { ROUTE_WORDS } from './MarkingWays.tsx';

interface MarkingTableProps {
  markings: readonly Marking[];
  placed: readonly DrawnMarking[];
  chosen: Marking | undefined;
  onChoose: (markingId: string) => void;
  onAdd: () => void;
  onRemove: (marking: Marking) => void;
}

/** All markings of the build, in the order in which they go on. */
export function MarkingTable({ markings, placed, chosen, onChoose, onAdd, onRemove }: MarkingTableProps) {
  const order = applyOrder(placed).map(({ marking }) => marking.id);
  const place = (id: string) => order.indexOf(id);
  const all = [...markings].sort((p, q) => place(p.id) - place(q.id));
  return (
    <div className="panel">
      {all.length === 0 ? (
        <p className="soft small">
          None yet: numbers, names, plates, badges, lining. Each gets the way of least work, a place in the
          order, and a warning where it crosses a joint.
        </p>
      ) : (
        <Table className="plainlist">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>In the order they go on</Table.Th>
              <Table.Th>Comes on as</Table.Th>
              <Table.Th className="num">mm</Table.Th>
              <Table.Th className="num">Of each</Table.Th>
              <SpokenHead>Take out</SpokenHead>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {all.map((marking) => (
              <Table.Tr key={marking.id}>
                <Table.Td>
                  <UnstyledButton
                    className="parttag"
                    aria-pressed={marking.id === chosen?.id}
                    onClick={() => onChoose(marking.id)}
                  >
                    {marking.name}
                  </UnstyledButton>
                </Table.Td>
                <Table.Td>{marking.route ? ROUTE_WORDS[marking.route] : 'not decided'}</Table.Td>
                <Table.Td className="num mono">
                  {figure(marking.width, 'mm', 1).replace(' mm', '')} × {figure(marking.height, 'mm', 1)}
                </Table.Td>
                <Table.Td className="num mono">{marking.count}</Table.Td>
                <Table.Td>
                  <RemoveButton name={`Take out ${marking.name}`} onRemove={() => onRemove(marking)} />
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      <Button size="xs" mt={8} onClick={onAdd}>
        Add a marking
      </Button>
    </div>
  );
}
