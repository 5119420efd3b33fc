import { describe, expect, it } from 'vitest';
import { holdsWords, isSameThing, wordsOf } from './words.ts';

describe('words of a name', () => {
  it('are in the singular, without case and accents', () => {
    expect(wordsOf('Wheel NUTS, Brésil bushes (axles)')).toEqual(['wheel', 'nut', 'bresil', 'bush', 'axle']);
    expect(wordsOf('Glass, gas, chassis, lenses')).toEqual(['glass', 'gas', 'chassi', 'len']);
    expect(wordsOf('Lens')).toEqual(wordsOf('lenses'));
    expect(wordsOf('bodies and assemblies')).toEqual(['body', 'and', 'assembly']);
  });

  it('are held whole, in any number', () => {
    expect(holdsWords('Springs, front', 'ring')).toBe(false);
    expect(holdsWords('Ring gear', 'ring')).toBe(true);
    expect(holdsWords('Piston rings', 'Ring')).toBe(true);
    expect(holdsWords('Chassis', 'chassis')).toBe(true);
    expect(holdsWords('Steering wheel and column', 'steering wheels')).toBe(true);
    expect(holdsWords('Wheel of the steering', 'steering wheel')).toBe(false);
    expect(holdsWords('Hood', '')).toBe(false);
  });

  it('tell whether one thing can stand for another', () => {
    expect(isSameThing('Steering wheel', 'Wheel nuts')).toBe(false);
    expect(isSameThing('Steering wheel', 'Wheels, wire')).toBe(false);
    expect(isSameThing('Steering wheel', 'Steering wheels, two spokes')).toBe(true);
    expect(isSameThing('Side mirror', 'Mirrors, round')).toBe(true);
    expect(isSameThing('Oil filter', 'oil filters')).toBe(true);
    expect(isSameThing('Air filter', 'oil filter')).toBe(false);
    expect(isSameThing('Wheel', 'Steering wheel')).toBe(true);
    expect(isSameThing('Left', 'Left')).toBe(false);
  });
});
