import { describe, expect, it } from 'vitest';
import { readPaintList } from './readPaintList.ts';

const mine = { range: 'Mine', family: 'lacquer' as const };
const problems = (text: string, range = mine) =>
  readPaintList(text, range).problems.map(({ problem }) => problem);

describe('readPaintList', () => {
  it('reads commas, semicolons and tabs, with and without the rest', () => {
    const { paints, problems: none } = readPaintList(
      '12, Harbour Blue, #24527a\n13;Chalk;f2f2ee;satin;opaque;17;2,90\n14\tHolly\t#2e6b4a\tmatt',
      mine,
    );
    expect(none).toEqual([]);
    expect(
      paints.map(({ code, name, hex, sheen, hiding, volumeMl, priceCents }) => [
        code,
        name,
        hex,
        sheen,
        hiding,
        volumeMl,
        priceCents,
      ]),
    ).toEqual([
      ['12', 'Harbour Blue', '#24527a', 'gloss', 'semi-opaque', 17, 0],
      ['13', 'Chalk', '#f2f2ee', 'satin', 'opaque', 17, 290],
      ['14', 'Holly', '#2e6b4a', 'matt', 'semi-opaque', 17, 0],
    ]);
    for (const paint of paints)
      expect(paint).toMatchObject({ range: 'Mine', family: 'lacquer', owned: true });
  });

  it('keeps quoted names with commas together and passes over empty lines', () => {
    const { paints } = readPaintList('\n7, "Red, signal", #b01c1c\n\n', mine);
    expect(paints.map(({ name }) => name)).toEqual(['Red, signal']);
  });

  it.each([
    ['12, Blue, #2452', /4 hex digits/],
    ['12, Blue, blue', /0-9 and a-f/],
    ['12, Blue', /0 hex digits/],
    ['12', /needs a code, a name and a colour/],
    ['12, Blue, #24527a, shiny', /"shiny" is no sheen/],
    ['12, Blue, #24527a, gloss, somewhat', /"somewhat" is no hiding/],
    ['12, Blue, #24527a, gloss, opaque, -3', /volume must lie/],
  ])('says what is wrong with %s', (line, message) => {
    expect(problems(line).join()).toMatch(message);
  });

  it('names the line, refuses a code twice and asks for the range', () => {
    const { problems: twice } = readPaintList('1, A, #111111\n1, B, #222222', mine);
    expect(twice).toEqual([{ line: 2, text: '1, B, #222222', problem: 'the code 1 is in the list twice' }]);
    expect(problems('1, A, #111111', { ...mine, range: '' })).toEqual(['fill in the range above first']);
  });
});
