import { describe, expect, it } from 'vitest';
import { plainJoint, plainPart, type Kit, type Part } from '../../kit/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import type { LayerKind } from '../../finish/index.ts';
import { summariseKit } from '../kitSummary.ts';

const RULES = ['scrape-seats', 'turn-seam-away'];
const trumpet = (more: Partial<Part> = {}) => plainPart('C1', { name: 'Trompete', plated: true, ...more });
const said = (part: Part, kit: Partial<Kit> = {}, layers?: LayerKind[]) => {
  const whole = kitWith({
    parts: [part, plainPart('C2', { name: 'Manifold' })],
    joints: [plainJoint('j', 'C1', 'C2')],
    ...kit,
  });
  const trays = [
    {
      id: 'one',
      partIds: ['C1', 'C2'],
      ...(layers ? { layers: layers.map((kind, at) => ({ id: String(at), kind })) } : {}),
    },
  ];
  return summariseKit(whole, trays, [], 24).advice.filter(({ rule }) => RULES.includes(rule));
};

describe('plating that stays', () => {
  it('is scraped off its seats before the part is fitted', () => {
    const [seat, ...more] = said(trumpet());
    expect(more).toEqual([]);
    expect(seat).toMatchObject({
      rule: 'scrape-seats',
      text: 'Scrape the seats of trompete: where it meets manifold',
      about: { parts: ['C1'], joints: ['j'] },
    });
    expect(seat!.at.kinds).toContain('dry-fit');
  });

  it('has no seat where nothing is glued', () => {
    expect(said(trumpet(), { joints: [plainJoint('j', 'C1', 'C2', { kind: 'press' })] })).toEqual([]);
    expect(said(trumpet(), { joints: [] })).toEqual([]);
  });

  it('is turned with its seam out of sight, whatever the part is called', () => {
    const [, turn] = said(trumpet({ name: 'C-7', needs: ['seam', 'gates', 'warp'] }));
    expect(turn).toMatchObject({
      rule: 'turn-seam-away',
      text: 'Turn its seam and the scars of its gates away: c-7',
    });
  });

  it('is of no matter where it comes off, or is painted over, or was never there', () => {
    const needs: Part['needs'] = ['seam'];
    expect(said(trumpet({ needs }), {}, ['strip', 'primer'])).toEqual([]);
    expect(said(trumpet({ needs, plated: false }))).toEqual([]);
    const zones = [
      { id: 'z', name: '', finishId: 'red', share: 1, boundary: 'moulded' as const, edgeMm: null },
    ];
    const finishes = [{ id: 'red', name: 'Red', look: 'gloss' as const, codeId: null }];
    expect(said(trumpet({ needs, zones }), { finishes })).toEqual([]);
    const brightwork = [
      { id: 'b', partId: 'C1', curvature: 'gentle' as const, route: 'strip-paint' as const },
    ];
    expect(said(trumpet({ needs }), { brightwork })).toEqual([]);
    expect(
      said(trumpet({ needs }), { brightwork: [{ ...brightwork[0]!, route: 'keep-plating' }] }),
    ).toHaveLength(2);
  });
});
