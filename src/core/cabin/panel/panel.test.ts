import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { drawFace, drawTemplate } from '../drawn/drawPanel.ts';
import { decalPieces, lensMm3, trimmedMm } from './decalPieces.ts';
import { drawDial, type DialArt } from './dialArt.ts';
import { drawOther } from './otherArt.ts';
import { betweenMm, toEdgeMm, type PanelFace, type PanelOpening } from './openings.ts';
import { scorePanelRoutes, type PanelMeans } from './panelRoutes.ts';
import { planOverlay, type OverlayQuestion } from './planOverlay.ts';

const dial = (id: string, x: number, y: number, mm: number): PanelOpening => ({
  id,
  name: `dial ${id}`,
  x,
  y,
  round: true,
  widthMm: mm,
  heightMm: mm,
});
const slot = (id: string, x: number, y: number, widthMm: number, heightMm: number): PanelOpening => ({
  ...dial(id, x, y, widthMm),
  name: `slot ${id}`,
  round: false,
  heightMm,
});
const face: PanelFace = { widthMm: 40, heightMm: 12, cornerMm: 2 };
const question = (openings: PanelOpening[], more: Partial<OverlayQuestion> = {}): OverlayQuestion => ({
  ...face,
  gaugeMm: 0.25,
  openings,
  drills: [0.5, 1, 1.5, 2, 3, 4],
  ...more,
});

/** Points on the rim of an opening. */
const rim = ({ x, y, round, widthMm, heightMm }: PanelOpening): [number, number][] =>
  Array.from({ length: 1200 }, (_, at): [number, number] => {
    const share = at / 1200;
    if (round) {
      const turn = 2 * Math.PI * share;
      return [x + (widthMm / 2) * Math.cos(turn), y + (widthMm / 2) * Math.sin(turn)];
    }
    const [side, along] = [Math.floor(4 * share), (4 * share) % 1];
    const [w, h] = [widthMm / 2, heightMm / 2];
    return [
      [x - w + 2 * w * along, y - h] as [number, number],
      [x + w, y - h + 2 * h * along] as [number, number],
      [x + w - 2 * w * along, y + h] as [number, number],
      [x - w, y + h - 2 * h * along] as [number, number],
    ][side]!;
  });

describe('plastic between openings', () => {
  it('is the least there is between their rims, by stepping along both', () => {
    const random = seededRandom(5);
    for (let round = 0; round < 12; round++) {
      const any = (id: string, x: number) =>
        random() < 0.5
          ? dial(id, x, 4 + 4 * random(), 1 + 2 * random())
          : slot(id, x, 4 + 4 * random(), 1 + 2 * random(), 1 + 2 * random());
      const [one, other] = [any('a', 6), any('b', 11 + 3 * random())];
      let least = Infinity;
      for (const [x, y] of rim(one))
        for (const [u, v] of rim(other).filter((_, at) => at % 4 === 0))
          least = Math.min(least, (x - u) ** 2 + (y - v) ** 2);
      expect(betweenMm(one, other)).toBeCloseTo(Math.sqrt(least), 2);
      expect(betweenMm(one, other)).toBe(betweenMm(other, one));
    }
  });

  it('is below 0 where they overlap', () => {
    expect(betweenMm(dial('a', 5, 5, 4), dial('b', 8, 5, 3))).toBeCloseTo(-0.5, 9);
    expect(betweenMm(slot('a', 5, 5, 4, 4), slot('b', 8, 5, 4, 4))).toBeCloseTo(-1, 9);
    expect(betweenMm(dial('a', 5, 5, 2), slot('b', 5, 5, 4, 4))).toBeLessThan(0);
  });

  it('to the edge counts the rounded corner', () => {
    expect(toEdgeMm(face, dial('a', 20, 6, 4))).toBeCloseTo(4, 9);
    expect(toEdgeMm(face, dial('a', 3, 6, 4))).toBeCloseTo(1, 9);
    // In the corner, from its middle at 2, 2: the diagonal counts.
    expect(toEdgeMm(face, dial('a', 1.5, 1.5, 1))).toBeCloseTo(2 - Math.hypot(0.5, 0.5) - 0.5, 9);
    expect(toEdgeMm(face, slot('a', 20, 6, 39, 2))).toBeCloseTo(0.5, 9);
    expect(toEdgeMm(face, dial('a', 0.5, 6, 2))).toBeCloseTo(-0.5, 9);
  });
});

describe('the overlay of a panel', () => {
  it('names the web that will break, and by how much to move', () => {
    const { webs, drillFirst } = planOverlay(question([dial('1', 10, 6, 4), dial('2', 14.4, 6, 4)]));
    expect(webs).toEqual([
      {
        a: '1',
        b: '2',
        mm: expect.closeTo(0.4, 9) as number,
        verdict: 'breaks',
        moveMm: expect.closeTo(0.35, 9) as number,
      },
    ]);
    expect(drillFirst).toBe(true);
    // 0.6 in the same sheet is thin, and 0.8 holds.
    expect(planOverlay(question([dial('1', 10, 6, 4), dial('2', 14.6, 6, 4)])).webs[0]!.verdict).toBe('weak');
    expect(planOverlay(question([dial('1', 10, 6, 4), dial('2', 14.8, 6, 4)]))).toMatchObject({
      webs: [],
      drillFirst: false,
    });
  });

  it('opens what stands free first, close pairs later, rectangles last', () => {
    const { holes } = planOverlay(
      question([
        slot('s', 34, 6, 4, 2),
        dial('near', 10, 6, 4),
        dial('by', 14.5, 6, 4),
        dial('free', 24, 6, 3),
      ]),
    );
    expect(holes.map(({ id }) => id)).toEqual(['free', 'near', 'by', 's']);
    expect(holes.map(({ way }) => way)).toEqual(['drill', 'drill', 'drill', 'cut']);
  });

  it('takes the nearest drill there is, says how far off it is, and leads up to wide ones', () => {
    const { holes } = planOverlay(
      question([dial('a', 10, 6, 2.8), dial('b', 20, 6, 0.6), dial('c', 30, 6, 6)]),
    );
    const byId = new Map(holes.map((hole) => [hole.id, hole]));
    expect(byId.get('a')).toMatchObject({
      drillMm: 3,
      offMm: expect.closeTo(0.2, 9) as number,
      pilotsMm: [0.5, 1.5],
    });
    expect(byId.get('b')).toMatchObject({ drillMm: 0.5, pilotsMm: [] });
    expect(byId.get('c')).toMatchObject({ way: 'open-out', drillMm: 4, pilotsMm: [0.5, 2] });
    // Of two drills as near the thinner: what is too narrow is opened, what is too wide stays so.
    expect(planOverlay(question([dial('a', 10, 6, 2.5)])).holes[0]!.drillMm).toBe(2);
  });

  it('counts a drill that is wider than its hole against the web', () => {
    const close = [dial('1', 10, 6, 2.8), dial('2', 13.5, 6, 2.8)];
    expect(planOverlay(question(close)).webs[0]!.mm).toBeCloseTo(0.5, 9);
    expect(planOverlay(question(close, { drills: [2.8] })).webs[0]!.mm).toBeCloseTo(0.7, 9);
  });

  it('takes a blade where a rectangle is too narrow for any drill', () => {
    expect(planOverlay(question([slot('s', 20, 6, 6, 0.8)])).holes[0]).toMatchObject({
      way: 'knife',
      drillMm: 0,
    });
  });

  it('drills the corners of a rectangle within it', () => {
    expect(planOverlay(question([slot('s', 20, 6, 4, 2.2)])).holes[0]).toMatchObject({
      way: 'cut',
      drillMm: 1,
    });
  });

  it('names every pair that overlaps and what breaks out of the face', () => {
    expect(() =>
      planOverlay(question([dial('1', 10, 6, 4), dial('2', 13, 6, 4), dial('3', 39.5, 6, 3)])),
    ).toThrow(/dial 1 and dial 2 overlap by 1\.00 mm; dial 3 and the edge overlap by 1\.00 mm/);
  });

  it('refuses sizes that are none', () => {
    const one = [dial('1', 10, 6, 4)];
    for (const bad of [
      { widthMm: 0 },
      { heightMm: -1 },
      { gaugeMm: 0 },
      { gaugeMm: -0.2 },
      { cornerMm: -1 },
      { drills: [] },
    ])
      expect(() => planOverlay(question(one, bad))).toThrow(RangeError);
    expect(() => planOverlay(question([dial('1', 10, 6, 0)]))).toThrow('dial 1 has no size');
  });
});

describe('a decal behind an overlay', () => {
  const printed = (id: string, x: number, dx: number, dy = 0) => ({
    id,
    x,
    y: 5,
    printedX: x - dx,
    printedY: 5 - dy,
  });

  it('is laid whole where its pitch is that of the holes, or cut where it drifts', () => {
    expect(decalPieces([printed('a', 5, 0.2), printed('b', 12, 0.2), printed('c', 19, 0.25)])).toHaveLength(
      1,
    );
    const pieces = decalPieces([
      printed('a', 5, 0),
      printed('b', 12, 0.4),
      printed('c', 19, 0.8),
      printed('d', 26, 0.85),
    ]);
    expect(pieces.map(({ ids }) => ids)).toEqual([['c', 'd'], ['a'], ['b']]);
    expect(pieces[0]!.shiftX).toBeCloseTo(0.825, 9);
  });

  it('leaves no dial further off than is seen, whatever the pitch', () => {
    const random = seededRandom(3);
    for (let round = 0; round < 100; round++) {
      const dials = Array.from({ length: 8 }, (_, at) =>
        printed(String(at), 5 * at, random(), random() - 0.5),
      );
      const pieces = decalPieces(dials);
      expect(pieces.flatMap(({ ids }) => ids).sort()).toEqual(dials.map(({ id }) => id));
      for (const { ids, shiftX, shiftY } of pieces)
        for (const { x, y, printedX, printedY } of dials.filter(({ id }) => ids.includes(id)))
          expect(Math.hypot(printedX + shiftX - x, printedY + shiftY - y)).toBeLessThan(0.3);
    }
    expect(decalPieces([])).toEqual([]);
  });

  it('is trimmed on both sides by half of what is too much', () => {
    expect([trimmedMm(42, 40), trimmedMm(40, 42)]).toEqual([1, 0]);
  });

  it('has lenses of so much clear as a cap of a ball holds, by summing its slices', () => {
    const [diameter, height] = [4, 0.8];
    const ball = ((diameter / 2) ** 2 + height ** 2) / (2 * height);
    let sum = 0;
    for (let at = 0; at < 10_000; at++) {
      const z = ball - height + (height * (at + 0.5)) / 10_000;
      sum += (Math.PI * (ball * ball - z * z) * height) / 10_000;
    }
    expect(lensMm3(diameter, height)).toBeCloseTo(sum, 4);
    expect(() => lensMm3(4, 2.1)).toThrow('at most 2.00 mm high');
    expect(() => lensMm3(0, 0.1)).toThrow(RangeError);
  });
});

describe('the ways to a panel', () => {
  const means: PanelMeans = {
    dials: 4,
    has: { relief: true, decal: true, etch: false },
    breaking: 0,
    seen: 0.5,
  };

  it('that cannot be taken come last, with what is missing', () => {
    const routes = scorePanelRoutes(means);
    expect(routes.at(-1)).toMatchObject({ id: 'etch-film', not: 'no etched frame' });
    expect(routes[0]!.id).toBe('decal-overlay');
    const bare = scorePanelRoutes({ ...means, has: { relief: false, decal: false, etch: false } });
    expect(bare.filter(({ not }) => not === undefined).map(({ id }) => id)).toEqual(['paper-lens']);
    expect(bare.find(({ id }) => id === 'decal-relief')!.not).toBe('no moulded relief, no decal');
  });

  it('count looks by what is seen: what nobody sees is done the quick way', () => {
    const hidden = scorePanelRoutes({ ...means, seen: 0.02 });
    expect(hidden[0]!.id).toBe('decal-relief');
    expect(hidden[0]!.minutes).toBe(12 + 4 * 1.5);
  });

  it('say what is wrong with an overlay, and weigh webs that break', () => {
    const wrong = scorePanelRoutes({ ...means, overlayFault: 'two overlap' });
    expect(wrong.find(({ id }) => id === 'decal-overlay')!.not).toBe('two overlap');
    expect(scorePanelRoutes({ ...means, breaking: 4 })[0]!.id).not.toBe('decal-overlay');
  });
});

describe('a dial', () => {
  const speed: DialArt = {
    diameterMm: 8,
    from: 0,
    to: 180,
    step: 20,
    between: 1,
    startDeg: 45,
    sweepDeg: 270,
    needle: 90,
    redFrom: 160,
    unit: 'km/h',
  };

  it('has its figures over its sweep, clockwise from the foot', () => {
    const { lines, labels } = drawDial(speed);
    // Ten figures and nine lines between, and the needle.
    expect(lines).toHaveLength(10 + 9 + 1);
    expect(labels.map(({ text }) => text)).toEqual([
      '0',
      '20',
      '40',
      '60',
      '80',
      '100',
      '120',
      '140',
      '160',
      '180',
      'km/h',
    ]);
    // 0 stands below left, the end below right, the needle at half straight up.
    expect([labels[0]!.at[0] < 0, labels[0]!.at[1] > 0]).toEqual([true, true]);
    expect([labels[9]!.at[0] > 0, labels[9]!.at[1] > 0]).toEqual([true, true]);
    const needle = lines.at(-1)!.points[1]!;
    expect(needle[0]).toBeCloseTo(0, 9);
    expect(needle[1]).toBeCloseTo(-0.92 * 4, 9);
    // Red from 160: two figures and their lines.
    expect(new Set(labels.slice(8, 10).map(({ ink }) => ink)).size).toBe(1);
    expect(labels[8]!.ink).not.toBe(labels[7]!.ink);
  });

  it('draws figures no larger than there is room for from one to the next', () => {
    const wide = drawDial({ ...speed, diameterMm: 8, step: 60 });
    expect(wide.labels[0]!.mm).toBeCloseTo(0.13 * 8, 9);
    const { labels } = drawDial({ ...speed, diameterMm: 8 });
    expect(labels[0]!.mm).toBeLessThan(0.13 * 8);
    // Neighbours of three figures do not touch.
    const [p, q] = [labels[5]!.at, labels[6]!.at];
    expect(3 * 0.75 * labels[5]!.mm).toBeLessThan(Math.hypot(p[0] - q[0], p[1] - q[1]));
  });

  it('leaves out what no printer holds, and says so', () => {
    const small = drawDial({ ...speed, diameterMm: 2 });
    expect(small.labels).toEqual([]);
    expect(small.tooFine).toEqual(['figures of 0.11 mm', 'lines between figures']);
    expect(drawDial(speed).tooFine).toEqual([]);
  });

  it('refuses a scale that runs nowhere', () => {
    expect(() => drawDial({ ...speed, to: 0 })).toThrow('runs nowhere');
    expect(() => drawDial({ ...speed, step: 0.001 })).toThrow('cannot be drawn');
    expect(() => drawDial({ ...speed, step: -1 })).toThrow(RangeError);
    expect(() => drawDial({ ...speed, diameterMm: 0 })).toThrow(RangeError);
  });
});

describe('the drawings of a panel', () => {
  it('are at exact size: the template with a free edge, dials in their places on their ground', () => {
    const openings = [dial('1', 10, 6, 4), slot('2', 30, 6, 4, 2)];
    const template = drawTemplate(face, openings, planOverlay(question(openings)));
    expect([template.width, template.height]).toEqual([expect.closeTo(42, 9), expect.closeTo(14, 9)]);
    expect(template.labels.map(({ text }) => text)).toEqual(['1', '2']);
    const art = {
      from: 0,
      to: 10,
      step: 5,
      between: 0,
      startDeg: 0,
      sweepDeg: 180,
      needle: null,
      redFrom: null,
      unit: '',
    };
    const drawing = drawFace(face, [{ ...art, diameterMm: 4, x: 10, y: 6 }]);
    expect([drawing.width, drawing.height]).toEqual([expect.closeTo(41, 9), expect.closeTo(13, 9)]);
    expect(drawing.fills).toHaveLength(2);
    const xs = drawing.fills![1]!.ring.map(([x]) => x);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(4, 6);
    expect((Math.max(...xs) + Math.min(...xs)) / 2).toBeCloseTo(10.5, 6);
  });

  it('has vents with slats within their rims, words that fit, lamps and switches', () => {
    const at = { name: 'HEAT', x: 20, y: 6, widthMm: 8, heightMm: 3 };
    const vent = drawOther({ ...at, what: 'vent', round: true });
    // The outline, then slats: each within the circle.
    for (const { points } of vent.lines.slice(1))
      for (const [x, y] of points) expect(Math.hypot(x - 20, y - 6)).toBeLessThanOrEqual(4 + 1e-9);
    expect(vent.lines.length).toBeGreaterThan(5);
    const [words] = drawOther({ ...at, what: 'lettering', round: false }).labels;
    expect(words).toMatchObject({ text: 'HEAT', at: [20, 6] });
    expect(words!.mm * 0.62 * 4).toBeLessThanOrEqual(8 + 1e-9);
    expect(words!.mm).toBeLessThanOrEqual(3);
    expect(drawOther({ ...at, what: 'lamp', round: true }).fills).toHaveLength(1);
    const toggle = drawOther({ ...at, what: 'switch', round: false });
    expect(toggle.lines.map(({ points }) => points.length)).toEqual([4, 2]);
    const drawing = drawFace(face, [], [{ ...at, what: 'lettering', round: false }]);
    expect(drawing.labels.map(({ text }) => text)).toEqual(['HEAT']);
  });
});
