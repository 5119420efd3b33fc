import { describe, expect, it } from 'vitest';
import { kitWith, plainFinish, plainPart, plainZones } from '../plainKit.ts';
import { suggestFinishes, takeFinishes } from './suggestFinishes.ts';

const parts = [
  plainPart('A1', { name: 'Body shell' }),
  plainPart('A2', { name: 'Door, left' }),
  plainPart('A3', { name: 'Windscreen', material: 'clear' }),
  plainPart('B1', { name: 'Chassis' }),
  plainPart('B2', { name: 'Front spring' }),
  plainPart('B3', { name: 'Brake drum' }),
  plainPart('C1', { name: 'Engine block, left' }),
  plainPart('D1', { name: 'Front bumper', plated: true }),
  plainPart('E1', { name: 'Tyres', material: 'vinyl', count: 4 }),
  plainPart('E2', { name: 'Spare tyre, plastic' }),
  plainPart('E3', { name: 'Tyre' }),
  plainPart('F1', { name: 'Front seat' }),
  plainPart('F2', { name: 'Steering wheel' }),
  plainPart('G1', { name: 'Thingummy' }),
];
const names = (kit = kitWith({ parts })) =>
  Object.fromEntries(suggestFinishes(kit).suggestions.map(({ name, partIds }) => [name, partIds.join(' ')]));

describe('finishes by what parts are', () => {
  it('go by role and material; what is not known is left out', () => {
    expect(names()).toEqual({
      'Body colour': 'A1 A2',
      Clear: 'A3',
      'Chassis black': 'B1 B2',
      'Cast metal': 'B3',
      'Engine colour': 'C1',
      'Kit plating': 'D1',
      'Rubber as it is': 'E1',
      'Tyre black': 'E3',
      'Wheel silver': 'E2',
      'Cabin colour': 'F1',
      'Cabin black': 'F2',
    });
    expect(suggestFinishes(kitWith({ parts })).unknown.map(({ id }) => id)).toEqual(['G1']);
  });

  it('follow what the builder says of a part, and leave alone what has a finish or is of another version', () => {
    const roles = [{ id: 'r', partId: 'G1', system: 'engine' as const }];
    expect(names(kitWith({ parts, roles }))['Engine colour']).toBe('C1 G1');
    const choices = [
      {
        id: 'c',
        name: 'Body',
        chosen: 'open',
        options: ['open', 'closed'].map((id) => ({
          id,
          name: id,
          needs: id === 'closed' ? ['A2'] : [],
          rulesOut: [],
          markings: [],
          finishIds: [],
        })),
      },
    ];
    const done = parts.map((part) => (part.id === 'A1' ? { ...part, zones: plainZones('red') } : part));
    expect(names(kitWith({ parts: done, choices }))['Body colour']).toBeUndefined();
  });

  it('take up a finish that is there already, and make the rest', () => {
    // A spring is painted so already: the other parts of the chassis follow it.
    const painted = parts.map((part) =>
      part.id === 'B2' ? { ...part, zones: plainZones('own-black') } : part,
    );
    const kit = kitWith({ parts: painted, finishes: [plainFinish('own-black', 'matt')] });
    const { suggestions } = suggestFinishes(kit);
    const chassis = suggestions.find(({ partIds }) => partIds.includes('B1'))!;
    expect(chassis).toMatchObject({ finishId: 'own-black', look: 'matt' });
    const body = { ...suggestions.find(({ partIds }) => partIds.includes('A1'))!, name: ' Lagoon ' };
    const taken = takeFinishes(kit, [chassis, body], ({ id }) => `new-${id}`);
    expect(taken.finishes).toEqual([{ id: 'new-body', name: 'Lagoon', look: 'polished', codeId: null }]);
    expect(taken.parts.map(({ id, zones }) => [id, zones[0]!.finishId])).toEqual([
      ['A1', 'new-body'],
      ['A2', 'new-body'],
      ['B1', 'own-black'],
    ]);
    // Once they have theirs, nothing more is proposed for them.
    const after = kitWith({
      parts: painted.map((part) => taken.parts.find(({ id }) => id === part.id) ?? part),
      finishes: taken.finishes,
    });
    expect(suggestFinishes(after).suggestions.flatMap(({ partIds }) => partIds)).not.toContain('A1');
  });
});
