import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { MeasuredPlace } from './kit.ts';
import { placeAfterPaint } from './placesAfterPaint.ts';

const place = (change: Partial<MeasuredPlace>): MeasuredPlace => ({
  id: 'p',
  partId: 'body',
  matingPartId: null,
  name: 'mirror hole',
  kind: 'hole',
  sizeMm: 1,
  widthMm: null,
  throughMm: null,
  ...change,
});
const film = (usual: number) => ({ low: 0.7 * usual, usual, high: 1.4 * usual });

describe('placeAfterPaint', () => {
  it('takes the film off a hole twice', () => {
    expect(placeAfterPaint(place({}), film(100))).toMatchObject({ lostMm: 0.2, verdict: 'stays' });
    expect(placeAfterPaint(place({}), film(100)).leftMm[1]).toBe(0.8);
  });

  it('names the drill that lets a painted pin through', () => {
    const tight = placeAfterPaint(place({ throughMm: 0.9 }), film(60), film(40));
    expect(tight).toMatchObject({ verdict: 'lost' });
    // 0.9 mm, twice 0.06 + 0.04 mm of film, 0.05 mm to slip: 1.15 mm, of which 1.20 is the next drill.
    expect(tight.words).toContain('1.20 mm drill');
    const opened = placeAfterPaint(place({ sizeMm: 1.2, throughMm: 0.9 }), film(60), film(40));
    expect(opened).toMatchObject({ verdict: 'stays' });
    expect(opened.words).toContain('0.10 mm to spare');
  });

  it('fills a slot but asks for a file', () => {
    expect(placeAfterPaint(place({ kind: 'slot', throughMm: 1 }), film(50)).words).toMatch(
      /file it to 1\.15 mm/,
    );
  });

  it('keeps a wide line, softens a shallow one and closes a narrow one', () => {
    const line = (sizeMm: number, widthMm: number | null) =>
      placeAfterPaint(place({ kind: 'line', sizeMm, widthMm }), film(120));
    expect(line(0.3, 0.4)).toMatchObject({ verdict: 'stays', lostMm: 0.06 });
    expect(line(0.12, 0.4).verdict).toBe('close');
    expect(line(0.07, null).verdict).toBe('lost');
    expect(line(0.3, 0.2)).toMatchObject({ verdict: 'lost', leftMm: [0, 0, 0.3 - 0.042] });
    expect(line(0.3, 0.2).words).toContain('wider than 0.34 mm');
  });

  it('says when a hole without a pin closes', () => {
    expect(placeAfterPaint(place({ sizeMm: 0.2 }), film(110)).verdict).toBe('lost');
    expect(placeAfterPaint(place({ sizeMm: 0.3 }), film(90)).verdict).toBe('close');
  });

  it('refuses a size that is none', () => {
    expect(() => placeAfterPaint(place({ sizeMm: 0 }), film(10))).toThrow(/measure it again/);
  });

  it('never leaves more under more film, and bands are in order', () => {
    const sizes = fc.double({ min: 0.05, max: 6, noNaN: true });
    const films = fc.double({ min: 0, max: 400, noNaN: true });
    const kinds = fc.constantFrom<MeasuredPlace['kind'][]>('hole', 'slot', 'line');
    fc.assert(
      fc.property(
        kinds,
        sizes,
        fc.option(sizes),
        fc.option(sizes),
        films,
        films,
        (kind, sizeMm, widthMm, throughMm, one, more) => {
          const measured = place({ kind, sizeMm, widthMm, throughMm });
          const [thin, thick] = [Math.min(one, more), Math.max(one, more)];
          const less = placeAfterPaint(measured, film(thick));
          const first = placeAfterPaint(measured, film(thin));
          less.leftMm.forEach((left, at) => expect(left).toBeLessThanOrEqual(first.leftMm[at]! + 1e-9));
          expect(less.leftMm[0]).toBeLessThanOrEqual(less.leftMm[1]);
          expect(less.leftMm[1]).toBeLessThanOrEqual(less.leftMm[2]);
        },
      ),
    );
  });
});
