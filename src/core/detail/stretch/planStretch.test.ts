import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planStretch, type StretchMember } from './planStretch.ts';

const member = (more: Partial<StretchMember> = {}): StretchMember => ({
  id: 'rail',
  name: 'Rail',
  count: 2,
  fromMm: 0,
  lengthMm: 210,
  section: 'channel',
  outsideMm: 6,
  insideMm: null,
  share: 1,
  cutAtMm: null,
  dropMm: 0,
  line: '',
  ...more,
});
const plan = (members: Partial<StretchMember>[], more = {}) =>
  planStretch({
    stretchMm: 42,
    atMm: 100,
    brackets: [],
    members: members.map((each, at) => member({ id: `m${at}`, ...each })),
    ...more,
  });
const one = (of: Partial<StretchMember>, more = {}) => plan([of], more).members[0]!;

describe('a stretched frame', () => {
  it('cuts what spans the station, moves what lies behind, and leaves what lies ahead', () => {
    const { members, jigMm } = plan([{}, { fromMm: 120, lengthMm: 40 }, { fromMm: 10, lengthMm: 60 }]);
    expect(members.map(({ becomes, addMm, afterMm }) => [becomes, addMm, afterMm])).toEqual([
      ['cut', 42, 252],
      ['moved', 0, 40],
      ['stays', 0, 60],
    ]);
    // The longest part, with a hand's breadth to clamp it by.
    expect(jigMm).toBe(272);
  });

  it('puts in the same section, and plates to both sides of the cut', () => {
    const { insert, splice } = one({});
    expect(insert).toEqual({ form: 'strip', mm: 6.3, lengthMm: 42, count: 2 });
    // One and a half times 6 mm to each side, and the insert between; a plate within and one without, on two rails.
    expect(splice).toEqual({ form: 'sheet', mm: 1, lengthMm: 60, count: 4 });
  });

  it.each([
    ['tube', 4, 3, { form: 'rod', mm: 2.5, lengthMm: 54, count: 2 }],
    ['tube', 4, null, null],
    ['rod', 3, null, { form: 'wire', mm: 1, lengthMm: 51, count: 2 }],
    ['rod', 0.25, null, null],
    ['sheet', 1, null, { form: 'sheet', mm: 1, lengthMm: 48, count: 2 }],
  ] as const)('holds a %s of %s mm together', (section, outsideMm, insideMm, splice) => {
    expect(one({ section, outsideMm, insideMm }).splice).toEqual(splice);
  });

  it('goes with the cut to the nearest place clear of brackets and ends', () => {
    const brackets = [{ name: 'cross-member', atMm: 98, widthMm: 4 }];
    // 2 mm of bracket and 9 of splice: 87 or 109.
    expect(one({}, { brackets })).toMatchObject({ cutAtMm: 109, shiftedMm: 9 });
    expect(one({ fromMm: 95, lengthMm: 100 })).toMatchObject({ cutAtMm: 104 });
    expect(one({ cutAtMm: 40 })).toMatchObject({ cutAtMm: 40, shiftedMm: 0 });
  });

  it('adds less to what slopes, and its angle becomes flatter', () => {
    const { addMm, afterMm, angleDeg } = one({
      section: 'tube',
      outsideMm: 3,
      fromMm: 60,
      lengthMm: 100,
      dropMm: 28,
    });
    // 100 mm with 28 of drop runs 96; 138 with 28 is 140.812 long.
    expect(afterMm).toBeCloseTo(140.812, 3);
    expect(addMm).toBeCloseTo(40.812, 3);
    expect(angleDeg![0]).toBeCloseTo(16.26, 2);
    expect(angleDeg![1]).toBeCloseTo(11.47, 2);
  });

  it('puts nothing in between where no stock is near, and says no size that would show', () => {
    expect(one({ outsideMm: 12 }).insert).toBeNull();
    expect(one({ section: 'tube', outsideMm: 7, insideMm: 5 })).toMatchObject({ insert: { mm: 8 } });
    expect(one({ section: 'rod', outsideMm: 9 }).insert).toBeNull();
  });

  it('moves the front end back by the whole behind the cut, and in a line by what lies ahead of it', () => {
    const moved = (...members: Partial<StretchMember>[]) =>
      plan(members).members.map(({ movedMm }) => movedMm);
    expect(moved({}, { fromMm: 100 }, { fromMm: 140, lengthMm: 30 })).toEqual([0, 42, 42]);
    const exhaust = { line: 'exhaust', lengthMm: 60 };
    expect(
      moved(
        { ...exhaust, fromMm: 70, share: 0.5 },
        { ...exhaust, fromMm: 130, share: 0.5, cutAtMm: 160 },
        { ...exhaust, fromMm: 190, share: 0 },
      ),
    ).toEqual([0, 21, 42]);
  });

  it('says what a line of parts leaves open', () => {
    const front = { line: 'exhaust', share: 0.4, fromMm: 60, lengthMm: 60 };
    const rear = { line: 'exhaust', share: 0.4, fromMm: 120, lengthMm: 70, cutAtMm: 150 };
    expect(plan([front, rear]).gaps).toEqual([
      { line: 'exhaust', missingMm: expect.closeTo(8.4, 6) as number },
    ]);
    expect(plan([front, { ...rear, share: 0.6 }]).gaps).toEqual([]);
    // Its own cut does not lie on it: it takes nothing.
    expect(plan([front, { ...rear, share: 0.6, cutAtMm: null }]).gaps[0]!.missingMm).toBeCloseTo(25.2, 6);
  });

  it('makes shorter, with the piece that comes out clear of brackets', () => {
    const short = one({}, { stretchMm: -20, brackets: [{ name: 'hanger', atMm: 112, widthMm: 2 }] });
    expect(short).toMatchObject({ afterMm: 190, addMm: -20, insert: null });
    expect(short.splice!.lengthMm).toBe(18);
    // From the cut 20 mm come out, and 9 mm of splice follow, before the hanger begins.
    expect(short.cutAtMm).toBe(82);
  });

  it.each([
    [{ stretchMm: 0 }, {}, /by how much/],
    [{ stretchMm: Number.NaN }, {}, /by how much/],
    [{ atMm: Infinity }, {}, /where it is cut/],
    [{}, { lengthMm: 0 }, /Rail: its length/],
    [{}, { outsideMm: -1 }, /Rail: its height or diameter/],
    [{}, { section: 'tube', outsideMm: 3, insideMm: 3 }, /its inside lies between/],
    [{}, { share: 1.2 }, /0 to 1/],
    [{}, { dropMm: 210 }, /cannot drop/],
    [{}, { fromMm: 92, lengthMm: 16 }, /nowhere 18 mm of even section/],
    [{ stretchMm: -90 }, { fromMm: 60, lengthMm: 80 }, /would lose 90 mm/],
    [{ brackets: [{ name: 'x', atMm: Number.NaN, widthMm: 1 }] }, {}, /bracket x/],
  ] as [object, Partial<StretchMember>, RegExp][])('refuses %j of %j', (question, of, words) => {
    expect(() => plan([of], question)).toThrow(words);
  });

  it('refuses a part that would be cut twice, by its name', () => {
    expect(() =>
      plan([
        { id: 'a', name: 'Shaft' },
        { id: 'a', name: 'Shaft' },
      ]),
    ).toThrow(/Shaft would be cut twice/);
  });

  it('keeps every cut clear of brackets and ends, and every length what it says', () => {
    const length = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });
    const some = fc.record({
      fromMm: length(0, 90),
      lengthMm: length(40, 220),
      outsideMm: length(0.5, 8),
      share: length(0, 1),
    });
    const bracket = fc.record({ name: fc.constant('b'), atMm: length(0, 200), widthMm: length(0, 6) });
    let cuts = 0;
    fc.assert(
      fc.property(some, fc.array(bracket, { maxLength: 5 }), length(-30, 60), (of, brackets, stretchMm) => {
        fc.pre(stretchMm !== 0);
        let result;
        try {
          result = one(of, { brackets, stretchMm });
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError);
          return;
        }
        expect(result.afterMm).toBeCloseTo(of.lengthMm + result.addMm, 9);
        if (result.cutAtMm === null) return;
        cuts++;
        const half = Math.max(3, 1.5 * of.outsideMm);
        const out = Math.max(0, -result.addMm);
        expect(result.addMm).toBeCloseTo(stretchMm * of.share, 9);
        expect(result.cutAtMm - half).toBeGreaterThanOrEqual(of.fromMm - 1e-9);
        expect(result.cutAtMm + out + half).toBeLessThanOrEqual(of.fromMm + of.lengthMm + 1e-9);
        for (const { atMm, widthMm } of brackets) {
          const isBefore = atMm + widthMm / 2 <= result.cutAtMm - half + 1e-9;
          expect(isBefore || atMm - widthMm / 2 >= result.cutAtMm + out + half - 1e-9).toBe(true);
        }
      }),
      { numRuns: 400 },
    );
    expect(cuts).toBeGreaterThan(80);
  });
});
