import { Table } from '@mantine/core';
import { figure } from '../../../../core/figures.ts';
import { formatMinutes } from '../../../../core/finish/index.ts';
import { counted, type Kit } from '../../../../core/kit/index.ts';
import { taskLabel } from '../../../../core/plan/index.ts';
import type { Elapsed, MishapCost, Trend } from '../../../../core/record/index.ts';
import { dayText } from '../../../components/time.ts';
import type { Log } from './useLog.ts';

/** What this builder is slower and faster at, and since when. */
export function PacePanel({ trends }: { trends: readonly Trend[] }) {
  if (trends.length === 0) return null;
  return (
    <div className="panel">
      <h3>Slower and faster than planned</h3>
      <ul className="mt6">
        {trends.map(({ kind, ratio, steps, since }) => (
          <li key={kind}>
            <b>{taskLabel(kind)}</b>: {figure(ratio, 'times', 2)} the planned time in the last{' '}
            {counted(steps, 'step')}, since {dayText(since)}.
          </li>
        ))}
      </ul>
      <p className="soft small">
        Against the working values; the plan reckons with your own pace once two steps of a kind are done.
      </p>
    </div>
  );
}

const MINUTES_A_DAY = 1440;

/** Where the days went. */
export function TimePanel({ elapsed: { work, waiting, away } }: { elapsed: Elapsed }) {
  const all = work + waiting + away;
  if (all === 0) return null;
  const days = (minutes: number) =>
    minutes < MINUTES_A_DAY ? formatMinutes(minutes) : `${(minutes / MINUTES_A_DAY).toFixed(1)} days`;
  return (
    <div className="panel">
      <h3>From the first step to the last</h3>
      <p>
        {days(all)}: {formatMinutes(work)} with hands on it, {days(waiting)} in which what came next had to
        dry or set, {days(away)} in which it was ready and nobody was at the bench.
      </p>
    </div>
  );
}

/** What each mishap has cost. */
export function MishapPanel({ costs, mishaps }: { costs: readonly MishapCost[]; mishaps: Kit['mishaps'] }) {
  if (costs.length === 0) return null;
  return (
    <div className="panel">
      <h3>What mishaps have cost</h3>
      <ul className="mt6">
        {costs.map(({ mishapId, took, toCome, steps }) => (
          <li key={mishapId}>
            <b>{mishaps.find(({ id }) => id === mishapId)?.what}</b>:{' '}
            {steps === 0
              ? 'the plan no longer holds what is to be done again'
              : `${formatMinutes(took)} so far, ${formatMinutes(toCome)} to come, in ${counted(steps, 'step')}`}
            .
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Paint that went onto the model and into cups. */
export function PaintPanel({ paint }: Pick<Log, 'paint'>) {
  const used = paint.filter(({ laidMl, mixedMl }) => laidMl > 0 || mixedMl > 0);
  if (used.length === 0) return null;
  const cents = used.reduce((sum, each) => sum + (each.cents ?? 0), 0);
  const thinnerMl = used.reduce((sum, each) => sum + each.thinnerMl, 0);
  const isWhole = used.every((each) => each.cents !== undefined);
  return (
    <div className="panel">
      <h3>Paint used</h3>
      <Table className="plainlist" aria-label="Paint used">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>paint</Table.Th>
            <Table.Th>laid, by film and area</Table.Th>
            <Table.Th>thinner in it</Table.Th>
            <Table.Th>in cups</Table.Th>
            <Table.Th>cost</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {used.map(({ paintId, name, laidMl, mixedMl, thinnerMl, cents: price }) => (
            <Table.Tr key={paintId}>
              <Table.Td>{name}</Table.Td>
              <Table.Td className="mono nowrap">{laidMl > 0 ? figure(laidMl, 'ml') : ''}</Table.Td>
              <Table.Td className="mono nowrap">{thinnerMl > 0 ? figure(thinnerMl, 'ml') : ''}</Table.Td>
              <Table.Td className="mono nowrap">{mixedMl > 0 ? figure(mixedMl, 'ml') : ''}</Table.Td>
              <Table.Td className="mono nowrap">
                {price === undefined ? 'not known' : figure(price, 'euro')}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <p className="soft small">
        {figure(cents, 'euro')} in all{isWhole ? '' : ', without what has no known price'}, of the larger of
        the two: what is left over in a cup is used as well. A layer counts once all its steps are done.
        Thinner, {figure(thinnerMl, 'ml')} in all, as the airbrush is set; what cleaned it comes on top.
      </p>
    </div>
  );
}
