import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { cone, cylinder } from '../flat/developments.ts';
import { usualFiringOrder, type EngineLayout } from '../ignition/cylinders.ts';
import { planIgnition, type IgnitionQuestion, type IgnitionSource } from '../ignition/planIgnition.ts';
import { laceWheel } from '../wheels/lacing.ts';
import { planStretch, type StretchQuestion } from '../stretch/planStretch.ts';
import { drawDevelopment } from './drawDevelopment.ts';
import { drawCaps, drawEngine } from './drawHarness.ts';
import { drawFacing, type FacingPart } from './drawFacing.ts';
import { drawStretch } from './drawStretch.ts';
import { drawJig } from './drawWheel.ts';
import type { FlatDrawing } from './flatDrawing.ts';

type Cap = Extract<IgnitionSource, { kind: 'distributor' | 'magneto' }>;
const six: EngineLayout = { kind: 'in-line', cylinders: 6, pitchMm: 6, reachMm: 12 };
const cap = (more: Partial<Cap> = {}): Cap => ({
  kind: 'distributor',
  lies: false,
  at: [-15, 6, 12],
  capRadiusMm: 2,
  towers: 6,
  rotor: 'anticlockwise',
  firstDeg: 40,
  plugs: 1,
  ...more,
});
const question = (more: Partial<IgnitionQuestion> = {}): IgnitionQuestion => ({
  layout: six,
  numbering: 'left-bank-first',
  firingOrder: [1, 5, 3, 6, 2, 4],
  source: cap(),
  guides: [],
  slack: 0.1,
  scale: 24,
  realMm: [7, 8],
  ...more,
});
const within = ({ lines, labels, width, height }: FlatDrawing) =>
  [...lines.flatMap(({ points }) => points), ...labels.map(({ at }) => at)].every(
    ([x, y]) => x >= -1e-9 && y >= -1e-9 && x <= width + 1e-9 && y <= height + 1e-9,
  );

describe('a cap as it is drawn', () => {
  it('gives the firing order to who walks round it the way of the rotor, from the tower that is marked', () => {
    for (const rotor of ['clockwise', 'anticlockwise'] as const)
      for (const firstDeg of [0, 40, 200, 359]) {
        const of = question({ source: cap({ rotor, firstDeg }) });
        const drawing = drawCaps(planIgnition(of), of.source)!;
        expect(within(drawing)).toBe(true);
        const towers = drawing.labels.filter(({ text }) => /^\d$/.test(text));
        const [cx, cy] = [0, 1].map(
          (axis) => towers.reduce((sum, { at }) => sum + at[axis]!, 0) / towers.length,
        ) as [number, number];
        const turn = ({ at: [x, y] }: (typeof towers)[number]) =>
          (((Math.atan2(x - cx, cy - y) * 180) / Math.PI - firstDeg) * (rotor === 'clockwise' ? 1 : -1) +
            720.5) %
          360;
        const walked = [...towers].sort((p, q) => turn(p) - turn(q)).map(({ text }) => Number(text));
        expect(walked).toEqual([1, 5, 3, 6, 2, 4]);
      }
  });

  it('is there twice for two plugs, and not at all for coils', () => {
    const twin = question({ source: cap({ plugs: 2 }) });
    const drawing = drawCaps(planIgnition(twin), twin.source)!;
    expect(drawing.labels.filter(({ text }) => text === '3')).toHaveLength(2);
    expect(drawing.labels.map(({ text }) => text)).toContain('cap 2');
    const coils = question({ source: { kind: 'coil-per-plug' } });
    expect(drawCaps(planIgnition(coils), coils.source)).toBeUndefined();
    expect(drawEngine(planIgnition(coils)).labels).toHaveLength(7);
  });
});

describe('an engine as it is drawn', () => {
  const numbers = (of: IgnitionQuestion) =>
    new Map(
      drawEngine(planIgnition(of))
        .labels.filter(({ text }) => /^\d+$/.test(text))
        .map(({ text, at }) => [Number(text), at] as const),
    );

  it('has its front upward and its left bank to the left', () => {
    const layout: EngineLayout = {
      kind: 'v',
      cylinders: 8,
      bankDeg: 90,
      offsetMm: 0,
      pitchMm: 9,
      reachMm: 15,
    };
    const source = cap({ towers: 8, at: [-30, 0, 19] });
    const order = usualFiringOrder(layout, 'left-bank-first')!;
    const at = numbers(question({ layout, source, firingOrder: order }));
    expect(at.get(1)![1]).toBeLessThan(at.get(4)![1]);
    expect(at.get(1)![0]).toBeLessThan(at.get(5)![0]);
  });

  it('is seen from the front where cylinders stand in a ring, the first one on top', () => {
    const layout: EngineLayout = { kind: 'radial', cylinders: 5, reachMm: 20 };
    const source = cap({ towers: 5, at: [-5, 0, 0] });
    const at = numbers(
      question({ layout, source, firingOrder: usualFiringOrder(layout, 'left-bank-first')! }),
    );
    const tops = [...at].sort((p, q) => p[1][1] - q[1][1]);
    expect(tops[0]![0]).toBe(1);
    // Clockwise from the front.
    expect(at.get(2)![0]).toBeGreaterThan(at.get(5)![0]);
  });

  it('lies within its frame, whatever the engine', () => {
    const random = seededRandom(7);
    for (let round = 0; round < 40; round++) {
      const at: [number, number, number] = [40 * random() - 40, 20 * random() - 10, 20 * random()];
      const source = cap({ at });
      expect(within(drawEngine(planIgnition(question({ source }))))).toBe(true);
    }
  });
});

describe('a firing order that is usual', () => {
  it('names the same cylinders whatever their numbers', () => {
    const layout: EngineLayout = {
      kind: 'v',
      cylinders: 4,
      bankDeg: 60,
      offsetMm: 0,
      pitchMm: 8,
      reachMm: 10,
    };
    expect(usualFiringOrder(layout, 'left-bank-first')).toEqual([1, 3, 2, 4]);
    // By turns the left bank is 1 and 3, the right one 2 and 4.
    expect(usualFiringOrder(layout, 'left-by-turns')).toEqual([1, 2, 3, 4]);
    expect(usualFiringOrder(layout, 'right-bank-first')).toEqual([3, 1, 4, 2]);
    expect(usualFiringOrder(layout, 'left-bank-first', [4, 3, 2, 1])).toEqual([4, 2, 3, 1]);
    expect(usualFiringOrder({ ...six, cylinders: 7 }, 'left-bank-first')).toBeUndefined();
  });

  it('counts by place where the maker has a way of its own, and refuses what names no place', () => {
    const own = question({ ownNumbers: [6, 5, 4, 3, 2, 1] });
    const [first] = planIgnition(own).cylinders;
    expect(first).toMatchObject({ number: 1, row: 5 });
    expect(() => planIgnition(question({ ownNumbers: [1, 2, 3] }))).toThrow('each from 1 to 6 once');
    expect(() => planIgnition(question({ ownNumbers: [1, 2, 3, 4, 5, 5] }))).toThrow('1 to 6 once');
  });
});

describe('a jig', () => {
  it('has every spoke at its size, once by number', () => {
    const wheel = { rimRadius: 20.5, flangeRadius: 2.9, offset: 2.4, spokes: 40, crosses: 3 };
    const lacing = laceWheel(wheel);
    const jig = drawJig(wheel, lacing);
    expect(within(jig)).toBe(true);
    expect(jig.labels.map(({ text }) => Number(text))).toEqual(Array.from({ length: 40 }, (_, at) => at + 1));
    const spokes = jig.lines.filter(({ kind, points }) => kind !== 'thin' && points.length === 2);
    expect(spokes).toHaveLength(40);
    for (const { points } of spokes) {
      const [[ax, ay], [bx, by]] = points as [readonly [number, number], readonly [number, number]];
      // In the plane of the rim: the offset of the flange stands across it.
      expect(Math.hypot(ax - bx, ay - by, wheel.offset)).toBeCloseTo(lacing.spokeMm, 6);
    }
  });
});

describe('a pattern as it is drawn', () => {
  it('keeps its size, wherever its outline lay', () => {
    const [wrap, end] = drawDevelopment(
      cylinder({ radius: 5, length: 20, ends: true }, { thickness: 0, lap: 2 }),
    );
    expect(wrap!.width).toBeCloseTo(10 * Math.PI + 2, 6);
    expect(wrap!.height).toBeCloseTo(20, 6);
    expect(end!.width).toBeCloseTo(10, 6);
    const [fan] = drawDevelopment(cone({ bottom: 9, top: 2, height: 14 }, { thickness: 0.05, lap: 1 }));
    expect(within(fan!)).toBe(true);
  });
});

describe('a drawing of which way round', () => {
  const part = (more: Partial<FacingPart> = {}): FacingPart => ({
    faces: 'front',
    mark: 'none',
    holes: null,
    ...more,
  });
  /** Where the doubled edge lies against the middle of the part. */
  const edge = (faces: FacingPart['faces']) => {
    const { lines } = drawFacing(part({ faces }));
    const middleOf = (points: readonly (readonly [number, number])[]) =>
      [0, 1].map((axis) => points.reduce((sum, point) => sum + point[axis]!, 0) / points.length);
    const [box, doubled] = [lines[0]!, lines.find(({ kind }) => kind === 'cut')!].map(({ points }) =>
      middleOf(points),
    );
    return [0, 1].map((axis) => Math.sign(Math.round(doubled![axis]! - box![axis]!)));
  };

  it('has the front to the left and the left side below, in plan, and up above, from the side', () => {
    expect(edge('front')).toEqual([-1, 0]);
    expect(edge('rear')).toEqual([1, 0]);
    expect(edge('left')).toEqual([0, 1]);
    expect(edge('right')).toEqual([0, -1]);
    expect(edge('up')).toEqual([0, -1]);
    expect(edge('down')).toEqual([0, 1]);
    const from = (faces: FacingPart['faces']) => drawFacing(part({ faces })).labels.map(({ text }) => text);
    expect(from('left')).toContain('from above');
    expect(from('down')).toContain('from the left');
  });

  it('shows as many holes as there are, up to a dozen, and each mark in its own way', () => {
    const holes = (count: number | null) =>
      drawFacing(part({ holes: count })).lines.filter(({ closed }) => closed).length - 1;
    expect([null, 1, 5, 40].map(holes)).toEqual([0, 1, 5, 12]);
    const marks = ['none', 'notch', 'dot', 'arrow', 'letter', 'pin'] as const;
    expect(new Set(marks.map((mark) => JSON.stringify(drawFacing(part({ mark }))))).size).toBe(marks.length);
  });
});

describe('a drawing of a stretched frame', () => {
  const question: StretchQuestion = {
    stretchMm: 42,
    atMm: 100,
    brackets: [{ name: 'hanger', atMm: 40, widthMm: 4 }],
    members: (
      [
        ['rail', 0, 210],
        ['axle', 150, 40],
      ] as const
    ).map(([id, fromMm, lengthMm]) => ({
      ...{ id, name: id, count: 1, fromMm, lengthMm, section: 'channel' as const, outsideMm: 5 },
      ...{ insideMm: null, share: 1, cutAtMm: null, dropMm: 0, line: '' },
    })),
  };
  const span = ({ points }: FlatDrawing['lines'][number]) => {
    const across = points.map(([x]) => x);
    return [Math.min(...across), Math.max(...across)] as const;
  };

  it('is to scale along: parts before, what is put in, and what goes back', () => {
    const { lines } = drawStretch(question, planStretch(question));
    const bars = lines.filter(({ kind, closed }) => kind === 'line' && closed).map(span);
    const [before, front, insert, rear, axle, moved] = bars;
    const long = ([from, to]: readonly [number, number]) => to - from;
    expect(bars.map(long).map((mm) => Number(mm.toFixed(6)))).toEqual([210, 100, 42, 110, 40, 40]);
    expect(insert![0]).toBeCloseTo(front![1], 9);
    expect(rear![0]).toBeCloseTo(insert![1], 9);
    expect(rear![1] - before![0]).toBeCloseTo(252, 9);
    expect(moved![0] - axle![0]).toBeCloseTo(42, 9);
  });

  it('shows both cuts of what is made shorter, and no insert', () => {
    const short = { ...question, stretchMm: -30 };
    const { lines } = drawStretch(short, planStretch(short));
    expect(lines.filter(({ kind }) => kind === 'cut')).toHaveLength(2);
    const bars = lines.filter(({ kind, closed }) => kind === 'line' && closed).map(span);
    expect(bars.map(([from, to]) => Math.round(to - from))).toEqual([210, 100, 80, 40, 40]);
  });

  it('lies within its frame, words too', () => {
    const { lines, labels, width, height } = drawStretch(question, planStretch(question));
    for (const [x, y] of [...lines.flatMap(({ points }) => points), ...labels.map(({ at }) => at)]) {
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x).toBeLessThanOrEqual(width);
      expect(y).toBeGreaterThanOrEqual(0);
      expect(y).toBeLessThanOrEqual(height);
    }
  });
});
