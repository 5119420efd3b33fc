import { Select, TextInput } from '@mantine/core';
import { useDeferredValue, useMemo, useState } from 'react';
import type { PaintRecord } from '../../../api/index.ts';
import { FAMILIES } from '../../../core/finish/index.ts';
import { spectrumToDisplay } from '../../../core/colour/index.ts';
import { opaqueSpectrum } from '../../../core/paint/index.ts';
import { Loading } from '../../components/Loading.tsx';
import { setShelfLevel, usePaints } from '../../data/bench.ts';
import { AddPaints } from './AddPaints.tsx';
import { ReadPaint } from './ReadPaint.tsx';

const SHOWN = 120;

/** The catalogue, and what of it stands on the shelf. */
export function ShelfScreen() {
  const { data: paints, error } = usePaints();
  const [text, setText] = useState('');
  const [range, setRange] = useState('all');
  const [owned, setOwned] = useState(true);
  const [adding, setAdding] = useState(false);
  const [readId, setReadId] = useState<string>();
  const query = useDeferredValue(text.toLowerCase());
  const found = useMemo(() => {
    const words = query.split(/\s+/).filter(Boolean);
    return (paints ?? []).filter(
      (paint) =>
        (!owned || paint.levelMl !== null) &&
        (range === 'all' || paint.range === range) &&
        words.every((word) =>
          `${paint.id} ${paint.range} ${paint.name} ${FAMILIES[paint.family].name} ${paint.sheen} ${paint.container} ${paint.role}`
            .toLowerCase()
            .includes(word),
        ),
    );
  }, [paints, owned, range, query]);
  if (!paints) return <Loading what="the paints" error={error} />;
  const reading = paints.find(({ id }) => id === readId);
  const ranges = [...new Set(paints.map((paint) => paint.range))];
  const count = paints.filter(({ levelMl }) => levelMl !== null).length;
  if (paints.length === 0 || adding) {
    return (
      <div style={{ maxWidth: 860, margin: '0 auto' }}>
        <h2 style={{ fontSize: 26 }}>{paints.length === 0 ? 'An empty shelf' : 'Add paints'}</h2>
        <p className="soft" style={{ margin: '6px 0 14px' }}>
          Fanfare finds matches and recipes among your paints. Type one, or paste a list from a spreadsheet; a
          colour is enough to begin, readings make it surer later.
        </p>
        <AddPaints
          onSend={() => setAdding(true)}
          onDone={() => setAdding(false)}
          first={paints.length === 0}
        />
      </div>
    );
  }
  return (
    <div style={{ maxWidth: 1160, margin: '0 auto' }}>
      {reading && <ReadPaint paint={reading} onClose={() => setReadId(undefined)} />}
      <div style={{ display: 'flex', gap: 12, alignItems: 'end', marginBottom: 12, flexWrap: 'wrap' }}>
        <h2 style={{ fontSize: 26 }}>Shelf</h2>
        <div className="chips" role="group" aria-label="Which paints">
          <button type="button" className="chip" aria-pressed={owned} onClick={() => setOwned(true)}>
            on the shelf, {count}
          </button>
          <button type="button" className="chip" aria-pressed={!owned} onClick={() => setOwned(false)}>
            everything, {paints.length}
          </button>
        </div>
        <TextInput
          aria-label="Filter paints"
          placeholder="name, code, chemistry, sheen…"
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
          style={{ flex: 1, minWidth: 200 }}
        />
        <Select
          aria-label="Range"
          data={[{ value: 'all', label: 'all ranges' }, ...ranges]}
          value={range}
          onChange={(value) => setRange(value ?? 'all')}
          w={160}
        />
        <button type="button" className="quiet" onClick={() => setAdding(true)}>
          Add paints
        </button>
      </div>
      <div className="panel">
        <table className="plainlist">
          <thead>
            <tr>
              <th>Colour</th>
              <th>Code</th>
              <th>Name</th>
              <th>Range</th>
              <th>Chemistry</th>
              <th>Sheen</th>
              <th>Hides</th>
              <th className="num">Price</th>
              <th className="num">Left, ml</th>
              <th>On the shelf</th>
              <th className="num">Known to, dE</th>
            </tr>
          </thead>
          <tbody>
            {found.slice(0, SHOWN).map((paint) => (
              <PaintRow key={paint.id} paint={paint} onRead={() => setReadId(paint.id)} />
            ))}
          </tbody>
        </table>
        {found.length === 0 && (
          <p style={{ padding: 14 }}>
            {owned
              ? 'No paint on the shelf answers to that. Look in everything, or add it.'
              : 'No paint answers to that.'}
          </p>
        )}
        {found.length > SHOWN && (
          <p className="soft small" style={{ marginTop: 8 }}>
            The first {SHOWN} of {found.length}; type a few letters to narrow it.
          </p>
        )}
      </div>
    </div>
  );
}

function PaintRow({ paint, onRead }: { paint: PaintRecord; onRead: () => void }) {
  const hex = useMemo(() => spectrumToDisplay(opaqueSpectrum(paint)).hex, [paint]);
  const level = paint.levelMl;
  const put = (next: number | null) => void setShelfLevel(paint, next).catch(() => undefined);
  return (
    <tr>
      <td>
        <span
          className="dot"
          style={{
            background: paint.role === 'clear' ? 'transparent' : hex,
            display: 'inline-block',
            verticalAlign: 'middle',
          }}
          aria-hidden
        />
      </td>
      <td className="mono">{paint.id}</td>
      <td>
        {paint.name}
        {paint.flakeUm !== null && <span className="soft small"> flake {paint.flakeUm} µm</span>}
      </td>
      <td>{paint.range}</td>
      <td>
        {FAMILIES[paint.family].name}, {paint.container}
      </td>
      <td>{paint.sheen}</td>
      <td>{paint.hiding}</td>
      <td className="num mono">€{(paint.priceCents / 100).toFixed(2)}</td>
      <td className="num">
        {level === null ? (
          <span className="soft mono">{paint.volumeMl}</span>
        ) : (
          <input
            className="mono"
            aria-label={`Left of ${paint.name}, ml`}
            defaultValue={level}
            key={level}
            inputMode="decimal"
            style={{
              width: 60,
              textAlign: 'right',
              background: 'none',
              border: '1px solid var(--line-strong)',
              borderRadius: 3,
              color: 'inherit',
              padding: '1px 4px',
            }}
            onBlur={(event) => {
              const value = Number(event.currentTarget.value);
              if (event.currentTarget.value.trim() !== '' && value >= 0 && value <= 5000 && value !== level)
                put(value);
              else event.currentTarget.value = String(level);
            }}
          />
        )}
      </td>
      <td>
        <input
          type="checkbox"
          aria-label={`${paint.name} is on the shelf`}
          checked={level !== null}
          onChange={(event) => put(event.currentTarget.checked ? paint.volumeMl : null)}
        />
      </td>
      <td className="num">
        <button type="button" className="why" aria-label={`Read ${paint.id} ${paint.name}`} onClick={onRead}>
          <span className="mono">±{paint.uncertainty.toFixed(1)}</span>
        </button>
      </td>
    </tr>
  );
}
