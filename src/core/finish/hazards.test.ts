import { describe, expect, it } from 'vitest';
import { hazard, hazardLine, HAZARDS, hazardsInWords, hazardsOfLayer, LAYER_KINDS } from './index.ts';

describe('hazards', () => {
  it('say what, how to keep safe, what never to do, and defer to the safety sheet', () => {
    for (const id of HAZARDS) {
      const { title, harm, protection, never, firstAid } = hazard(id);
      for (const text of [title, harm, protection, never, firstAid]) expect(text.length).toBeGreaterThan(3);
      expect(hazardLine(id)).toMatch(/safety sheet and local rules decide/);
    }
    expect(hazardLine('bleach')).toMatch(/Never mix it with acid, ammonia, caustic/);
    expect(hazardLine('caustic')).toMatch(/Never mix it with bleach, acid, ammonia/);
    expect(hazardLine('isocyanate')).toMatch(/Air-fed/);
  });

  it('are attached to what brings them, worst first', () => {
    expect(hazardsOfLayer('clear', 'airbrush', 'urethane-2k')[0]).toBe('isocyanate');
    expect(hazardsOfLayer('colour', 'brush', 'enamel')).toEqual(['vapour']);
    expect(hazardsOfLayer('colour', 'airbrush', 'water-acrylic')).toEqual(['overspray']);
    expect(hazardsOfLayer('colour', 'brush', 'water-acrylic')).toEqual([]);
    expect(hazardsOfLayer('flat', 'hand', undefined)).toEqual(['dust']);
    expect(hazardsOfLayer('flock', 'hand', 'fibre')).toEqual(['fibres']);
    expect(hazardsOfLayer('foil', 'hand', 'foil')).toEqual(['blades']);
  });

  it('leave no sprayed layer without a caution', () => {
    for (const kind of ['primer', 'undercoat', 'colour', 'metal', 'clear', 'tint'] as const) {
      expect(LAYER_KINDS[kind].painted).toBe(true);
      for (const family of [
        'lacquer',
        'water-acrylic',
        'alcohol-acrylic',
        'chrome-ink',
        'urethane-2k',
      ] as const) {
        expect(hazardsOfLayer(kind, 'airbrush', family).length).toBeGreaterThan(0);
      }
    }
  });

  it('are read from the words of a step', () => {
    expect(hazardsInWords('cyanoacrylate gel', 'dabs')).toEqual(['cyanoacrylate']);
    expect(hazardsInWords('bleach bath, ten minutes')).toEqual(['bleach']);
    expect(hazardsInWords('drill 0.5 mm', 'thin solvent cement')).toEqual(['vapour', 'blades']);
    expect(hazardsInWords('press the tyre on')).toEqual([]);
  });
});
