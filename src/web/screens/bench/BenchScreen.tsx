import { Button, Checkbox, SegmentedControl, Table, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import type { SettingsRecord } from '../../../api/index.ts';
import { requireCalendar } from '../../../core/plan/index.ts';
import { EachInTurn } from '../../components/InTurn.tsx';
import { ClockField } from '../../components/ClockField.tsx';
import { DayField } from '../../components/DayField.tsx';
import { clockOf, storedDay } from '../../components/time.ts';
import { Loading } from '../../components/Loading.tsx';
import { saveSettings, useBench } from '../../data/bench.ts';
import { AirPanel } from '../finish/AirPanel.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { BackupPanel } from './backup/BackupPanel.tsx';
import { DevicePanel } from './DevicePanel.tsx';
import { ForecastPanel } from './ForecastPanel.tsx';
import { ToolTable } from './ToolTable.tsx';

type Session = SettingsRecord['calendar']['sessions'][number];

const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const WEEK = [1, 2, 3, 4, 5, 6, 0];

/** When and where the builder works: evenings, closed days, air, units, backup. */
export function BenchScreen() {
  const { data, error } = useBench();
  const [problem, setProblem] = useState<string | null>(null);
  const [day, setDay] = useState<string | null>(null);
  if (!data) return <Loading what="the bench" error={error} />;
  const { settings } = data;
  const { calendar, preferences } = settings;
  const save = (change: Partial<SettingsRecord>, label: string) => {
    const next = { ...settings, ...change };
    try {
      requireCalendar(next.calendar);
      setProblem(null);
    } catch (fault) {
      setProblem(`${(fault as Error).message} It was left as it was.`);
      return;
    }
    void saveSettings(settings, next, label).catch((fault: unknown) => setProblem((fault as Error).message));
  };
  const setSessions = (sessions: typeof calendar.sessions) =>
    save({ calendar: { ...calendar, sessions } }, 'bench evenings');
  const changeSession = (session: Session, change: Partial<Session>) =>
    setSessions(calendar.sessions.map((other) => (other === session ? { ...other, ...change } : other)));
  const weekly = calendar.sessions.reduce((sum, { start, end }) => sum + end - start, 0);
  return (
    <div className="columns two" style={{ maxWidth: 1160, margin: '0 auto' }}>
      <section className="column">
        <h2 style={{ fontSize: 26 }}>Bench evenings</h2>
        <EachInTurn first={1}>
          <div className="panel">
            <Table className="plainlist">
              <Table.Tbody>
                {WEEK.map((weekday) => {
                  const sessions = calendar.sessions.filter((session) => session.day === weekday);
                  return (
                    <Table.Tr key={weekday}>
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
                              onChange={({ currentTarget: { checked: spraying } }) =>
                                changeSession(session, { spraying })
                              }
                            />
                            <RemoveButton
                              name={`Remove the session on ${DAYS[weekday]}`}
                              onRemove={() =>
                                setSessions(calendar.sessions.filter((other) => other !== session))
                              }
                            />
                          </span>
                        ))}
                      </Table.Td>
                      <Table.Td className="right">
                        <UnstyledButton
                          className="plain"
                          aria-label={`Add a session on ${DAYS[weekday]}`}
                          onClick={() =>
                            setSessions([
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
                })}
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
          <div className="panel">
            <h3>Closed days</h3>
            <div className="chips middle">
              {calendar.closed.map((date) => (
                <UnstyledButton
                  key={date}
                  className="chip"
                  title="Open this day again"
                  onClick={() =>
                    save(
                      {
                        calendar: { ...calendar, closed: calendar.closed.filter((other) => other !== date) },
                      },
                      `open ${storedDay(date)}`,
                    )
                  }
                >
                  {storedDay(date)} ✕
                </UnstyledButton>
              ))}
              <DayField name="A day the bench is closed" width={170} value={day} onChange={setDay} />
              <Button
                disabled={day === null || calendar.closed.includes(day)}
                onClick={() => {
                  if (day === null) return;
                  const closed = [...calendar.closed, day].sort();
                  save({ calendar: { ...calendar, closed } }, `close ${storedDay(day)}`);
                  setDay(null);
                }}
              >
                Close this day
              </Button>
            </div>
          </div>
          <h2 style={{ fontSize: 26, marginTop: 8 }}>Tools</h2>
          <ToolTable preferences={preferences} onSave={(next, label) => save({ preferences: next }, label)} />
        </EachInTurn>
      </section>
      <section className="column">
        <h2 style={{ fontSize: 26 }}>Air, units, backup</h2>
        <EachInTurn first={1}>
          <AirPanel />
          <ForecastPanel
            calendar={calendar}
            conditions={settings.conditions}
            unit={preferences.temperature}
            onSave={(next, label) => save({ calendar: next }, label)}
          />
          <div className="panel">
            <h3>Units, dates, times</h3>
            <SegmentedControl
              fullWidth
              aria-label="Temperature in"
              data={[
                { value: 'C', label: '°C' },
                { value: 'F', label: '°F' },
              ]}
              value={preferences.temperature}
              onChange={(value) =>
                save({ preferences: { ...preferences, temperature: value } }, 'unit of temperature')
              }
            />
            <SegmentedControl
              mt={8}
              fullWidth
              aria-label="Amounts in"
              data={[
                { value: 'ml', label: 'millilitres' },
                { value: 'drops', label: 'drops' },
              ]}
              value={preferences.volume}
              onChange={(value) => save({ preferences: { ...preferences, volume: value } }, 'unit of volume')}
            />
            <SegmentedControl
              mt={8}
              fullWidth
              aria-label="Days as"
              data={[
                { value: 'day-month', label: '5 Dec' },
                { value: 'month-day', label: 'Dec 5' },
                { value: 'iso', label: '2026-12-05' },
              ]}
              value={preferences.dates ?? 'day-month'}
              onChange={(value) => save({ preferences: { ...preferences, dates: value } }, 'order of dates')}
            />
            <SegmentedControl
              mt={8}
              fullWidth
              aria-label="Times as"
              data={[
                { value: '24-hour', label: '19:30' },
                { value: '12-hour', label: '7:30 pm' },
              ]}
              value={preferences.clock ?? '24-hour'}
              onChange={(value) => save({ preferences: { ...preferences, clock: value } }, 'clock')}
            />
          </div>
          <DevicePanel />
          <BackupPanel
            guarded={data.guarded ?? false}
            readOnly={Boolean(data.readOnly)}
            preferences={preferences}
            savedAt={data.copies?.savedAt ?? null}
            onSave={(next, label) => save({ preferences: next }, label)}
          />
        </EachInTurn>
      </section>
    </div>
  );
}
