import { Checkbox, Table, UnstyledButton } from '@mantine/core';
import type { SettingsRecord } from '../../../api/index.ts';
import { ClockField } from '../../components/ClockField.tsx';
import { InTurn } from '../../components/InTurn.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { clockOf } from '../../components/time.ts';
import type { SaveSettings } from './saveSettings.ts';

type Calendar = SettingsRecord['calendar'];
type Session = Calendar['sessions'][number];

const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const WEEK = [1, 2, 3, 4, 5, 6, 0];

interface WeekPanelProps {
  calendar: Calendar;
  /** Why what was said last was left as it was. */
  problem: string | null;
  onSave: SaveSettings;
}

/** On which evenings the builder works, and whether there can be sprayed then. */
export function WeekPanel({ calendar, problem, onSave }: WeekPanelProps) {
  const setSessions = (sessions: Session[]) =>
    onSave({ calendar: { ...calendar, sessions } }, 'bench evenings');
  const weekly = calendar.sessions.reduce((sum, { start, end }) => sum + end - start, 0);
  return (
    <div className="panel">
      <Table className="plainlist">
        <Table.Tbody>
          {WEEK.map((weekday, at) => (
            <InTurn key={weekday} at={at}>
              {() => <WeekdayRow weekday={weekday} calendar={calendar} onSessions={setSessions} />}
            </InTurn>
          ))}
        </Table.Tbody>
      </Table>
      <p className="soft small mt8">
        {weekly > 0
          ? `${Math.floor(weekly / 60)} h ${weekly % 60} min a week. The plan puts your hands only here, and sprays only where you can; paint cures day and night.`
          : 'No session at all: nothing can be planned until there is one.'}
      </p>
      {problem && (
        <p role="alert" className="mt8">
          {problem}
        </p>
      )}
    </div>
  );
}

interface WeekdayRowProps {
  weekday: number;
  calendar: Calendar;
  onSessions: (sessions: Session[]) => void;
}

function WeekdayRow({ weekday, calendar, onSessions }: WeekdayRowProps) {
  const sessions = calendar.sessions.filter((session) => session.day === weekday);
  const changeSession = (session: Session, change: Partial<Session>) =>
    onSessions(calendar.sessions.map((other) => (other === session ? { ...other, ...change } : other)));
  return (
    <Table.Tr>
      <Table.Td style={{ width: 120 }}>{DAYS[weekday]}</Table.Td>
      <Table.Td>
        {sessions.length === 0 && <span className="soft">closed</span>}
        {sessions.map((session) => (
          <span
            key={session.start}
            style={{ display: 'inline-flex', gap: 6, alignItems: 'center', marginRight: 18 }}
          >
            <ClockField
              name={`${DAYS[weekday]} from`}
              value={session.start}
              onChange={(start) => changeSession(session, { start })}
            />
            to
            <ClockField
              name={`${DAYS[weekday]} until`}
              value={session.end}
              onChange={(end) => changeSession(session, { end: end || 1440 })}
            />
            <Checkbox
              label="spraying"
              aria-label={`spraying on ${DAYS[weekday]} from ${clockOf(session.start)}`}
              title="Airbrush and spray booth can be used then"
              checked={session.spraying !== false}
              onChange={({ currentTarget: { checked: spraying } }) => changeSession(session, { spraying })}
            />
            <RemoveButton
              name={`Remove the session on ${DAYS[weekday]}`}
              onRemove={() => onSessions(calendar.sessions.filter((other) => other !== session))}
            />
          </span>
        ))}
      </Table.Td>
      <Table.Td className="right">
        <UnstyledButton
          className="plain"
          aria-label={`Add a session on ${DAYS[weekday]}`}
          onClick={() =>
            onSessions([
              ...calendar.sessions,
              sessions.length === 0
                ? { day: weekday, start: 1170, end: 1290 }
                : { day: weekday, start: 540, end: 660 },
            ])
          }
        >
          + session
        </UnstyledButton>
      </Table.Td>
    </Table.Tr>
  );
}
