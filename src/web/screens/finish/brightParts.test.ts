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
});
