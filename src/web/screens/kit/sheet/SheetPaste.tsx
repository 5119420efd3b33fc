import { Button, Textarea } from '@mantine/core';
import { useState } from 'react';
import { counted, readSheet, type Part, type SheetDraft } from '../../../../core/kit/index.ts';
import { ReadStep } from './SheetEntry.tsx';

const MOST_LETTERS = 40_000;

interface SheetPasteProps {
  parts: readonly Part[];
  last: number;
  onTake: (steps: SheetDraft[]) => void;
}

/** A sheet pasted a step a line: what is understood is taken, what is not stays in the box to be mended. */
export function SheetPaste({ parts, last, onTake }: SheetPasteProps) {
  const [text, setText] = useState('');
  const read = readSheet(text, parts, last);
  const ready = read.filter(({ reading }) => reading.problem === null);
  const rest = read.filter(({ reading }) => reading.problem !== null);
  const doubtful = ready.filter(({ reading }) => reading.kept.length + reading.step.absent.length > 0);
  return (
    <div className="panel" role="group" aria-label="Paste the sheet">
      <Textarea
        label="Many steps, a line each"
        rows={6}
        maxLength={MOST_LETTERS}
        value={text}
        onChange={({ currentTarget: { value } }) => setText(value)}
      />
      {[...doubtful, ...rest].slice(0, 6).map(({ line, reading }, at) => (
        <div key={`${at} ${line}`} className="finding mt8">
          <b className="mono">{line}</b>
          <ReadStep reading={reading} parts={parts} />
        </div>
      ))}
      <Button
        mt={8}
        disabled={ready.length === 0}
        onClick={() => {
          onTake(ready.map(({ reading }) => reading.step));
          setText(rest.map(({ line }) => line).join('\n'));
        }}
      >
        {ready.length === 0 ? 'Nothing to take yet' : `Take ${counted(ready.length, 'step')}`}
        {rest.length > 0 && `, leave ${rest.length} to be mended`}
      </Button>
    </div>
  );
}
