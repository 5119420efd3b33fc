import { bare } from '../../../core/figures.ts';
import { Button, Checkbox, NumberInput } from '@mantine/core';
import { useState } from 'react';
import { cureFactor, dewPoint, STYRENE_LIMIT_C } from '../../../core/finish/index.ts';
import { celsiusOf, degreesOf } from '../../components/degrees.ts';
import { saveSettings, useBench } from '../../data/bench.ts';
import { readThermometer } from '../../data/thermometer.ts';

const USUAL_DRYER_C = 40;

/** The air at the bench and the dehydrator; every cure time follows them. */
export function AirPanel() {
  const { data } = useBench();
  const [reading, setReading] = useState(false);
  const [told, setTold] = useState('');
  if (!data) return null;
  const { settings } = data;
  const { conditions, preferences } = settings;
  const inF = preferences.temperature === 'F';
  const shown = (celsius: number) => degreesOf(celsius, preferences.temperature);
  const meant = (value: number) => celsiusOf(value, preferences.temperature);
  const save = (change: Partial<typeof conditions>) => {
    const next = { ...conditions, ...change };
    if (next.temperatureC < -10 || next.temperatureC > 50 || next.humidity < 0 || next.humidity > 100) return;
    if (next.dryerC !== undefined && (next.dryerC < 25 || next.dryerC > 80)) return;
    void saveSettings(settings, { ...settings, conditions: next }, 'air at the bench').catch(() => undefined);
  };
  const read = () => {
    setReading(true);
    setTold('');
    readThermometer()
      .then((air) => {
        save(air);
        setTold('Read just now.');
      })
      .catch((problem: unknown) => setTold(`${(problem as Error).message} The values above were kept.`))
      .finally(() => setReading(false));
  };
  const dew = dewPoint(conditions.temperatureC, conditions.humidity);
  const times = (family: 'lacquer' | 'water-acrylic') => bare(cureFactor(family, conditions), 'times', 2);
  return (
    <div className="panel">
      <h3>Air at the bench</h3>
      <div className="stacked two-columns g10">
        <NumberInput
          label={`Air, °${preferences.temperature}`}
          value={shown(conditions.temperatureC)}
          min={inF ? 14 : -10}
          max={inF ? 122 : 50}
          onChange={(value) => typeof value === 'number' && save({ temperatureC: meant(value) })}
        />
        <NumberInput
          label="Humidity, %"
          value={conditions.humidity}
          min={0}
          max={100}
          onChange={(value) => typeof value === 'number' && save({ humidity: value })}
        />
      </div>
      <Button style={{ marginTop: 8, width: '100%' }} disabled={reading} onClick={read}>
        {reading ? 'The thermometer settles…' : 'Read the thermometer'}
      </Button>
      {told && (
        <p role="status" className="small soft mt4">
          {told}
        </p>
      )}
      <div className="in-row g8 middle mt8 breaks">
        <Checkbox
          label="dries in a dehydrator"
          checked={conditions.dryerC !== undefined}
          onChange={({ currentTarget: { checked } }) => save({ dryerC: checked ? USUAL_DRYER_C : undefined })}
        />
        {conditions.dryerC !== undefined && (
          <NumberInput
            aria-label={`Dehydrator, °${preferences.temperature}`}
            size="xs"
            w={86}
            suffix={` °${preferences.temperature}`}
            value={shown(conditions.dryerC)}
            min={inF ? 77 : 25}
            max={inF ? 176 : 80}
            onChange={(value) => typeof value === 'number' && save({ dryerC: meant(value) })}
          />
        )}
      </div>
      <p className="small soft mt6">
        Dew point {shown(dew)} °{preferences.temperature}. Of their time at 20 °C, lacquers cure in{' '}
        <span className="mono">×{times('lacquer')}</span>, water acrylics in{' '}
        <span className="mono">×{times('water-acrylic')}</span>.
        {conditions.dryerC !== undefined &&
          conditions.dryerC > STYRENE_LIMIT_C &&
          ` Styrene warps above about ${shown(STYRENE_LIMIT_C)} °${preferences.temperature}.`}
      </p>
    </div>
  );
}
