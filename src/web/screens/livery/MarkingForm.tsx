import { Checkbox, Select, TextInput } from '@mantine/core';
import {
  artworkFields,
  ARTWORKS,
  CROSSINGS,
  FILM_STATES,
  markingRecord,
  SURFACES,
  type ArtworkKind,
  type Crossing,
  type Kit,
  type Marking,
  type MarkingSurface,
} from '../../../core/kit/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { textLimits } from '../../components/limits.ts';
import { partOptions } from '../kit/partNames.ts';

interface MarkingFormProps {
  marking: Marking;
  kit: Kit;
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
const ARTWORK_WORDS: Readonly<Record<ArtworkKind, string>> = {
  none: 'none: it comes from elsewhere',
  lettering: 'lettering, straight or arched',
  roundel: 'number in a field',
  plate: 'plate, one or two lines',
  stripes: 'stripes',
  checks: 'checks',
  warning: 'diagonal bars',
  label: 'small label',
};
const CROSSING_WORDS: Readonly<Record<Crossing, string>> = {
  'after-join': 'in one, after the join',
  'in-halves': 'in halves, cut at the line',
  'dry-fitted': 'in one on the dry fit, then slit',
};
const worded = <T extends string>(values: readonly T[], words: Readonly<Record<T, string>>) =>
  values.map((value) => ({ value, label: words[value] }));
const { fields } = markingRecord;
const FIGURES = [
  ['x', 'Centre from the left, mm'],
  ['y', 'Centre from above, mm'],
  ['width', 'Width, mm'],
  ['height', 'Height, mm'],
  ['angle', 'Turned, degrees'],
] as const;

/** What a marking is, in figures and words. */
export function MarkingForm({ marking, kit, scale, onSave }: MarkingFormProps) {
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
        <Select
          size="xs"
          label="The surface is"
          allowDeselect={false}
          data={worded(SURFACES, SURFACE_WORDS)}
          value={marking.surface}
          onChange={(surface) => surface && onSave({ surface })}
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
      <div className="toolrow" style={{ marginTop: 8 }}>
        <Checkbox
          size="xs"
          label="Round"
          checked={marking.round}
          onChange={({ currentTarget: { checked } }) => onSave({ round: checked })}
        />
        <Checkbox
          size="xs"
          label="Lettering: never mirrored for the other side"
          checked={marking.lettering}
          onChange={({ currentTarget: { checked } }) => onSave({ lettering: checked })}
        />
      </div>
      <ArtworkFields marking={marking} onSave={onSave} />
    </div>
  );
}

/** What is drawn in the marking, where it is the builder's own. */
function ArtworkFields({ marking: { artwork }, onSave }: Pick<MarkingFormProps, 'marking' | 'onSave'>) {
  const put = (more: Partial<Marking['artwork']>) => onSave({ artwork: { ...artwork, ...more } });
  const colour = (key: 'ink' | 'ground', label: string, none: string) => (
    <TextInput
      size="xs"
      label={label}
      placeholder={none}
      key={`${key} ${artwork[key]}`}
      defaultValue={artwork[key]}
      {...textLimits(artworkFields[key])}
      leftSection={
        artwork[key] === '' ? undefined : <span className="swatchdot" style={{ background: artwork[key] }} />
      }
      onBlur={({ currentTarget: { value } }) =>
        value.trim() !== artwork[key] && put({ [key]: value.trim().toLowerCase() })
      }
    />
  );
  return (
    <div className="fieldgrid" style={{ marginTop: 8 }}>
      <Select
        size="xs"
        label="Own artwork"
        allowDeselect={false}
        data={worded(ARTWORKS, ARTWORK_WORDS)}
        value={artwork.kind}
        onChange={(kind) => kind && put({ kind })}
      />
      {artwork.kind !== 'none' && (
        <>
          <TextInput
            size="xs"
            label={['stripes', 'checks', 'warning'].includes(artwork.kind) ? 'How many' : 'It says'}
            placeholder={artwork.kind === 'plate' ? 'upper line / lower line' : undefined}
            key={`text ${artwork.text}`}
            defaultValue={artwork.text}
            {...textLimits(artworkFields.text)}
            onBlur={({ currentTarget: { value } }) =>
              value.trim() !== artwork.text && put({ text: value.trim() })
            }
          />
          {colour('ink', 'Ink', '#111111')}
          {colour('ground', 'Ground', 'bare film')}
          {artwork.kind === 'lettering' && (
            <FigureInput
              label="Arch, mm"
              field={artworkFields.archMm}
              step={0.1}
              value={artwork.archMm}
              onSave={(archMm) => put({ archMm })}
            />
          )}
        </>
      )}
    </div>
  );
}
