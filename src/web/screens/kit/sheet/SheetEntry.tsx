import { Button, TextInput } from '@mantine/core';
import { IconAlertTriangle } from '@tabler/icons-react';
import { useState } from 'react';
import { readSheetLine, type Part, type SheetDraft, type SheetReading } from '../../../../core/kit/index.ts';
import { labelled } from '../partNames.ts';

const MOST_LETTERS = 600;

interface SheetEntryProps {
  parts: readonly Part[];
  /** Number of the highest step so far. */
  last: number;
  /** Numbers of the steps that are there. */
  numbers: ReadonlySet<string>;
  /** The line to begin with: a step that is changed. */
  line?: string;
  onTake: (step: SheetDraft) => void;
}

/** A step typed as it is read aloud, with what is understood of it beside it while it is typed. */
export function SheetEntry({ parts, last, numbers, line: first = '', onTake }: SheetEntryProps) {
  const [line, setLine] = useState(first);
  const isEmpty = line.trim() === '';
  const reading = readSheetLine(line, parts, last);
  const isReady = !isEmpty && reading.problem === null;
  const replaces = isReady && numbers.has(reading.step.number);
  return (
    <form
      className="panel"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isReady) return;
        onTake(reading.step);
        setLine('');
      }}
    >
      <TextInput
        autoFocus
        label="A step, as you read it aloud"
        placeholder={`${last + 1}: C5 C6 > C1, drill F2 hole, paint X11`}
        maxLength={MOST_LETTERS}
        value={line}
        onChange={({ currentTarget: { value } }) => setLine(value)}
      />
      <div role="status" className="sheetread">
        {isEmpty ? (
          <p className="soft small">
            Number, parts put on, “&gt;” and what they go onto; then what to drill, cut, paint or mark. A line
            without a number is step {last + 1}.
          </p>
        ) : (
          <ReadStep reading={reading} parts={parts} />
        )}
      </div>
      <Button type="submit" variant="action" disabled={!isReady}>
        {replaces ? `Put in place of step ${reading.step.number}` : `Add step ${reading.step.number}`}
      </Button>
    </form>
  );
}

/** What was read, each part by its name. */
export function ReadStep({ reading, parts }: { reading: SheetReading; parts: readonly Part[] }) {
  const { step, kept, problem } = reading;
  const byId = new Map(parts.map((part) => [part.id, part]));
  const names = (ids: readonly string[]) => ids.map((id) => labelled(byId.get(id)!)).join(', ');
  if (problem !== null) return <p className="small">{problem}</p>;
  const said = [
    ...step.placements.flatMap(({ partIds, ontoIds }) => [
      [
        'put on',
        names(partIds) || (step.absent.length > 0 ? `${step.absent.join(', ')}, not in the box` : ''),
      ],
      ['onto', names(ontoIds)],
    ]),
    ['drill', step.drill],
    ['cut', step.cut],
    ['colour', step.colour],
    ['marking', step.marking],
    ['note', step.note],
  ].filter(([, what]) => what !== '');
  return (
    <>
      <dl className="rows small">
        <dt>step</dt>
        <dd className="mono">{step.number}</dd>
        {said.map(([name, what], at) => (
          <div key={`${name} ${at}`} className="contents">
            <dt>{name}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      {step.absent.length > 0 && (
        <p className="small">
          <IconAlertTriangle size={14} aria-hidden /> Not in the box: {step.absent.join(', ')}. It is kept
          with the step.
        </p>
      )}
      {kept.length > 0 && <p className="small">Not understood, kept as a note: “{kept.join('”, “')}”.</p>}
    </>
  );
}
