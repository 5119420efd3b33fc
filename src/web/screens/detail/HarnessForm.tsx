import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { Button, Group, SimpleGrid } from '@mantine/core';
import { NUMBERINGS, usualFiringOrder } from '../../../core/detail/index.ts';
import {
  ENGINE_KINDS,
  harnessRecord,
  ignitionQuestion,
  type Harness,
  type Kit,
} from '../../../core/kit/index.ts';
import { HarnessFigure } from './HarnessFigure.tsx';
import { NumbersInput } from './NumbersInput.tsx';
import { SparkFields } from './SparkFields.tsx';
import { worked } from '../../../core/worked.ts';
import { WordsInput } from './WordsInput.tsx';

const { fields } = harnessRecord;
const LAYOUT_WORDS = { 'in-line': 'in a line', v: 'two banks (V, flat)', radial: 'in a ring' } as const;
const NUMBERING_WORDS = {
  'left-bank-first': 'along the left bank, then the right',
  'right-bank-first': 'along the right bank, then the left',
  'left-by-turns': 'across by turns, left first',
  'right-by-turns': 'across by turns, right first',
} as const;

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
  const of = { harness, onChange };
  const usual = usualOf(harness);
  return (
    <section className="panel harness" aria-label={harness.name}>
      <Group justify="space-between" align="end">
        <WordsInput
          label="Name"
          field={fields.name}
          value={harness.name}
          onSave={(name) => onChange({ name })}
        />
        <Button size="xs" variant="default" onClick={onRemove}>
          Take out {harness.name.toLowerCase()}
        </Button>
      </Group>
      <h3>The engine</h3>
      <SimpleGrid cols={{ base: 2, sm: 3 }} spacing="xs">
        <ChoiceSelect
          label="Cylinders stand"
          values={ENGINE_KINDS}
          words={LAYOUT_WORDS}
          value={harness.layout}
          onSave={(layout) => onChange({ layout })}
        />
        <HarnessFigure {...of} figure="cylinders" label="How many" />
        <HarnessFigure {...of} figure="reachMm" label="Crank to plug, mm" />
        {harness.layout !== 'radial' && (
          <HarnessFigure {...of} figure="pitchMm" label="One to the next, mm" />
        )}
        {harness.layout === 'v' && <HarnessFigure {...of} figure="bankDeg" label="Between banks, degrees" />}
        {harness.layout === 'v' && <HarnessFigure {...of} figure="offsetMm" label="Right bank behind, mm" />}
      </SimpleGrid>
      {harness.layout === 'v' && (
        <ChoiceSelect
          mt={6}
          label="Counted"
          disabled={harness.ownNumbers.length > 0}
          values={NUMBERINGS}
          words={NUMBERING_WORDS}
          value={harness.numbering}
          onSave={(numbering) => onChange({ numbering })}
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
      <SparkFields harness={harness} kit={kit} onChange={onChange} />
    </section>
  );
}
