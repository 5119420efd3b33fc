import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import {
  edgeMinutes,
  LIVERY_RATES,
  PRIMER,
  type ColourBorder,
  type LiveryColour,
  type Way,
} from './colourCosts.ts';
import { takenByOrder } from './takenByOrder.ts';
import { minutesOfOrder, planColours, type ColourQuestion } from './planColours.ts';

const colour = (id: string, areaCm2: number, more: Partial<LiveryColour> = {}): LiveryColour => ({
  id,
  areaCm2,
  tapeAfterHours: 24,
  ways: ['spray'],
  over: {},
  ...more,
});
const border = (a: string, b: string, lengthMm: number, more: Partial<ColourBorder> = {}): ColourBorder => ({
  a,
  b,
  lengthMm,
  leastRadiusMm: null,
  moulded: false,
  doubleCurve: false,
  ...more,
});

function drawn(seed: number, most: number): ColourQuestion {
  const random = seededRandom(seed);
  const ids = Array.from({ length: 1 + Math.floor(random() * most) }, (_, at) => `c${at}`);
  return {
    colours: ids.map((id) =>
      colour(id, 1 + random() * 200, {
        tapeAfterHours: random() * 60,
        ways: (['spray', 'brush', 'decal', 'foil'] as Way[]).filter((_, at) => at === 0 || random() < 0.4),
        over: Object.fromEntries(
          [...ids, PRIMER].map((under) => [
            under,
            random() < 0.2 ? null : { coats: 1 + Math.floor(random() * 6), undercoat: random() < 0.3 },
          ]),
        ),
      }),
    ),
    borders: ids.flatMap((a, at) =>
      ids.slice(at + 1).flatMap((b) =>
        random() < 0.6
          ? [
              border(a, b, random() * 400, {
                leastRadiusMm: random() < 0.5 ? random() * 60 : null,
                moulded: random() < 0.3,
                doubleCurve: random() < 0.2,
              }),
            ]
          : [],
      ),
    ),
    rates: { tapeStaysHours: 12 + random() * 100, waitHour: random() < 0.5 ? 0 : 0.2 },
  };
}

/** Every order of every choice of colours. */
function* orders(ids: readonly string[]): Generator<string[]> {
  yield [];
  for (const id of ids) for (const rest of orders(ids.filter((other) => other !== id))) yield [id, ...rest];
}

/** Minutes of an order, worked out from the words of the model alone. */
function byWords({ colours, borders, rates: own }: ColourQuestion, order: readonly string[]): number {
  const rates = { ...LIVERY_RATES, ...own };
  const of = (id: string) => colours.find((each) => each.id === id)!;
  const edges = (a: string, b: string) =>
    borders
      .filter((each) => (each.a === a && each.b === b) || (each.a === b && each.b === a))
      .reduce((sum, each) => sum + edgeMinutes(each, rates), 0);
  let sum = 0;
  order.forEach((id, at) => {
    const known = of(id).over[order[at - 1] ?? PRIMER];
    const coats = (known?.coats ?? rates.usualCoats) + (known?.undercoat ? 1 : 0);
    sum += (known?.undercoat ? 2 : 1) * rates.setUp + coats * (rates.coat + rates.coatArea * of(id).areaCm2);
    const later = order.slice(at + 1);
    if (later.length === 0) return;
    const hours = later.reduce((all, other) => all + of(other).tapeAfterHours, 0);
    const times = Math.max(1, Math.ceil(hours / rates.tapeStaysHours - 1e-9));
    const edge = later.reduce((all, other) => all + edges(id, other), 0);
    sum += times * (edge + rates.beginCover + rates.cover * of(id).areaCm2);
    sum += rates.waitHour * of(id).tapeAfterHours;
  });
  for (const each of colours) {
    if (order.includes(each.id)) continue;
    const edge = borders
      .filter(({ a, b }) => a === each.id || b === each.id)
      .reduce((all, { lengthMm }) => all + lengthMm / 10, 0);
    sum += Math.min(
      ...each.ways.flatMap((way) => {
        if (way === 'spray') return [];
        const hand = rates.byHand[way];
        return [hand.begin + hand.area * each.areaCm2 + hand.edge * edge];
      }),
      Infinity,
    );
  }
  return sum;
}

describe('the order of colours', () => {
  it('is the best of every order and every way, on 300 random liveries', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const question = drawn(seed, seed % 20 === 0 ? 7 : 5);
      const plan = planColours(question);
      let least = Infinity;
      for (const order of orders(question.colours.map(({ id }) => id)))
        least = Math.min(least, byWords(question, order));
      expect(plan.minutes, `seed ${seed}`).toBeCloseTo(least, 6);
      // What is told adds up to it.
      const told = [...plan.stages, ...plan.byHand].reduce((sum, { minutes }) => sum + minutes, 0);
      expect(told, `seed ${seed}`).toBeCloseTo(least, 6);
      const own = plan.stages.map((stage) => stage.colour);
      expect(minutesOfOrder(question, own), `seed ${seed}`).toBeCloseTo(least, 6);
    }
  });

  it('puts light under dark where that saves coats, and says what needs an undercoat', () => {
    const cream = colour('cream', 60, {
      over: { red: { coats: 4, undercoat: true }, primer: { coats: 3, undercoat: false } },
    });
    const red = colour('red', 150, {
      over: { cream: { coats: 2, undercoat: false }, primer: { coats: 3, undercoat: false } },
    });
    const question = { colours: [red, cream], borders: [border('red', 'cream', 400)] };
    const { stages } = planColours(question);
    expect(stages.map((each) => each.colour)).toEqual(['cream', 'red']);
    expect(stages[0]).toMatchObject({ over: 'primer', coverCm2: 60, renewals: 1, waitHours: 24 });
    expect(stages[0]!.mask).toEqual([{ border: 'red', lengthMm: 400, kind: 'edge tape' }]);
    expect(stages[1]).toMatchObject({ over: 'cream', coats: 2, mask: [], coverCm2: 0, waitHours: 0 });
  });

  it('brushes a spot that is not worth its mask, and says what spraying it would add', () => {
    const body = colour('body', 200);
    const rubber = colour('rubber', 1.5, { ways: ['spray', 'brush'] });
    const { byHand, otherWay } = planColours({
      colours: [body, rubber],
      borders: [border('body', 'rubber', 60)],
    });
    expect(byHand).toMatchObject([{ colour: 'rubber', way: 'brush' }]);
    expect(otherWay[1]!.more).toBeGreaterThan(5);
    expect(otherWay[0]!.more).toBeNull();
  });

  it('lays a mask again where tape may not stay for all that comes', () => {
    const three = ['a', 'b', 'c'].map((id) => colour(id, 50));
    const question = { colours: three, borders: [border('a', 'b', 100), border('b', 'c', 100)] };
    const renewals = (tapeStaysHours: number) =>
      planColours({ ...question, rates: { tapeStaysHours } }).stages.map((stage) => stage.renewals);
    expect(renewals(48)).toEqual([1, 1, 0]);
    expect(renewals(24)).toEqual([2, 1, 0]);
  });

  it('takes narrow tape round a tight curve and liquid mask where a surface curves both ways', () => {
    const kinds = (more: Partial<ColourBorder>) =>
      planColours({ colours: [colour('a', 50), colour('b', 50)], borders: [border('a', 'b', 100, more)] })
        .stages[0]!.mask[0]!.kind;
    expect(kinds({ leastRadiusMm: 200 })).toBe('edge tape');
    expect(kinds({ leastRadiusMm: 10 })).toBe('narrow tape');
    expect(kinds({ leastRadiusMm: 200, doubleCurve: true })).toBe('liquid mask');
  });

  it('is found among fourteen colours, and refused for more', () => {
    const many = (count: number): ColourQuestion => {
      const ids = Array.from({ length: count }, (_, at) => `c${at}`);
      return {
        colours: ids.map((id, at) => colour(id, 5 + 7 * at)),
        borders: ids.slice(1).map((id, at) => border(ids[at]!, id, 40 + 10 * at)),
      };
    };
    expect(planColours(many(14)).stages).toHaveLength(14);
    expect(() => planColours(many(15))).toThrow('15 colours on one body are more than 14');
  });

  it('says what cannot be', () => {
    const of = (more: Partial<ColourQuestion>) => () =>
      planColours({ colours: [colour('a', 10), colour('b', 10)], borders: [], ...more });
    expect(of({ colours: [colour('a', -1)] })).toThrow('area of “a” is -1');
    expect(of({ colours: [colour('a', 1), colour('a', 1)] })).toThrow('named twice');
    expect(of({ borders: [border('a', 'x', 10)] })).toThrow('“a” and “x” are not two of these');
    expect(of({ borders: [border('a', 'b', Number.NaN)] })).toThrow('NaN mm long');
    expect(of({ colours: [colour('a', 1, { ways: [] })] })).toThrow('can come on in no way');
    expect(of({ colours: [] })()).toMatchObject({ stages: [], byHand: [], minutes: 0 });
    expect(() => minutesOfOrder({ colours: [colour('a', 1)], borders: [] }, ['b'])).toThrow(
      '“b” is no colour',
    );
  });
});

describe('what an order takes', () => {
  it('is its tape by kind, as often as it is laid, its film and its foil with offcuts', () => {
    const mask = (kind: 'edge tape' | 'narrow tape', lengthMm: number) => ({ border: 'x', kind, lengthMm });
    const stage = { colour: 'a', over: PRIMER, coats: 3, undercoat: false, guessed: false, waitHours: 24 };
    const stages = [
      {
        ...stage,
        mask: [mask('edge tape', 100), mask('narrow tape', 30)],
        coverCm2: 20,
        renewals: 2,
        minutes: 1,
      },
      { ...stage, mask: [mask('edge tape', 50)], coverCm2: 5, renewals: 1, minutes: 1 },
      { ...stage, mask: [], coverCm2: 0, renewals: 0, minutes: 1 },
    ];
    const byHand = [
      { colour: 'chrome', way: 'foil' as const, minutes: 3 },
      { colour: 'dot', way: 'brush' as const, minutes: 3 },
    ];
    expect(takenByOrder({ stages, byHand }, () => 4)).toEqual({
      edges: [
        { kind: 'edge tape', lengthMm: 250 },
        { kind: 'narrow tape', lengthMm: 60 },
      ],
      coverCm2: 45,
      foilCm2: 6,
    });
  });
});
