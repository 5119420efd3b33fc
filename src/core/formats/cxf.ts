import XMLBuilder from 'fast-xml-builder';
import { XMLParser } from 'fast-xml-parser';
import { SyntaxValidator } from 'fast-xml-validator';
import { BAND_COUNT, BAND_STEP_NM, bandWavelength } from '../colour/index.ts';
import type { WrittenColour } from './cgats.ts';
import { MOST_COLOURS, requireReadable, type ReadColour, type ReadFile } from './readColour.ts';
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
 *  illuminant and observer of the colour specification they point to. Document types and entities are refused
 *  before anything is read: a colour file has no use for them and an attack has.
 *  Throws RangeError where it is not such a document. */
export function readCxf(source: string, scale?: 'fraction' | 'percent'): ReadFile {
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

  const colours: ReadColour[] = [];
  const measured: { at: number; start: number; step: number; values: number[] }[] = [];
  const notes: string[] = [];
  let empty = 0;
  for (const object of objects) {
    const name = text(object[`${AT}Name`]) || text(object[`${AT}Id`]) || `object ${colours.length + 1}`;
    const [spectrum] = list(inside(object, 'ColorValues', 'ReflectanceSpectrum'));
    const [lab] = list(inside(object, 'ColorValues', 'ColorCIELab'));
    const colour: ReadColour = { name };
    if (lab) {
      const [L, a, b] = ['L', 'A', 'B'].map((part) => Number(text(lab[part])));
      const tristimulus = inside(specifications.get(text(lab[`${AT}ColorSpecification`])), 'TristimulusSpec');
      const illuminant = text(inside(tristimulus, 'Illuminant'));
      const observer = text(inside(tristimulus, 'Observer'));
      if ([L, a, b].every(Number.isFinite)) {
        colour.lab = {
          L: L!,
          a: a!,
          b: b!,
          ...(illuminant && { illuminant }),
          ...(observer && { observer: observer.startsWith('10') ? ('10deg' as const) : ('2deg' as const) }),
        };
      }
    }
    if (spectrum) {
      const range = inside(
        specifications.get(text(spectrum[`${AT}ColorSpecification`])),
        'MeasurementSpec',
        'WavelengthRange',
      );
      const start = Number(text(spectrum[`${AT}StartWL`]) || text(inside(range, `${AT}StartWL`)));
      const step = Number(text(inside(range, `${AT}Increment`)) || BAND_STEP_NM);
      const values = text(spectrum).trim().split(/\s+/).map(Number);
      if (!(start > 0))
        throw new RangeError(`The spectrum of "${name}" does not say at which wavelength it begins.`);
      measured.push({ at: colours.length, start, step, values });
    }
    if (!spectrum && !colour.lab) empty++;
    else colours.push(colour);
  }
  if (empty > 0)
    notes.push(
      `${empty} ${empty === 1 ? 'object has' : 'objects have'} neither spectrum nor Lab and ${empty === 1 ? 'was' : 'were'} left out`,
    );
  if (colours.length === 0) {
    throw new RangeError(
      'The document has no object with a reflectance spectrum or CIELAB. Nothing was kept.',
    );
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
  return { colours, notes };
}

/** A CxF 3 document with the spectra and CIELAB of colours; `created` is an ISO date and time. */
export function writeCxf(colours: readonly WrittenColour[], created: string): string {
  const specification = 'spectral';
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
          'cc:Object': colours.map(({ name, spectrum, lab }, index) => ({
            [`${AT}ObjectType`]: 'Standard',
            [`${AT}Name`]: name,
            [`${AT}Id`]: `c${index + 1}`,
            'cc:CreationDate': created,
            'cc:ColorValues': {
              'cc:ReflectanceSpectrum': {
                [`${AT}ColorSpecification`]: specification,
                [`${AT}StartWL`]: bandWavelength(0),
                '#text': spectrum.join(' '),
              },
              'cc:ColorCIELab': {
                [`${AT}ColorSpecification`]: specification,
                'cc:L': lab.L,
                'cc:A': lab.a,
                'cc:B': lab.b,
              },
            },
          })),
        },
        'cc:ColorSpecificationCollection': {
          'cc:ColorSpecification': {
            [`${AT}Id`]: specification,
            'cc:TristimulusSpec': {
              'cc:Illuminant': 'D65',
              'cc:Observer': '2_Degree',
              'cc:Method': 'E308_1nm',
            },
            'cc:MeasurementSpec': {
              'cc:MeasurementType': 'Spectrum_Reflectance',
              'cc:GeometryChoice': {
                'cc:SingleAngle': {
                  'cc:SingleAngleConfiguration': 'Annular',
                  'cc:IlluminationAngle': 45,
                  'cc:MeasurementAngle': 0,
                },
              },
              'cc:WavelengthRange': {
                [`${AT}StartWL`]: bandWavelength(0),
                [`${AT}Increment`]: BAND_STEP_NM,
              },
            },
          },
        },
      },
    },
  });
  if (colours.some(({ spectrum }) => spectrum.length !== BAND_COUNT))
    throw new RangeError(`A written spectrum has ${BAND_COUNT} bands.`);
  return body;
}
