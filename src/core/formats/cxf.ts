import XMLBuilder from 'fast-xml-builder';
import { XMLParser } from 'fast-xml-parser';
import { SyntaxValidator } from 'fast-xml-validator';
import {
  BAND_COUNT,
  BAND_STEP_NM,
  bandWavelength,
  GEOMETRIES,
  readGeometry,
  type MeasuringGeometry,
} from '../colour/index.ts';
import type { WrittenColour } from './cgats.ts';
import {
  MOST_COLOURS,
  requireReadable,
  type ReadChoices,
  type ReadColour,
  type ReadFile,
} from './readColour.ts';
import { asFractions, reflectanceScale, toBands } from './resample.ts';

const NAMESPACE = 'http://colorexchangeformat.com/CxF3-core';
/** Elements that may come more than once; attributes carry this mark. */
const LISTS = new Set(['Object', 'ColorSpecification', 'ReflectanceSpectrum', 'ColorCIELab']);
const AT = '@';

type Xml = Record<string, unknown>;
const inside = (node: unknown, ...names: string[]): unknown =>
  names.reduce<unknown>((at, name) => (at && typeof at === 'object' ? (at as Xml)[name] : undefined), node);
const list = (node: unknown): Xml[] => (Array.isArray(node) ? (node as Xml[]) : []);
const text = (node: unknown): string =>
  typeof node === 'string' || typeof node === 'number'
    ? String(node)
    : node && typeof node === 'object'
      ? text((node as Xml)['#text'] ?? '')
      : '';

/** Reads a CxF 3 document (ISO 17972-1): reflectance spectra and CIELAB of its objects, with the wavelength range,
 *  illuminant, observer and geometry of the colour specification they point to. An object with several spectra gives
 *  one colour for each, named by its specification; a spectrum that cannot be read costs its object, not the file.
 *  Document types and entities are refused before anything is read: a colour file has no use for them and an attack
 *  has. Throws RangeError where it is not such a document. */
export function readCxf(source: string, choices: ReadChoices = {}): ReadFile {
  const { scale } = choices;
  requireReadable(source);
  if (/<!\s*(DOCTYPE|ENTITY)/i.test(source)) {
    throw new RangeError(
      'The file declares a document type or entities. Colour files need none and such files can do harm, so nothing was read. Save it again without them.',
    );
  }
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: AT,
    removeNSPrefix: true,
    parseTagValue: false,
    parseAttributeValue: false,
    processEntities: true,
    // Characters by number, as in K&#246;nig; nothing else is looked up.
    htmlEntities: true,
    isArray: (name) => LISTS.has(name),
  });
  let document: unknown;
  try {
    SyntaxValidator.validate(source);
    document = parser.parse(source);
  } catch (error) {
    throw new RangeError(`The file is not complete XML: ${(error as Error).message} Nothing was kept.`, {
      cause: error,
    });
  }
  const root = inside(document, 'CxF');
  if (!root) throw new RangeError('This XML is not a CxF document: it has no CxF element. Nothing was kept.');
  const specifications = new Map(
    list(inside(root, 'Resources', 'ColorSpecificationCollection', 'ColorSpecification')).map((one) => [
      text(one[`${AT}Id`]),
      one,
    ]),
  );
  const objects = list(inside(root, 'Resources', 'ObjectCollection', 'Object'));
  if (objects.length > MOST_COLOURS) {
    throw new RangeError(
      `The file has ${objects.length} objects; at most ${MOST_COLOURS} are read. Nothing was kept.`,
    );
  }

  const tally: Tally = { colours: [], measured: [], unread: [], empty: 0, several: 0, open: new Set() };
  objects.forEach((object, index) => readObject(object, index, specifications, choices, tally));
  if (tally.colours.length === 0) {
    throw new RangeError(
      tally.unread.length > 0
        ? `None of the colours can be read. ${tally.unread[0]}. Nothing was kept.`
        : 'The document has no object with a reflectance spectrum or CIELAB. Nothing was kept.',
    );
  }
  const notes = notesOf(tally);
  const { colours, measured, open } = tally;
  if (open.has('light')) {
    for (const { lab } of colours) {
      if (!lab) continue;
      lab.illuminant ??= 'D50';
      lab.observer ??= '2deg';
    }
  }
  if (measured.length > 0) {
    const raw = measured.map(({ values }) => values);
    const told = scale ?? reflectanceScale(raw).scale;
    if (told === 'unsure')
      throw new RangeError(
        'The brightest reflectance lies between 1 and 1.5: say whether the file is in fractions or in per cent.',
      );
    const fractions = asFractions(raw, told);
    notes.push(...fractions.notes);
    measured.forEach(({ at, start, step }, index) => {
      const { spectrum, notes: about } = toBands({ start, step, values: fractions.spectra[index]! });
      colours[at]!.spectrum = spectrum;
      if (index === 0) notes.push(...about);
    });
  }
  return { colours, notes, ...(open.size > 0 && { assumed: [...open] }) };
}

/** What the objects of a document gave so far. */
interface Tally {
  colours: ReadColour[];
  measured: { at: number; start: number; step: number; values: number[] }[];
  /** Why something was left out. */
  unread: string[];
  empty: number;
  several: number;
  /** What the document leaves open. */
  open: Set<'light' | 'geometry'>;
}

function readObject(
  object: Xml,
  index: number,
  specifications: ReadonlyMap<string, Xml>,
  choices: ReadChoices,
  tally: Tally,
): void {
  const { colours, measured, unread, open } = tally;
  const name = text(object[`${AT}Name`]) || text(object[`${AT}Id`]) || `object ${index + 1}`;
  const spectra = list(inside(object, 'ColorValues', 'ReflectanceSpectrum'));
  const lab = labOf(list(inside(object, 'ColorValues', 'ColorCIELab'))[0], specifications);
  if (spectra.length === 0 && !lab) {
    tally.empty++;
    return;
  }
  if (lab && (lab.L < 0 || lab.L > 100)) {
    unread.push(`${name}: L must lie between 0 and 100, it is ${lab.L}`);
    return;
  }
  if (lab && !choices.light && !(lab.illuminant && lab.observer)) open.add('light');
  const shownLab = lab && { ...lab, ...choices.light };
  if (spectra.length > 1) tally.several++;
  const begun = colours.length;
  for (const spectrum of spectra) {
    const id = text(spectrum[`${AT}ColorSpecification`]);
    const specification = specifications.get(id);
    const range = inside(specification, 'MeasurementSpec', 'WavelengthRange');
    const start = Number(text(spectrum[`${AT}StartWL`]) || text(inside(range, `${AT}StartWL`)));
    const step = Number(text(spectrum[`${AT}Increment`]) || text(inside(range, `${AT}Increment`)));
    const values = text(spectrum).trim().split(/\s+/).map(Number);
    const problem = spectrumProblem(start, step, values);
    if (problem) {
      unread.push(`${name}: ${problem}`);
      continue;
    }
    const geometry = choices.geometry ?? geometryOf(specification);
    if (geometry === 'unknown') open.add('geometry');
    measured.push({ at: colours.length, start, step, values });
    colours.push({
      name: spectra.length > 1 ? `${name} (${id || `spectrum ${colours.length - begun + 1}`})` : name,
      ...(shownLab && spectra.length === 1 && { lab: shownLab }),
      ...(geometry !== 'unknown' && { geometry }),
    });
  }
  // Where none of its spectra can be read, its Lab still can.
  if (colours.length === begun && shownLab) colours.push({ name, lab: shownLab });
}

/** What was left out, offered apart or taken for granted, in a builder's words. */
function notesOf({ empty, unread, several, open }: Tally): string[] {
  const notes: string[] = [];
  if (empty > 0)
    notes.push(
      `${empty} ${empty === 1 ? 'object has' : 'objects have'} neither spectrum nor Lab and ${empty === 1 ? 'was' : 'were'} left out`,
    );
  if (unread.length > 0)
    notes.push(
      `left out: ${unread.slice(0, 3).join('; ')}${unread.length > 3 ? `; and ${unread.length - 3} more` : ''}`,
    );
  if (several > 0)
    notes.push(
      `${several} ${several === 1 ? 'object has' : 'objects have'} several spectra; each is offered as a colour of its own, so leave out what you do not want`,
    );
  if (open.has('geometry'))
    notes.push('the document does not say how it was measured; taken for 45:0, without the shine');
  if (open.has('light'))
    notes.push('the document does not say for which light its Lab is; taken for D50 and 2 degrees');
  return notes;
}

/** CIELAB of an object with the light and observer of its specification. */
function labOf(
  lab: Xml | undefined,
  specifications: ReadonlyMap<string, Xml>,
): NonNullable<ReadColour['lab']> | undefined {
  if (!lab) return undefined;
  const [L, a, b] = ['L', 'A', 'B'].map((part) => Number(text(lab[part]) || NaN));
  if (![L, a, b].every(Number.isFinite)) return undefined;
  const tristimulus = inside(specifications.get(text(lab[`${AT}ColorSpecification`])), 'TristimulusSpec');
  const illuminant = text(inside(tristimulus, 'Illuminant'));
  const observer = text(inside(tristimulus, 'Observer'));
  return {
    L: L!,
    a: a!,
    b: b!,
    ...(illuminant && { illuminant }),
    ...(observer && { observer: observer.startsWith('10') ? ('10deg' as const) : ('2deg' as const) }),
  };
}

/** What is wrong with a spectrum as it is written down; '' where it can be read. */
function spectrumProblem(start: number, step: number, values: readonly number[]): string {
  if (!(start > 0)) return 'its spectrum does not say at which wavelength it begins';
  if (!(step > 0))
    return 'its spectrum does not say how far its values lie apart, so they could be any colour';
  const bad = values.findIndex((value) => !Number.isFinite(value));
  if (bad >= 0) return `value ${bad + 1} of its spectrum is no number`;
  try {
    toBands({ start, step, values: [...values] });
    return '';
  } catch (error) {
    return (error as Error).message;
  }
}

/** The geometry that a colour specification names, from all words of its choice. */
function geometryOf(specification: Xml | undefined): MeasuringGeometry {
  const choice = inside(specification, 'MeasurementSpec', 'GeometryChoice');
  if (!choice) return 'unknown';
  const single = inside(choice, 'SingleAngle');
  if (single) {
    const lit = text(inside(single, 'IlluminationAngle'));
    const seen = text(inside(single, 'MeasurementAngle'));
    if (lit && seen) return readGeometry(`${Number(lit)}:${Number(seen)}`);
  }
  return readGeometry(JSON.stringify(choice).replace(/([a-z])([A-Z])/g, '$1 $2'));
}

/** How the format names a geometry. */
function geometryChoice(geometry: Exclude<MeasuringGeometry, 'unknown'>): Xml {
  if (geometry === 'd:8 included' || geometry === 'd:8 excluded') {
    return {
      'cc:Sphere': {
        'cc:SphereConfiguration': `d8_Specular_${geometry === 'd:8 included' ? 'Included' : 'Excluded'}`,
      },
    };
  }
  const [lit, seen] = geometry.split(':').map(Number);
  return {
    'cc:SingleAngle': {
      'cc:SingleAngleConfiguration': 'Annular',
      'cc:IlluminationAngle': lit,
      'cc:MeasurementAngle': seen,
    },
  };
}

/** A CxF 3 document with the spectra and CIELAB of colours; `created` is an ISO date and time. */
export function writeCxf(colours: readonly WrittenColour[], created: string): string {
  const geometries = [...new Set(colours.map(({ geometry = 'unknown' }) => geometry))];
  const specificationOf = (geometry: MeasuringGeometry = 'unknown') =>
    `spectral${GEOMETRIES.indexOf(geometry)}`;
  const builder = new XMLBuilder({
    ignoreAttributes: false,
    attributeNamePrefix: AT,
    format: true,
    suppressEmptyNode: true,
  });
  const body = builder.build({
    '?xml': { [`${AT}version`]: '1.0', [`${AT}encoding`]: 'UTF-8' },
    'cc:CxF': {
      [`${AT}xmlns:cc`]: NAMESPACE,
      'cc:FileInformation': {
        'cc:Creator': 'Fanfare',
        'cc:CreationDate': created,
        'cc:Description': 'Colours read and recovered',
      },
      'cc:Resources': {
        'cc:ObjectCollection': {
          'cc:Object': colours.map(({ name, spectrum, lab, geometry }, index) => ({
            [`${AT}ObjectType`]: 'Standard',
            [`${AT}Name`]: name,
            [`${AT}Id`]: `c${index + 1}`,
            'cc:CreationDate': created,
            'cc:ColorValues': {
              'cc:ReflectanceSpectrum': {
                [`${AT}ColorSpecification`]: specificationOf(geometry),
                [`${AT}StartWL`]: bandWavelength(0),
                '#text': spectrum.join(' '),
              },
              'cc:ColorCIELab': {
                [`${AT}ColorSpecification`]: specificationOf(geometry),
                'cc:L': lab.L,
                'cc:A': lab.a,
                'cc:B': lab.b,
              },
            },
          })),
        },
        'cc:ColorSpecificationCollection': {
          'cc:ColorSpecification': geometries.map((geometry) => ({
            [`${AT}Id`]: specificationOf(geometry),
            'cc:TristimulusSpec': {
              'cc:Illuminant': 'D65',
              'cc:Observer': '2_Degree',
              'cc:Method': 'E308_Table5',
            },
            'cc:MeasurementSpec': {
              'cc:MeasurementType': 'Spectrum_Reflectance',
              ...(geometry !== 'unknown' && { 'cc:GeometryChoice': geometryChoice(geometry) }),
              'cc:WavelengthRange': {
                [`${AT}StartWL`]: bandWavelength(0),
                [`${AT}Increment`]: BAND_STEP_NM,
              },
            },
          })),
        },
      },
    },
  });
  if (colours.some(({ spectrum }) => spectrum.length !== BAND_COUNT))
    throw new RangeError(`A written spectrum has ${BAND_COUNT} bands.`);
  return body;
}
