import { SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import type { SettingsRecord } from '../../../api/index.ts';
import { requireCalendar } from '../../../core/plan/index.ts';
import { Loading } from '../../components/Loading.tsx';
import { saveSettings, useBench } from '../../data/bench.ts';
import { AirPanel } from '../finish/AirPanel.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { BackupPanel } from './BackupPanel.tsx';
import { ToolTable } from './ToolTable.tsx';

const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const WEEK = [1, 2, 3, 4, 5, 6, 0];

const clock = (minutes: number) =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
const minutesOf = (text: string) => {
  const [hours = 0, minutes = 0] = text.split(':').map(Number);
  return hours * 60 + minutes;
};

/** When and where the builder works: evenings, closed days, air, units, backup. */
export function BenchScreen() {
  const { data, error } = useBench();
  const [problem, setProblem] = useState<string | null>(null);
  const [day, setDay] = useState('');
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
  const weekly = calendar.sessions.reduce((sum, { start, end }) => sum + end - start, 0);
  return (
    <div
      className="columns"
      style={{ maxWidth: 1160, margin: '0 auto', gridTemplateColumns: 'minmax(0, 1fr) 320px' }}
    >
      <section className="column">
        <h2 style={{ fontSize: 26 }}>Bench evenings</h2>
        <div className="panel">
          <table className="plainlist">
            <tbody>
              {WEEK.map((weekday) => {
                const sessions = calendar.sessions.filter((session) => session.day === weekday);
                return (
                  <tr key={weekday}>
                    <td style={{ width: 120 }}>{DAYS[weekday]}</td>
                    <td>
                      {sessions.length === 0 && <span className="soft">closed</span>}
                      {sessions.map((session) => (
                        <span
                          key={session.start}
                          style={{ display: 'inline-flex', gap: 6, alignItems: 'center', marginRight: 18 }}
                        >
                          <input
                            type="time"
                            className="mono"
                            aria-label={`${DAYS[weekday]} from`}
                            value={clock(session.start)}
                            onChange={(event) =>
                              event.currentTarget.value &&
                              setSessions(
                                calendar.sessions.map((other) =>
                                  other === session
                                    ? { ...other, start: minutesOf(event.currentTarget.value) }
                                    : other,
                                ),
                              )
                            }
                          />
                          to
                          <input
                            type="time"
                            className="mono"
                            aria-label={`${DAYS[weekday]} until`}
                            value={clock(session.end % 1440)}
                            onChange={(event) =>
                              event.currentTarget.value &&
                              setSessions(
                                calendar.sessions.map((other) =>
                                  other === session
                                    ? { ...other, end: minutesOf(event.currentTarget.value) || 1440 }
                                    : other,
                                ),
                              )
                            }
                          />
                          <label className="small" style={{ display: 'inline-flex', gap: 4 }}>
                            <input
                              type="checkbox"
                              aria-label={`Spraying on ${DAYS[weekday]} from ${clock(session.start)}`}
                              title="Airbrush and spray booth can be used then"
                              checked={session.spraying !== false}
                              onChange={({ currentTarget: { checked: spraying } }) =>
                                setSessions(
                                  calendar.sessions.map((other) =>
                                    other === session ? { ...other, spraying } : other,
                                  ),
                                )
                              }
                            />
                            spraying
                          </label>
                          <RemoveButton
                            name={`Remove the session on ${DAYS[weekday]}`}
                            onRemove={() =>
                              setSessions(calendar.sessions.filter((other) => other !== session))
                            }
                          />
                        </span>
                      ))}
                    </td>
                    <td style={{ textAlign: 'right' }}>
                      <button
                        type="button"
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
                      </button>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <p className="soft small" style={{ marginTop: 8 }}>
            {weekly > 0
              ? `${Math.floor(weekly / 60)} h ${weekly % 60} min a week. The plan puts your hands only here, and sprays only where you can; paint cures day and night.`
              : 'No session at all: nothing can be planned until there is one.'}
          </p>
          {problem && (
            <p role="alert" style={{ marginTop: 8 }}>
              {problem}
            </p>
          )}
        </div>
        <div className="panel">
          <h3>Closed days</h3>
          <div className="chips" style={{ alignItems: 'center' }}>
            {calendar.closed.map((date) => (
              <button
                key={date}
                type="button"
                className="chip"
                title="Open this day again"
                onClick={() =>
                  save(
                    { calendar: { ...calendar, closed: calendar.closed.filter((other) => other !== date) } },
                    `open ${date}`,
                  )
                }
              >
                {date} ✕
              </button>
            ))}
            <input
              type="date"
              aria-label="A day the bench is closed"
              value={day}
              onChange={(event) => setDay(event.currentTarget.value)}
            />
            <button
              type="button"
              className="quiet"
              disabled={day === '' || calendar.closed.includes(day)}
              onClick={() => {
                save({ calendar: { ...calendar, closed: [...calendar.closed, day].sort() } }, `close ${day}`);
                setDay('');
              }}
            >
              Close this day
            </button>
          </div>
        </div>
        <h2 style={{ fontSize: 26, marginTop: 8 }}>Tools</h2>
        <ToolTable preferences={preferences} onSave={(next, label) => save({ preferences: next }, label)} />
      </section>
      <section className="column">
        <h2 style={{ fontSize: 26 }}>&nbsp;</h2>
        <AirPanel />
        <div className="panel">
          <h3>Units</h3>
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
        </div>
        <BackupPanel guarded={data.guarded ?? false} readOnly={Boolean(data.readOnly)} />
      </section>
    </div>
  );
}
