import { Table, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import {
  inSheetOrder,
  lastNumber,
  sheetLine,
  type SheetDraft,
  type SheetStep,
} from '../../../../core/kit/index.ts';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { SpokenHead } from '../../../components/SpokenHead.tsx';
import { changeKit } from '../../../data/kit.ts';
import { newId } from '../../../data/newId.ts';
import type { KitViewProps } from '../kitView.ts';
import { SheetEntry } from './SheetEntry.tsx';
import { SheetFollows } from './SheetFollows.tsx';
import { SheetPaste } from './SheetPaste.tsx';

/** The instruction sheet, recorded step by step, and what follows from it. */
export function SheetView({ build, kit }: KitViewProps) {
  const [editing, setEditing] = useState<string | null>(null);
  const [isPasting, setPasting] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const steps = inSheetOrder(kit.sheetSteps);
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const change = (changes: Parameters<typeof changeKit>[1], label: string) =>
    void changeKit(build.id, changes, label)
      .then(() => setProblem(null))
      .catch((error: unknown) => setProblem((error as Error).message));
  const edited = steps.find(({ id }) => id === editing);
  const take = (drafts: SheetDraft[]) => {
    // A number that is there already is read again, not twice.
    const known = new Map(steps.map((step) => [step.number, step]));
    const byNumber = new Map(drafts.map((draft) => [draft.number, draft]));
    const changes = [...byNumber].map(([number, draft]) => {
      const id = (drafts.length === 1 ? edited : undefined)?.id ?? known.get(number)?.id ?? newId(build.id);
      return { kind: 'sheet-step' as const, id, value: { id, ...draft } };
    });
    const kept = new Set(changes.map(({ id }) => id));
    // A step that takes the number of another takes its place.
    const replaced = steps.filter(({ id, number }) => byNumber.has(number) && !kept.has(id));
    change(
      [...changes, ...replaced.map(({ id }) => ({ kind: 'sheet-step' as const, id, value: null }))],
      drafts.length === 1 ? `step ${drafts[0]!.number} of the sheet` : `${drafts.length} steps of the sheet`,
    );
    setEditing(null);
  };
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>The sheet, step by step</h2>
        {problem && <p role="alert">{problem}</p>}
        <SheetEntry
          key={editing}
          parts={kit.parts}
          last={lastNumber(steps)}
          numbers={new Set(steps.filter((step) => step !== edited).map(({ number }) => number))}
          line={edited ? sheetLine(edited, parts) : ''}
          onTake={(step) => take([step])}
        />
        <UnstyledButton className="why" aria-expanded={isPasting} onClick={() => setPasting(!isPasting)}>
          {isPasting ? 'one at a time' : 'paste many lines'}
        </UnstyledButton>
        {isPasting && <SheetPaste parts={kit.parts} last={lastNumber(steps)} onTake={take} />}
        {steps.length > 0 && (
          <div className="panel">
            <Table className="plainlist">
              <Table.Thead>
                <Table.Tr>
                  <Table.Th>Step</Table.Th>
                  <Table.Th>What it does</Table.Th>
                  <SpokenHead>Remove</SpokenHead>
                </Table.Tr>
              </Table.Thead>
              <Table.Tbody>
                {steps.map((step) => (
                  <Table.Tr key={step.id} aria-current={step.id === editing || undefined}>
                    <Table.Td className="mono">{step.number}</Table.Td>
                    <Table.Td>
                      <UnstyledButton
                        className="sheetstep"
                        aria-label={`Change step ${step.number}`}
                        onClick={() => setEditing(step.id)}
                      >
                        {inWords(step, (id) => parts.get(id)?.name)}
                      </UnstyledButton>
                    </Table.Td>
                    <Table.Td>
                      <RemoveButton
                        name={`Remove step ${step.number}`}
                        onRemove={() =>
                          change(
                            [{ kind: 'sheet-step', id: step.id, value: null }],
                            `step ${step.number} of the sheet removed`,
                          )
                        }
                      />
                    </Table.Td>
                  </Table.Tr>
                ))}
              </Table.Tbody>
            </Table>
          </div>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <SheetFollows build={build} kit={kit} />
      </section>
    </>
  );
}

/** "Carburettor, air cleaner onto block; drill F2 hole". */
function inWords(step: SheetStep, nameOf: (id: string) => string | undefined): string {
  const names = (ids: readonly string[]) => ids.flatMap((id) => nameOf(id) ?? []);
  return [
    ...step.placements.map(({ partIds, ontoIds }) => {
      const [put, onto] = [names(partIds).join(', '), names(ontoIds).join(', ')];
      return onto === '' || put === '' ? put : `${put} onto ${onto}`;
    }),
    ...step.absent.map((code) => `${code} (not in the box)`),
    step.drill && `drill ${step.drill}`,
    step.cut && `cut ${step.cut}`,
    step.colour && `paint ${step.colour}`,
    step.marking && `mark ${step.marking}`,
    step.note,
  ]
    .filter((each) => each !== '')
    .join('; ');
}
