import { Button, Select, TextInput } from '@mantine/core';
import { schemaTextLimits } from '../../components/limits.ts';
import { CODE_USES, codeInput, type CodeInput, type CodeRecord } from '../../../api/index.ts';
import { typedColour } from '../../../core/colour/index.ts';
import { ColourField } from '../../components/ColourField.tsx';
import { MeasuredFields, type Measured } from '../../components/MeasuredFields.tsx';
import { ASK_MAKER_AND_CODE, MakerAndCode } from '../../components/MakerAndCode.tsx';
import { useCheckedForm } from '../../components/form/useCheckedForm.tsx';
import { addCode } from '../../data/bench.ts';
import { USE_WORDS } from '../codes/useWords.ts';

interface Draft extends Measured, Pick<CodeInput, 'maker' | 'code' | 'name' | 'kind' | 'provenance' | 'use'> {
  /** As typed: hex, or L a b. */
  colour: string;
}

const START: Draft = {
  maker: '',
  code: '',
  name: '',
  colour: '',
  kind: 'solid',
  use: 'body',
  provenance: 'swatch',
  geometry: 'unknown',
  gloss: null,
};

/** Puts a colour into the list of codes by hand. */
export function OwnCode({
  onSaved,
  onCancel,
}: {
  onSaved: (code: CodeRecord) => void;
  onCancel: () => void;
}) {
  const form = useCheckedForm<Draft, CodeInput>({
    initial: START,
    valueOf: ({ colour, geometry, gloss, ...said }) => ({
      ...said,
      maker: said.maker.trim(),
      code: said.code.trim(),
      name: said.name.trim(),
      years: '',
      lab: colour.trim() === '' ? undefined : typedColour(colour),
      hex: undefined,
      geometry,
      gloss,
    }),
    schema: codeInput,
    asks: { ...ASK_MAKER_AND_CODE, colour: 'Type the colour: hex, or L a b.' },
    inputOf: { lab: 'colour' },
    wholeAt: 'colour',
  });
  const { provenance, geometry, gloss } = form.values;
  return (
    <form
      className="stacked g8"
      onSubmit={form.submit(async (code) => {
        onSaved(await addCode(code));
      })}
    >
      <MakerAndCode maker={form.input('maker')} code={form.input('code')} />
      <TextInput label="Name" {...schemaTextLimits(codeInput, 'name')} {...form.input('name')} />
      <ColourField
        label="Colour: hex, or L a b"
        description="L a b in daylight (D65, 2 degree)"
        {...form.input('colour')}
      />
      {(provenance === 'instrument' || provenance === 'restored') && (
        <MeasuredFields
          measured={{ geometry, gloss }}
          onChange={(measured) => {
            form.set('geometry', measured.geometry);
            form.set('gloss', measured.gloss);
          }}
        />
      )}
      <Select
        label="Kind"
        data={['solid', 'satin', 'metallic', 'pearl', 'candy']}
        allowDeselect={false}
        {...form.input('kind')}
      />
      <Select
        label="Is for"
        data={CODE_USES.map((value) => ({ value, label: USE_WORDS[value] }))}
        allowDeselect={false}
        {...form.input('use')}
      />
      <Select
        label="Where it comes from"
        data={[
          { value: 'instrument', label: 'an instrument reading' },
          { value: 'chip', label: 'a chip, by eye' },
          { value: 'restored', label: 'a restored vehicle' },
          { value: 'photograph', label: 'a photograph' },
          { value: 'swatch', label: 'a printed swatch or screen' },
          { value: 'guess', label: 'a guess' },
        ]}
        allowDeselect={false}
        {...form.input('provenance')}
      />
      {form.problem}
      <div className="in-row g8">
        <Button type="submit">Save and use it</Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </form>
  );
}
