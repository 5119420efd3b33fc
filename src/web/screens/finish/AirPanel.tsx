import { NumberInput } from '@mantine/core';
import { dewPoint } from '../../../core/finish/index.ts';
import { saveSettings, useBench } from '../../data/bench.ts';

const toF = (celsius: number) => (celsius * 9) / 5 + 32;
const toC = (fahrenheit: number) => ((fahrenheit - 32) * 5) / 9;

/** The air at the bench; every cure time follows it. */
export function AirPanel() {
  const { data } = useBench();
  if (!data) return null;
  const { settings } = data;
  const { conditions, preferences } = settings;
  const inF = preferences.temperature === 'F';
  const save = (change: Partial<typeof conditions>) => {
    const next = { ...conditions, ...change };
    if (next.temperatureC < -10 || next.temperatureC > 50 || next.humidity < 0 || next.humidity > 100) return;
    void saveSettings(settings, { ...settings, conditions: next }, 'air at the bench').catch(() => undefined);
  };
  const dew = dewPoint(conditions.temperatureC, conditions.humidity);
  return (
    <div className="panel">
      <h3>Air at the bench</h3>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 10 }}>
        <NumberInput
          label={`Air, °${preferences.temperature}`}
          value={Number((inF ? toF(conditions.temperatureC) : conditions.temperatureC).toFixed(1))}
          min={inF ? 14 : -10}
          max={inF ? 122 : 50}
          onChange={(value) =>
            typeof value === 'number' && save({ temperatureC: Number((inF ? toC(value) : value).toFixed(2)) })
          }
        />
        <NumberInput
          label="Humidity, %"
          value={conditions.humidity}
          min={0}
          max={100}
          onChange={(value) => typeof value === 'number' && save({ humidity: value })}
        />
      </div>
      <p className="small soft" style={{ marginTop: 6 }}>
        Dew point {(inF ? toF(dew) : dew).toFixed(1)} °{preferences.temperature}. Cures take{' '}
        <span className="mono">×{(2 ** ((20 - conditions.temperatureC) / 10)).toFixed(2)}</span> their time at
        20 °C.
      </p>
    </div>
  );
}
