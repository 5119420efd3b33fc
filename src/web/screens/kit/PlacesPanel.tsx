import { KIT_ITEMS } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { bare } from '../../../core/figures.ts';
import { Button, NumberInput, Select, Table, TextInput } from '@mantine/core';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import { useState } from 'react';
import { PLACE_KINDS, placeRecord, type MeasuredPlace } from '../../../core/kit/index.ts';
import { PLACE_MEASURES } from '../../components/PlaceFitList.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import type { KitViewProps } from './kitView.ts';
import { partOptions } from './partNames.ts';

const KIND_WORDS: Readonly<Record<MeasuredPlace['kind'], string>> = {
  hole: 'hole',
  slot: 'slot or hinge',
  line: 'panel line',
};

/** Holes, slots and panel lines as measured on the bare plastic. */
export function PlacesPanel({ build, kit }: Pick<KitViewProps, 'build' | 'kit'>) {
  const [problem, setProblem] = useState<string | null>(null);
  const put = (id: string, value: MeasuredPlace | null, label: string) =>
    changeKit(build.id, [{ kind: 'place', id, value }], label).then(() => setProblem(null));
  const nameOf = (id: string) => kit.parts.find((part) => part.id === id)?.name ?? 'a part that is gone';
  return (
    <div className="panel">
      {problem && <p role="alert">{problem}</p>}
      {kit.places.length === 0 ? (
        <p className="soft">
          Measure what film can close: mirror holes, shafts, hinges, and the depth of fine lines.
        </p>
      ) : (
        <Table className="plainlist">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Place</Table.Th>
              <Table.Th className="num">Bare, mm</Table.Th>
              <Table.Th className="num">Goes through, mm</Table.Th>
              <SpokenHead>Remove</SpokenHead>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {kit.places.map((place) => (
              <Table.Tr key={place.id}>
                <Table.Td>
                  {nameOf(place.partId)}: {place.name}
                </Table.Td>
                <Table.Td className="num mono" style={{ whiteSpace: 'nowrap' }}>
                  {bare(place.sizeMm, 'mm')} {PLACE_MEASURES[place.kind]}
                  {place.widthMm !== null && `, ${bare(place.widthMm, 'mm')} wide`}
                </Table.Td>
                <Table.Td className="num mono">
                  {place.throughMm === null ? '' : bare(place.throughMm, 'mm')}
                </Table.Td>
                <Table.Td>
                  <RemoveButton
                    name={`Take out ${place.name}`}
                    onRemove={() =>
                      void put(place.id, null, 'take out a place').catch((error: unknown) =>
                        setProblem((error as Error).message),
                      )
                    }
                  />
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      <NewPlace
        kit={kit}
        onAdd={(place) => {
          const id = newId(build.id);
          return put(id, { ...place, id }, 'measure a place');
        }}
      />
    </div>
  );
}

function NewPlace({
  kit,
  onAdd,
}: Pick<KitViewProps, 'kit'> & { onAdd: (place: Omit<MeasuredPlace, 'id'>) => Promise<void> }) {
  const parts = partOptions(kit);
  const { values, text, number, pick, problem, submit } = useRecordForm(placeRecord.fields, KIT_ITEMS.place, {
    start: { sizeMm: '' },
    asks: {
      partId: 'Say which part the place is on.',
      sizeMm: 'Give its size in millimetres, above zero.',
    },
    prepare: ({ name, kind, matingPartId, throughMm, widthMm, ...place }) => ({
      ...place,
      kind,
      name: name || KIND_WORDS[kind],
      matingPartId: kind === 'line' ? null : matingPartId,
      throughMm: kind === 'line' ? null : throughMm,
      widthMm: kind === 'line' ? widthMm : null,
    }),
  });
  const kind = values.kind ?? 'hole';
  const isLine = kind === 'line';
  const mm = { size: 'xs', w: 118, step: 0.05, decimalScale: 2 } as const;
  return (
    <form
      className="toolrow"
      style={{ marginTop: 10 }}
      onSubmit={submit(onAdd, ['name', 'sizeMm', 'widthMm', 'throughMm', 'matingPartId'])}
    >
      <Select
        size="xs"
        className="grow"
        searchable
        label="Part with the place"
        placeholder="which part"
        data={parts}
        {...pick('partId')}
      />
      <Select
        size="xs"
        w={118}
        label="What it is"
        data={PLACE_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
        {...pick('kind')}
      />
      <TextInput size="xs" className="grow" label="Called" placeholder="mirror hole" {...text('name')} />
      <NumberInput
        {...mm}
        label={isLine ? 'Deep, mm' : kind === 'slot' ? 'Opening, mm' : 'Diameter, mm'}
        {...number('sizeMm')}
      />
      {isLine ? (
        <NumberInput {...mm} label="Wide, mm" {...number('widthMm')} />
      ) : (
        <NumberInput {...mm} label="Goes through, mm" {...number('throughMm')} />
      )}
      {!isLine && (
        <Select
          size="xs"
          className="grow"
          searchable
          clearable
          label="Of which part"
          placeholder="bare wire or metal"
          data={parts}
          {...pick('matingPartId')}
        />
      )}
      <Button type="submit" style={{ alignSelf: 'end', padding: '3px 10px' }}>
        Write the place down
      </Button>
      {problem}
    </form>
  );
}
