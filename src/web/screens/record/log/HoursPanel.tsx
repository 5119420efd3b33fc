import { SegmentedControl, Table } from '@mantine/core';
import { Bar, BarChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { formatMinutes } from '../../../../core/finish/index.ts';
import type { Hours } from '../../../../core/record/index.ts';
import type { HoursBy } from './useLog.ts';

interface HoursPanelProps {
  hours: readonly Hours[];
  by: HoursBy;
  onBy: (by: HoursBy) => void;
}

const BY_NAMES: Readonly<Record<HoursBy, string>> = {
  tray: 'Sub-assembly',
  kind: 'Kind of step',
  phase: 'Part of the work',
};
/** Bars drawn; the table has them all. */
const MOST_BARS = 8;
const BAR_PX = 34;

/** Hours taken beside those planned, as bars and as a table. */
export function HoursPanel({ hours, by, onBy }: HoursPanelProps) {
  const done = hours.filter(({ steps }) => steps > 0);
  const total = (of: 'took' | 'planned' | 'tookOfPlanned' | 'toCome') =>
    hours.reduce((sum, each) => sum + each[of], 0);
  const bars = done.slice(0, MOST_BARS).map(({ key, took, planned }) => ({
    key,
    took: took / 60,
    planned: planned / 60,
  }));
  return (
    <div className="panel">
      <h3>Hours</h3>
      <p className="small">
        {total('took') === 0
          ? 'No step is done yet.'
          : `${formatMinutes(total('took'))} so far${total('planned') > 0 ? `; of steps that the plan holds ${formatMinutes(total('tookOfPlanned'))}, planned ${formatMinutes(total('planned'))}` : ''}. ${formatMinutes(total('toCome'))} to come.`}
      </p>
      <SegmentedControl
        size="xs"
        fullWidth
        mt={6}
        aria-label="Hours by"
        data={(Object.keys(BY_NAMES) as HoursBy[]).map((value) => ({ value, label: BY_NAMES[value] }))}
        value={by}
        onChange={(value) => onBy(value)}
      />
      {bars.length > 0 && (
        <figure className="m0 mt6">
          <figcaption className="soft small">Hours: taken dark, planned light</figcaption>
          <ResponsiveContainer width="100%" height={30 + BAR_PX * bars.length}>
            <BarChart
              data={bars}
              layout="vertical"
              margin={{ top: 4, right: 8, bottom: 0, left: 0 }}
              accessibilityLayer={false}
            >
              <XAxis type="number" unit=" h" tick={{ fontSize: 11 }} />
              <YAxis type="category" dataKey="key" width={110} tick={{ fontSize: 11 }} />
              <Bar dataKey="took" fill="var(--ink)" isAnimationActive={false} />
              <Bar dataKey="planned" fill="var(--line-strong)" isAnimationActive={false} />
            </BarChart>
          </ResponsiveContainer>
        </figure>
      )}
      <Table fz="xs" className="plainlist" aria-label={`Hours by ${BY_NAMES[by].toLowerCase()}`}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>{BY_NAMES[by].toLowerCase()}</Table.Th>
            <Table.Th>took</Table.Th>
            <Table.Th>planned</Table.Th>
            <Table.Th>to come</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {hours.map(({ key, took, steps, planned, toCome }) => (
            <Table.Tr key={key}>
              <Table.Td>{key}</Table.Td>
              <Table.Td className="mono nowrap">{steps === 0 ? '' : formatMinutes(took)}</Table.Td>
              <Table.Td className="mono nowrap">
                {steps === 0 ? '' : planned === 0 ? 'not known' : formatMinutes(planned)}
              </Table.Td>
              <Table.Td className="mono nowrap">{toCome === 0 ? '' : formatMinutes(toCome)}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </div>
  );
}
