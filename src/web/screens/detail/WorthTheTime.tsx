import { NativeSelect, Table, UnstyledButton } from '@mantine/core';
import { Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { formatMinutes } from '../../../core/finish/index.ts';
import type { Showing } from '../../../core/kit/index.ts';
import { EachInTurn } from '../../components/InTurn.tsx';
import { shareText } from './shareText.ts';
import { HARDLY, type SeenDetail, type SeenWork } from '../../../core/plan/index.ts';

interface WorthTheTimeProps {
  seen: SeenDetail;
  showing: Showing;
  onChange: (part: Partial<Showing>) => void;
}

/** Which detail is worth the time there is, what one more evening would buy, and what nobody will see. */
export function WorthTheTime({ seen: { work, choice, unknownViews }, showing, onChange }: WorthTheTimeProps) {
  const chosen = new Set(choice.chosen);
  const pleasure = new Set(showing.pleasure);
  const done = work.filter(({ id }) => chosen.has(id) || pleasure.has(id));
  const left = work.filter(({ id }) => !chosen.has(id) && !pleasure.has(id));
  const hardly = left.filter(({ share }) => share !== null && share < HARDLY);
  const later = left.filter(({ share }) => share !== null && share >= HARDLY);
  const unknown = left.filter(({ share }) => share === null);
  const toggle = (id: string) =>
    onChange({
      pleasure: pleasure.has(id) ? showing.pleasure.filter((each) => each !== id) : [...showing.pleasure, id],
    });
  const weights = showing.weights ?? [];
  const times = new Map(weights.map((weight) => [weight.workId, weight.times]));
  const weigh = (workId: string, next: number) => {
    const others = weights.filter((weight) => weight.workId !== workId);
    onChange({ weights: next === 1 ? others : [...others, { workId, times: next }] });
  };
  if (work.length === 0)
    return (
      <p className="panel soft small">
        No detail is planned yet that could be weighed: add wires, a harness, wheels or patterns.
      </p>
    );
  const minutes = done.reduce((sum, each) => sum + each.minutes, 0);
  return (
    <EachInTurn first={1}>
      <WorkTable
        title={`Worth the ${formatMinutes(showing.minutes)}`}
        note={`${formatMinutes(minutes)} in all. ${choice.proved ? 'No other choice shows more of it.' : 'The best choice found.'}`}
        work={done}
        act={(id) => (pleasure.has(id) ? 'weigh it again' : undefined)}
        onAct={toggle}
        times={times}
        onWeigh={weigh}
      />
      {[
        { title: 'With more time', work: later },
        {
          title: 'Nobody will see it',
          work: hardly,
          note: 'Left out, it costs nothing that a viewer could tell.',
        },
        { title: 'Not weighed', work: unknown, note: 'Where its part sits is not known.' },
      ].map(
        (group) =>
          group.work.length > 0 && (
            <WorkTable
              key={group.title}
              {...group}
              act={() => 'for my own pleasure'}
              onAct={toggle}
              times={times}
              onWeigh={weigh}
            />
          ),
      )}
      {choice.next.length > 1 && (
        <div className="panel">
          <h3>What more time would buy</h3>
          <ResponsiveContainer width="100%" height={150}>
            <LineChart
              data={choice.next.map(({ minutes: takes, gain }) => ({
                minutes: takes,
                gain: Math.round(gain),
              }))}
            >
              <XAxis dataKey="minutes" type="number" unit=" min" tick={{ fontSize: 11 }} />
              <YAxis width={34} tick={{ fontSize: 11 }} />
              <Tooltip
                formatter={(value) => [value, 'seen']}
                labelFormatter={(label) => `${Number(label)} min`}
              />
              <Line
                type="stepAfter"
                dataKey="gain"
                stroke="var(--ink)"
                dot={false}
                isAnimationActive={false}
              />
            </LineChart>
          </ResponsiveContainer>
          <p className="soft small">Up: hundredths of each part that come to be seen, added up.</p>
        </div>
      )}
      {unknownViews.length > 0 && (
        <p className="soft small">
          {unknownViews.includes('top') &&
            `No view from above: the roof is taken as closed${showing.openFromMm === null ? '' : ' but for what you said'}. `}
          {unknownViews.includes('width') && 'The width is guessed from the length.'}
        </p>
      )}
    </EachInTurn>
  );
}

interface WorkTableProps {
  title: string;
  note?: string;
  work: readonly SeenWork[];
  act: (id: string) => string | undefined;
  onAct: (id: string) => void;
  /** What each counts against the others; 1 where it is not there. */
  times: ReadonlyMap<string, number>;
  onWeigh: (id: string, times: number) => void;
}

/** What a detail may count against another that is seen as well. */
const TIMES = [0.5, 1, 2, 3];

const WorkTable = ({ title, note, work, act, onAct, times, onWeigh }: WorkTableProps) => (
  <section className="panel" aria-label={title}>
    <h3>{title}</h3>
    <Table className="plainlist">
      <Table.Thead>
        <Table.Tr>
          <Table.Th>Work</Table.Th>
          <Table.Th className="num">Min</Table.Th>
          <Table.Th className="num">Seen</Table.Th>
          <Table.Th>Counts</Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {work.map(({ id, name, minutes, share, guessed }) => {
          const words = act(id);
          return (
            <Table.Tr key={id}>
              <Table.Td>
                {name}{' '}
                {words && (
                  <UnstyledButton
                    className="why small"
                    aria-label={`${name}: ${words}`}
                    onClick={() => onAct(id)}
                  >
                    {words}
                  </UnstyledButton>
                )}
              </Table.Td>
              <Table.Td className="num mono">{minutes}</Table.Td>
              <Table.Td className={`num mono small${guessed ? '' : ' nowrap'}`}>
                {share === null ? '?' : shareText(share, guessed)}
              </Table.Td>
              <Table.Td>
                <NativeSelect
                  w={70}
                  size="xs"
                  aria-label={`What ${name} counts`}
                  data={TIMES.map((value) => ({ value: String(value), label: `×${value}` }))}
                  value={String(times.get(id) ?? 1)}
                  onChange={({ currentTarget: { value } }) => onWeigh(id, Number(value))}
                />
              </Table.Td>
            </Table.Tr>
          );
        })}
      </Table.Tbody>
    </Table>
    {note && <p className="soft small">{note}</p>}
  </section>
);
