import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { cylindersOf, NUMBERINGS, USUAL_FIRING_ORDERS, type EngineLayout, type Place } from './cylinders.ts';
import { planIgnition, type IgnitionQuestion } from './planIgnition.ts';

const layoutOf = (kind: EngineLayout['kind'], cylinders: number): EngineLayout =>
  kind === 'radial'
    ? { kind, cylinders, reachMm: 20 }
    : kind === 'v'
      ? { kind, cylinders, bankDeg: 90, offsetMm: 1, pitchMm: 5, reachMm: 12 }
      : { kind, cylinders, pitchMm: 4.5, reachMm: 14 };
const cap = (towers: number) => ({
  kind: 'distributor' as const,
  lies: false,
  at: [4, 0, 20] as const,
  capRadiusMm: 2,
  towers,
  rotor: 'clockwise' as const,
  firstDeg: 30,
  plugs: 1 as const,
});
const question = (
  layout: EngineLayout,
  firingOrder: readonly number[],
  more: Partial<IgnitionQuestion> = {},
): IgnitionQuestion => ({
  layout,
  numbering: 'left-bank-first',
  firingOrder,
  source: cap(layout.cylinders),
  guides: [],
  slack: 0,
  scale: 24,
  realMm: [7, 8.5],
  ...more,
});

describe('ignition leads', () => {
  it.each(USUAL_FIRING_ORDERS.map((each) => [`${each.kind} ${each.cylinders}`, each] as const))(
    '%s: walking round the cap the way of its rotor gives the firing order',
    (_, { kind, cylinders, order }) => {
      expect([...order].sort((p, q) => p - q)).toEqual(Array.from({ length: cylinders }, (__, at) => at + 1));
      for (const rotor of ['clockwise', 'anticlockwise'] as const)
        for (const lies of [false, true]) {
          const source = { ...cap(cylinders), rotor, lies };
          const { leads } = planIgnition(question(layoutOf(kind, cylinders), order, { source }));
          // Round by angle, from the first tower on, whichever way.
          const sense = rotor === 'clockwise' ? 1 : -1;
          const turned = (deg: number) => (((sense * (deg - source.firstDeg)) % 360) + 360) % 360;
          const walked = [...leads].sort((p, q) => turned(p.towerDeg) - turned(q.towerDeg));
          expect(walked.map((lead) => lead.cylinder)).toEqual([...order]);
        }
    },
  );

  it('turns the way it is seen: clockwise from above the front goes to the right, from the front the top to the left', () => {
    const order = [1, 3, 4, 2];
    const at = (lies: boolean) =>
      planIgnition(
        question(layoutOf('in-line', 4), order, { source: { ...cap(4), lies, firstDeg: 0 } }),
      ).leads.map(({ route: [from] }) => from!.map((mm) => Math.round(mm * 10) / 10));
    expect(at(false).slice(0, 2)).toEqual([
      [6, 0, 20],
      [4, -2, 20],
    ]);
    expect(at(true).slice(0, 2)).toEqual([
      [4, 0, 22],
      [4, 2, 20],
    ]);
  });

  it('is as long as its way through its guides, with slack, and both ends in their holes', () => {
    const guides = [
      { at: [0, 5, 20] as const, cylinders: [2] },
      { at: [-4.5, 5, 14] as const, cylinders: [2, 3] },
    ];
    const { leads, totalMm } = planIgnition(
      question(layoutOf('in-line', 3), [1, 3, 2], { guides, slack: 0.1, source: { ...cap(3), firstDeg: 0 } }),
    );
    const second = leads.find(({ cylinder }) => cylinder === 2)!;
    expect(second.route).toHaveLength(4);
    const [from] = second.route;
    const way = Math.hypot(from![0], from![1] - 5, 0) + Math.hypot(4.5, 0, 6) + 5;
    expect(second.lengthMm).toBeCloseTo(1.1 * way + 2, 6);
    expect(totalMm).toBeCloseTo(
      leads.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
      9,
    );
  });

  it('names the wire and its drill at scale, and none where every plug has its coil', () => {
    const { wire } = planIgnition(question(layoutOf('in-line', 6), [1, 5, 3, 6, 2, 4]));
    expect(wire!.wireMm).toBeCloseTo(0.3, 2);
    expect(wire!.drillMm).toBeGreaterThan(wire!.wireMm);
    const coils = planIgnition(
      question(layoutOf('v', 8), [1, 5, 4, 2, 6, 3, 7, 8], { source: { kind: 'coil-per-plug' } }),
    );
    expect(coils).toMatchObject({ leads: [], wire: null, totalMm: 0 });
    expect(coils.cylinders).toHaveLength(8);
  });

  it('has twice the leads where every cylinder has two plugs', () => {
    const { leads } = planIgnition(
      question(layoutOf('in-line', 4), [1, 3, 4, 2], { source: { ...cap(4), plugs: 2 } }),
    );
    expect(leads).toHaveLength(8);
    expect(leads.filter((lead) => lead.cap === 2).map(({ cylinder }) => cylinder)).toEqual([1, 3, 4, 2]);
  });

  it('shows neighbours that fire one after the other, along a bank or in one guide', () => {
    const apart = (more: Partial<IgnitionQuestion>) =>
      planIgnition(question(layoutOf('v', 8), [1, 8, 4, 3, 6, 5, 7, 2], more)).apart;
    // By turns the odd ones stand on the left: 5 and 7 are neighbours there.
    expect(apart({ numbering: 'left-by-turns' })).toEqual([[5, 7]]);
    expect(apart({ numbering: 'left-bank-first' })).toEqual([
      [4, 3],
      [6, 5],
      [2, 1],
    ]);
    const guides = [{ at: [0, 0, 20] as const, cylinders: [1, 8] }];
    expect(apart({ numbering: 'left-by-turns', guides })).toContainEqual([1, 8]);
  });

  it('is glued so that no lead runs over a hole that is still empty', () => {
    const random = seededRandom(9);
    /** Looked at in small steps, and never by the way that the plan does it. */
    const covers = (route: readonly Place[], plug: Place, wireMm: number) =>
      route.slice(1).some((to, at) =>
        Array.from({ length: 401 }, (_, step) => step / 400).some((t) => {
          const [x, y, z] = [0, 1, 2].map((axis) => route[at]![axis]! + t * (to[axis]! - route[at]![axis]!));
          return Math.hypot(x! - plug[0], y! - plug[1]) < 1.9 * wireMm && z! > plug[2] + 1.1 * wireMm;
        }),
      );
    let crossings = 0;
    for (let round = 0; round < 60; round++) {
      const { kind, cylinders, order } =
        USUAL_FIRING_ORDERS[Math.floor(random() * USUAL_FIRING_ORDERS.length)]!;
      const at = [10 * random() - 5, 4 * random() - 2, 18 + 4 * random()] as const;
      const { leads, gluing, bentAside, wire } = planIgnition(
        question(layoutOf(kind, cylinders), order, { source: { ...cap(cylinders), at } }),
      );
      expect([...gluing].sort((p, q) => p - q)).toEqual([...leads.keys()]);
      gluing.forEach((early, place) => {
        for (const late of gluing.slice(place + 1)) {
          if (covers(leads[late]!.route, leads[early]!.route.at(-1)!, wire!.wireMm)) crossings++;
          if (covers(leads[early]!.route, leads[late]!.route.at(-1)!, wire!.wireMm))
            expect(bentAside).toContain(early);
        }
      });
    }
    // There is something to keep apart in these.
    expect(crossings).toBeGreaterThan(10);
    // One that passes straight over the plug of another waits for it.
    const { leads, gluing } = planIgnition(
      question(layoutOf('in-line', 2), [1, 2], {
        source: { ...cap(2), at: [10, 0, 16], firstDeg: 0, capRadiusMm: 0.1 },
      }),
    );
    const place = (cylinder: number) => gluing.indexOf(leads.findIndex((lead) => lead.cylinder === cylinder));
    expect(place(1)).toBeLessThan(place(2));
  });

  it('counts the cylinders as makers do', () => {
    const numbers = (numbering: (typeof NUMBERINGS)[number]) =>
      cylindersOf(layoutOf('v', 6), numbering).map(({ bank, row }) => `${bank[0]!}${row}`);
    expect(numbers('left-bank-first')).toEqual(['l0', 'l1', 'l2', 'r0', 'r1', 'r2']);
    expect(numbers('right-bank-first')).toEqual(['r0', 'r1', 'r2', 'l0', 'l1', 'l2']);
    expect(numbers('left-by-turns')).toEqual(['l0', 'r0', 'l1', 'r1', 'l2', 'r2']);
    expect(numbers('right-by-turns')).toEqual(['r0', 'l0', 'r1', 'l1', 'r2', 'l2']);
    const flat = cylindersOf(
      { kind: 'v', cylinders: 4, bankDeg: 180, offsetMm: 2, pitchMm: 5, reachMm: 10 },
      'left-bank-first',
    );
    expect(flat[0]!.plug[1]).toBeCloseTo(10, 9);
    expect(flat[0]!.plug[2]).toBeCloseTo(0, 9);
    expect(flat[2]!.plug[0]).toBeCloseTo(-2, 9);
  });

  it('refuses what cannot be, and says what', () => {
    const four = layoutOf('in-line', 4);
    const refused =
      (layout: EngineLayout, order: number[], more: Partial<IgnitionQuestion> = {}) =>
      () =>
        planIgnition(question(layout, order, more));
    expect(refused(four, [1, 3, 3, 2])).toThrow('cylinder 3 twice');
    expect(refused(four, [1, 3, 4, 9])).toThrow('cylinder 9: there are 1 to 4');
    expect(refused(four, [1, 3, 4])).toThrow('leaves out 2');
    expect(refused(four, [1, 3, 4, 2], { source: cap(6) })).toThrow('6 towers for 4 plugs');
    expect(refused(four, [1, 3, 4, 2], { slack: -0.1 })).toThrow('slack of -0.1');
    expect(refused(four, [1, 3, 4, 2], { slack: Number.NaN })).toThrow('slack of NaN');
    expect(refused(layoutOf('v', 5), [1, 2, 3, 4, 5])).toThrow('no two banks');
    expect(refused(layoutOf('in-line', 0), [])).toThrow('1 to 28 cylinders');
    expect(refused({ kind: 'radial', cylinders: 5, reachMm: 0 }, [1, 3, 5, 2, 4])).toThrow('more than 0 mm');
    expect(refused({ ...layoutOf('v', 8), bankDeg: 200 } as EngineLayout, [1, 5, 4, 2, 6, 3, 7, 8])).toThrow(
      'up to 180 degrees',
    );
  });
});
