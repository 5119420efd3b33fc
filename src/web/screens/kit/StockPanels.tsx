import { Checkbox, NumberInput, Select, Table, TextInput } from '@mantine/core';
import { useState } from 'react';
import { figure } from '../../../core/figures.ts';
import {
  ADHESIVES,
  MATERIALS,
  spareRecord,
  type Material,
  type Spare,
  type Stock,
  type StockItemKind,
} from '../../../core/kit/index.ts';
import { textLimits } from '../../components/limits.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import { changeStock } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { AddByName } from './AddByName.tsx';

const MATERIAL_KINDS = [
  ...Object.entries(ADHESIVES)
    .filter(([id]) => id !== 'none')
    .map(([value, { name }]) => ({ value, label: name })),
  { value: 'filler', label: 'two-part putty' },
  { value: 'edge-tape', label: 'thin edge tape' },
  { value: 'bare-metal-foil', label: 'adhesive metal foil' },
  { value: 'reamer', label: 'reamer or drill' },
  { value: 'other', label: 'something else' },
];

/** Puts one thing into the stock, or takes it out; what is refused the bench says. */
const put = (kind: StockItemKind, id: string, value: object | null, label: string): void =>
  void changeStock([{ kind, id, value }], label).catch(() => undefined);

/** What sticks, fills and masks, for all builds. */
export const MaterialsPanel = ({ materials }: Pick<Stock, 'materials'>) => (
  <div className="panel">
    <h3>Glue, filler, tape in stock</h3>
    <Table className="plainlist">
      <Table.Thead>
        <Table.Tr>
          <Table.Th>Material</Table.Th>
          <Table.Th>Stands for</Table.Th>
          <Table.Th>Left</Table.Th>
          <Table.Th>On hand</Table.Th>
          <Table.Th className="num">Days to get</Table.Th>
          <SpokenHead>Remove</SpokenHead>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {materials.map((material) => (
          <Table.Tr key={material.id}>
            <Table.Td>{material.name}</Table.Td>
            <Table.Td className="soft">
              {MATERIAL_KINDS.find(({ value }) => value === material.kind)?.label}
            </Table.Td>
            <Table.Td>{material.amount}</Table.Td>
            <Table.Td>
              <Checkbox
                aria-label={`${material.name} on hand`}
                checked={material.have}
                onChange={(event) =>
                  put(
                    'material',
                    material.id,
                    { ...material, have: event.currentTarget.checked },
                    material.name,
                  )
                }
              />
            </Table.Td>
            <Table.Td className="num mono">{material.leadDays}</Table.Td>
            <Table.Td>
              <RemoveButton
                name={`Remove ${material.name}`}
                onRemove={() => put('material', material.id, null, `remove ${material.name}`)}
              />
            </Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
    <NewMaterial />
  </div>
);

/** What is left over from other kits. */
export const SparesPanel = ({ spares }: { spares: readonly Spare[] }) => (
  <div className="panel">
    <h3>Spares box</h3>
    <Table className="plainlist">
      <Table.Tbody>
        {spares.map((spare) => (
          <Table.Tr key={spare.id}>
            <Table.Td>{spare.name}</Table.Td>
            <Table.Td className="soft">
              from {spare.origin || 'somewhere'}
              {spare.lengthMm !== undefined && `, ${figure(spare.lengthMm, 'mm', 1)}`}
            </Table.Td>
            <Table.Td className="num mono">×{spare.count}</Table.Td>
            <Table.Td>
              <RemoveButton
                name={`Remove the spare ${spare.name}`}
                onRemove={() => put('spare', spare.id, null, `remove ${spare.name}`)}
              />
            </Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
    <NewSpare />
  </div>
);

function NewMaterial() {
  const [kind, setKind] = useState('cement-thin');
  return (
    <AddByName
      label="New material"
      placeholder="what it says on the bottle"
      button="Add"
      onAdd={(name) => {
        const value = { name, kind, amount: 'full', have: true, leadDays: 4 };
        put('material', newId('stock'), value, name);
      }}
    >
      <Select
        size="xs"
        aria-label="Kind of material"
        data={MATERIAL_KINDS}
        value={kind}
        onChange={(value) => value && setKind(value)}
      />
    </AddByName>
  );
}

function NewSpare() {
  const [origin, setOrigin] = useState('');
  const [material, setMaterial] = useState<Material>('styrene');
  const [length, setLength] = useState<number | string>('');
  return (
    <AddByName
      label="New spare"
      placeholder="mirrors, round"
      button="Add"
      onAdd={(name) => {
        const value = {
          name,
          origin: origin.trim(),
          material,
          count: 1,
          note: '',
          ...(typeof length === 'number' ? { lengthMm: length } : {}),
        };
        put('spare', newId('spare'), value, name);
        setOrigin('');
        setLength('');
      }}
    >
      <TextInput
        size="xs"
        aria-label="Where it came from"
        placeholder="from which kit"
        value={origin}
        {...textLimits(spareRecord.fields.origin)}
        onChange={(event) => setOrigin(event.currentTarget.value)}
      />
      <NumberInput
        size="xs"
        w={110}
        aria-label="Its longest side, mm"
        placeholder="length, mm"
        hideControls
        min={0.1}
        max={5000}
        value={length}
        onChange={setLength}
      />
      <Select
        size="xs"
        w={110}
        aria-label="Material of the spare"
        data={MATERIALS.map((value) => ({ value, label: value }))}
        value={material}
        onChange={(value) => value && setMaterial(value)}
      />
    </AddByName>
  );
}
