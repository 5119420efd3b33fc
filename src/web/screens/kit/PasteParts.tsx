import { Button, NativeSelect, Textarea } from '@mantine/core';
import { useRef, useState } from 'react';
import { PART_COLUMNS, type ColumnMapping, type Kit, type PartColumn } from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import type { PastedParts } from '../../workers/readPartTable.ts';
import { changesFromRead } from './partChanges.ts';
import { kitWorker } from './useProposal.ts';

const MOST_BYTES = 2_000_000;
const SHOWN = 8;

/** Reads parts from a pasted or dropped table, shows what was read and what was not, and adds what is good. */
export function PasteParts({ buildId, kit, onDone }: { buildId: string; kit: Kit; onDone: () => void }) {
  const [text, setText] = useState('');
  const [reading, setReading] = useState<PastedParts | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const [mapping, setMapping] = useState<ColumnMapping>({});
  const read = async (what: string, told: ColumnMapping = mapping) => {
    setProblem(null);
    if (what.trim() === '') {
      setProblem('There is nothing in the box: paste a table, or a part a line like “A12 Door, left x2”.');
      return;
    }
    setBusy(true);
    const found = await kitWorker().readPastedParts(what, told);
    setBusy(false);
    setReading(found);
  };
  const take = async () => {
    if (!reading) return;
    const { changes, added, updated } = changesFromRead(kit, buildId, reading.parts);
    setBusy(true);
    try {
      await changeKit(buildId, changes, `${added + updated} parts from a table`);
      if (reading.problems.length === 0) {
        onDone();
        return;
      }
      setText(reading.problems.map(({ cells }) => cells.join('\t')).join('\n'));
      setReading(null);
      setProblem(
        `${added} parts added, ${updated} brought up to date. The ${reading.problems.length} lines that could not be read are still in the box.`,
      );
    } catch (error) {
      setProblem(`${(error as Error).message} What you pasted is still in the box.`);
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className="panel">
      <h3>Parts from a table</h3>
      <Textarea
        aria-label="Paste parts"
        description="A table with a heading (part, name, count, material, cm2, mm, needs, state…) from a spreadsheet, or a part a line: “A12 Door, left x2”."
        placeholder={'Part\tName\tCount\tMaterial\nA1\tBody shell\t1\tstyrene'}
        // Not sized to its text: ten thousand lines would be measured at every change.
        rows={8}
        value={text}
        onChange={(event) => {
          setText(event.currentTarget.value);
          setReading(null);
          setMapping({});
        }}
      />
      {problem && (
        <p role="alert" className="mt6">
          {problem}
        </p>
      )}
      {reading && (
        <div className="mt8" role="status">
          <p>
            <b>{reading.parts.length} parts read</b> {reading.how}
            {reading.problems.length > 0 ? `, ${reading.problems.length} lines not:` : '.'}
          </p>
          {reading.problems.slice(0, SHOWN).map(({ line, column, problem: wrong }) => (
            <p key={line} className="small">
              Line {line}
              {column && `, ${column}`}: {wrong}.
            </p>
          ))}
          {reading.problems.length > SHOWN && (
            <p className="small soft">and {reading.problems.length - SHOWN} more lines.</p>
          )}
        </div>
      )}
      {reading && (
        <ColumnsTold
          columns={reading.columns.filter(
            ({ heading, column }) => column === null || Object.hasOwn(mapping, heading),
          )}
          onTell={(heading, column) => {
            const told = { ...mapping, [heading]: column };
            setMapping(told);
            void read(text, told);
          }}
        />
      )}
      <div className="toolrow mt10">
        {reading && reading.parts.length > 0 ? (
          <Button variant="action" className="unstretched" disabled={busy} onClick={() => void take()}>
            {reading.problems.length > 0
              ? `Keep the ${reading.parts.length} good lines`
              : `Add the ${reading.parts.length} parts`}
          </Button>
        ) : (
          <Button disabled={busy} onClick={() => void read(text)}>
            {busy ? 'Reading…' : 'Read it'}
          </Button>
        )}
        <Button onClick={() => file.current?.click()}>Open a CSV file</Button>
        <Button onClick={onDone}>Close</Button>
        <input
          ref={file}
          type="file"
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          aria-label="CSV file of parts"
          hidden
          onChange={(event) => {
            const chosen = event.currentTarget.files?.[0];
            if (!chosen) return;
            if (chosen.size > MOST_BYTES) {
              setProblem(`“${chosen.name}” is larger than 2 MB, which is no part list. Nothing was read.`);
              return;
            }
            void chosen.text().then((content) => {
              setText(content);
              return read(content);
            });
          }}
        />
      </div>
    </div>
  );
}

interface ColumnsToldProps {
  columns: PastedParts['columns'];
  onTell: (heading: string, column: PartColumn | null) => void;
}

/** Columns whose heading says nothing to us, for the builder to say what they hold. */
function ColumnsTold({ columns, onTell }: ColumnsToldProps) {
  if (columns.length === 0) return null;
  return (
    <div className="fieldrow">
      {columns.map(({ heading, column }) => (
        <NativeSelect
          key={heading}
          size="xs"
          label={`“${heading}” holds`}
          data={[
            { value: '', label: 'nothing that is wanted' },
            ...PART_COLUMNS.map((value) => ({ value, label: COLUMN_WORDS[value] })),
          ]}
          value={column ?? ''}
          onChange={({ currentTarget: { value } }) =>
            onTell(heading, value === '' ? null : (value as PartColumn))
          }
        />
      ))}
    </div>
  );
}

const COLUMN_WORDS: Readonly<Record<PartColumn, string>> = {
  frame: 'the frame letter',
  number: 'the number on the frame',
  label: 'frame and number, like A12',
  name: 'the name',
  count: 'the count',
  material: 'the material',
  colour: 'the moulded colour',
  finish: 'the finish',
  plated: 'whether it is plated',
  areaCm2: 'the area, cm²',
  lengthMm: 'the length, mm',
  needs: 'what it needs',
  state: 'its state',
  note: 'a note',
};
