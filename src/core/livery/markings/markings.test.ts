import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { spectrumToLab } from '../../colour/index.ts';
import {
  EMPTY_KIT,
  liveryAreaRecord,
  markingRecord,
  newRecord,
  viewRecord,
  type Kit,
  type Marking,
} from '../../kit/index.ts';
import { plainFinish, plainPart } from '../../kit/plainKit.ts';
import { applyMinutes, applyOrder, crossingWays, handlingOf, softenerFor } from './applyMarkings.ts';
import { markingRoutes, type MarkingFacts } from './markingRoutes.ts';
import { placeMarkings } from './placeMarkings.ts';
import { predictPrint } from './predictPrint.ts';

const marking = (id: string, more: Partial<Marking> = {}): Marking => ({
  ...newRecord(markingRecord),
  id,
  name: id,
  viewId: 'v',
  ...more,
});
/** A side of 100 by 50 mm with a door from 40 to 70 and a band of cream along its lower edge. */
const kitOf = (...markings: Marking[]): Kit => ({
  ...EMPTY_KIT,
  finishes: [plainFinish('teal', 'gloss'), plainFinish('cream', 'gloss')],
  parts: [plainPart('body'), plainPart('door')],
  views: [
    {
      ...newRecord(viewRecord),
      id: 'v',
      name: 'side',
      outline: 'M0 0H100V50H0Z',
      partId: 'body',
      finishId: 'teal',
      regions: [{ id: 'r', partId: 'door', path: 'M40 10H70V50H40Z' }],
    },
  ],
  liveryAreas: [
    {
      ...newRecord(liveryAreaRecord),
      id: 'a',
      viewId: 'v',
      finishId: 'cream',
      name: 'skirt',
      shape: 'rectangle',
      x: 50,
      y: 45,
      width: 100,
      height: 10,
    },
  ],
  markings,
});

describe('where a marking lies', () => {
  it('is told part by part and colour by colour, as random points fall', () => {
    const random = seededRandom(20);
    for (let round = 0; round < 60; round++) {
      const wide = 4 + 30 * random();
      const tall = 3 + 12 * random();
      const angle = 360 * random() - 180;
      const [x, y] = [100 * random(), 50 * random()];
      const [placed] = placeMarkings(
        kitOf(marking('m', { x, y, width: wide, height: tall, angle, round: random() < 0.5 })),
      );
      const { round: isRound } = placed!.marking;
      const counts = { body: 0, door: 0, cream: 0, all: 0, beside: 0 };
      for (let i = 0; i < 4000; i++) {
        const [u, v] = [random() - 0.5, random() - 0.5];
        if (isRound && u * u + v * v > 0.25) continue;
        counts.all++;
        const turn = (angle * Math.PI) / 180;
        const px = x + u * wide * Math.cos(turn) - v * tall * Math.sin(turn);
        const py = y + u * wide * Math.sin(turn) + v * tall * Math.cos(turn);
        if (px < 0 || px > 100 || py < 0 || py > 50) counts.beside++;
        else {
          counts[px > 40 && px < 70 && py > 10 ? 'door' : 'body']++;
          if (py > 40) counts.cream++;
        }
      }
      const share = (part: string) => placed!.on.find(({ partId }) => partId === part)?.share ?? 0;
      expect(share('door')).toBeCloseTo(counts.door / counts.all, 1);
      expect(share('body')).toBeCloseTo(counts.body / counts.all, 1);
      expect(placed!.beside).toBeCloseTo(counts.beside / counts.all, 1);
      const cream = placed!.under.find(({ finishId }) => finishId === 'cream')?.share ?? 0;
      expect(cream).toBeCloseTo(counts.cream / counts.all, 1);
    }
  });

  it('is its part where no view shows it, and nothing is guessed where neither is named', () => {
    const [onPart, nowhere] = placeMarkings(
      kitOf(marking('p', { viewId: null, partId: 'door' }), marking('n', { viewId: null })),
    );
    expect(onPart!.on).toEqual([{ partId: 'door', share: 1 }]);
    expect([nowhere!.on, nowhere!.under]).toEqual([[], []]);
  });
});

describe('the order in which markings go on', () => {
  it('has what lies beneath before what lies over it, however they are listed', () => {
    const roundel = marking('roundel', { x: 20, y: 25, width: 18, height: 18, round: true, order: 1 });
    const number = marking('number', { x: 20, y: 25, width: 8, height: 10, order: 2 });
    const beside = marking('beside', { x: 90, y: 5, width: 4, height: 4, order: 0 });
    for (const all of [
      [number, beside, roundel],
      [roundel, number, beside],
    ]) {
      const order = applyOrder(placeMarkings(kitOf(...all))).map(({ marking: { id } }) => id);
      expect(order.indexOf('roundel')).toBeLessThan(order.indexOf('number'));
      expect(placeMarkings(kitOf(...all)).find(({ marking: { id } }) => id === 'number')!.over).toEqual([
        'roundel',
      ]);
    }
  });
});

describe('a marking over a joint', () => {
  const wide = marking('w', { width: 40, height: 10 });
  it('goes on in the way of least work, and never uncut over parts that move', () => {
    const still = crossingWays(wide, { moves: false, cleared: false });
    expect(still[0]!.way).toBe('after-join');
    expect(crossingWays(wide, { moves: false, cleared: true })[0]!.way).not.toBe('after-join');
    expect(crossingWays(wide, { moves: true, cleared: false }).map(({ way }) => way)).not.toContain(
      'after-join',
    );
    const minutes = still.map((each) => each.minutes);
    expect(minutes).toEqual([...minutes].sort((p, q) => p - q));
  });

  it('takes longer the more its film has to stretch, and old film no softener', () => {
    const minutes = (['flat', 'curved', 'double', 'strong'] as const).map((surface) =>
      applyMinutes({ ...wide, surface }),
    );
    expect(minutes).toEqual([...minutes].sort((p, q) => p - q));
    expect(new Set(minutes).size).toBe(4);
    expect(softenerFor({ ...wide, surface: 'strong', film: 'cracked' })).toMatch(/no strong softener/);
    expect(softenerFor({ ...wide, surface: 'strong', film: 'sound' })).toMatch(/strong softener in steps/);
  });
});

describe('ways of bringing a marking on', () => {
  const white = { L: 96, a: -1, b: 2 };
  const cream = { L: 91, a: 0, b: 9 };
  const facts: MarkingFacts = { ink: { lab: white, transparent: false }, base: null, onClear: false };
  const best = (more: Partial<Marking>, of: Partial<MarkingFacts> = {}) =>
    markingRoutes(marking('m', { width: 20, height: 8, ...more }), { ...facts, ...of })[0]!.route;
  const against = (route: string, more: Partial<Marking>, of: Partial<MarkingFacts> = {}) =>
    markingRoutes(marking('m', { width: 20, height: 8, ...more }), { ...facts, ...of })
      .find((each) => each.route === route)
      ?.against.join();

  it('begin with the kit’s own where nothing speaks against it', () => {
    expect(best({ sheet: '12' })).toBe('decal');
    expect(best({})).not.toBe('decal');
    expect(best({ sheet: '4', width: 3, height: 3 })).toBe('paint');
    expect(best({ sheet: '12', film: 'cracked', surface: 'strong', lettering: false })).toBe('paint');
  });

  it('say what speaks against film: white beside another white, a dark base, clear plastic', () => {
    expect(against('decal', { sheet: '1' }, { base: cream })).toMatch(/dE from the white beneath/);
    expect(against('decal', { sheet: '1' }, { base: white })).toBe('');
    expect(against('decal', { sheet: '1' }, { base: null })).toBe('');
    const ink = { lab: { L: 40, a: 60, b: 40 }, transparent: true };
    expect(against('print', {}, { ink, base: { L: 30, a: 0, b: 0 } })).toMatch(/no white/);
    expect(against('print', {}, { ink, base: white })).toBe('');
    expect(against('decal', { sheet: '1' }, { onClear: true })).toMatch(/silver/);
  });

  it('leave out what cannot be done: masks for small letters, paper on a curve', () => {
    const routes = (more: Partial<Marking>) =>
      markingRoutes(marking('m', { width: 30, height: 3, ...more }), facts).map(({ route }) => route);
    expect(routes({ lettering: true })).not.toContain('paint');
    expect(routes({ lettering: false })).toContain('paint');
    const plate = { artwork: { ...newRecord(markingRecord).artwork, kind: 'plate' as const } };
    expect(routes(plate)).toContain('paper');
    expect(routes({ ...plate, surface: 'curved' })).not.toContain('paper');
    expect(routes({})).not.toContain('paper');
  });
});

describe('foil and dry transfers', () => {
  const facts: MarkingFacts = { ink: null, base: null, onClear: false };
  const of = (route: string, more: Partial<Marking>, some: Partial<MarkingFacts> = {}) =>
    markingRoutes(marking('m', { width: 16, height: 2.6, lettering: false, ...more }), {
      ...facts,
      ...some,
    }).find((each) => each.route === route);

  it('are offered with what speaks against them, and foil never for lettering', () => {
    expect(of('foil', {})!.against.join()).toContain('nobody said its colour');
    expect(of('foil', { route: 'foil' })!.against).toEqual([]);
    expect(of('foil', { surface: 'double' })!.against.join()).toContain('creases');
    const ink = { lab: { L: 40, a: 50, b: 30 }, transparent: false };
    expect(of('foil', {}, { ink })!.against.join()).toContain('printed in a colour');
    expect(of('foil', { lettering: true })).toBeUndefined();
    expect(of('transfer', {})).toBeUndefined();
    expect(of('transfer', { sheet: '3' })!.against.join()).toContain('nobody said so');
    expect(of('transfer', { route: 'transfer' })!.against).toEqual([]);
    expect(of('transfer', { route: 'transfer', surface: 'curved', film: 'old' })!.against).toHaveLength(2);
  });

  it('are handled as what they are: trimmed, soaked, rubbed down, glued', () => {
    const said = (more: Partial<Marking>) => handlingOf(marking('m', more)).join('; ');
    expect(said({ route: 'decal', film: 'sound' })).toMatch(
      /leave its film.*15 to 30 s in water.*setter only/,
    );
    expect(said({ route: 'decal', film: 'yellowed' })).toContain('trim right to the print');
    expect(said({ route: 'decal', film: 'cracked' })).toContain('a minute in warm water');
    expect(said({ route: 'print', filmUm: 60 })).toMatch(/trim close.*40 to 60 s/);
    expect(said({ route: null })).toContain('in water');
    for (const [route, words] of [
      ['transfer', 'no water'],
      ['foil', 'burnish'],
      ['paper', 'thinned white glue'],
      ['paint', 'mask and paint'],
    ] as const) {
      expect(said({ route })).toContain(words);
      expect(said({ route })).not.toContain('in water');
    }
  });
});

describe('how a print will look', () => {
  const daylight = { illuminant: 'D65', observer: '2deg' } as const;
  const lightness = (spectrum: readonly number[]) => spectrumToLab(spectrum, daylight).L;
  const red = { L: 45, a: 60, b: 35 };
  const dark = { L: 30, a: 0, b: -20 };

  it('follows the paint beneath where its ink is transparent, and white brings it back', () => {
    const { onBase, onWhite } = predictPrint({ ink: { lab: red, transparent: true }, base: dark })!;
    expect(lightness(onBase)).toBeLessThan(Math.min(red.L, dark.L));
    expect(lightness(onWhite)).toBeCloseTo(red.L, 0);
    // Over white paper itself nothing changes.
    const paper = { L: 95.2, a: 0, b: 0 };
    const same = predictPrint({ ink: { lab: red, transparent: true }, base: paper })!;
    expect(lightness(same.onBase)).toBeCloseTo(red.L, 0);
  });

  it('is its own where it is opaque, and not known where either colour is not', () => {
    const opaque = predictPrint({ ink: { lab: red, transparent: false }, base: dark })!;
    expect(opaque.onBase).toEqual(opaque.onWhite);
    // A stack may come out more vivid than any pigment: then the nearest is taken.
    expect(
      predictPrint({ ink: { lab: red, transparent: true }, base: { L: 60, a: 120, b: 120 } }),
    ).not.toBeNull();
    expect(predictPrint({ ink: null, base: dark })).toBeNull();
    expect(predictPrint({ ink: { lab: red, transparent: true }, base: null })).toBeNull();
  });
});
