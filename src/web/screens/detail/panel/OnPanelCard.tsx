import { Checkbox, SimpleGrid } from '@mantine/core';
import { ON_PANEL, onPanelFields as fields, type OnPanel } from '../../../../core/kit/index.ts';
import { ChoiceSelect } from '../../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../../components/form/FigureInput.tsx';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { WordsInput } from '../WordsInput.tsx';
import { OpenFigure } from '../OpenFigure.tsx';

interface OnPanelCardProps {
  each: OnPanel;
  /** Counted from 1, as on the template. */
  place: number;
  /** It may be printed elsewhere than it is opened. */
  printed: boolean;
  onChange: (part: Partial<OnPanel>) => void;
  onRemove: () => void;
}

type FigureKey = { [K in keyof OnPanel]: OnPanel[K] extends number ? K : never }[keyof OnPanel];

/** One dial, switch, lamp, vent or piece of lettering: its place, its size, and a dial's scale. */
export function OnPanelCard({ each, place, printed, onChange, onRemove }: OnPanelCardProps) {
  const figure = (key: FigureKey, label: string) => (
    <FigureInput
      label={label}
      field={fields[key]}
      value={each[key]}
      onSave={(value) => onChange({ [key]: value })}
    />
  );
  const open = (
    key: 'printedXMm' | 'printedYMm' | 'needle' | 'redFrom',
    label: string,
    placeholder: string,
  ) => (
    <OpenFigure
      label={label}
      placeholder={placeholder}
      field={fields[key]}
      value={each[key]}
      onSave={(value) => onChange({ [key]: value })}
    />
  );
  return (
    <section className="mt8" aria-label={each.name}>
      <div className="toolrow apart">
        <WordsInput
          label={`Name of ${place}`}
          field={fields.name}
          value={each.name}
          onSave={(name) => onChange({ name })}
        />
        <RemoveButton name={`Take out ${each.name}`} onRemove={onRemove} />
      </div>
      <SimpleGrid cols={{ base: 2, sm: 4 }} spacing="xs" verticalSpacing={4}>
        <ChoiceSelect
          label="It is a"
          values={ON_PANEL}
          value={each.what}
          onSave={(what) => onChange({ what })}
        />
        {figure('xMm', 'From the left, mm')}
        {figure('yMm', 'From above, mm')}
        {figure('widthMm', each.round ? 'Diameter, mm' : 'Width, mm')}
        {!each.round && figure('heightMm', 'Height, mm')}
        {printed && open('printedXMm', 'Printed, left, mm', 'there too')}
        {printed && open('printedYMm', 'Printed, above, mm', 'there too')}
      </SimpleGrid>
      <div className="in-row g14 breaks mt6">
        <Checkbox
          size="xs"
          label="Round"
          checked={each.round}
          onChange={({ currentTarget: { checked } }) => onChange({ round: checked })}
        />
        <Checkbox
          size="xs"
          label="With a bright ring"
          checked={each.bezel}
          onChange={({ currentTarget: { checked } }) => onChange({ bezel: checked })}
        />
      </div>
      {each.what === 'dial' && !printed && (
        <details className="mt6">
          <summary>Its scale</summary>
          <SimpleGrid cols={{ base: 2, sm: 4 }} spacing="xs" verticalSpacing={4}>
            {figure('from', 'From')}
            {figure('to', 'To')}
            {figure('step', 'Figure every')}
            {figure('between', 'Lines between')}
            {figure('startDeg', 'Begins, ° from below')}
            {figure('sweepDeg', 'Goes over, °')}
            {open('needle', 'Needle at', 'no needle')}
            {open('redFrom', 'Red from', 'nowhere')}
            <WordsInput
              label="Unit"
              placeholder="km/h"
              field={fields.unit}
              value={each.unit}
              onSave={(unit) => onChange({ unit })}
            />
          </SimpleGrid>
        </details>
      )}
    </section>
  );
}
