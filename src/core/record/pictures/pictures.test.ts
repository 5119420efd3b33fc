import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EMPTY_KIT, evidenceRecord, newRecord, photoRecord } from '../../kit/index.ts';
import {
  albumOf,
  contactSheet,
  duePictures,
  layOver,
  MOST_ON_SHEET,
  picturesFor,
  type AlbumPicture,
} from '../index.ts';

const homeOf = {
  part: (id: string) => (id === 'A1' ? 'body' : null),
  step: (id: string) => (id === 'red' ? 'hood' : null),
};

describe('an album', () => {
  it('holds every picture wherever it was kept, newest first, with its sub-assembly where that is known', () => {
    const photo = { ...newRecord(photoRecord), pictureId: 'p1', what: 'left side' };
    const kit = {
      ...EMPTY_KIT,
      photos: [
        { ...photo, id: 'a', at: 10, partId: 'A1', operationId: 'red' },
        { ...photo, id: 'b', at: 30, operationId: 'red' },
        { ...photo, id: 'c', at: 20, of: 'reference' as const },
      ],
      milestones: [
        { id: 'm', operationId: 'red', what: 'before it closes', pictureId: 'p2', note: '', at: 40 },
        { id: 'n', operationId: 'red', what: 'given up', pictureId: null, note: 'dark', at: 50 },
      ],
      evidence: [
        { id: 'e', ...newRecord(evidenceRecord), title: 'Dash', partIds: ['A1'], pictureId: 'p3' },
        { id: 'f', ...newRecord(evidenceRecord), title: 'No picture' },
      ],
    };
    expect(albumOf(kit, homeOf).map(({ id, trayId, isReference }) => [id, trayId, isReference])).toEqual([
      ['m', 'hood', false],
      ['b', 'hood', false],
      ['c', null, true],
      ['a', 'body', false],
      ['e', 'body', true],
    ]);
  });

  it('knows what is missing and what comes', () => {
    const steps = ['a', 'b', 'c', 'd'].map((id) => ({ id, title: id, ...(id === 'd' ? {} : { photo: id }) }));
    const due = duePictures(steps, (id) => id !== 'b', [{ operationId: 'c' }]);
    expect(due.missing.map(({ id }) => id)).toEqual(['a']);
    expect(due.coming.map(({ id }) => id)).toEqual(['b']);
  });
});

describe('laying one picture over another', () => {
  const size = { width: 800, height: 600 };
  const mark = fc.record({
    x: fc.double({ min: 0, max: 1, noNaN: true }),
    y: fc.double({ min: 0, max: 1, noNaN: true }),
  });

  it('brings both marks onto those of the other, whatever they are', () => {
    fc.assert(
      fc.property(fc.tuple(mark, mark), fc.tuple(mark, mark), (marks, onto) => {
        const other = { width: 1200, height: 500 };
        const found = layOver(marks, size, onto, other);
        if (!found) return;
        const { a, b, e, f } = found;
        marks.forEach(({ x, y }, at) => {
          const [px, py] = [x * size.width, y * size.height];
          expect(a * px - b * py + e).toBeCloseTo(onto[at]!.x * other.width, 4);
          expect(b * px + a * py + f).toBeCloseTo(onto[at]!.y * other.height, 4);
        });
      }),
    );
  });

  it('is the picture itself where the marks are the same, and a quarter turn where they are turned so', () => {
    const marks = [
      { x: 0.25, y: 0.5 },
      { x: 0.75, y: 0.5 },
    ];
    expect(layOver(marks, size, marks, size)).toEqual({ a: 1, b: 0, e: 0, f: 0 });
    const square = { width: 100, height: 100 };
    const turned = layOver(
      marks,
      square,
      [
        { x: 0.5, y: 0.25 },
        { x: 0.5, y: 0.75 },
      ],
      square,
    )!;
    expect(turned.a).toBeCloseTo(0);
    expect(turned.b).toBeCloseTo(1);
  });

  it('is not known from marks that are missing or lie on each other', () => {
    const one = { x: 0.5, y: 0.5 };
    expect(layOver([one], size, [one, { x: 0, y: 0 }], size)).toBeUndefined();
    expect(layOver([one, one], size, [one, { x: 0, y: 0 }], size)).toBeUndefined();
  });
});

describe('a contact sheet', () => {
  const picture = (at: number): AlbumPicture => ({
    id: `f${at}`,
    pictureId: `p${at}`,
    from: 'album',
    isReference: at % 3 === 0,
    what: `picture ${at}`,
    partId: null,
    trayId: null,
    operationId: null,
    marks: [],
    at,
  });

  it('holds every picture once, in its group, and says where it is not all of them', () => {
    for (const count of [1, 7, MOST_ON_SHEET, MOST_ON_SHEET + 50]) {
      const album = Array.from({ length: count }, (_, at) => picture(at));
      const blocks = contactSheet('Coupe', album, ({ at }) => `group ${at! % 4}`);
      const shown = blocks.flatMap((block) => (block.kind === 'pictures' ? block.pictures : []));
      expect(shown).toHaveLength(Math.min(count, MOST_ON_SHEET));
      expect(new Set(shown.map(({ pictureId }) => pictureId)).size).toBe(shown.length);
      expect(blocks.filter(({ kind }) => kind === 'part')).toHaveLength(Math.min(4, count));
      const [title] = blocks;
      expect(title).toMatchObject({ kind: 'title' });
      expect(JSON.stringify(title).includes('the newest')).toBe(count > MOST_ON_SHEET);
    }
  });
});

describe('pictures for something that is looked at', () => {
  const picture = (id: string, more: Partial<AlbumPicture> = {}): AlbumPicture => ({
    id,
    pictureId: id,
    from: 'album',
    isReference: false,
    what: id,
    partId: null,
    trayId: null,
    operationId: null,
    marks: [],
    at: 10,
    ...more,
  });

  it('show the part, then the step, then its sub-assembly, newest first; the real thing apart', () => {
    const album = [
      picture('other', { at: 90 }),
      picture('tray', { trayId: 'body' }),
      picture('step', { operationId: 'red' }),
      picture('part-old', { partId: 'A1', at: 1 }),
      picture('part', { partId: 'A1', at: 5 }),
      picture('real', { isReference: true }),
      picture('real-part', { isReference: true, partId: 'A1', at: null }),
    ];
    const { model, reference } = picturesFor(album, { operationId: 'red', trayId: 'body', partId: 'A1' });
    expect(model.map(({ id }) => id)).toEqual(['part', 'part-old', 'step', 'tray', 'other']);
    expect(reference.map(({ id }) => id)).toEqual(['real-part', 'real']);
    const anyPart = picturesFor(album, { operationId: 'blue', trayId: null, partId: null });
    expect(anyPart.model.map(({ id }) => id)[0]).toBe('other');
  });
});
