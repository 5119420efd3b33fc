import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { EMPTY_KIT, newRecord, partRecord, verdictRecord, viewRecord, type Kit } from '../../kit/index.ts';
import { readTypeface } from '../../livery/index.ts';
import { seededRandom } from '../../seededRandom.ts';
import { albumOf } from '../pictures/album.ts';
import type { BookBlock } from './blocks.ts';
import { bookOf, workedLine, type BookSources } from './bookOf.ts';
import { CARD_MM, showCard, wrapped } from './showCard.ts';

const NOTHING = { builder: '', foreword: '', leftOut: [] };
const sources = (kit: Partial<Kit> = {}, more: Partial<BookSources> = {}): BookSources => ({
  build: { name: 'Coupe', subject: '', scale: 24 },
  kit: { ...EMPTY_KIT, ...kit },
  trays: [],
  codes: [],
  cups: [],
  products: new Map(),
  paintName: (id) => id,
  conditions: { temperatureC: 20, humidity: 50 },
  steps: [],
  operations: [],
  arcs: [],
  album: [],
  lessons: [],
  day: (minutes) => `day ${Math.floor(minutes / 1440)}`,
  ...more,
});
const headings = (blocks: readonly BookBlock[]) =>
  blocks.flatMap((block) => (block.kind === 'heading' ? [block.text] : []));
const step = (operationId: string, endedAt: number, minutes: number, trayId: string | null = null) => ({
  operationId,
  trayId,
  title: operationId,
  endedAt,
  minutes,
  note: '',
});

describe('a build book', () => {
  it('of an empty build is its title and what is known of it, with no empty section', () => {
    const blocks = bookOf(sources(), NOTHING);
    expect(blocks.map(({ kind }) => kind)).toEqual(['title', 'rows']);
    expect(JSON.stringify(blocks)).not.toMatch(/undefined|NaN|null/);
  });

  it('tells of what there is, in one order, and leaves out what is not wanted', () => {
    const body = { ...newRecord(partRecord), id: 'p', number: '1', name: 'Body', count: 2 };
    const view = { ...newRecord(viewRecord), id: 'v', name: 'Left', outline: 'M0 0L80 0L80 30L0 30Z' };
    const verdict = {
      ...newRecord(verdictRecord),
      id: 'x',
      end: 'finished' as const,
      marks: [{ aspect: 'fit' as const, mark: 4 }],
      again: 'no',
    };
    const kit = { parts: [body], views: [view], verdicts: [verdict] };
    const more: Partial<BookSources> = {
      steps: [step('a', 1500, 40, 't'), step('b', 4500, 20)],
      operations: [{ id: 'a', kind: 'prime', hands: 30 }],
      trays: [
        { id: 't', name: 'Shell', areaCm2: 50, substrateId: 'styrene', parts: [], layers: [], codeId: null },
      ],
      lessons: [
        {
          id: 'l',
          text: 'Look twice',
          origin: 'Coupe, seam',
          kit: null,
          partWord: null,
          material: null,
          stepKind: null,
        },
      ],
    };
    const all = bookOf(sources(kit, more), { ...NOTHING, builder: ' Zoë ', foreword: 'For the parade.' });
    expect(headings(all)).toEqual(['Livery', 'Plan and hours', 'Verdict', 'Lessons']);
    const words = JSON.stringify(all);
    for (const said of [
      'Zoë',
      'For the parade.',
      '2 pieces',
      'finished',
      '4 of 5',
      'Look twice',
      'Shell',
      '133 %',
    ])
      expect(words).toContain(said);
    const less = bookOf(sources(kit, more), { ...NOTHING, leftOut: ['livery', 'verdict'] });
    expect(headings(less)).toEqual(['Plan and hours', 'Lessons']);
    const drawing = all.find((block) => block.kind === 'drawing')!;
    expect(drawing).toMatchObject({ width: 82, height: 32 });
  });

  it('counts days and hours of the work as an independent count does', () => {
    const random = seededRandom(11);
    for (let turn = 0; turn < 50; turn++) {
      const steps = Array.from({ length: 1 + Math.floor(random() * 30) }, (_, at) =>
        step(`s${at}`, Math.floor(random() * 40_000) + 2000, 1 + Math.floor(random() * 90)),
      );
      const line = workedLine(sources({}, { steps }));
      const days = new Set(steps.map(({ endedAt }) => Math.floor(endedAt / 1440)));
      expect(line).toContain(`on ${days.size} day`);
      expect(line).toContain(
        `day ${Math.floor(Math.min(...steps.map(({ endedAt, minutes }) => endedAt - minutes)) / 1440)}`,
      );
    }
  });

  it('tells of a stack that cannot be worked out without its film, and of one begun', () => {
    const tray = {
      id: 't',
      name: 'Shell',
      areaCm2: 50,
      substrateId: 'nothing known',
      parts: [],
      codeId: null,
      layers: [{ id: 'l', kind: 'primer' as const, coats: 2, mix: null, tool: 'airbrush' as const }],
    };
    const more = {
      trays: [tray],
      operations: [
        { id: 'a', kind: 'prime', title: 'a', hands: 30, trayId: 't', layerId: 'l' },
        { id: 'b', kind: 'prime', title: 'b', hands: 30, trayId: 't', layerId: 'l' },
      ],
      steps: [step('a', 1500, 40, 't')],
    } as unknown as Partial<BookSources>;
    const table = bookOf(sources({}, more), NOTHING).find((block) => block.kind === 'table')!;
    expect(table).toMatchObject({
      rows: [['Primer', 'not chosen yet', '2', 'not known', 'begun', '40 min']],
    });
  });

  it('takes the newest of too many pictures, oldest first', () => {
    const photos = Array.from({ length: 100 }, (_, at) => ({
      id: `f${at}`,
      pictureId: `p${at}`,
      of: 'build' as const,
      what: `picture ${at}`,
      partId: null,
      operationId: null,
      marks: [],
      at,
    }));
    const album = albumOf({ photos, milestones: [], evidence: [] }, { part: () => null, step: () => null });
    const block = bookOf(sources({}, { album }), NOTHING).find(({ kind }) => kind === 'pictures')!;
    const captions = block.kind === 'pictures' ? block.pictures.map(({ caption }) => caption) : [];
    expect(captions).toHaveLength(80);
    expect(captions[0]).toMatch(/^picture 20,/);
    expect(captions.at(-1)).toMatch(/^picture 99,/);
  });
});

describe('the card beside the model', () => {
  const require = createRequire(import.meta.url);
  const bytes = readFileSync(
    require.resolve('@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff'),
  );
  const face = readTypeface(new Uint8Array(bytes).buffer);

  it('wraps so that no line is wider than the card and no letter is lost', () => {
    const random = seededRandom(5);
    const word = () =>
      Array.from({ length: 1 + Math.floor(random() * 14) }, () => 'abcdefg'[Math.floor(random() * 7)]).join(
        '',
      );
    for (let turn = 0; turn < 200; turn++) {
      const text = Array.from({ length: Math.floor(random() * 20) }, word).join(random() < 0.2 ? '\n' : ' ');
      const width = 3 + random() * 20;
      const lines = wrapped(text, width, (line) => line.length);
      for (const line of lines) expect(line.length === 1 || line.length <= width).toBe(true);
      expect(lines.join('').replaceAll(/\s/g, '')).toBe(text.replaceAll(/\s/g, ''));
    }
  });

  it('stays within its edges, and says what it has no room for and no letters for', () => {
    const title = 'A very long name of a very long omnibus of the Larkspur Bay Silver Band';
    const { page, missing, isCut } = showCard(
      {
        title,
        lines: ['1:24', 'Built by 車'],
        words: 'more words '.repeat(200),
        hexes: ['#102030', '#ffffff'],
      },
      face,
    );
    expect(isCut).toBe(true);
    expect(missing).toEqual(['車']);
    for (const { d, fill } of page.paths.slice(1)) {
      const numbers = [...d.matchAll(/[ML]\s*(-?[\d.]+)[ ,]*(-?[\d.]+)/g)].map(([, x, y]) => [
        Number(x),
        Number(y),
      ]);
      expect(fill).toBeDefined();
      for (const [x, y] of numbers) {
        expect(x).toBeGreaterThan(0);
        expect(x).toBeLessThan(CARD_MM.width);
        expect(y).toBeGreaterThan(0);
        expect(y).toBeLessThan(CARD_MM.height);
      }
    }
    expect(showCard({ title: 'Coupe', lines: [], words: '', hexes: [] }, face)).toMatchObject({
      isCut: false,
      missing: [],
    });
  });
});
