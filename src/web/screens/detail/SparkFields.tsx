import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { Checkbox, SimpleGrid } from '@mantine/core';
import { harnessRecord, IGNITION_SOURCES, ROTORS, type Harness, type Kit } from '../../../core/kit/index.ts';
import { Guides } from './Guides.tsx';
import { HarnessFigure } from './HarnessFigure.tsx';
import { PartSelect } from './PartSelect.tsx';
import { WordsInput } from './WordsInput.tsx';

const SOURCE_WORDS = {
  distributor: 'distributor',
  magneto: 'magneto',
  'coil-per-plug': 'a coil on each plug',
} as const;

interface SparkFieldsProps {
  harness: Harness;
  kit: Kit;
  onChange: (part: Partial<Harness>) => void;
}

/** The cap of a harness, the way of its leads, and the parts between which they run. */
export function SparkFields({ harness, kit, onChange }: SparkFieldsProps) {
  const isCap = harness.source !== 'coil-per-plug';
  const of = { harness, onChange };
  return (
    <>
      <h3>Where the spark comes from</h3>
      <SimpleGrid cols={{ base: 2, sm: 3 }} spacing="xs">
        <ChoiceSelect
          label="Source"
          values={IGNITION_SOURCES}
          words={SOURCE_WORDS}
          value={harness.source}
          onSave={(source) => onChange({ source })}
        />
        {isCap && (
          <ChoiceSelect
            label="Rotor turns, seen from outside"
            values={ROTORS}
            value={harness.rotor}
            onSave={(rotor) => onChange({ rotor })}
          />
        )}
        {isCap && <HarnessFigure {...of} figure="capRadiusMm" label="Cap, radius, mm" />}
        {isCap && <HarnessFigure {...of} figure="x" label="Cap forward of cylinder 1, mm" />}
        {isCap && <HarnessFigure {...of} figure="y" label="Cap to the left of the crank, mm" />}
        {isCap && <HarnessFigure {...of} figure="z" label="Cap above the crank, mm" />}
        {isCap && <HarnessFigure {...of} figure="firstDeg" label="First tower, degrees clockwise" />}
        {isCap && <HarnessFigure {...of} figure="plugs" label="Plugs to a cylinder" />}
        {isCap && <HarnessFigure {...of} figure="slack" label="Slack, share of the way" />}
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
          <WordsInput
            label="Colour of the leads"
            placeholder="black; grey with brass ends"
            field={harnessRecord.fields.colour}
            value={harness.colour}
            onSave={(colour) => onChange({ colour })}
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
    </>
  );
}
