import { figure } from '../../../core/figures.ts';
import {
  Button,
  Checkbox,
  FileButton,
  NativeSelect,
  Select,
  Table,
  TextInput,
  UnstyledButton,
} from '@mantine/core';
import { useState } from 'react';
import type { CodeInput, CodeRecord } from '../../../api/index.ts';
import {
  GEOMETRIES,
  GEOMETRY_NAMES,
  labToDisplay,
  spectrumToDisplay,
  type MeasuringGeometry,
} from '../../../core/colour/index.ts';
import type { ColourColumn, ReadColour } from '../../../core/formats/index.ts';
import { PROVENANCE_UNCERTAINTY, type Provenance } from '../../../core/match/index.ts';
import { PROVENANCE_WORDS } from '../../components/provenance.ts';
import { importCodes } from '../../data/codes.ts';
import type { ColourFile, FileColour } from '../../workers/readColourFile.ts';
import { OwnCode } from '../colour/OwnCode.tsx';
import { useColourFile } from './useColourFile.ts';

/** What the reader took where a file does not say: the light of the first Lab. */
const assumedLight = ({ colours }: ColourFile) => colours.find(({ lab }) => lab)?.lab;
const lightWord = (light: { illuminant?: string; observer?: string } | undefined) =>
  `${light?.illuminant ?? 'D65'} ${light?.observer ?? '2deg'}`;
const SHOWN = 60;
const COLUMN_OPTIONS = [
  { value: '', label: 'leave out' },
  ...['name', 'code', 'L', 'a', 'b', 'hex'].map((value) => ({ value, label: value })),
];
const LIGHTS = [
  { value: 'D65 2deg', label: 'D65, 2 degree' },
  { value: 'D50 2deg', label: 'D50, 2 degree' },
  { value: 'D65 10deg', label: 'D65, 10 degree' },
  { value: 'D50 10deg', label: 'D50, 10 degree' },
  { value: 'A 2deg', label: 'A, 2 degree' },
];

interface ImportColoursProps {
  codes: readonly CodeRecord[];
  onDone: (id?: string) => void;
}

/** Brings colours into the codes: from a file with a preview, or one typed by hand. */
export function ImportColours({ codes, onDone }: ImportColoursProps) {
  const { name: fileName, open, file, options, say, problem: unread } = useColourFile();
  const [refusal, setRefusal] = useState('');
  const problem = refusal || unread;
  const [maker, setMaker] = useState('');
  const [said, setSaid] = useState<Provenance>();
  const provenance = said ?? (file?.kind === 'GIMP palette' ? 'swatch' : 'instrument');
  const [share, setShare] = useState<number>();
  /** Colours of the file that are not wanted, by their place in it. */
  const [without, setWithout] = useState<ReadonlySet<number>>(new Set());
  const leaveOut = (index: number, out: boolean) => {
    const next = new Set(without);
    if (out) next.add(index);
    else next.delete(index);
    setWithout(next);
  };

  const chosen = (file?.colours ?? []).filter((_, index) => !without.has(index));
  const { inputs, left } = toCodes(chosen, maker.trim(), provenance, fileName);
  const known = new Set(codes.map((code) => `${code.maker} ${code.code}`.toLowerCase()));
  const added = inputs.filter((code) => known.has(`${code.maker} ${code.code}`.toLowerCase())).length;
  const bring = () => {
    setShare(0);
    setRefusal('');
    importCodes(inputs, setShare)
      .then(() => onDone())
      .catch((error: unknown) => setRefusal(`${(error as Error).message} The preview is still here.`))
      .finally(() => setShare(undefined));
  };
  return (
    <div style={{ maxWidth: 980, margin: '0 auto', display: 'grid', gap: 14 }}>
      <div className="in-row apart middle g10">
        <h2 style={{ fontSize: 26 }}>{codes.length === 0 ? 'No codes yet' : 'Bring in colours'}</h2>
        {codes.length > 0 && <Button onClick={() => onDone()}>Back to the codes</Button>}
      </div>
      <div className="panel stacked g12">
        <h3>From a file</h3>
        <p className="soft">
          CGATS text and CxF 3 with spectra or Lab, GIMP palettes, and tables (CSV, tabs) with a heading. The
          file is read here, in your browser; you see everything before anything is kept.
        </p>
        <div className="in-row g12 middle breaks">
          <FileButton
            onChange={(chosen) => {
              if (!chosen) return;
              setWithout(new Set());
              setRefusal('');
              void open(chosen);
            }}
          >
            {(props) => (
              <Button variant="action" className="unstretched" {...props}>
                Choose a file
              </Button>
            )}
          </FileButton>
          {fileName && (
            <span className="mono">
              {fileName}
              {file ? `, ${file.kind}` : ''}
            </span>
          )}
        </div>
        {problem && <p role="alert">{problem}</p>}
        {file?.ask && (
          <div role="alert">
            <p>{file.ask}</p>
            <div className="chips mt6" role="group" aria-label="Scale of reflectance">
              <UnstyledButton className="chip" onClick={() => say({ scale: 'fraction' })}>
                fractions, 1 is white
              </UnstyledButton>
              <UnstyledButton className="chip" onClick={() => say({ scale: 'percent' })}>
                per cent, 100 is white
              </UnstyledButton>
            </div>
          </div>
        )}
        {file?.table && (
          <ColumnMapping
            table={{ ...file.table, columns: options.columns ?? file.table.columns }}
            onChange={(columns) => say({ columns })}
          />
        )}
        {file &&
          (file.table || file.assumed?.includes('light') || options.light) &&
          file.colours.some(({ lab }) => lab) && (
            <Select
              label="The Lab of this file is for"
              description="it does not say; what other lights leave open of the colour in daylight is added to its doubt"
              data={LIGHTS}
              value={lightWord(options.light ?? assumedLight(file))}
              onChange={(value) => {
                const [illuminant, observer] = (value ?? 'D65 2deg').split(' ') as [string, '2deg' | '10deg'];
                say({ light: { illuminant, observer } });
              }}
              w={280}
            />
          )}
        {file && (file.table || file.assumed?.includes('geometry') || options.geometry) && (
          <NativeSelect
            label="Measured"
            description="the file does not say; with the shine, a black reads as L 24"
            data={GEOMETRIES.map((value) => ({ value, label: GEOMETRY_NAMES[value] }))}
            value={options.geometry ?? 'unknown'}
            onChange={({ currentTarget: { value } }) => say({ geometry: value as MeasuringGeometry })}
            w={280}
          />
        )}
        {file && file.notes.length > 0 && (
          <ul role="status" style={{ margin: 0, paddingLeft: 18 }}>
            {file.notes.slice(0, 8).map((note) => (
              <li key={note}>{note}</li>
            ))}
            {file.notes.length > 8 && <li>and {file.notes.length - 8} more</li>}
          </ul>
        )}
        {file && file.colours.length > 0 && (
          <>
            <div className="stacked two-columns g12">
              <TextInput
                label="Maker or collection"
                description="goes before each code"
                value={maker}
                maxLength={120}
                onChange={(event) => setMaker(event.currentTarget.value)}
              />
              <Select
                label="Where these colours come from"
                description="decides how surely they are known"
                data={(Object.keys(PROVENANCE_WORDS) as Provenance[]).map((value) => ({
                  value,
                  label: `${PROVENANCE_WORDS[value]}, ±${figure(PROVENANCE_UNCERTAINTY[value], 'dE')}`,
                }))}
                value={provenance}
                onChange={(value) => setSaid(value ?? undefined)}
              />
            </div>
            <ul className="swatches" aria-label="Colours read">
              {file.colours.slice(0, SHOWN).map((colour, index) => (
                <li key={index}>
                  <span style={{ background: displayOf(colour) }} aria-hidden />
                  <span className="small">
                    {colour.code && <span className="mono">{colour.code} </span>}
                    {colour.name}
                    <Checkbox
                      mt={2}
                      label="bring in"
                      aria-label={`bring in ${colour.name}`}
                      checked={!without.has(index)}
                      onChange={({ currentTarget: { checked } }) => leaveOut(index, !checked)}
                    />
                  </span>
                </li>
              ))}
            </ul>
            {file.colours.length > SHOWN && (
              <p className="soft small">
                The first {SHOWN} of {file.colours.length}.
              </p>
            )}
            {left.length > 0 && (
              <p role="alert" className="small">
                {left.length} cannot be kept: {left[0]}
              </p>
            )}
            <Button
              variant="action"
              disabled={maker.trim() === '' || inputs.length === 0 || share !== undefined}
              onClick={bring}
            >
              {share === undefined
                ? `Bring in ${inputs.length} ${inputs.length === 1 ? 'colour' : 'colours'}`
                : `Bringing in, ${Math.round(100 * share)} %`}
            </Button>
            <p className="soft small">
              {maker.trim() === ''
                ? 'Give the maker or collection first.'
                : `${inputs.length - added} new, ${added} become one more source of a code that is there. Nothing is replaced.`}
            </p>
          </>
        )}
      </div>
      <div className="panel">
        <h3>Or one by hand</h3>
        <OwnCode onSaved={({ id }) => onDone(id)} onCancel={() => onDone()} />
      </div>
    </div>
  );
}

interface ColumnMappingProps {
  table: NonNullable<ColourFile['table']>;
  onChange: (columns: ColourColumn[]) => void;
}

/** What each column of a table holds; wavelengths are recognised by their headings. */
function ColumnMapping({ table: { headings, columns, preview }, onChange }: ColumnMappingProps) {
  const bands = columns.filter((column) => typeof column === 'number').length;
  const rest = columns
    .map((column, index) => ({ column, index }))
    .filter(({ column }) => typeof column !== 'number');
  return (
    <div className="scrolls-x">
      <Table className="plainlist">
        <Table.Caption className="small left">
          What the columns hold{bands > 0 ? `; ${bands} wavelengths besides` : ''}
        </Table.Caption>
        <Table.Thead>
          <Table.Tr>
            {rest.map(({ column, index }) => (
              <Table.Th key={index}>
                {headings[index]}
                <Select
                  aria-label={`Column ${headings[index] || index + 1}`}
                  data={COLUMN_OPTIONS}
                  value={column === null ? '' : String(column)}
                  onChange={(value) =>
                    onChange(
                      columns.map((other, at) =>
                        at === index
                          ? value
                            ? (value as ColourColumn)
                            : null
                          : other === value
                            ? null
                            : other,
                      ),
                    )
                  }
                  size="xs"
                  w={110}
                />
              </Table.Th>
            ))}
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {preview.map((row, at) => (
            <Table.Tr key={at}>
              {rest.map(({ index }) => (
                <Table.Td key={index}>{row[index]}</Table.Td>
              ))}
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </div>
  );
}

function displayOf({ spectrum, lab }: ReadColour): string {
  return spectrum ? spectrumToDisplay(spectrum).hex : lab ? labToDisplay(lab).hex : 'transparent';
}

/** Colours of a file as codes; what cannot be kept, with the reason. */
function toCodes(
  colours: readonly FileColour[],
  maker: string,
  provenance: Provenance,
  fileName: string,
): { inputs: CodeInput[]; left: string[] } {
  const inputs: CodeInput[] = [];
  const left: string[] = [];
  for (const { name, code: number, spectrum, daylight, problem, geometry } of colours) {
    const code = (number ?? name).trim().slice(0, 40);
    if (problem !== undefined) left.push(`${name}: ${problem}`);
    else
      inputs.push({
        maker,
        code: code.trim() || 'unnamed',
        name: name.trim().slice(0, 120),
        years: '',
        kind: 'solid',
        provenance,
        note: `from ${fileName}`.slice(0, 300),
        // What the source leaves open, and what a Lab of another light or observer does.
        uncertainty: Math.hypot(PROVENANCE_UNCERTAINTY[provenance], daylight?.uncertainty ?? 0),
        spectrum,
        hex: undefined,
        lab: daylight?.lab,
        geometry,
      });
  }
  return { inputs, left };
}
