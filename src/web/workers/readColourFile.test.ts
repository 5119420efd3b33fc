import { describe, expect, it } from 'vitest';
import { DAYLIGHT, spectrumFrom, spectrumToLab } from '../../core/colour/index.ts';
import { writeCgats, writeCxf, writeGimpPalette } from '../../core/formats/index.ts';
import { readColourFile } from './readColourFile.ts';

const spectrum = spectrumFrom((nm) => 0.1 + (nm - 400) / 600);
const colour = { name: 'Hull red', spectrum, lab: spectrumToLab(spectrum, DAYLIGHT) };

describe('readColourFile', () => {
  it.each([
    ['CGATS text', writeCgats([colour], 'today')],
    ['CxF 3', writeCxf([colour], '2026-05-12T10:00:00Z')],
    ['GIMP palette', writeGimpPalette('p', [{ name: 'Hull red', hex: '#aa3322' }])],
    ['table', 'name;L;a;b\nHull red;40;30;20'],
    ['table', 'name\tL\ta\tb\nHull red\t40\t30\t20'],
  ])('tells %s by what it says', (kind, text) => {
    const file = readColourFile(text);
    expect(file.kind).toBe(kind);
    expect(file.colours[0]!.name).toBe('Hull red');
  });

  it('shows a table whose columns it cannot guess, and reads it once they are told', () => {
    const text = 'what,one,two,three\nHull,40,30,20';
    const file = readColourFile(text);
    expect(file).toMatchObject({
      colours: [],
      table: { headings: ['what', 'one', 'two', 'three'], preview: [['Hull', '40', '30', '20']] },
    });
    const told = readColourFile(text, {
      columns: ['name', 'L', 'a', 'b'],
      light: { illuminant: 'D50', observer: '2deg' },
    });
    expect(told.colours).toMatchObject([
      { name: 'Hull', lab: { L: 40, a: 30, b: 20, illuminant: 'D50', observer: '2deg' } },
    ]);
    // Seen in daylight, and less sure for it.
    expect(told.colours[0]!.daylight!.uncertainty).toBeGreaterThan(0.2);
    expect(told.colours[0]!.daylight!.lab.L).toBeCloseTo(40, -1);
  });

  it('says of each colour that cannot be kept why, and brings the others into daylight', () => {
    const { colours } = readColourFile('name,L,a,b\nHull,40,30,20\nGlow,15,54,95');
    expect(colours[0]).toMatchObject({ daylight: { lab: { L: 40, a: 30, b: 20 }, uncertainty: 0 } });
    expect(colours[1]!.daylight).toBeUndefined();
    expect(colours[1]!.problem).toMatch(/No surface can have .* The nearest that can be is/);
    const lamp = readColourFile('name,L,a,b\nHull,40,30,20', {
      light: { illuminant: 'F11', observer: '2deg' },
    });
    expect(lamp.colours[0]!.problem).toMatch(/F11/);
  });

  it('asks for the scale where it cannot know', () => {
    const head = Array.from({ length: 16 }, (_, i) => 400 + 20 * i).join();
    const row = Array.from({ length: 16 }, () => '1.2').join();
    const text = `name,${head}\nGlow,${row}`;
    expect(readColourFile(text).ask).toMatch(/per cent/);
    expect(readColourFile(text, { scale: 'percent' }).colours[0]!.spectrum![0]).toBeCloseTo(0.012, 9);
    const held = readColourFile(text, { scale: 'fraction' });
    expect(Math.max(...held.colours[0]!.spectrum!)).toBe(1);
    expect(held.notes.join()).toMatch(/fluorescent/);
  });

  it('refuses what is no colour file', () => {
    expect(() => readColourFile('hello')).toThrow(/no colour file/);
    expect(() => readColourFile('<!DOCTYPE a><CxF/>')).toThrow(/document type/);
  });
});
