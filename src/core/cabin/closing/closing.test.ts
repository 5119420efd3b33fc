import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { lateGlue, type LateThing } from './lateGlue.ts';
import { planEntry, SAFE_STRAIN, type EntryQuestion, type EntryStation } from './planEntry.ts';
import { setStraight } from './setStraight.ts';

const at = (atMm: number, unitMm: number | null, openMm: number | null): EntryStation => ({
  atMm,
  unitMm,
  openMm,
});
const entry = (stations: EntryStation[], more: Partial<EntryQuestion> = {}): EntryQuestion => ({
  stations,
  frontRoomMm: 0,
  rearRoomMm: 0,
  sideMm: 25,
  gaugeMm: 1.2,
  stuff: 'styrene',
  temperatureC: 20,
  filmMm: 0,
  ...more,
});

describe('a unit into its opening', () => {
  it('drops in where it is narrower everywhere', () => {
    const { ways, rubsMm } = planEntry(entry([at(10, 50, 52), at(100, 50, 52)]));
    expect(ways).toMatchObject([
      { end: 'straight', spreadMm: 0, verdict: 'drops in' },
      { end: 'front', spreadMm: 0 },
      { end: 'rear', spreadMm: 0 },
    ]);
    expect(rubsMm).toEqual([]);
  });

  it('by hand: 1 mm on each side of 1.2 mm styrene, 25 mm high, is a strain of 0.29 %', () => {
    const { ways, rubsMm } = planEntry(entry([at(10, 50, 50), at(60, 54, 52), at(100, 50, 50)]));
    expect(ways[0]).toMatchObject({ end: 'straight', spreadMm: 1, atMm: 60, verdict: 'spreads' });
    expect(ways[0]!.strain).toBeCloseTo((3 * 1.2 * 1) / (2 * 625), 12);
    expect(rubsMm).toEqual([60]);
  });

  it('breaks where the shell is narrower than everything, sooner when it is cold', () => {
    const narrow = [at(10, 60, 40), at(100, 60, 40)];
    expect(planEntry(entry(narrow)).ways[0]).toMatchObject({ spreadMm: 10, verdict: 'breaks' });
    // A spread that is strained at 20 C breaks at 8 C.
    const spreadMm = (0.8 * SAFE_STRAIN.styrene * 2 * 625) / (3 * 1.2);
    const tight = [at(10, 50 + 2 * spreadMm, 50), at(100, 50 + 2 * spreadMm, 50)];
    expect(planEntry(entry(tight)).ways[0]!.verdict).toBe('strains');
    expect(planEntry(entry(tight, { temperatureC: 8 })).ways[0]!.verdict).toBe('breaks');
    expect(planEntry(entry(tight, { sideMm: null })).ways[0]!).toMatchObject({
      strain: null,
      verdict: 'not known',
    });
    expect(planEntry(entry(tight, { stuff: 'other' })).ways[0]!.verdict).toBe('not known');
  });

  it('sends the end first that goes under, and says why the other cannot', () => {
    // It reaches 6 mm under the nose and 2 mm under the tail; only the nose has room for both.
    const stations = [at(4, 50, null), at(10, 50, 52), at(100, 50, 52), at(102, 50, null)];
    const { ways, shut } = planEntry(entry(stations, { frontRoomMm: 9, rearRoomMm: 3 }));
    expect(ways.map(({ end, spreadMm }) => [end, spreadMm])).toEqual([['front', 0]]);
    expect(ways[0]!.shiftMm).toBeGreaterThanOrEqual(2);
    expect(ways[0]!.shiftMm).toBeLessThanOrEqual(3);
    expect(shut.map(({ end }) => end)).toEqual(['straight', 'rear']);
    expect(shut[1]!.because).toContain('3.0 mm of room');
  });

  it('finds no gentler shift by trying a finer one', () => {
    const random = seededRandom(11);
    for (let round = 0; round < 40; round++) {
      const stations = Array.from({ length: 5 }, (_, index) =>
        at(20 * index, 48 + 4 * random(), 48 + 4 * random()),
      );
      const question = entry(stations, { frontRoomMm: 12 });
      const front = planEntry(question).ways.find(({ end }) => end === 'front')!;
      const width = (key: 'unitMm' | 'openMm', x: number) => {
        const index = Math.min(3, Math.max(0, Math.floor(x / 20)));
        const [p, q] = [stations[index]!, stations[index + 1]!];
        return p[key]! + ((x - p.atMm) / 20) * (q[key]! - p[key]!);
      };
      let least = Infinity;
      for (let shift = 0; shift <= 12; shift += 0.02) {
        let most = 0;
        for (let x = shift; x <= 80; x += 0.25)
          most = Math.max(most, (width('unitMm', x) - width('openMm', x - shift)) / 2);
        least = Math.min(least, most);
      }
      expect(front.spreadMm).toBeGreaterThanOrEqual(least - 0.01);
      expect(front.spreadMm).toBeLessThanOrEqual(least + 0.02);
    }
  });

  it('counts the film on both', () => {
    const stations = [at(10, 50, 50.1), at(100, 50, 50.1)];
    expect(planEntry(entry(stations)).ways[0]!.spreadMm).toBe(0);
    expect(planEntry(entry(stations, { filmMm: 0.12 })).ways[0]!.spreadMm).toBeCloseTo(0.07, 9);
  });

  it('refuses what it cannot know', () => {
    expect(() => planEntry(entry([at(10, 50, 52)]))).toThrow(/width of the unit at two places/);
    expect(() => planEntry(entry([at(10, 50, null), at(90, 50, null)]))).toThrow(/width of the opening/);
    expect(() => planEntry(entry([at(10, 50, 0), at(90, 50, 52)]))).toThrow(/width of nothing/);
    expect(() => planEntry(entry([at(10, 50, 52), at(90, 50, 52)], { gaugeMm: -1 }))).toThrow(/below zero/);
  });
});

describe('set straight', () => {
  const measure = (leftMm: number | null, rightMm: number | null) => ({ name: 'height', leftMm, rightMm });
  const question = { apartMm: 60, seatsMm: 40, mayDifferMm: 0.15 };

  it('by hand: 0.6 mm over 60 mm is 0.4 mm at seats 40 mm apart, under the low side', () => {
    const { verdict, shim, tiltDeg } = setStraight({ ...question, measures: [measure(12.6, 12)] });
    expect([verdict, shim?.side]).toEqual(['off', 'right']);
    expect(shim?.mm).toBeCloseTo(0.4, 9);
    expect(tiltDeg).toBeCloseTo((Math.atan(0.01) * 180) / Math.PI, 9);
    // Shimmed by that it agrees.
    const turned = (0.4 * 60) / 40;
    expect(setStraight({ ...question, measures: [measure(12.6, 12 + turned)] }).verdict).toBe('agrees');
  });

  it('says what is not measured, and what is twisted', () => {
    expect(setStraight({ ...question, measures: [] }).verdict).toBe('not measured');
    expect(setStraight({ ...question, measures: [measure(3, null)] }).verdict).toBe('not measured');
    expect(setStraight({ ...question, measures: [measure(3, 3.1), measure(null, 1)] }).verdict).toBe(
      'agrees',
    );
    const twisted = setStraight({ ...question, measures: [measure(3, 4), measure(5, 4)] });
    expect([twisted.verdict, twisted.shim]).toEqual(['twisted', undefined]);
    expect(() => setStraight({ ...question, apartMm: 0, measures: [] })).toThrow(/more than 0 mm/);
  });
});

describe('the glue of a late part', () => {
  const mirror: LateThing = {
    lengthMm: 16,
    clear: false,
    bright: true,
    fragile: false,
    adhesive: 'pva',
    onGloss: true,
  };

  it('is dots, by the length of the part', () => {
    const { dots, heldMinutes } = lateGlue(mirror);
    expect(dots?.count).toBe(2);
    expect(dots?.mm).toBeCloseTo(1.2, 9);
    // A cap of 1.2 mm, 0.4 mm high, sliced thin.
    const radius = (0.6 ** 2 + 0.4 ** 2) / 0.8;
    let ul = 0;
    for (let z = 0; z < 4000; z++) {
      const up = radius - 0.4 + ((z + 0.5) * 0.4) / 4000;
      ul += (Math.PI * (radius ** 2 - up ** 2) * 0.4) / 4000;
    }
    expect(dots?.ul).toBeCloseTo(ul, 5);
    expect(heldMinutes).toBe(10);
    expect(lateGlue({ ...mirror, lengthMm: 400 }).dots?.count).toBe(6);
    expect(lateGlue({ ...mirror, adhesive: 'none' })).not.toHaveProperty('dots');
  });

  it('never touches a bright face, and says what a slip of each glue does', () => {
    expect(lateGlue(mirror).holdBy).toContain('no finger');
    expect(lateGlue({ ...mirror, clear: true }).holdBy).toContain('tape');
    expect(lateGlue(mirror).slip).toContain('damp swab');
    for (const adhesive of ['ca-gel', 'ca-clear', 'cement-thin'] as const)
      expect(lateGlue({ ...mirror, adhesive }).slip).toContain('do not wipe');
  });
});
