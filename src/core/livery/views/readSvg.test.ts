import { describe, expect, it } from 'vitest';
import { measureView } from '../measureView.ts';
import { readSvg } from './readSvg.ts';

const svg = (inner: string, head = 'width="200mm" height="100mm" viewBox="0 0 400 200"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inner}</svg>`;
const flat = ({ outline, openings }: ReturnType<typeof readSvg>) =>
  measureView(
    { outline, openings: openings.map((each, at) => ({ id: `${at}`, ...each })), slope: 1 },
    [],
    'x',
  ).flatCm2;

describe('an SVG drawing', () => {
  it('is read in the millimetres that it says, with transforms resolved', () => {
    const read = readSvg(
      svg(
        '<g transform="translate(10 10)"><g transform="scale(2)"><rect id="side" x="5" y="5" width="100" height="40"/></g></g>' +
          '<circle id="glass" cx="120" cy="60" r="10"/>',
      ),
    );
    expect(read.unitsSaid).toBe(true);
    expect(read.openings.map(({ name }) => name)).toEqual(['glass']);
    // 200 by 80 units of half a millimetre, less a circle of 5 mm.
    expect(flat(read)).toBeCloseTo((100 * 40 - Math.PI * 25) / 100, 1);
    expect(read.outline.startsWith('M0 0')).toBe(true);
  });

  it('is taken for pixels where it says no unit, and that is told', () => {
    const read = readSvg(svg('<polygon points="0,0 96,0 96,96 0,96"/>', 'viewBox="0 0 200 200"'));
    expect(read.unitsSaid).toBe(false);
    expect(flat(read)).toBeCloseTo(25.4 ** 2 / 100, 2);
    expect(
      flat(readSvg(svg('<rect width="10" height="10"/>', 'width="1in" viewBox="0 0 10 10"'))),
    ).toBeCloseTo(6.4516, 2);
  });

  it('leaves out what would run, be fetched, or lies beside, and says so', () => {
    const { left, openings } = readSvg(
      svg(
        '<script>alert(1)</script><image href="http://example.invalid/a.png"/><text>Band</text>' +
          '<rect onclick="x()" width="100" height="50"/><rect x="300" width="10" height="10"/><path d="M5 5 L20 5 L20 20"/>' +
          '<defs><rect width="1000" height="1000"/></defs>',
      ),
    );
    const all = left.join('; ');
    for (const words of [
      'a script',
      'an image',
      'text: turn it',
      'run as a script',
      '1 shape beside',
      'does not close',
    ])
      expect(all).toContain(words);
    expect(openings).toHaveLength(1);
  });

  it('takes lines that are not filled for moulded ones', () => {
    const { lines, outline } = readSvg(
      svg(
        '<g transform="translate(10 0)"><rect width="100" height="50"/><g fill="none">' +
          '<path id="crease" d="M0 20 H100"/><polyline points="5,5 9,9 20,5"/><path d="M2 2 H9 V9 Z"/></g>' +
          '<line x1="0" y1="40" x2="100" y2="40"/></g>',
      ),
    );
    expect(outline).toMatch(/^M0 0/);
    expect(lines.map(({ name }) => name)).toEqual(['crease', 'polyline', 'line']);
    expect(lines[0]!.path).toMatch(/^M0 /);
  });

  it('has its corners as round as they are drawn, and nothing of what is hidden', () => {
    const round = readSvg(svg('<rect width="100" height="60" rx="20"/>'));
    // Units of half a millimetre.
    expect(flat(round)).toBeCloseTo((50 * 30 - (4 - Math.PI) * 100) / 100, 2);
    const hidden = readSvg(
      svg('<rect width="100" height="60"/><rect width="300" height="160" style="display: none"/>'),
    );
    expect(flat(hidden)).toBeCloseTo(15, 2);
    expect(hidden.left).toEqual([]);
  });

  it('is refused with the reason where it cannot be one', () => {
    expect(() => readSvg('<!DOCTYPE svg [<!ENTITY a "b">]><svg/>')).toThrow('document type');
    expect(() => readSvg('<svg><rect')).toThrow('no SVG drawing');
    expect(() => readSvg('<html></html>')).toThrow('no svg element');
    expect(() => readSvg(svg('<line x1="0" x2="5"/>'))).toThrow('Nothing closed');
    expect(() =>
      readSvg(svg(`${'<g>'.repeat(200)}<rect width="9" height="9"/>${'</g>'.repeat(200)}`)),
    ).toThrow(/nested deeper|no SVG drawing/);
    expect(() => readSvg(`<svg>${' '.repeat(2_000_001)}</svg>`)).toThrow('larger than 2 MB');
    const many = `M0 0 ${Array.from({ length: 30_000 }, (_, at) => `L${at} 1`).join(' ')} Z`;
    expect(() => readSvg(svg(`<path d="${many}"/>`))).toThrow('Nothing closed');
  });
});
