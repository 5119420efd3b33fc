import { Radio, Group, Table } from '@mantine/core';
import type { HandedOnPreview, SharedList, Standing } from '../../../../api/index.ts';
import { counted } from '../../../../core/kit/index.ts';
import { fullText } from '../../../components/time.ts';

const LISTS: Readonly<Record<SharedList, string>> = {
  codes: 'Codes',
  paints: 'Paints',
  lessons: 'Lessons',
  spares: 'Spares',
};
/** Fields whose name says less than a builder would. */
const FIELDS: Readonly<Record<string, string>> = {
  k: 'absorption',
  s: 'scattering',
  priceCents: 'price',
  volumeMl: 'volume',
  flakeUm: 'flake',
  dropMl: 'volume of a drop',
};
const fieldWords = (field: string): string =>
  FIELDS[field] ?? field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

/** Of what differs so much is named. */
const MOST_NAMED = 4;

interface WhatComesProps {
  preview: HandedOnPreview;
  standing: Partial<Record<SharedList, Standing>>;
  onStanding: (list: SharedList, whose: Standing) => void;
}

/** What a file would bring: new, the same, and in conflict with what is here. */
export function WhatComes({ preview, standing, onStanding }: WhatComesProps) {
  const { build, savedAt, comesInAs, isHere, counts, shared, notes } = preview;
  const saved = Date.parse(savedAt);
  return (
    <section aria-label="What it would bring" className="stacked g8">
      <p>
        <b>{build.name}</b>, 1:{build.scale}
        {Number.isNaN(saved) ? '' : `, saved ${fullText(saved / 60000)}`}: {counted(counts.parts, 'part')},{' '}
        {counted(counts.trays, 'sub-assembly', 'sub-assemblies')}, {counted(counts.steps, 'done step')},{' '}
        {counted(counts.cups, 'cup')}, {counted(counts.pictures, 'picture')}.
      </p>
      {isHere && (
        <p>
          It is on this bench already, or something of it is: it comes in beside that, as <b>{comesInAs}</b>.
        </p>
      )}
      {notes.map((note) => (
        <p key={note} className="small">
          {note}
        </p>
      ))}
      <Table className="plainlist" aria-label="Shared with the bench">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>what</Table.Th>
            <Table.Th>new</Table.Th>
            <Table.Th>the same</Table.Th>
            <Table.Th>differs</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {shared.map(({ list, fresh, same, differ }) => (
            <Table.Tr key={list}>
              <Table.Td>{LISTS[list]}</Table.Td>
              <Table.Td className="mono">{fresh}</Table.Td>
              <Table.Td className="mono">{same}</Table.Td>
              <Table.Td>
                {differ.length === 0 ? (
                  <span className="mono">0</span>
                ) : (
                  <>
                    <ul className="m0">
                      {differ.slice(0, MOST_NAMED).map(({ id, name, fields }) => (
                        <li key={id} className="small">
                          {name}: {fields.map(fieldWords).join(', ')}
                        </li>
                      ))}
                      {differ.length > MOST_NAMED && (
                        <li className="small">and {differ.length - MOST_NAMED} more</li>
                      )}
                    </ul>
                    <Radio.Group
                      aria-label={`${LISTS[list]} that differ`}
                      value={standing[list] ?? 'mine'}
                      onChange={(whose) => onStanding(list, whose)}
                    >
                      <Group gap="md" mt={6}>
                        <Radio value="mine" label="keep mine" size="xs" />
                        <Radio value="theirs" label="take theirs" size="xs" />
                      </Group>
                    </Radio.Group>
                  </>
                )}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </section>
  );
}
