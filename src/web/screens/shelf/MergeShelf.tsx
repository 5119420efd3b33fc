import { Button, FileButton, NativeSelect, Table, Textarea } from '@mantine/core';
import { useMemo, useState } from 'react';
import { MOST_MERGED, type PaintRecord } from '../../../api/index.ts';
import { mergeShelf } from '../../data/bench.ts';
import {
  guessMapping,
  LONGEST_LIST,
  planMerge,
  readTable,
  SHELF_COLUMNS,
  type MergeLine,
  type ReadTable,
  type ShelfColumn,
  type ShelfMapping,
} from './shelfTable.ts';

const SHOWN = 200;
const NONE = '';
const KINDS: [MergeLine['kind'], string][] = [
  ['new', 'new'],
  ['changed', 'changed'],
  ['same', 'as it was'],
  ['problem', 'left out'],
];

/** Merges a table into the shelf: its columns are named, what would change is shown, then all of it is taken. */
export function MergeShelf({ paints, onDone }: { paints: readonly PaintRecord[]; onDone: () => void }) {
  const [text, setText] = useState('');
  const [table, setTable] = useState<ReadTable>();
  const [mapping, setMapping] = useState<ShelfMapping>({});
  const [problem, setProblem] = useState<string>();
  const [sending, setSending] = useState(false);
  const lines = useMemo(() => (table ? planMerge(table, mapping, paints) : []), [table, mapping, paints]);
  const count = (kind: MergeLine['kind']) => lines.filter((line) => line.kind === kind).length;
  const rows = lines.flatMap(({ row }) => row ?? []);
  const take = (list: string) => {
    setText(list);
    setProblem(undefined);
    try {
      const read = list.trim() === '' ? undefined : readTable(list);
      setTable(read);
      if (read) setMapping(guessMapping(read.heading));
    } catch (error) {
      setTable(undefined);
      setProblem((error as Error).message);
    }
  };
  const open = async (file: File | null) => {
    if (!file) return;
    if (file.size > LONGEST_LIST) {
      setProblem(`${file.name} is larger than 5 MB. Split it; nothing was changed.`);
      return;
    }
    take(await file.text());
  };
  const merge = async () => {
    setSending(true);
    try {
      await mergeShelf({ rows });
      onDone();
    } catch (error) {
      setProblem(`${(error as Error).message} Nothing was changed; the list is still here.`);
    } finally {
      setSending(false);
    }
  };
  return (
    <div className="panel stacked g12">
      <h3>Merge a table</h3>
      <p className="soft">
        A CSV or TSV with headings, such as the one that Fanfare writes. Paints that are known by code are
        brought up to date, others are added; empty cells leave things as they are, and nothing is taken off
        the shelf.
      </p>
      <div className="in-row g10">
        <FileButton onChange={(file) => void open(file)} accept=".csv,.tsv,.txt,text/csv,text/plain">
          {(props) => <Button {...props}>Choose a file</Button>}
        </FileButton>
        <Button onClick={onDone}>Back to the shelf</Button>
      </div>
      <Textarea
        label="Or paste the table"
        autosize
        minRows={3}
        maxRows={8}
        value={text}
        onChange={(event) => take(event.currentTarget.value)}
      />
      {problem && <p role="alert">{problem}</p>}
      {table && (
        <>
          <div
            style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', gap: 8 }}
          >
            {(Object.keys(SHELF_COLUMNS) as ShelfColumn[]).map((column) => (
              <NativeSelect
                key={column}
                size="xs"
                label={column}
                value={mapping[column] ?? NONE}
                data={[
                  { value: NONE, label: 'no column' },
                  ...table.heading.map((title, at) => ({
                    value: String(at),
                    label: title || `column ${at + 1}`,
                  })),
                ]}
                onChange={({ currentTarget: { value } }) => {
                  const { [column]: _, ...rest } = mapping;
                  setMapping(value === NONE ? rest : { ...rest, [column]: Number(value) });
                }}
              />
            ))}
          </div>
          <p role="status">{KINDS.map(([kind, name]) => `${count(kind)} ${name}`).join(', ')}</p>
          {rows.length > MOST_MERGED && (
            <p role="alert">
              {rows.length} paints are more than the {MOST_MERGED} that are merged in one stroke. Nothing was
              changed: split the table and merge one part after the other.
            </p>
          )}
          <div
            className="tableframe"
            style={{ height: 'auto', maxHeight: 320, minHeight: 0 }}
            tabIndex={0}
            role="region"
            aria-label="What the table would change"
          >
            <Table className="plainlist">
              <Table.Thead>
                <Table.Tr>
                  <Table.Th>Line</Table.Th>
                  <Table.Th>Paint</Table.Th>
                  <Table.Th>Is</Table.Th>
                  <Table.Th>What happens</Table.Th>
                </Table.Tr>
              </Table.Thead>
              <Table.Tbody>
                {[...lines]
                  .sort((p, q) => Number(q.kind === 'problem') - Number(p.kind === 'problem'))
                  .filter(({ kind }) => kind !== 'same')
                  .slice(0, SHOWN)
                  .map(({ line, name, kind, says }) => (
                    <Table.Tr key={line}>
                      <Table.Td className="mono">{line}</Table.Td>
                      <Table.Td>{name}</Table.Td>
                      <Table.Td>{KINDS.find(([one]) => one === kind)![1]}</Table.Td>
                      <Table.Td className="wraps">{says}</Table.Td>
                    </Table.Tr>
                  ))}
              </Table.Tbody>
            </Table>
          </div>
          <Button
            variant="action"
            className="unstretched self-start"
            disabled={rows.length === 0 || rows.length > MOST_MERGED || sending}
            onClick={() => void merge()}
          >
            {rows.length === 0
              ? 'Nothing to merge'
              : `Merge ${rows.length} ${rows.length === 1 ? 'paint' : 'paints'}`}
          </Button>
        </>
      )}
    </div>
  );
}
