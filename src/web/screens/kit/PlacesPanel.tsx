import { KIT_ITEMS } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { bare } from '../../../core/figures.ts';
import { Button, NumberInput, Select, TextInput } from '@mantine/core';
import { PLACE_KINDS, placeRecord, type MeasuredPlace } from '../../../core/kit/index.ts';
import { PLACE_MEASURES } from '../../components/PlaceFitList.tsx';
import type { KitViewProps } from './kitView.ts';
import { partOptions } from './partNames.ts';
import { useWritten, WrittenRows } from './WrittenRows.tsx';

const KIND_WORDS: Readonly<Record<MeasuredPlace['kind'], string>> = {
  hole: 'hole',
  slot: 'slot or hinge',
  line: 'panel line',
};

/** Holes, slots and panel lines as measured on the bare plastic. */
export function PlacesPanel({ build, kit }: Pick<KitViewProps, 'build' | 'kit'>) {
  const { problem, add, remove } = useWritten(build.id, 'place', 'a place');
  const nameOf = (id: string) => kit.parts.find((part) => part.id === id)?.name ?? 'a part that is gone';
  return (
    <div className="panel">
      {problem}
      {kit.places.length === 0 ? (
        <p className="soft">
          Measure what film can close: mirror holes, shafts, hinges, and the depth of fine lines.
        </p>
      ) : (
        <WrittenRows
          heads={[
            { name: 'Place' },
            { name: 'Bare, mm', num: true },
            { name: 'Goes through, mm', num: true },
          ]}
          rows={kit.places.map((place) => ({
            id: place.id,
            name: place.name,
            cells: [
              `${nameOf(place.partId)}: ${place.name}`,
              `${bare(place.sizeMm, 'mm')} ${PLACE_MEASURES[place.kind]}${
                place.widthMm === null ? '' : `, ${bare(place.widthMm, 'mm')} wide`
              }`,
              place.throughMm === null ? '' : bare(place.throughMm, 'mm'),
            ],
          }))}
          onRemove={remove}
        />
      )}
      <NewPlace kit={kit} onAdd={add} />
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
      className="toolrow mt10"

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
