import { Button, Checkbox, Group, Select, SimpleGrid, TextInput } from '@mantine/core';
import { NUMBERINGS, usualFiringOrder } from '../../../core/detail/index.ts';
import {
  ENGINE_KINDS,
  harnessRecord,
  IGNITION_SOURCES,
  ignitionQuestion,
  ROTORS,
  type Harness,
  type Kit,
} from '../../../core/kit/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { textLimits } from '../../components/limits.ts';
import { Guides } from './Guides.tsx';
import { NumbersInput } from './NumbersInput.tsx';
import { PartSelect } from './PartSelect.tsx';
import { worked } from './worked.ts';

const { fields } = harnessRecord;
const LAYOUT_WORDS = { 'in-line': 'in a line', v: 'two banks (V, flat)', radial: 'in a ring' } as const;
const SOURCE_WORDS = {
  distributor: 'distributor',
  magneto: 'magneto',
  'coil-per-plug': 'a coil on each plug',
} as const;
const NUMBERING_WORDS = {
  'left-bank-first': 'along the left bank, then the right',
  'right-bank-first': 'along the right bank, then the left',
  'left-by-turns': 'across by turns, left first',
  'right-by-turns': 'across by turns, right first',
} as const;

const choices = <T extends string>(values: readonly T[], words: Readonly<Record<T, string>>) =>
  values.map((value) => ({ value, label: words[value] }));

/** The order that is usual for the engine as it stands; undefined where none is known, or where it is no engine yet. */
const usualOf = (harness: Harness) =>
  worked(() => {
    const { layout, numbering } = ignitionQuestion(harness, 1);
    return usualFiringOrder(layout, numbering, harness.ownNumbers);
  }).answer;

interface HarnessFormProps {
  harness: Harness;
  kit: Kit;
  onChange: (part: Partial<Harness>) => void;
  onRemove: () => void;
}

/** Everything that a harness is worked out from, each saved once it is typed. */
export function HarnessForm({ harness, kit, onChange, onRemove }: HarnessFormProps) {
  const figure = (key: FigureKey, label: string) => (
    <FigureInput
      label={label}
      field={fields[key]}
      value={harness[key]}
      onSave={(value) => onChange({ [key]: value })}
    />
  );
  const usual = usualOf(harness);
  const isCap = harness.source !== 'coil-per-plug';
  return (
    <section className="panel harness" aria-label={harness.name}>
      <Group justify="space-between" align="end">
        <TextInput
          size="xs"
          label="Name"
          key={harness.name}
          defaultValue={harness.name}
          {...textLimits(fields.name)}
          onBlur={({ currentTarget: { value } }) =>
            value.trim() !== '' && value.trim() !== harness.name && onChange({ name: value.trim() })
          }
        />
        <Button size="xs" variant="default" onClick={onRemove}>
          Take out {harness.name.toLowerCase()}
        </Button>
      </Group>
      <h3>The engine</h3>
      <SimpleGrid cols={{ base: 2, sm: 3 }} spacing="xs">
        <Select
          size="xs"
          label="Cylinders stand"
          allowDeselect={false}
          data={choices(ENGINE_KINDS, LAYOUT_WORDS)}
          value={harness.layout}
          onChange={(layout) => layout && onChange({ layout })}
        />
        {figure('cylinders', 'How many')}
        {figure('reachMm', 'Crank to plug, mm')}
        {harness.layout !== 'radial' && figure('pitchMm', 'One to the next, mm')}
        {harness.layout === 'v' && figure('bankDeg', 'Between banks, degrees')}
        {harness.layout === 'v' && figure('offsetMm', 'Right bank behind, mm')}
      </SimpleGrid>
      {harness.layout === 'v' && (
        <Select
          size="xs"
          mt={6}
          label="Counted"
          allowDeselect={false}
          disabled={harness.ownNumbers.length > 0}
          data={choices(NUMBERINGS, NUMBERING_WORDS)}
          value={harness.numbering}
          onChange={(numbering) => numbering && onChange({ numbering })}
        />
      )}
      <NumbersInput
        mt={6}
        label="Or numbers of its own, by place"
        description="Along the left bank (or the only one) from the front, then the right; empty for the usual way."
        value={harness.ownNumbers}
        onSave={(ownNumbers) => onChange({ ownNumbers })}
      />
      <Group gap="xs" align="end" mt={6}>
        <NumbersInput
          label="Firing order"
          placeholder={usual?.join('-') ?? 'as the manual has it'}
          value={harness.firingOrder}
          onSave={(firingOrder) => onChange({ firingOrder })}
        />
        {usual && usual.join() !== harness.firingOrder.join() && (
          <Button size="xs" variant="default" onClick={() => onChange({ firingOrder: usual })}>
            Take {usual.join('-')}, usual for it
          </Button>
        )}
      </Group>
      <h3>Where the spark comes from</h3>
      <SimpleGrid cols={{ base: 2, sm: 3 }} spacing="xs">
        <Select
          size="xs"
          label="Source"
          allowDeselect={false}
          data={choices(IGNITION_SOURCES, SOURCE_WORDS)}
          value={harness.source}
          onChange={(source) => source && onChange({ source })}
        />
        {isCap && (
          <Select
            size="xs"
            label="Rotor turns, seen from outside"
            allowDeselect={false}
            data={[...ROTORS]}
            value={harness.rotor}
            onChange={(rotor) => rotor && onChange({ rotor })}
          />
        )}
        {isCap && figure('capRadiusMm', 'Cap, radius, mm')}
        {isCap && figure('x', 'Cap forward of cylinder 1, mm')}
        {isCap && figure('y', 'Cap to the left of the crank, mm')}
        {isCap && figure('z', 'Cap above the crank, mm')}
        {isCap && figure('firstDeg', 'First tower, degrees clockwise')}
        {isCap && figure('plugs', 'Plugs to a cylinder')}
        {isCap && figure('slack', 'Slack, share of the way')}
      </SimpleGrid>
      {isCap && (
        <>
          <Checkbox
            size="xs"
            mt={6}
            label="The cap lies: its outside is seen from the front"
            checked={harness.lies}
            onChange={({ currentTarget: { checked } }) => onChange({ lies: checked })}
          />
          <TextInput
            size="xs"
            mt={6}
            label="Colour of the leads"
            placeholder="black; grey with brass ends"
            key={harness.colour}
            defaultValue={harness.colour}
            {...textLimits(fields.colour)}
            onBlur={({ currentTarget: { value } }) =>
              value.trim() !== harness.colour && onChange({ colour: value.trim() })
            }
          />
          <Guides harness={harness} onChange={onChange} />
          <h3>In the plan</h3>
          <SimpleGrid cols={2} spacing="xs">
            <PartSelect
              label="Leads begin at"
              kit={kit}
              value={harness.fromPartId}
              onChange={(fromPartId) => onChange({ fromPartId })}
            />
            <PartSelect
              label="… and end at"
              kit={kit}
              value={harness.toPartId}
              onChange={(toPartId) => onChange({ toPartId })}
            />
          </SimpleGrid>
        </>
      )}
    </section>
  );
}

type FigureKey =
  | 'cylinders'
  | 'reachMm'
  | 'pitchMm'
  | 'bankDeg'
  | 'offsetMm'
  | 'capRadiusMm'
  | 'x'
  | 'y'
  | 'z'
  | 'firstDeg'
  | 'plugs'
  | 'slack';
