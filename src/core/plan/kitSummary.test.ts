import { describe, expect, it } from 'vitest';
import type { Evidence, IrreversibleWork } from '../kit/index.ts';
import { kitWith, plainPart } from '../kit/plainKit.ts';
import { plainJoint } from '../kit/index.ts';
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
  it('offers a spare for what is lost only where it is the same thing', () => {
    const lost = (name: string, spare: string) =>
      kitNeeds({
        kit: kitWith({ parts: [plainPart('A1', { name, state: 'lost' })] }),
        paints: [],
        adhesives: [],
        spares: [{ id: 's', name: spare, origin: 'a coupe', material: 'styrene', count: 1, note: '' }],
        materials: [],
        scale: 24,
      })[0]!.state;
    expect(lost('Steering wheel', 'Wheel nuts')).toBe('buy');
    expect(lost('Steering wheel', 'Steering wheels, two spokes')).toBe('from spares');
    expect(lost('Horn ring', 'Springs')).toBe('buy');
  });

  it('calls for what an option needs only where that is picked', () => {
    const want = (id: string, optionId: string | null) => ({
      id,
      name: id,
      why: '',
      optionId,
      leadDays: 7,
      have: false,
      substitute: '',
      looks: '',
    });
    const choices = [{ id: 'roof', name: 'Roof', options: [], chosen: 'open' as string | null }];
    const wants = [want('irons', 'open'), want('hood cloth', 'closed'), want('plates', null)];
    const called = (chosen: string | null) =>
      summariseKit(kitWith({ wants, choices: [{ ...choices[0]!, chosen }] }), []).wants.map(
        ({ name }) => name,
      );
    expect(called('open')).toEqual(['irons', 'plates']);
    expect(called(null)).toEqual(['plates']);
  });

  it('gives every joint of a sub-assembly the glue that its faces ask for, and a typed join its joints', () => {
    const parts = [
      plainPart('R', { name: 'Rim' }),
      plainPart('L', { name: 'Lens', material: 'clear' }),
      plainPart('P', { name: 'Bumper half', plated: true }),
      plainPart('Q', { name: 'Bumper half, rear', plated: true }),
    ];
    const joints = [plainJoint('l', 'L', 'R'), plainJoint('p', 'P', 'Q'), plainJoint('q', 'P', 'R')];
    const summary = summariseKit(
      kitWith({ parts, joints }),
      [
        { id: 'lamps', partIds: ['R', 'L'] },
        { id: 'bright', partIds: ['P', 'Q'] },
      ],
      [{ id: 'typed', trayIds: ['bright', 'lamps'], jointIds: [] }],
    );
    expect(summary.joinsBefore.lamps).toMatchObject([{ words: 'Lens to rim', adhesive: 'pva' }]);
    expect(summary.joinsBefore.bright![0]!.adhesive).toMatch(/^ca-/);
    expect(summary.joinsAfter.typed!.map(({ words }) => words)).toEqual(['Bumper half to rim']);
  });

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
    expect(summary.advice.filter(({ rule }) => rule === 'undecided')).toMatchObject([
      { severity: 'stop', text: 'Not decided: trim colour', at: { trays: ['t'], kinds: ['colour'] } },
    ]);
    const titles = (of: string) => summary.tasks.flatMap(({ kind, title }) => (kind === of ? [title] : []));
    expect(titles('open')).toEqual(['Open: holes for the rack']);
    expect(
      summary.tasks.flatMap(({ kind, title, trayId }) => (kind === 'pick-out' ? [[title, trayId]] : [])),
    ).toEqual([['Mask and paint blue', 't']]);
    expect(summary.openConflicts).toBe(1);
  });
});
