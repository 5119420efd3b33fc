import { Table } from '@mantine/core';
import { useMemo } from 'react';
import { householdWires, type CutPlan } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';
import { counted, type StockLength } from '../../../core/kit/index.ts';
import { cutKey, cutList, stockFor, type CutGroup } from '../../../core/plan/index.ts';
import { useTask } from '../../data/useTask.ts';
import type { CutGroups, DetailWorker } from '../../workers/detailWorker.ts';
import type { DetailViewProps } from './detailView.ts';
import { newDetailWorker } from './newDetailWorker.ts';
import { StockLengths } from './StockLengths.tsx';

/** What a saw or cutter takes away, mm. */
const KERF_MM = 0.5;
/** From what every wire, lead, pipe and spoke is cut: what is there, what is left, what to buy. */
export function CuttingView({ build, kit, stock }: DetailViewProps) {
  const groups = useMemo(() => cutList(kit, build.scale), [kit, build.scale]);
  const stockOf = useMemo(() => stockFor(groups, stock.bars), [groups, stock.bars]);
  const question = useMemo(
    () =>
      groups.flatMap((group) => {
        const { pieces } = group;
        const bars = stockOf.get(cutKey(group))!;
        if (bars.length === 0 || pieces.length === 0) return [];
        return [
          {
            id: cutKey(group),
            kerf: KERF_MM,
            pieces: pieces.map(({ id, length, count }) => ({ id, length, count })),
            stock: bars.map(({ id, lengthMm, count, priceCents }) => ({
              id,
              length: lengthMm,
              count,
              price: count === null ? priceCents : 0,
            })),
          },
        ];
      }),
    [groups, stockOf],
  );
  const { state, newest } = useTask<DetailWorker, CutGroups>({
    question: question.length > 0 ? question : undefined,
    worker: newDetailWorker,
    work: (remote) => remote.cutAll(question),
    keeps: true,
  });
  const plans = new Map(question.length > 0 ? newest?.map(({ id, plan }) => [id, plan] as const) : []);
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Cut list</h2>
        {groups.length === 0 && (
          <p className="panel soft">
            Nothing is cut from wire, rod or tube yet. Add wires and pipes, wire an engine or lace a wheel:
            their lengths come here, by diameter.
          </p>
        )}
        {groups.map((group) => (
          <GroupTable key={cutKey(group)} group={group} />
        ))}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {state.kind === 'failed' && <p role="alert">It cannot be cut: {state.message}</p>}
        {groups.map((group) => (
          <CutFrom
            key={cutKey(group)}
            group={group}
            bars={stockOf.get(cutKey(group))!}
            plan={plans.get(cutKey(group))}
            isWorking={state.kind === 'working'}
          />
        ))}
        <StockLengths
          bars={stock.bars}
          wanted={groups.flatMap(({ section, wireMm }) => (section === 'round' ? [wireMm] : []))}
        />
      </section>
    </>
  );
}

/** "0.30 mm", "3.20 mm strip". */
const sizeWords = ({ section, wireMm }: CutGroup): string =>
  `${figure(wireMm, 'mm')}${section === 'strip' ? ' strip' : ''}`;

function GroupTable({ group }: { group: CutGroup }) {
  const { pieces, unmeasured } = group;
  const all = pieces.reduce((sum, { length, count }) => sum + length * count, 0);
  return (
    <section className="panel" aria-label={`Pieces of ${sizeWords(group)}`}>
      <h3>
        <span className="mono">{sizeWords(group)}</span>, {figure(all, 'mm', 0)} in all
      </h3>
      {pieces.length > 0 && (
        <Table className="plainlist">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Piece</Table.Th>
              <Table.Th className="num">How many</Table.Th>
              <Table.Th className="num">Cut, mm</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {pieces.map(({ id, what, length, count }) => (
              <Table.Tr key={id}>
                <Table.Td>{what}</Table.Td>
                <Table.Td className="num mono">{count}</Table.Td>
                <Table.Td className="num mono">{length.toFixed(1)}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      {unmeasured.length > 0 && (
        <p className="soft small">Not measured yet, and not counted: {unmeasured.join('; ')}.</p>
      )}
    </section>
  );
}

interface CutFromProps {
  group: CutGroup;
  bars: readonly StockLength[];
  plan: CutPlan | undefined;
  isWorking: boolean;
}

function CutFrom({ group, bars, plan, isWorking }: CutFromProps) {
  const { pieces, section, wireMm } = group;
  const size = sizeWords(group);
  const household = section === 'strip' ? [] : householdWires(wireMm);
  const from = (
    <p className="soft small">
      {household.length > 0 ? `Also in: ${household.join('; ')}. Measure it first.` : ''}
    </p>
  );
  if (pieces.length === 0) return null;
  if (bars.length === 0)
    return (
      <div className="panel warned">
        <h3>{size}: none in stock</h3>
        <p>Write down below what you have or what is sold, and it is cut with the least waste.</p>
        {household.length > 0 && from}
      </div>
    );
  if (!plan) return <p role="status">{isWorking ? `Cutting ${size}…` : ''}</p>;
  const nameOf = new Map(bars.map((bar) => [bar.id, bar]));
  const waste = plan.cuts.reduce((sum, { rest }) => sum + rest, 0);
  const bought = plan.cuts.filter(({ stock }) => nameOf.get(stock)?.count === null).length;
  const missing = plan.missing.reduce((sum, { count }) => sum + count, 0);
  return (
    <div className={`panel${missing > 0 ? ' warned' : ''}`}>
      <h3>
        {size}: {counted(plan.cuts.length, 'length')} opened
      </h3>
      {plan.cuts.map(({ stock, pieces: cut, rest }, at) => (
        <p key={at} className="small">
          {nameOf.get(stock)?.name}: {shortly(cut, pieces)};{' '}
          <span className="mono">{figure(rest, 'mm', 0)}</span> left
        </p>
      ))}
      {missing > 0 && (
        <p role="alert">
          {counted(missing, 'piece')} cannot be cut: no length in stock holds {missing === 1 ? 'it' : 'them'},
          or none is left. Add what is sold.
        </p>
      )}
      <p className="soft small">
        {bought > 0 ? `${counted(bought, 'length')} to buy, ${figure(plan.cost, 'euro')}. ` : ''}
        {figure(waste, 'mm', 0)} left over in all, {KERF_MM} mm lost at each cut.{' '}
        {plan.proved
          ? 'Nothing cheaper, and nothing shorter opened at that price, is possible.'
          : 'The best found; a better one is not ruled out.'}
      </p>
      {household.length > 0 && from}
    </div>
  );
}

/** "lead 1, lead 2 and 6 × spoke" of the pieces cut from one length. */
function shortly(cut: readonly string[], pieces: CutGroup['pieces']): string {
  const counts = new Map<string, number>();
  for (const id of cut) counts.set(id, (counts.get(id) ?? 0) + 1);
  const what = new Map(pieces.map((piece) => [piece.id, piece.what]));
  return [...counts]
    .map(([id, count]) => (count > 1 ? `${count} × ${what.get(id)}` : what.get(id)))
    .join('; ');
}
