import { describe, expect, it } from 'vitest';
import type { Evidence, IrreversibleWork } from '../kit/index.ts';
import { kitWith, plainPart } from '../kit/plainKit.ts';
import { kitNeeds } from './kitNeeds.ts';
import { summariseKit } from './kitSummary.ts';

const work = (change: Partial<IrreversibleWork>): IrreversibleWork => ({
  id: 'w',
  kind: 'hole',
  partId: 'A1',
  name: 'holes for the rack',
  neededBy: [],
  always: false,
  ...change,
});

describe('needs and summary of a kit', () => {
  it('lists what is missing first, with lead time and substitute', () => {
    const needs = kitNeeds({
      kit: kitWith({
        parts: [
          plainPart('A1', { name: 'Side mirror', state: 'lost' }),
          plainPart('A2', { needs: ['sink'] }),
        ],
        wants: [
          {
            id: 'w',
            name: 'Etched grille',
            why: 'too thick',
            optionId: null,
            leadDays: 21,
            have: false,
            substitute: 'thin it',
            looks: 'still coarse',
          },
        ],
      }),
      paints: [
        { id: 'p', name: 'Red', needMl: 8, levelMl: 3 },
        { id: 'q', name: 'Blue', needMl: 2, levelMl: 9 },
      ],
      adhesives: [
        { adhesive: 'epoxy', joint: 'axle' },
        { adhesive: 'none', joint: 'wheel' },
      ],
      spares: [
        { id: 's', name: 'Mirrors, round', origin: 'an old coupe', material: 'styrene', count: 2, note: '' },
      ],
      materials: [{ id: 'm', name: 'gel', kind: 'ca-gel', amount: 'half', have: true, leadDays: 3 }],
      scale: 24,
    });
    expect(needs.map(({ what, state }) => [what, state])).toEqual([
      ['Etched grille', 'buy'],
      ['slow epoxy', 'buy'],
      ['two-part putty', 'buy'],
      ['Red', 'short'],
      ['A1 Side mirror', 'from spares'],
      ['Blue', 'have'],
    ]);
    expect(needs[1]).toMatchObject({
      substitute: 'cyanoacrylate gel',
      looks: 'none, but it breaks under load',
    });
  });

  it('tells the plan what waits, what is opened and what is picked out', () => {
    const zone = (finishId: string) => ({
      id: finishId,
      name: 'beltline',
      finishId,
      share: 0.2,
      boundary: 'masked' as const,
      edgeMm: 100,
    });
    const evidence: Evidence = {
      id: 'e',
      title: 'trim colour',
      partIds: ['A1'],
      stepKind: 'colour',
      sheet: 'gold',
      evidence: 'silver',
      source: '',
      pictureId: null,
      confidence: 'likely',
      verdict: 'open',
      decision: '',
    };
    const kit = kitWith({
      finishes: ['red', 'blue'].map((id) => ({ id, name: id, look: 'gloss' as const, codeId: null })),
      parts: [plainPart('A1', { areaCm2: 90, zones: [zone('red'), zone('blue')] })],
      works: [work({ always: true }), work({ id: 'no', neededBy: [] })],
      evidence: [evidence],
    });
    const summary = summariseKit(kit, [{ id: 't', partIds: ['A1'] }]);
    expect(summary.holds).toEqual([
      { trayId: 't', stepKind: 'colour', reason: expect.stringMatching(/trim colour/) as string },
    ]);
    const titles = (of: string) => summary.tasks.flatMap(({ kind, title }) => (kind === of ? [title] : []));
    expect(titles('open')).toEqual(['Open: holes for the rack']);
    expect(
      summary.tasks.flatMap(({ kind, title, trayId }) => (kind === 'pick-out' ? [[title, trayId]] : [])),
    ).toEqual([['Mask and paint blue', 't']]);
    expect(summary.openConflicts).toBe(1);
  });
});
