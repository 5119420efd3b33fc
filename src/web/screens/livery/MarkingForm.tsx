import { Checkbox, Select, TextInput } from '@mantine/core';
import {
  CROSSINGS,
  FILM_STATES,
  markingRecord,
  SURFACES,
  type Crossing,
  type Kit,
  type Marking,
  type MarkingSurface,
} from '../../../core/kit/index.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { textLimits } from '../../components/limits.ts';
import { partOptions } from '../kit/partNames.ts';
import { ArtworkFields } from './ArtworkFields.tsx';
import { worded } from './worded.ts';

interface MarkingFormProps {
  marking: Marking;
  kit: Kit;
  buildId: string;
  /** Denominator of the model's scale: sizes are shown as they are in life, too. */
  scale: number;
  onSave: (change: Partial<Marking>) => void;
}

const SURFACE_WORDS: Readonly<Record<MarkingSurface, string>> = {
  flat: 'flat',
  curved: 'curved one way',
  double: 'curved both ways',
  strong: 'strongly curved both ways',
};
const CROSSING_WORDS: Readonly<Record<Crossing, string>> = {
  'after-join': 'in one, after the join',
  'in-halves': 'in halves, cut at the line',
  'dry-fitted': 'in one on the dry fit, then slit',
};
const { fields } = markingRecord;
const FIGURES = [
  ['x', 'Centre from the left, mm'],
  ['y', 'Centre from above, mm'],
  ['width', 'Width, mm'],
  ['height', 'Height, mm'],
  ['angle', 'Turned, degrees'],
] as const;

/** What a marking is, in figures and words. */
export function MarkingForm({ marking, kit, buildId, scale, onSave }: MarkingFormProps) {
  const options = kit.choices.flatMap(({ name, options: all }) =>
    all.map((option) => ({ value: option.id, label: `${name}: ${option.name}` })),
  );
  const line = (key: 'name' | 'sheet', label: string, placeholder?: string) => (
    <TextInput
      size="xs"
      label={label}
      placeholder={placeholder}
      key={`${key} ${marking[key]}`}
      defaultValue={marking[key]}
      {...textLimits(fields[key])}
      onBlur={({ currentTarget: { value } }) => {
        const said = value.trim();
        if (said !== marking[key] && (key === 'sheet' || said !== '')) onSave({ [key]: said });
      }}
    />
  );
  return (
    <div className="panel">
      <h3>{marking.name}</h3>
      <div className="fieldgrid">
        {line('name', 'Called')}
        {line('sheet', 'Number on the sheet', 'none in the kit')}
        <Select
          size="xs"
          label="On the view"
          placeholder="on none"
          clearable
          data={kit.views.map(({ id, name }) => ({ value: id, label: name }))}
          value={marking.viewId}
          onChange={(viewId) => onSave({ viewId })}
        />
        {marking.viewId === null && (
          <Select
            size="xs"
            label="On the part"
            placeholder="not known"
            clearable
            searchable
            data={partOptions(kit)}
            value={marking.partId}
            onChange={(partId) => onSave({ partId })}
          />
        )}
        {FIGURES.filter(([key]) => marking.viewId !== null || key === 'width' || key === 'height').map(
          ([key, label]) => (
            <FigureInput
              key={key}
              label={label}
              description={
                key === 'width' || key === 'height'
                  ? `${Math.round(marking[key] * scale)} mm in life`
                  : undefined
              }
              inputWrapperOrder={['label', 'input', 'description']}
              step={key === 'angle' ? 1 : 0.1}
              field={fields[key]}
              value={marking[key]}
              onSave={(value) => onSave({ [key]: value })}
            />
          ),
        )}
        <FigureInput
          label="How many, all alike"
          allowDecimal={false}
          field={fields.count}
          value={marking.count}
          onSave={(count) => onSave({ count })}
        />
        <ChoiceSelect
          label="The surface is"
          values={SURFACES}
          words={SURFACE_WORDS}
          value={marking.surface}
          onSave={(surface) => onSave({ surface })}
        />
        <Select
          size="xs"
          label="Its film is"
          placeholder="not looked at"
          clearable
          data={[...FILM_STATES]}
          value={marking.film}
          onChange={(film) => onSave({ film })}
        />
        <Select
          size="xs"
          label="Printed colour"
          placeholder="not said"
          clearable
          data={kit.decals.map(({ id, name }) => ({ value: id, label: name }))}
          value={marking.colourId}
          onChange={(colourId) => onSave({ colourId })}
        />
        <Select
          size="xs"
          label="Across a joint made later"
          placeholder="the way of least work"
          clearable
          data={worded(CROSSINGS, CROSSING_WORDS)}
          value={marking.crossing}
          onChange={(crossing) => onSave({ crossing })}
        />
        <Select
          size="xs"
          label="Only on the version"
          placeholder="on all of them"
          clearable
          data={options}
          value={marking.optionId}
          onChange={(optionId) => onSave({ optionId })}
        />
      </div>
      <div className="toolrow mt8">
        <Checkbox
          size="xs"
          label="Round"
          checked={marking.round}
          onChange={({ currentTarget: { checked } }) => onSave({ round: checked })}
        />
        <Checkbox
          size="xs"
          label="Mirrored"
          checked={marking.mirrored}
          onChange={({ currentTarget: { checked } }) => onSave({ mirrored: checked })}
        />
        <Checkbox
          size="xs"
          label="Goes on from behind: printed the other way round"
          checked={marking.behind}
          onChange={({ currentTarget: { checked } }) => onSave({ behind: checked })}
        />
        <Checkbox
          size="xs"
          label="Lettering: never mirrored for the other side"
          checked={marking.lettering}
          onChange={({ currentTarget: { checked } }) => onSave({ lettering: checked })}
        />
      </div>
      <ArtworkFields marking={marking} buildId={buildId} onSave={onSave} />
    </div>
  );
}
