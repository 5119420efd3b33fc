import { Button, Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import { schemaTextLimits } from '../../components/limits.ts';
import { type CodeInput, type CodeRecord, codeInput } from '../../../api/index.ts';
import { typedColour } from '../../../core/colour/index.ts';
import { ColourField } from '../../components/ColourField.tsx';
import { MeasuredFields, type Measured } from '../../components/MeasuredFields.tsx';
import { MakerAndCode, requireMakerAndCode } from '../../components/MakerAndCode.tsx';
import { addCode } from '../../data/bench.ts';

/** Puts a colour into the list of codes by hand. */
export function OwnCode({
  onSaved,
  onCancel,
}: {
  onSaved: (code: CodeRecord) => void;
  onCancel: () => void;
}) {
  const [maker, setMaker] = useState('');
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const [colour, setColour] = useState('');
  const [kind, setKind] = useState<CodeInput['kind']>('solid');
  const [provenance, setProvenance] = useState<CodeInput['provenance']>('swatch');
  const [measured, setMeasured] = useState<Measured>({ geometry: 'unknown', gloss: null });
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async () => {
    try {
      requireMakerAndCode(maker, code);
      const lab = typedColour(colour);
      onSaved(
        await addCode({
          maker: maker.trim(),
          code: code.trim(),
          name: name.trim(),
          years: '',
          kind,
          provenance,
          lab,
          hex: undefined,
          ...measured,
        }),
      );
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <form
      className="stacked g8"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <MakerAndCode maker={maker} code={code} onMaker={setMaker} onCode={setCode} />
      <TextInput
        label="Name"
        value={name}
        {...schemaTextLimits(codeInput, 'name')}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <ColourField
        label="Colour: hex, or L a b"
        description="L a b in daylight (D65, 2 degree)"
        value={colour}
        onChange={setColour}
      />
      {(provenance === 'instrument' || provenance === 'restored') && (
        <MeasuredFields measured={measured} onChange={setMeasured} />
      )}
      <Select
        label="Kind"
        data={['solid', 'satin', 'metallic', 'pearl', 'candy']}
        value={kind}
        onChange={(value) => setKind(value as CodeInput['kind'])}
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
        value={provenance}
        onChange={(value) => setProvenance(value as CodeInput['provenance'])}
      />
      {problem && <p role="alert">{problem}</p>}
      <div className="in-row g8">
        <Button type="submit">Save and use it</Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </form>
  );
}
