import { describe, expect, it } from 'vitest';
import { EMPTY_KIT, plainJoint, plainPart, type Kit } from '../../../core/kit/index.ts';
import { brightParts } from './brightParts.ts';

const zone = (finishId: string) => [
  { id: 'z', name: '', finishId, share: 1, boundary: 'masked' as const, edgeMm: null },
];
const kit: Kit = {
  ...EMPTY_KIT,
  finishes: [
    { id: 'red', name: 'Red', look: 'gloss', codeId: null },
    { id: 'cast', name: 'Cast', look: 'metal', codeId: null },
    { id: 'bright', name: 'Bright', look: 'chrome-ink', codeId: null },
  ],
  parts: [
    plainPart('C1', { name: 'Bumper', plated: true }),
    plainPart('C2', { name: 'Plated, to be red', plated: true, zones: zone('red') }),
    plainPart('A1', { name: 'Cap', zones: zone('bright'), lengthMm: 30 }),
    plainPart('A3', { name: 'Block', zones: zone('cast') }),
    plainPart('A2', { name: 'Body' }),
  ],
  joints: [
    { ...plainJoint('one', 'A1', 'A2'), seam: 'vanish' },
    { ...plainJoint('two', 'A1', 'C1'), captured: ['C1'] },
  ],
  brightwork: [{ id: 'b', partId: 'C1', curvature: 'tight', route: 'foil' }],
};

describe('brightParts', () => {
  it('takes plated parts and bright finishes, not cast metal nor plating that is painted over', () => {
    expect(brightParts(kit).map(({ name }) => name)).toEqual(['Bumper', 'Cap']);
  });

  it('reads seam, handling and sight from the joints, and the curve from the builder', () => {
    const [bumper, cap] = brightParts(kit);
    expect(bumper).toMatchObject({ curvature: 'tight', visibility: 'hidden', seam: false, handled: false });
    expect(cap).toMatchObject({
      curvature: 'gentle',
      visibility: 'seen',
      seam: true,
      handled: true,
      lengthMm: 30,
    });
  });

  it('are as much in sight as their places have it, where these are known', () => {
    const seen = (share: number, guessed: boolean) => ({
      size: { lengthMm: 160, widthMm: 60, heightMm: 40 },
      unknownViews: [],
      placed: [
        { partId: 'C1', behindMm: 0, leftMm: 0, upMm: 0, lengthMm: 9, widthMm: 9, heightMm: 9, guessed },
      ],
      inside: [],
      outside: [],
      unknown: [],
      shares: [{ id: 'C1', share, error: 0.01 }],
      work: [],
      choice: { chosen: [], minutes: 0, gain: 0, curve: [], proved: true, next: [] },
    });
    const sight = (share: number, guessed = false) => brightParts(kit, seen(share, guessed))[0]!;
    expect(sight(0.4)).toMatchObject({ visibility: 'seen', share: 0.4, guessed: false });
    expect(sight(0.1, true)).toMatchObject({ visibility: 'partly', guessed: true });
    expect(sight(0.01)).toMatchObject({ visibility: 'hidden' });
    // Of the other part nothing is known.
    expect(brightParts(kit, seen(0.01, false))[1]).toMatchObject({ visibility: 'seen' });
    expect(brightParts(kit, null)[0]).toMatchObject({ visibility: 'hidden' });
  });
});
