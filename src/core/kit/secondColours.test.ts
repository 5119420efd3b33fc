import { describe, expect, it } from 'vitest';
import { EMPTY_KIT, plainJoint, plainPart, type Kit, type Part } from './index.ts';
import { secondColours } from './secondColours.ts';

const finishes: Kit['finishes'] = [
  { id: 'cream', name: 'Cream', look: 'gloss', codeId: null },
  { id: 'gilt', name: 'Gilt', look: 'metal', codeId: null },
  { id: 'raw', name: 'As moulded', look: 'bare', codeId: null },
];
const zone = (finishId: string, more: Partial<Part['zones'][number]> = {}): Part['zones'][number] => ({
  id: `zone-${finishId}`,
  name: '',
  finishId,
  share: 1,
  boundary: 'moulded' as const,
  edgeMm: null,
  ...more,
});
const part = (id: string, zones: Part['zones'], more: Partial<Part> = {}): Part => ({
  ...plainPart(id),
  name: id,
  zones,
  areaCm2: 10,
  ...more,
});
const kitOf = (parts: Part[], joints: Kit['joints'] = []): Kit => ({
  ...EMPTY_KIT,
  finishes,
  parts,
  joints,
});
const body = part('Body', [zone('cream')], { areaCm2: 200 });

describe('colours beside the main one of a sub-assembly', () => {
  it('are zones of a part: up to a line of the plastic, or along tape', () => {
    const flank = part('Flank', [
      zone('cream', { share: 0.75 }),
      zone('gilt', { name: 'spear', share: 0.25, boundary: 'masked', edgeMm: 84 }),
    ]);
    const hub = part('Hub', [zone('cream'), zone('gilt', { name: 'nut', share: 0.1 })], { count: 4 });
    const [gilt, ...others] = secondColours(kitOf([body, flank, hub]), [body, flank, hub]);
    expect(others).toEqual([]);
    expect(gilt).toMatchObject({
      finishId: 'gilt',
      places: [
        { name: 'spear on flank', cm2: 2.5, tapeMm: 84 },
        { name: 'nut on hub', cm2: 4 },
      ],
      cm2: 6.5,
    });
    expect(gilt!.places[1]).not.toHaveProperty('tapeMm');
  });

  it('are whole parts that are joined to the main one, not those that only lie beside it', () => {
    const badge = part('Badge', [zone('gilt')], { areaCm2: 1 });
    const joined = [{ ...plainJoint('j', 'Body', 'Badge'), edgeMm: 12 }];
    expect(secondColours(kitOf([body, badge], joined), [body, badge])).toMatchObject([
      { finishId: 'gilt', places: [{ name: 'Badge', cm2: 1 }] },
    ]);
    expect(secondColours(kitOf([body, badge]), [body, badge])).toEqual([]);
    // Joined, but to something of another sub-assembly.
    expect(secondColours(kitOf([body, badge], joined), [badge])).toEqual([]);
  });

  it('are none of what is left as moulded, nor where no part has a finish', () => {
    const raw = part('Raw', [zone('cream'), zone('raw', { share: 0.2 })]);
    expect(secondColours(kitOf([body, raw]), [body, raw])).toEqual([]);
    expect(secondColours(kitOf([part('Plain', [])]), [part('Plain', [])])).toEqual([]);
  });
});
