import { NumberInput } from '@mantine/core';
import { schemaNumberLimits } from '../../components/limits.ts';
import { type PaintRecord, paintUpdate } from '../../../api/index.ts';
import { GEOMETRY_NAMES } from '../../../core/colour/index.ts';
import { figure } from '../../../core/figures.ts';
import { Why } from '../../components/Why.tsx';
import { savePaint } from '../../data/bench.ts';

const UNITS = { dropMl: 'volume of a drop of', strength: 'strength of' } as const;

/** What the builder measured of a paint: the volume of its drop and its strength, and what is believed otherwise. */
export function PaintMeasures({ paint }: { paint: PaintRecord }) {
  const keep = (field: keyof typeof UNITS, text: string) => {
    const value = text.trim() === '' ? null : Number(text);
    if (value === paint[field] || (value !== null && !(value > 0))) return;
    void savePaint(paint, { [field]: value }, `${UNITS[field]} ${paint.name}`).catch(() => undefined);
  };
  const spread = (deviation: number) => Math.exp(1.645 * deviation);
  return (
    <div>
      <h3>
        In a mixture{' '}
        <Why about="drops and strength">
          A recipe counts drops, but drops differ in size and paints in strength. Drop ten into a syringe and
          divide, or say how many drops of another paint one drop of this weighs up. Without that, drops are
          taken to differ by a tenth and strength by as much as the source of the colour leaves open; spoons
          of mixtures teach both.
        </Why>
      </h3>
      <div className="stacked two-columns g8">
        <NumberInput
          label="One drop, ml"
          placeholder="0.05 usual"
          {...schemaNumberLimits(paintUpdate, 'dropMl')}
          step={0.005}
          hideControls
          key={`drop ${paint.id} ${paint.dropMl}`}
          defaultValue={paint.dropMl ?? ''}
          onBlur={({ currentTarget: { value } }) => keep('dropMl', value)}
        />
        <NumberInput
          label="Strength, times"
          placeholder="1 as believed"
          {...schemaNumberLimits(paintUpdate, 'strength')}
          step={0.1}
          hideControls
          key={`strength ${paint.id} ${paint.strength}`}
          defaultValue={paint.strength ?? ''}
          onBlur={({ currentTarget: { value } }) => keep('strength', value)}
        />
      </div>
      <p className="soft small mt4">
        Strength known within {figure(spread(paint.strengthDoubt), 'times')}, a drop{' '}
        {figure(paint.perDrop, 'times', 2)} the usual, within {figure(spread(paint.dropDoubt), 'times', 2)}.
        Colour measured {GEOMETRY_NAMES[paint.geometry]}
        {paint.geometry === 'unknown' ? ', taken for 45:0' : ''}.
      </p>
    </div>
  );
}
