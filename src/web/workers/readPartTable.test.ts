import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { partRows, plainPart, type Part } from '../../core/kit/index.ts';
import { readPastedParts } from './readPartTable.ts';

describe('readPastedParts', () => {
  it('reads tabs, commas and semicolons under a heading', () => {
    for (const mark of ['\t', ',', ';']) {
      const text = [
        ['Part', 'Name', 'Qty', 'Shelf'],
        ['A1', 'Body', '1', 'top'],
        ['A2', 'Doors', '2', ''],
      ]
        .map((cells) => cells.join(mark))
        .join('\n');
      const { parts, problems, how } = readPastedParts(text);
      expect(problems).toEqual([]);
      expect(parts.map(({ frame, number, name, count }) => [frame, number, name, count])).toEqual([
        ['A', '1', 'Body', 1],
        ['A', '2', 'Doors', 2],
      ]);
      expect(how).toBe('as a table; columns that say nothing here: Shelf');
    }
  });

  it('reads quoted cells and a byte order mark, and counts lines as pasted', () => {
    const { parts, problems } = readPastedParts(
      '\uFEFFframe,no,name,count\nA,1,"Door, left",1\nA,2,"Door, right",many\n',
    );
    expect(parts.map(({ name }) => name)).toEqual(['Door, left']);
    expect(problems).toMatchObject([{ line: 3, column: 'count' }]);
  });

  it('offers columns that it does not know, and reads again once they are told', () => {
    const text = 'Teil;Description;Qty;Shelf\nA1;Body;2;top';
    const first = readPastedParts(text);
    expect(first.parts).toEqual([]);
    expect(first.columns.filter(({ column }) => column === null).map(({ heading }) => heading)).toEqual([
      'Teil',
      'Shelf',
    ]);
    expect(readPastedParts(text, { Teil: 'label' }).parts).toEqual([
      { frame: 'A', number: '1', name: 'Body', count: 2 },
    ]);
  });

  it('falls back to a part a line', () => {
    const { parts, problems, how } = readPastedParts('A1 Body shell\nno number\nA2 Doors x2');
    expect(parts).toHaveLength(2);
    expect(problems).toMatchObject([{ line: 2, cells: ['no number'] }]);
    expect(how).toBe('as a part a line');
  });

  it('reads ten thousand rows and says where a kit ends', () => {
    const rows = Array.from({ length: 10_000 }, (_, at) => `A${at + 1}\tThing ${at}`);
    const { parts, problems } = readPastedParts(`Part\tName\n${rows.join('\n')}`);
    expect(parts).toHaveLength(3000);
    expect(problems[0]).toMatchObject({ line: 3002 });
    expect(parts.length + problems.length).toBe(10_000);
  });
});

describe('a parts list that was given out', () => {
  it('reads back as it was', () => {
    const finish = { id: 'red', name: 'Parade red' };
    const parts: Part[] = [
      {
        ...plainPart('A12b', { name: 'Body, “left”; lower' }),
        count: 2,
        material: 'clear',
        plated: true,
        areaCm2: 12.5,
        needs: ['seam', 'sink'],
        zones: [{ finishId: 'red', share: 1, boundary: 'edge', edgeMm: null }] as never,
        note: 'a line\nand another, with a comma',
      },
      { ...plainPart('7', { frame: '', number: '7', name: 'Wheel', lengthMm: 18 }) },
    ];
    const { parts: read, problems } = readPastedParts(Papa.unparse(partRows(parts, [finish])));
    expect(problems).toEqual([]);
    expect(read).toEqual(
      parts.map(
        ({
          frame,
          number,
          name,
          count,
          material,
          plated,
          areaCm2,
          lengthMm,
          needs,
          state,
          note,
          colour,
          zones,
        }) => ({
          frame,
          number,
          name,
          count,
          material,
          plated,
          state,
          ...(areaCm2 === null ? {} : { areaCm2 }),
          ...(lengthMm === null ? {} : { lengthMm }),
          ...(needs.length === 0 ? {} : { needs }),
          ...(note === '' ? {} : { note }),
          ...(colour === '' ? {} : { colour }),
          ...(zones.length === 0 ? {} : { finish: finish.name }),
        }),
      ),
    );
  });
});
