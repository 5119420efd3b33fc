import { figure } from '../../core/figures.ts';
import { Button, NumberInput, UnstyledButton } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { ReadingInput } from '../../api/index.ts';
import type { Underlay } from '../../core/paint/index.ts';
import { Why } from './Why.tsx';
import { calibrateReader, connectReader, disconnectReader, useReader } from '../data/cups.ts';

interface ReaderPanelProps {
  /** What lies under the reader, in a builder's words. */
  subject: string;
  /** Dry film of one coat, µm; undefined where the subject was not sprayed by the builder. */
  coatUm?: number;
  onRead: (reading: ReadingInput) => Promise<void>;
}

const UNDERLAYS: { value: Underlay; name: string }[] = [
  { value: 'grey', name: 'grey primer' },
  { value: 'white', name: 'white card' },
  { value: 'black', name: 'black card' },
];
const STATES = {
  away: 'not connected',
  warming: 'warming its lamp',
  uncalibrated: 'wants its white tile',
  ready: 'ready',
} as const;

/** The handheld reader, one step at a time: connect, calibrate, read three times. */
export function ReaderPanel({ subject, coatUm, onRead }: ReaderPanelProps) {
  const { data: reader, error, mutate } = useReader();
  const [coats, setCoats] = useState(4);
  const [over, setOver] = useState<Underlay>('grey');
  const [busy, setBusy] = useState(false);
  const [refusal, setRefusal] = useState('');
  const warming = reader?.state === 'warming';
  useEffect(() => {
    if (!warming) return;
    const timer = setInterval(() => void mutate(), 1000);
    return () => clearInterval(timer);
  }, [warming, mutate]);
  if (error) return <div className="panel warned">The reader does not answer: {error.message}</div>;
  if (!reader) return <div className="panel">Looking for a reader…</div>;

  const run = (act: () => Promise<void>) => {
    setBusy(true);
    setRefusal('');
    act()
      .catch((problem: unknown) => {
        setRefusal((problem as Error).message);
        void mutate();
      })
      .finally(() => setBusy(false));
  };
  const next =
    reader.state === 'away'
      ? { name: 'Connect the reader', act: connectReader }
      : reader.state === 'uncalibrated'
        ? { name: 'Calibrate on its tile', act: calibrateReader }
        : reader.state === 'ready'
          ? {
              name: `Read ${subject}`,
              act: () => onRead({ filmUm: coats * (coatUm ?? 0), over, note: '' }),
            }
          : undefined;
  return (
    <div className="panel">
      <h3>Reader</h3>
      <dl className="rows small">
        <dt>{reader.name}</dt>
        <dd>{STATES[reader.state]}</dd>
        <dt>Geometry, opening</dt>
        <dd className="mono">
          {reader.geometry}, {reader.apertureMm} mm
        </dd>
        {reader.state === 'ready' && (
          <>
            <dt>
              Drift since its tile{' '}
              <Why about="drift of the reader">
                The lamp of a reader ages and warms: what it would say of its own white tile now against what
                it said when calibrated. After an hour it asks for the tile again.
              </Why>
            </dt>
            <dd className="mono">{figure(reader.drift, 'dE', 2)}</dd>
          </>
        )}
      </dl>
      {reader.state === 'ready' && coatUm !== undefined && (
        <>
          <NumberInput
            label="Coats on the spoon"
            description={`about ${figure(coatUm, 'µm')} dry film each`}
            min={1}
            max={20}
            allowDecimal={false}
            value={coats}
            onChange={(value) => setCoats(Math.min(20, Math.max(1, Number(value) || 1)))}
            mt={8}
          />
          <div className="chips mt8" role="group" aria-label="What is under the paint">
            {UNDERLAYS.map(({ value, name }) => (
              <UnstyledButton
                key={value}
                className="chip"
                aria-pressed={over === value}
                onClick={() => setOver(value)}
              >
                over {name}
              </UnstyledButton>
            ))}
          </div>
        </>
      )}
      {refusal && <p role="alert">{refusal}</p>}
      <div className="in-row g10 middle mt10 breaks">
        <Button variant="action" disabled={busy || !next} onClick={() => next && run(next.act)}>
          {next ? next.name : 'Warming up…'}
        </Button>
        {reader.state !== 'away' && (
          <UnstyledButton className="why" disabled={busy} onClick={() => run(disconnectReader)}>
            put it away
          </UnstyledButton>
        )}
      </div>
      {reader.simulated && (
        <p className="soft small mt8">
          A stand-in: it reads{' '}
          {coatUm === undefined
            ? 'a chip that was sprayed and faded in its own way.'
            : 'what this mixture would really be if every bottle differed a little from its chart.'}
        </p>
      )}
    </div>
  );
}
