import { numberLimits, textLimits } from '../../components/limits.ts';
import { bare } from '../../../core/figures.ts';
import { Button, NumberInput, Select, Table, TextInput } from '@mantine/core';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import { useState } from 'react';
import { type MeasuredPlace, placeRecord } from '../../../core/kit/index.ts';
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
  const save = (id: string, value: MeasuredPlace | null, label: string) =>
    changeKit(build.id, [{ kind: 'place', id, value }], label)
      .then(() => setProblem(null))
      .catch((error: unknown) => setProblem((error as Error).message));
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
                    onRemove={() => void save(place.id, null, 'take out a place')}
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
          void save(id, { ...place, id }, 'measure a place');
        }}
        onProblem={setProblem}
      />
    </div>
  );
}

function NewPlace({
  kit,
  onAdd,
  onProblem,
}: Pick<KitViewProps, 'kit'> & {
  onAdd: (place: Omit<MeasuredPlace, 'id'>) => void;
  onProblem: (problem: string | null) => void;
}) {
  const [partId, setPartId] = useState<string | null>(null);
  const [matingPartId, setMatingPartId] = useState<string | null>(null);
  const [kind, setKind] = useState<MeasuredPlace['kind']>('hole');
  const [name, setName] = useState('');
  const [size, setSize] = useState<number | string>('');
  const [other, setOther] = useState<number | string>('');
  const parts = partOptions(kit);
  const mm = (value: number | string) => (value === '' ? null : Number(value));
  const number = (label: string, value: number | string, change: (value: number | string) => void) => (
    <NumberInput
      size="xs"
      w={118}
      label={label}
      step={0.05}
      decimalScale={2}
      {...numberLimits(placeRecord.fields.sizeMm)}
      value={value}
      onChange={change}
    />
  );
  return (
    <form
      className="toolrow"
      style={{ marginTop: 10 }}
      onSubmit={(event) => {
        event.preventDefault();
        const sizeMm = mm(size);
        if (partId === null || !sizeMm) {
          onProblem(
            partId === null
              ? 'Say which part the place is on; what you typed is kept.'
              : 'Give its size in millimetres, above zero; what you typed is kept.',
          );
          return;
        }
        onAdd({
          partId,
          matingPartId: kind === 'line' ? null : matingPartId,
          name: name.trim() || KIND_WORDS[kind],
          kind,
          sizeMm,
          widthMm: kind === 'line' ? mm(other) : null,
          throughMm: kind === 'line' ? null : mm(other),
        });
        setName('');
        setSize('');
        setOther('');
        setMatingPartId(null);
      }}
    >
      <Select
        size="xs"
        className="grow"
        searchable
        label="Part with the place"
        placeholder="which part"
        data={parts}
        value={partId}
        onChange={setPartId}
      />
      <Select
        size="xs"
        w={118}
        label="What it is"
        data={(Object.keys(KIND_WORDS) as MeasuredPlace['kind'][]).map((value) => ({
          value,
          label: KIND_WORDS[value],
        }))}
        value={kind}
        onChange={(value) => value && setKind(value)}
      />
      <TextInput
        size="xs"
        className="grow"
        label="Called"
        placeholder="mirror hole"
        {...textLimits(placeRecord.fields.name)}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      {number(kind === 'line' ? 'Deep, mm' : kind === 'slot' ? 'Opening, mm' : 'Diameter, mm', size, setSize)}
      {number(kind === 'line' ? 'Wide, mm' : 'Goes through, mm', other, setOther)}
      {kind !== 'line' && (
        <Select
          size="xs"
          className="grow"
          searchable
          clearable
          label="Of which part"
          placeholder="bare wire or metal"
          data={parts}
          value={matingPartId}
          onChange={setMatingPartId}
        />
      )}
      <Button type="submit" style={{ alignSelf: 'end', padding: '3px 10px' }}>
        Write the place down
      </Button>
    </form>
  );
}
