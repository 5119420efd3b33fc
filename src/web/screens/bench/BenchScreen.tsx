import { useState } from 'react';
import { requireCalendar } from '../../../core/plan/index.ts';
import { EachInTurn } from '../../components/InTurn.tsx';
import { Loading } from '../../components/Loading.tsx';
import { saveSettings, useBench } from '../../data/bench.ts';
import { AirPanel } from '../finish/AirPanel.tsx';
import { BackupPanel } from './backup/BackupPanel.tsx';
import { ClosedDays } from './ClosedDays.tsx';
import { DevicePanel } from './DevicePanel.tsx';
import { ForecastPanel } from './ForecastPanel.tsx';
import type { SaveSettings } from './saveSettings.ts';
import { ToolTable } from './ToolTable.tsx';
import { UnitsPanel } from './UnitsPanel.tsx';
import { WeekPanel } from './WeekPanel.tsx';

/** When and where the builder works: evenings, closed days, air, units, backup. */
export function BenchScreen() {
  const { data, error } = useBench();
  const [problem, setProblem] = useState<string | null>(null);
  if (!data) return <Loading what="the bench" error={error} />;
  const { settings } = data;
  const { calendar, preferences } = settings;
  const save: SaveSettings = (change, label) => {
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
  return (
    <div className="columns two" style={{ maxWidth: 1160, margin: '0 auto' }}>
      <section className="column">
        <h2 style={{ fontSize: 26 }}>Bench evenings</h2>
        <EachInTurn first={1}>
          <WeekPanel calendar={calendar} problem={problem} onSave={save} />
          <ClosedDays calendar={calendar} onSave={save} />
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
          <UnitsPanel preferences={preferences} onSave={save} />
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
