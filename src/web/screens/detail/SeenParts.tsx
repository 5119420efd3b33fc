import { SimpleGrid, Table, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { counted, partBoxRecord, type Kit, type Part, type PartBox } from '../../../core/kit/index.ts';
import type { PlacedPart } from '../../../core/livery/index.ts';
import type { SeenDetail } from '../../../core/plan/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { labelled } from '../kit/partNames.ts';
import { shareText } from './shareText.ts';
import { usePutRecord } from './useDetailRecords.ts';

const { fields } = partBoxRecord;
const FIGURES = [
  ['behindMm', 'Behind the front, mm'],
  ['leftMm', 'To the left of the middle, mm'],
  ['upMm', 'Above the lowest, mm'],
  ['lengthMm', 'Long, mm'],
  ['widthMm', 'Wide, mm'],
  ['heightMm', 'High, mm'],
] as const;

interface SeenPartsProps {
  buildId: string;
  kit: Kit;
  seen: SeenDetail;
}

/** How much of every part inside is seen, least first, and where each is taken to be. */
export function SeenParts({ buildId, kit, seen }: SeenPartsProps) {
  const { shares, placed, inside, outside, unknown } = seen;
  const { problem, put } = usePutRecord(buildId, 'part-box');
  const [opened, setOpened] = useState<string>();
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const boxes = new Map(placed.map((box) => [box.partId, box]));
  const shareOf = new Map(shares.map((share) => [share.id, share]));
  const rows = [...inside, ...[...shares].sort((p, q) => p.share - q.share).map(({ id }) => id)].flatMap(
    (id) => parts.get(id) ?? [],
  );
  const own = (partId: string) => kit.partBoxes.find((box) => box.partId === partId)?.id;
  const called = ({ name }: Part) => `place of ${name.toLowerCase()}`;
  return (
    <section className="panel" aria-label="Parts inside">
      <h3>Parts inside, the most hidden first</h3>
      {problem && <p role="alert">{problem}</p>}
      <Table className="plainlist">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Part</Table.Th>
            <Table.Th className="num">Seen of it</Table.Th>
            <Table.Th>Its place</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map((part) => {
            const { guessed, ...box } = boxes.get(part.id)!;
            const share = shareOf.get(part.id);
            return (
              <PlacedRow
                key={part.id}
                part={part}
                box={boxes.get(part.id)!}
                seen={share ? shareText(share.share, guessed, share.error) : 'an eye stands in it'}
                isOpen={opened === part.id}
                onOpen={() => setOpened(opened === part.id ? undefined : part.id)}
                onPlace={(change) =>
                  put(own(part.id) ?? `box-${part.id}`, { ...box, ...change }, called(part))
                }
                onGuess={() => put(own(part.id)!, null, called(part))}
              />
            );
          })}
        </Table.Tbody>
      </Table>
      <p className="soft small">
        {counted(outside.length, 'part')} on the outside {outside.length === 1 ? 'is' : 'are'} taken as seen.
        {unknown.length > 0 &&
          ` Of ${counted(unknown.length, 'part')} the place or the size is not known, and nothing is claimed.`}{' '}
        Places that are guessed follow from what a part is; say where it is to be surer.
      </p>
    </section>
  );
}

interface PlacedRowProps {
  part: Part;
  box: PlacedPart;
  seen: string;
  isOpen: boolean;
  onOpen: () => void;
  onPlace: (change: Partial<PartBox>) => void;
  onGuess: () => void;
}

function PlacedRow({ part, box, seen, isOpen, onOpen, onPlace, onGuess }: PlacedRowProps) {
  return (
    <Table.Tr>
      <Table.Td>
        {labelled(part)}
        {isOpen && (
          <>
            <SimpleGrid cols={{ base: 2, sm: 3 }} spacing="xs" mt={6}>
              {FIGURES.map(([key, label]) => (
                <FigureInput
                  key={key}
                  label={label}
                  field={fields[key]}
                  value={Number(box[key].toFixed(2))}
                  onSave={(value) => onPlace({ [key]: value })}
                />
              ))}
            </SimpleGrid>
            {!box.guessed && (
              <UnstyledButton className="why" onClick={onGuess}>
                let it be guessed again
              </UnstyledButton>
            )}
          </>
        )}
      </Table.Td>
      <Table.Td className="num mono small">{seen}</Table.Td>
      <Table.Td>
        <UnstyledButton
          className="why"
          aria-expanded={isOpen}
          aria-label={`Place of ${part.name}: ${box.guessed ? 'guessed' : 'as you said'}`}
          onClick={onOpen}
        >
          {box.guessed ? 'guessed' : 'as you said'}
        </UnstyledButton>
      </Table.Td>
    </Table.Tr>
  );
}
