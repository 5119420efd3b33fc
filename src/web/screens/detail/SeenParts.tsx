import { SimpleGrid, Table, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { counted, partBoxRecord, type Kit, type PartBox } from '../../../core/kit/index.ts';
import type { PlacedPart } from '../../../core/livery/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import type { SeenDetail } from '../../workers/seenDetail.ts';
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
export function SeenParts({ buildId, kit, seen: { shares, placed, outside, unknown } }: SeenPartsProps) {
  const { problem, put } = usePutRecord(buildId, 'part-box');
  const [opened, setOpened] = useState<string>();
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const boxes = new Map(placed.map((box) => [box.partId, box]));
  const rows = [...shares].sort((p, q) => p.share - q.share);
  const place = ({ guessed: _, ...box }: PlacedPart, part: Partial<PartBox>) => {
    const own = kit.partBoxes.find(({ partId }) => partId === box.partId);
    put(
      own?.id ?? `box-${box.partId}`,
      { ...box, ...part },
      `place of ${parts.get(box.partId)?.name.toLowerCase()}`,
    );
  };
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
          {rows.map(({ id, share, error }) => {
            const box = boxes.get(id)!;
            return (
              <Table.Tr key={id}>
                <Table.Td>
                  {labelled(parts.get(id)!)}
                  {opened === id && (
                    <SimpleGrid cols={3} spacing="xs" mt={6}>
                      {FIGURES.map(([key, label]) => (
                        <FigureInput
                          key={key}
                          label={label}
                          field={fields[key]}
                          value={Number(box[key].toFixed(2))}
                          onSave={(value) => place(box, { [key]: value })}
                        />
                      ))}
                    </SimpleGrid>
                  )}
                </Table.Td>
                <Table.Td className="num mono small">{shareText(share, box.guessed, error)}</Table.Td>
                <Table.Td>
                  <UnstyledButton
                    className="why"
                    aria-expanded={opened === id}
                    aria-label={`Place of ${parts.get(id)!.name}`}
                    onClick={() => setOpened(opened === id ? undefined : id)}
                  >
                    {box.guessed ? 'guessed' : 'as you said'}
                  </UnstyledButton>
                </Table.Td>
              </Table.Tr>
            );
          })}
        </Table.Tbody>
      </Table>
      <p className="soft small">
        {counted(outside.length, 'part')} on the outside {outside.length === 1 ? 'is' : 'are'} taken as seen.
        {unknown.length > 0 &&
          ` Of ${counted(unknown.length, 'part')} nothing is known: neither where ${unknown.length === 1 ? 'it belongs nor its' : 'they belong nor their'} size.`}{' '}
        Places that are guessed follow from what a part is; say where it is to be surer.
      </p>
    </section>
  );
}
