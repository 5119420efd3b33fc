import { describe, expect, it } from 'vitest';
import { spectrumFrom } from '../../colour/index.ts';
import { substitutes, type SubstitutePaint } from '../index.ts';

const paint = (id: string, level: number, change: Partial<SubstitutePaint> = {}): SubstitutePaint => ({
  id,
  k: spectrumFrom((nm) => level * (nm < 560 ? 1 : 0.05)),
  s: spectrumFrom(() => 0.2),
  family: 'lacquer',
  sheen: 'gloss',
  hiding: 'opaque',
  role: 'colour',
  container: 'bottle',
  flakeUm: null,
  discontinued: false,
  ...change,
});
const gone = paint('gone', 1, { discontinued: true });

describe('substitutes', () => {
  it('puts the same chemistry and sheen first where the colour is the same, and says what differs', () => {
    const found = substitutes(
      gone,
      [
        gone,
        paint('far', 3),
        paint('enamel', 1, { family: 'enamel' }),
        paint('same', 1),
        paint('matt can', 1, { sheen: 'matt', container: 'can' }),
      ],
      9,
    );
    expect(found.map(({ id }) => id)).toEqual(['same', 'matt can', 'enamel', 'far']);
    expect(found[0]).toEqual({ id: 'same', dE00: 0, differs: [] });
    expect(found[1]!.differs).toEqual(['matt', 'can']);
    expect(found[2]!.differs).toEqual(['enamel']);
  });

  it('offers nothing that is gone itself, for another use, or with flake for one without', () => {
    const others = [
      paint('gone too', 1, { discontinued: true }),
      paint('primer', 1, { role: 'primer' }),
      paint('flake', 1, { flakeUm: 12 }),
    ];
    expect(substitutes(gone, others, 9)).toEqual([]);
    const silver = paint('silver', 0.1, { flakeUm: 12 });
    const near = substitutes(
      silver,
      [paint('coarse', 0.1, { flakeUm: 22 }), paint('fine', 0.1, { flakeUm: 10 })],
      9,
    );
    expect(near.map(({ id }) => id)).toEqual(['fine', 'coarse']);
    expect(near[0]!.differs).toEqual(['flake 10 µm']);
  });
});
