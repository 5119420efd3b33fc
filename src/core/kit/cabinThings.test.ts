import { describe, expect, it } from 'vitest';
import { drawGrid } from '../cabin/index.ts';
import { ciede2000, hexToLab } from '../colour/index.ts';
import { boxGapMm } from './boxGap.ts';
import { lampOf } from './lamps.ts';
import { plainFinish, plainJoint, plainPart, plainZones, kitWith } from './plainKit.ts';
import { lampRecord, newRecord, partBoxRecord, REFLECTORS, type Lamp } from './records/index.ts';
import { inSeatColour } from './seats.ts';
import { SMALL_CM2, smallBatches } from './smallThings.ts';

const lamp = (more: Partial<Lamp>): Lamp => ({ ...newRecord(lampRecord), id: 'l', name: 'lamp', ...more });

describe('a lamp', () => {
  it('has the tint and the passes that come nearest, over each reflector', () => {
    const wanted = '#b01018';
    for (const reflector of REFLECTORS) {
      const { tint, shade } = lampOf(lamp({ reflector, colour: wanted }));
      expect(tint!.tint).toBe('red');
      expect(ciede2000(hexToLab(wanted), shade)).toBeCloseTo(tint!.dE00, 9);
    }
  });

  it('is brighter over plating than over silver, and clear without a colour', () => {
    const clear = (reflector: Lamp['reflector']) => lampOf(lamp({ reflector }));
    expect(clear('silver')).not.toHaveProperty('tint');
    expect(clear('plating').shade.L).toBeGreaterThan(clear('silver').shade.L);
    expect(() => lampOf(lamp({ colour: 'amber-ish' }))).toThrow(/colour of the lamp/);
  });
});

describe('small things by colour', () => {
  const small = (id: string, more: object = {}) =>
    plainPart(id, { areaCm2: 1, zones: plainZones('silver'), ...more });
  const finishes = [plainFinish('silver', 'metal'), plainFinish('grey', 'satin')];

  it('counts pieces, places that are brushed, and passes over what is masked or large', () => {
    const brushed = {
      ...plainZones('silver')[0]!,
      id: 'z',
      name: 'rim',
      share: 0.1,
      boundary: 'brushed' as const,
    };
    const parts = [
      small('A1'),
      small('A2', { count: 4 }),
      plainPart('A3', { areaCm2: 9, zones: [...plainZones('grey'), brushed] }),
      plainPart('A4', {
        areaCm2: 9,
        zones: [...plainZones('grey'), { ...brushed, boundary: 'masked' as const }],
      }),
      small('A5', { areaCm2: SMALL_CM2 + 0.1 }),
    ];
    const [batch, ...more] = smallBatches(kitWith({ finishes, parts }));
    expect(more).toEqual([]);
    expect(batch!.pieces).toBe(6);
    expect(batch!.things.map(({ part, zone }) => [part.id, zone])).toEqual([
      ['A1', undefined],
      ['A2', undefined],
      ['A3', 'rim'],
    ]);
  });

  it('leaves out what is joined to something larger in its colour', () => {
    const parts = [
      small('A1'),
      small('A2'),
      small('A3'),
      plainPart('B1', { areaCm2: 40, zones: plainZones('silver') }),
    ];
    const joints = [plainJoint('j', 'A1', 'B1')];
    expect(smallBatches(kitWith({ finishes, parts }))).toHaveLength(1);
    expect(smallBatches(kitWith({ finishes, parts, joints }))).toEqual([]);
    // What turns in it is painted by itself.
    const turning = [plainJoint('j', 'A1', 'B1', { motion: 'turns' })];
    expect(smallBatches(kitWith({ finishes, parts, joints: turning }))).toHaveLength(1);
  });
});

describe('the colour of the seats', () => {
  it('is found without a record where a part is surely a seat, and never on the seats', () => {
    const hump = {
      ...plainZones('hide')[0]!,
      id: 'z',
      name: 'hump',
      share: 0.2,
      boundary: 'masked' as const,
    };
    const kit = kitWith({
      finishes: [plainFinish('hide', 'satin'), plainFinish('tan', 'satin')],
      parts: [
        plainPart('F1', { name: 'Tub', zones: [...plainZones('tan'), hump] }),
        plainPart('F2', { name: 'Bucket seat', zones: plainZones('hide') }),
      ],
    });
    expect(inSeatColour(kit).map(({ part, zones }) => [part.id, zones.length])).toEqual([['F1', 1]]);
    const unnamed = { ...kit, parts: kit.parts.map((part) => ({ ...part, name: `Piece ${part.id}` })) };
    expect(inSeatColour(unnamed)).toEqual([]);
  });
});

describe('the room between two parts', () => {
  const box = (behindMm: number, leftMm: number) => ({
    ...newRecord(partBoxRecord),
    id: 'b',
    partId: 'p',
    behindMm,
    leftMm,
    lengthMm: 4,
    widthMm: 2,
    heightMm: 2,
  });

  it('is measured from box to box, and 0 where they overlap', () => {
    expect(boxGapMm(box(0, 0), box(10, 0))).toBeCloseTo(6, 9);
    expect(boxGapMm(box(0, 0), box(7, 6))).toBeCloseTo(5, 9);
    expect(boxGapMm(box(0, 0), box(3, 1))).toBe(0);
  });
});

describe('a grid behind the model', () => {
  it('has lines every 5 mm about the middle, and is refused without a size', () => {
    const { lines, width } = drawGrid(42, 20);
    const upright = lines.filter(({ points: [a, b] }) => a![0] === b![0]);
    const xs = upright.map(({ points: [a] }) => a![0]).sort((p, q) => p - q);
    expect(xs).toHaveLength(11);
    for (let at = 1; at < xs.length; at++) expect(xs[at]! - xs[at - 1]!).toBeCloseTo(5, 9);
    expect(upright.find(({ kind }) => kind === 'cut')!.points[0]![0]).toBeCloseTo(width / 2, 6);
    expect(() => drawGrid(0, 20)).toThrow(/more than 0/);
  });
});
