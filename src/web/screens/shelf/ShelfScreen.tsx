import { Button, Select, TextInput, UnstyledButton } from '@mantine/core';
import Papa from 'papaparse';
import { useDeferredValue, useMemo, useState } from 'react';
import { FAMILIES } from '../../../core/finish/index.ts';
import { Loading } from '../../components/Loading.tsx';
import { usePaints } from '../../data/bench.ts';
import { MergeShelf } from './MergeShelf.tsx';
import { PaintPanel } from './PaintPanel.tsx';
import { shelfRows } from './shelfTable.ts';
import { saveFile } from '../../data/saveFile.ts';
import { AddPaints } from './AddPaints.tsx';
import { PaintTable, type PaintSort } from './PaintTable.tsx';
import { LevelsFollow } from './LevelsFollow.tsx';
import { ReadPaint } from './ReadPaint.tsx';
import { useLevels } from './useLevels.ts';

/** The catalogue, and what of it stands on the shelf. */
export function ShelfScreen() {
  const { data: paints, error } = usePaints();
  const [text, setText] = useState('');
  const [range, setRange] = useState('all');
  const [owned, setOwned] = useState(true);
  const [adding, setAdding] = useState(false);
  const [merging, setMerging] = useState(false);
  const [openId, setOpenId] = useState<string>();
  const [readId, setReadId] = useState<string>();
  const [sort, setSort] = useState<PaintSort>();
  const levels = useLevels(paints);
  const query = useDeferredValue(text.toLowerCase());
  const found = useMemo(() => {
    const words = query.split(/\s+/).filter(Boolean);
    const answers = (paints ?? []).filter(
      (paint) =>
        (!owned || paint.levelMl !== null) &&
        (range === 'all' || paint.range === range) &&
        words.every((word) =>
          `${paint.id} ${paint.range} ${paint.name} ${FAMILIES[paint.family].name} ${paint.sheen} ${paint.container} ${paint.role}`
            .toLowerCase()
            .includes(word),
        ),
    );
    if (!sort) return answers;
    const way = sort.down ? -1 : 1;
    return answers.sort((p, q) => {
      const [one, other] = [p[sort.key] ?? -1, q[sort.key] ?? -1];
      return way * (typeof one === 'string' ? one.localeCompare(String(other)) : one - Number(other));
    });
  }, [paints, owned, range, query, sort]);
  if (!paints) return <Loading what="the paints" error={error} />;
  const opened = paints.find(({ id }) => id === openId);
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
  if (merging) {
    return (
      <div style={{ maxWidth: 860, margin: '0 auto' }}>
        <MergeShelf paints={paints} onDone={() => setMerging(false)} />
      </div>
    );
  }
  return (
    <div style={{ maxWidth: 1240, margin: '0 auto' }}>
      {reading && <ReadPaint paint={reading} onClose={() => setReadId(undefined)} />}
      <div style={{ display: 'flex', gap: 12, alignItems: 'end', marginBottom: 12, flexWrap: 'wrap' }}>
        <h2 style={{ fontSize: 26 }}>Shelf</h2>
        <div className="chips" role="group" aria-label="Which paints">
          <UnstyledButton className="chip" aria-pressed={owned} onClick={() => setOwned(true)}>
            on the shelf, {count}
          </UnstyledButton>
          <UnstyledButton className="chip" aria-pressed={!owned} onClick={() => setOwned(false)}>
            everything, {paints.length}
          </UnstyledButton>
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
        <Button onClick={() => setAdding(true)}>Add paints</Button>
        <Button onClick={() => setMerging(true)}>Merge a table</Button>
        <Button
          disabled={found.length === 0}
          onClick={() => saveFile('shelf.csv', Papa.unparse(shelfRows(found)))}
        >
          Write CSV
        </Button>
      </div>
      <LevelsFollow paints={paints} levels={levels} />
      <div className={opened ? 'shelfdesk open' : 'shelfdesk'}>
        <div className="panel shrinks scrolls-x">
          <PaintTable
            paints={found}
            sort={sort}
            onSort={setSort}
            onRead={setReadId}
            opened={openId}
            onOpen={setOpenId}
            narrow={opened !== undefined}
          />
          {found.length === 0 && (
            <p style={{ padding: 14 }}>
              {owned
                ? 'No paint on the shelf answers to that. Look in everything, or add it.'
                : 'No paint answers to that.'}
            </p>
          )}
          <p className="soft small mt8" role="status">
            {found.length} {found.length === 1 ? 'paint' : 'paints'}
          </p>
        </div>
        {opened && (
          <PaintPanel
            paint={opened}
            paints={paints}
            level={levels.get(opened.id)}
            onRead={() => setReadId(opened.id)}
            onOpen={setOpenId}
            onClose={() => setOpenId(undefined)}
          />
        )}
      </div>
    </div>
  );
}
