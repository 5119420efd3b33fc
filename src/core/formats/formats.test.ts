import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  BAND_COUNT,
  bandWavelength,
  DAYLIGHT,
  GEOMETRIES,
  ciede2000,
  labInDaylight,
  spectrumFrom,
  spectrumToLab,
  spectrumToXyz,
  type MeasuringGeometry,
} from '../colour/index.ts';
import paints from '../../../demo/data/paints.json';
import { opaqueSpectrum } from '../paint/index.ts';
import {
  colourTableRows,
  guessColourColumns,
  readCgats,
  readColourTable,
  readCxf,
  readGimpPalette,
  reflectanceScale,
  sprague,
  toBands,
  writeCgats,
  writeCxf,
  writeGimpPalette,
  type WrittenColour,
} from './index.ts';

const smooth = (nm: number) => 0.35 + 0.25 * Math.sin(nm / 47) * Math.exp(-(((nm - 560) / 160) ** 2));
const colour = (name: string, spectrum = spectrumFrom(smooth)): WrittenColour => ({
  name,
  spectrum,
  lab: spectrumToLab(spectrum, DAYLIGHT),
});
const CREATED = '2026-05-12T19:32:00Z';

const name = fc.string({ maxLength: 30 }).filter((text) => /\S/.test(text) && !/\p{C}/u.test(text));
const written = fc.array(
  fc
    .tuple(
      name,
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: BAND_COUNT, maxLength: BAND_COUNT }),
    )
    .map(([label, spectrum]) => colour(label, spectrum.map(Math.abs))),
  { minLength: 1, maxLength: 4 },
);

describe('resampling', () => {
  it('leaves the canonical grid alone, also inside a wider one', () => {
    const values = Array.from({ length: 36 }, (_, i) => smooth(380 + 10 * i));
    expect(toBands({ start: 380, step: 10, values }).spectrum).toEqual(spectrumFrom(smooth));
  });

  it.each([
    [20, 400, 16, 2e-3],
    [20, 380, 18, 1e-3],
    [10, 405, 30, 5e-4],
    [5, 400, 61, 2e-3],
    [1, 380, 351, 2e-3],
  ])('comes near a smooth curve from steps of %i nm beginning at %i', (step, start, count, within) => {
    const values = Array.from({ length: count }, (_, i) => smooth(start + step * i));
    const { spectrum, notes } = toBands({ start, step, values });
    spectrum
      .slice(1, -1)
      .forEach((value, i) => expect(Math.abs(value - smooth(bandWavelength(i + 1)))).toBeLessThan(within));
    expect(notes.join()).toMatch(step < 10 ? /averaged/ : /Sprague/);
  });

  it('gives back the points it runs through and reproduces a straight line', () => {
    const line = Array.from({ length: 9 }, (_, i) => 0.1 + 0.05 * i);
    for (let x = 0; x <= 8; x += 0.25) expect(sprague(line, x)).toBeCloseTo(0.1 + 0.05 * x, 12);
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 6, maxLength: 20 }),
        (values) => {
          values.forEach((value, at) => expect(sprague(values, at)).toBeCloseTo(value, 9));
        },
      ),
    );
  });

  it('holds the nearest value beyond the ends and says so, and refuses to invent more', () => {
    const values = Array.from({ length: 29 }, (_, i) => smooth(420 + 10 * i));
    const { spectrum, notes } = toBands({ start: 420, step: 10, values });
    expect(spectrum.slice(0, 3)).toEqual([values[0], values[0], values[0]]);
    expect(notes.join()).toMatch(/420–700 nm/);
    expect(() => toBands({ start: 450, step: 10, values })).toThrow(/450 to 730/);
    expect(() => toBands({ start: 400, step: 50, values: [0, 0, 0, 0, 0, 0, 0] })).toThrow(/up to 20 nm/);
    expect(() => toBands({ start: 400, step: 10, values: [...values, NaN, 0.1] })).toThrow(/690 nm/);
  });

  it('recognises per cent and asks where it cannot know', () => {
    expect(reflectanceScale([[0.2, 0.9]]).scale).toBe('fraction');
    expect(reflectanceScale([[2, 40]]).scale).toBe('percent');
    expect(reflectanceScale([[0.2, 1.2]])).toEqual({ scale: 'unsure', negative: false, fluorescent: true });
    expect(reflectanceScale([[-0.01, 0.2]]).negative).toBe(true);
  });
});

describe('CGATS', () => {
  it('reads back what it wrote, number for number', () => {
    fc.assert(
      fc.property(written, (colours) => {
        const { colours: read } = readCgats(writeCgats(colours, CREATED));
        read.forEach(({ spectrum }, at) =>
          spectrum!.forEach((value, band) => expect(value).toBeCloseTo(colours[at]!.spectrum[band]!, 14)),
        );
        expect(read.map(({ lab }) => [lab!.L, lab!.a, lab!.b])).toEqual(
          colours.map(({ lab }) => [lab.L, lab.a, lab.b]),
        );
        expect(read.map(({ name: label }) => label)).toEqual(colours.map(({ name: label }) => label));
        expect(read[0]!.lab).toMatchObject({ illuminant: 'D65', observer: '2deg' });
      }),
      { numRuns: 60 },
    );
  });

  it('writes and reads how colours were measured, where all share it', () => {
    const measured = (geometry: MeasuringGeometry) => ({ ...colour('a'), geometry });
    const read = readCgats(writeCgats([measured('0:45'), measured('0:45')], CREATED));
    expect(read.colours.map(({ geometry }) => geometry)).toEqual(['0:45', '0:45']);
    expect(read.assumed).toBeUndefined();
    const mixed = readCgats(writeCgats([measured('45:0'), measured('d:8 included')], CREATED));
    expect(mixed.assumed).toEqual(['geometry']);
  });

  it.each([
    ['WEIGHTING_FUNCTION "ILLUMINANT, D65"\nWEIGHTING_FUNCTION "OBSERVER, 10 degree"', 'D65', '10deg'],
    ['WEIGHTING_FUNCTION "OBSERVER, 10 degree"\nWEIGHTING_FUNCTION "ILLUMINANT, D65"', 'D65', '10deg'],
    ['WEIGHTING_FUNCTION "ILLUMINANT, D50"\nWEIGHTING_FUNCTION "OBSERVER, 2 degree"', 'D50', '2deg'],
    ['ILLUMINANT "d65"\nOBSERVER "10deg"', 'D65', '10deg'],
    ['OBSERVER "1964_10"\nILLUMINANT D65', 'D65', '10deg'],
    ['ILLUMINANT "A"\nOBSERVER "CIE 1964"', 'A', '10deg'],
    ['ILLUMINANT "A"\nOBSERVER "CIE 1931"', 'A', '2deg'],
    ['MEASUREMENT_SOURCE "Illumination=D65 ObserverAngle=10"', 'D65', '10deg'],
    ['MEASUREMENT_SOURCE "Illumination=D50 ObserverAngle=2 WhiteBase=Abs"', 'D50', '2deg'],
    ['ILLUMINATION_NAME "A"\nOBSERVER_ANGLE "10"', 'A', '10deg'],
  ])('reads %s', (head, illuminant, observer) => {
    const read = readCgats(file('SAMPLE_ID LAB_L LAB_A LAB_B', ['1 50 1 2'], head));
    expect(read.colours[0]!.lab).toMatchObject({ illuminant, observer });
    expect(read.assumed).not.toContain('light');
  });

  it('says what it takes for granted, and takes what it is told instead', () => {
    const text = file('SAMPLE_ID LAB_L LAB_A LAB_B', ['1 50 1 2'], 'OBSERVER "CIE 1964"');
    const read = readCgats(text);
    expect(read.assumed).toEqual(['light', 'geometry']);
    expect(read.notes.join('; ')).toMatch(/for which light its Lab is; taken for D50 and 10 degrees/);
    expect(read.notes.join('; ')).toMatch(/how it was measured; taken for 45:0/);
    const told = readCgats(text, {
      light: { illuminant: 'D65', observer: '2deg' },
      geometry: 'd:8 included',
    });
    expect(told.assumed).toBeUndefined();
    expect(told.colours[0]).toMatchObject({ geometry: 'd:8 included', lab: { illuminant: 'D65' } });
  });

  it('reads the geometry that the head names', () => {
    const geometry = (head: string) =>
      readCgats(file('SAMPLE_ID LAB_L LAB_A LAB_B', ['1 50 1 2'], head)).colours[0]!.geometry;
    expect(geometry('MEASUREMENT_GEOMETRY "45/0"')).toBe('45:0');
    expect(geometry('MEASUREMENT_SOURCE "MeasurementGeometry=0/45 Illumination=D50"')).toBe('0:45');
    expect(geometry('MEASUREMENT_GEOMETRY "d/8 SCI"')).toBe('d:8 included');
    expect(geometry('MEASUREMENT_GEOMETRY "sphere, specular excluded"')).toBe('d:8 excluded');
    expect(geometry('MEASUREMENT_GEOMETRY "sphere"')).toBeUndefined();
  });

  it('refuses the spectrum of a lamp and an L that cannot be, and keeps the rest', () => {
    const bands = Array.from({ length: 31 }, (_, i) => `SPEC_${400 + 10 * i}`).join(' ');
    const values = Array.from({ length: 31 }, () => '80').join(' ');
    expect(() => readCgats(file(bands, [values], 'MEAS_TYPE "EMISSION"'))).toThrow(/light source/);
    expect(() => readCgats(file(bands, [values], 'DESCRIPTOR "Lamp"').replace('CGATS.17', 'SPECT'))).toThrow(
      /light source/,
    );
    const fields = 'SAMPLE_ID LAB_L LAB_A LAB_B';
    const read = readCgats(file(fields, ['a 150 0 0', 'b 50 1 2']));
    expect(read.colours.map(({ name: label }) => label)).toEqual(['b']);
    expect(read.notes.join('; ')).toMatch(/1 left out, L must lie between 0 and 100: a \(L 150\)/);
    expect(() => readCgats(file(fields, ['a 150 0 0']))).toThrow(/a \(L 150\)\. Nothing was kept/);
  });

  const file = (fields: string, rows: string[], head = '') =>
    [
      'CGATS.17',
      head,
      'BEGIN_DATA_FORMAT',
      fields,
      'END_DATA_FORMAT',
      `NUMBER_OF_SETS ${rows.length}`,
      'BEGIN_DATA',
      ...rows,
      'END_DATA',
    ].join('\r\n');

  it('takes Lab for D50 and 2 degrees unless the file says otherwise', () => {
    const rows = ['"1" "Boat green" 44.1 -21.5 9'];
    const fields = 'SAMPLE_ID SAMPLE_NAME LAB_L LAB_A LAB_B';
    expect(readCgats(file(fields, rows)).colours[0]).toMatchObject({
      name: 'Boat green',
      lab: { L: 44.1, a: -21.5, b: 9, illuminant: 'D50', observer: '2deg' },
    });
    const told = readCgats(
      file(fields, rows, 'WEIGHTING_FUNCTION "ILLUMINANT, D65"\nWEIGHTING_FUNCTION_2 "OBSERVER, 10"'),
    );
    expect(told.colours[0]!.lab).toMatchObject({ illuminant: 'D65' });
  });

  it('reads per cent, says so, and keeps the samples that are whole', () => {
    const bands = Array.from({ length: 16 }, (_, i) => `SPEC_${400 + 20 * i}`).join(' ');
    const row = (value: number) => Array.from({ length: 16 }, () => value).join(' ');
    const { colours, notes } = readCgats(
      file(`SAMPLE_ID ${bands}`, [`a ${row(40)}`, `b ${row(60)} 1`, 'c 12 13', `d ${row(-2)}`]),
    );
    expect(colours.map(({ name: label }) => label)).toEqual(['a', 'b', 'd']);
    expect(colours[0]!.spectrum![7]).toBeCloseTo(0.4, 9);
    expect(Math.max(...colours[2]!.spectrum!)).toBe(0);
    expect(notes.join('; ')).toMatch(/1 sample was left out/);
    expect(notes.join('; ')).toMatch(/per cent/);
    expect(notes.join('; ')).toMatch(/below nought/);
  });

  it.each([
    ['a letter', 'Dear builder,', /not CGATS/],
    ['no colour', file('SAMPLE_ID DENSITY', ['1 2']), /neither/],
    ['uneven bands', file('SPEC_400 SPEC_410 SPEC_430', ['0.1 0.1 0.1']), /evenly/],
    ['a doubtful scale', file('SPEC_400 SPEC_410', ['0.1 1.2']), /fractions or in per cent/],
  ])('refuses %s', (_, text, message) => {
    expect(() => readCgats(text)).toThrow(message);
  });

  it('says when the file is cut short', () => {
    const whole = writeCgats([colour('a'), colour('b')], CREATED);
    const { colours, notes } = readCgats(whole.slice(0, whole.lastIndexOf('"b"') + 30));
    expect(colours).toHaveLength(1);
    expect(notes.join('; ')).toMatch(/cut short/);
    expect(notes.join('; ')).toMatch(/1 sample was left out/);
  });
});

describe('CxF 3', () => {
  it('reads back what it wrote, number for number', () => {
    fc.assert(
      fc.property(written, (colours) => {
        const { colours: read } = readCxf(writeCxf(colours, CREATED));
        expect(read.map(({ spectrum }) => spectrum)).toEqual(colours.map(({ spectrum }) => spectrum));
        expect(read.map(({ lab }) => [lab!.L, lab!.a, lab!.b])).toEqual(
          colours.map(({ lab }) => [lab.L, lab.a, lab.b]),
        );
        expect(read[0]!.lab).toMatchObject({ illuminant: 'D65', observer: '2deg' });
      }),
      { numRuns: 40 },
    );
    const odd = 'Tom & "Jerry" <blue> ünd\'s';
    expect(readCxf(writeCxf([colour(odd)], CREATED)).colours[0]!.name).toBe(odd);
  });

  it.each([
    ['a document type', '<!DOCTYPE x><CxF/>', /document type/],
    [
      'an entity bomb',
      '<?xml version="1.0"?><!DOCTYPE z [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><CxF>&b;</CxF>',
      /entities/,
    ],
    ['half a file', writeCxf([colour('a')], CREATED).slice(0, 700), /not complete XML/],
    ['other XML', '<svg/>', /no CxF element/],
    [
      'no colours',
      '<CxF><Resources><ObjectCollection><Object Name="x"/></ObjectCollection></Resources></CxF>',
      /no object/,
    ],
  ])('refuses %s', (_, text, message) => {
    expect(() => readCxf(text)).toThrow(message);
  });

  const spectrum31 = Array.from({ length: 31 }, (_, i) => 0.1 + i / 100).join(' ');
  const document = (objects: string, specifications = '') =>
    `<CxF xmlns="x"><Resources><ObjectCollection>${objects}</ObjectCollection><ColorSpecificationCollection>${specifications}</ColorSpecificationCollection></Resources></CxF>`;
  const object = (label: string, values: string) =>
    `<Object Name="${label}"><ColorValues>${values}</ColorValues></Object>`;
  const specification = (id: string, increment: string, more = '') =>
    `<ColorSpecification Id="${id}"><MeasurementSpec>${more}<WavelengthRange StartWL="400"${increment}/></MeasurementSpec></ColorSpecification>`;
  const reflectance = (id: string, values = spectrum31) =>
    `<ReflectanceSpectrum ColorSpecification="${id}">${values}</ReflectanceSpectrum>`;

  it('loses an object whose spectrum cannot be read, and nothing else', () => {
    const text = document(
      object('good', reflectance('s')) +
        object('no step', reflectance('t')) +
        object('hole', reflectance('s', spectrum31.replace('0.2 ', 'x '))),
      specification('s', ' Increment="10"') + specification('t', ''),
    );
    const { colours, notes } = readCxf(text);
    expect(colours.map(({ name: label }) => label)).toEqual(['good']);
    expect(notes.join('; ')).toMatch(/no step: its spectrum does not say how far/);
    expect(notes.join('; ')).toMatch(/hole: value 11 of its spectrum is no number/);
    expect(() => readCxf(document(object('no step', reflectance('t')), specification('t', '')))).toThrow(
      /None of the colours can be read.*how far its values lie apart/,
    );
  });

  it('offers each of several spectra by its specification', () => {
    const geometry = (lit: number, seen: number) =>
      `<GeometryChoice><SingleAngle><IlluminationAngle>${lit}</IlluminationAngle><MeasurementAngle>${seen}</MeasurementAngle></SingleAngle></GeometryChoice>`;
    const text = document(
      object('Hull', reflectance('M0') + reflectance('sphere')),
      specification('M0', ' Increment="10"', geometry(45, 0)) +
        specification(
          'sphere',
          ' Increment="10"',
          '<GeometryChoice><Sphere><SphereConfiguration>d8_Specular_Included</SphereConfiguration></Sphere></GeometryChoice>',
        ),
    );
    const { colours, notes } = readCxf(text);
    expect(colours.map(({ name: label, geometry: how }) => [label, how])).toEqual([
      ['Hull (M0)', '45:0'],
      ['Hull (sphere)', 'd:8 included'],
    ]);
    expect(notes.join('; ')).toMatch(/several spectra; each is offered/);
  });

  it('decodes characters given by number', () => {
    const text = document(
      object('Gr&#252;n &#x263A; &amp; co', reflectance('s')),
      specification('s', ' Increment="10"'),
    );
    expect(readCxf(text).colours[0]!.name).toBe('Grün ☺ & co');
  });

  it('writes and reads every geometry beside the others', () => {
    const all = GEOMETRIES.map((geometry) => ({ ...colour(geometry), geometry }));
    const read = readCxf(writeCxf(all, CREATED));
    expect(read.colours.map(({ geometry = 'unknown' }) => geometry)).toEqual([...GEOMETRIES]);
    expect(read.assumed).toEqual(['geometry']);
  });

  it('follows the colour specification for wavelengths and light', () => {
    const text = `<CxF xmlns="x"><Resources><ObjectCollection><Object Name="Hull"><ColorValues>
      <ReflectanceSpectrum ColorSpecification="s" StartWL="380">${Array.from({ length: 18 }, () => '55.5').join(' ')}</ReflectanceSpectrum>
      <ColorCIELab ColorSpecification="s"><L>79</L><A>1</A><B>2</B></ColorCIELab></ColorValues></Object></ObjectCollection>
      <ColorSpecificationCollection><ColorSpecification Id="s"><TristimulusSpec><Illuminant>D50</Illuminant><Observer>10_Degree</Observer></TristimulusSpec>
      <MeasurementSpec><WavelengthRange StartWL="380" Increment="20"/></MeasurementSpec></ColorSpecification></ColorSpecificationCollection></Resources></CxF>`;
    const { colours, notes } = readCxf(text);
    expect(colours[0]!.spectrum![10]).toBeCloseTo(0.555, 9);
    expect(colours[0]!.lab).toMatchObject({ illuminant: 'D50', observer: '10deg' });
    expect(notes.join('; ')).toMatch(/per cent[\s\S]*Sprague/);
  });
});

describe('programs that others wrote', () => {
  const inFolder = <T>(work: (folder: string) => T): T => {
    const folder = mkdtempSync(join(tmpdir(), 'fanfare-formats-'));
    try {
      return work(folder);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  };
  const colours = [
    colour('one'),
    colour(
      'two',
      spectrumFrom((nm) => (nm > 560 ? 0.7 : 0.06)),
    ),
  ];

  it.runIf(existsSync('/usr/bin/spec2cie'))('compute the same colour from our CGATS spectra', () => {
    inFolder((folder) => {
      writeFileSync(join(folder, 'ours.sp'), writeCgats(colours, CREATED));
      execFileSync('/usr/bin/spec2cie', [
        '-i',
        'D65',
        '-o',
        '1931_2',
        join(folder, 'ours.sp'),
        join(folder, 'theirs.sp'),
      ]);
      const lines = readFileSync(join(folder, 'theirs.sp'), 'utf8').split('\n');
      const fields = lines[lines.indexOf('BEGIN_DATA_FORMAT') + 1]!.trim().split(/\s+/);
      const first = lines.indexOf('BEGIN_DATA') + 1;
      colours.forEach(({ spectrum }, at) => {
        const row = lines[first + at]!.trim().split(/\s+/);
        const { X, Y, Z } = spectrumToXyz(spectrum, DAYLIGHT);
        // Computed there from tables by 1 nm, on a scale of 1 or of 100.
        const scale = Number(row[fields.indexOf('XYZ_Y')]) / Y > 10 ? 100 : 1;
        Object.entries({ XYZ_X: X, XYZ_Y: Y, XYZ_Z: Z }).forEach(([field, value]) =>
          expect(Math.abs(value - Number(row[fields.indexOf(field)]) / scale)).toBeLessThan(0.002),
        );
      });
    });
  });

  it.runIf(existsSync('/usr/bin/cxf2ti3'))('read our CxF and find the same spectra', () => {
    inFolder((folder) => {
      writeFileSync(join(folder, 'ours.cxf'), writeCxf(colours, CREATED));
      execFileSync('/usr/bin/cxf2ti3', [join(folder, 'ours.cxf'), join(folder, 'theirs')]);
      const read = readCgats(readFileSync(join(folder, 'theirs.cie'), 'utf8')).colours;
      read.forEach(({ spectrum }, at) =>
        spectrum!.forEach((value, band) => expect(value).toBeCloseTo(colours[at]!.spectrum[band]!, 3)),
      );
      expect(read).toHaveLength(2);
    });
  });
});

describe('GIMP palettes', () => {
  it('reads back what it wrote', () => {
    const text = writeGimpPalette('Parade', [
      { name: 'Lagoon Mist', hex: '#2a7f86' },
      { name: 'Cream', hex: '#f4ead0' },
    ]);
    const { colours } = readGimpPalette(text);
    expect(colours.map(({ name: label }) => label)).toEqual(['Lagoon Mist', 'Cream']);
    expect(colours[0]!.lab!.L).toBeCloseTo(48.6, 0);
  });

  it('keeps good lines beside bad ones and refuses other files', () => {
    const { colours, notes } = readGimpPalette(
      'GIMP Palette\nName: x\n#\n 10 20 30 ink\n 300 0 0 no\nred\n255 255 255\n',
    );
    expect(colours.map(({ name: label }) => label)).toEqual(['ink', '#ffffff']);
    expect(notes.join()).toMatch(/2 lines were/);
    expect(() => readGimpPalette('hello')).toThrow(/not a GIMP palette/);
    expect(() => readGimpPalette('GIMP Palette\n#')).toThrow(/no colours/);
  });
});

describe('colour tables', () => {
  it('guesses columns by their headings', () => {
    expect(
      guessColourColumns(['Code', 'Name', 'L*', 'a*', 'b*', '400 nm', 'R410', 'SPEC_420', 'remark']),
    ).toEqual(['code', 'name', 'L', 'a', 'b', 400, 410, 420, null]);
  });

  it('reads back its own rows', () => {
    const [head, ...rows] = colourTableRows([{ ...colour('Hull'), hex: '#123456' }]);
    const { colours } = readColourTable(rows, guessColourColumns(head!));
    expect(colours[0]).toMatchObject({ name: 'Hull', spectrum: spectrumFrom(smooth) });
    expect(colours[0]!.lab!.a).toBe(colour('Hull').lab.a);
  });

  it('takes decimal commas and hex, and names the lines it leaves out', () => {
    const columns = guessColourColumns(['name', 'L', 'a', 'b', 'hex']);
    const { colours, notes } = readColourTable(
      [
        ['Boat', '44,1', '-21,5', '9', ''],
        ['Sky', '', '', '', '#88aacc'],
        ['Nothing', '', '', '', 'blue'],
        ['', '', '', '', ''],
        ['Too light', '144', '0', '0', ''],
      ],
      columns,
      { light: { illuminant: 'D50', observer: '2deg' } },
    );
    expect(colours.map(({ name: label }) => label)).toEqual(['Boat', 'Sky']);
    expect(colours[0]!.lab).toMatchObject({ L: 44.1, a: -21.5, illuminant: 'D50' });
    expect(notes).toEqual([expect.stringMatching(/row 3/), expect.stringMatching(/row 5.*144/)]);
    expect(() => readColourTable([['x']], ['name'])).toThrow(/which columns/);
  });
});

describe('Lab of another light or observer', () => {
  // Colours whose reflectance is known, so that their Lab in daylight is no guess.
  const known = paints
    .filter(({ role, flakeUm }) => role === 'colour' && flakeUm === undefined)
    .slice(0, 150)
    .map((paint) => opaqueSpectrum(paint));

  it.each([
    ['D65', '10deg', 0.6, 1.6],
    ['D50', '2deg', 0.4, 1],
    ['D50', '10deg', 0.4, 1],
    ['A', '2deg', 1.3, 3],
  ] as const)('comes near from %s, %s, and says how near', (illuminant, observer, median, most) => {
    const off: number[] = [];
    let held = 0;
    for (const spectrum of known) {
      const found = labInDaylight(spectrumToLab(spectrum, { illuminant, observer }), illuminant, observer);
      const away = ciede2000(found.lab, spectrumToLab(spectrum, DAYLIGHT));
      off.push(away);
      if (away <= found.uncertainty) held++;
    }
    off.sort((a, b) => a - b);
    expect(off[Math.floor(off.length / 2)]).toBeLessThan(median);
    expect(off[Math.floor(0.9 * off.length)]).toBeLessThan(most);
    expect(held / known.length).toBeGreaterThan(0.85);
    expect(held / known.length).toBeLessThan(0.97);
  });

  it('keeps neutral colours neutral and daylight as it is, and refuses lights it does not know', () => {
    const { lab } = labInDaylight({ L: 50, a: 0, b: 0 }, 'D50', '2deg');
    expect(Math.hypot(lab.a, lab.b)).toBeLessThan(0.05);
    const inD65 = { L: 44, a: -21, b: 9 };
    expect(labInDaylight(inD65, 'D65', '2deg')).toMatchObject({ lab: inD65, uncertainty: 0 });
    expect(() => labInDaylight(inD65, 'F11', '2deg')).toThrow(/F11/);
    expect(() => labInDaylight(inD65, 'constructor', '2deg')).toThrow(/constructor/);
    expect(() => labInDaylight({ L: 15, a: 54, b: 95 }, 'A', '2deg')).toThrow(/No surface/);
  });
});
