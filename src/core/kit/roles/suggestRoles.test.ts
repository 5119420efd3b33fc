import { describe, expect, it } from 'vitest';
import { plainPart } from '../plainKit.ts';
import { suggestJoints } from '../suggestJoints.ts';
import { suggestRoles } from './suggestRoles.ts';
import { SYSTEMS } from './systems.ts';
import { THINGS } from './things.ts';

const roleOf = (name: string) => suggestRoles([plainPart('A1', { name })])[0]!;

describe('the table of things', () => {
  it('names each thing once, and carriers that are in it', () => {
    const ids = THINGS.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const { id, on, system } of THINGS) {
      expect(SYSTEMS).toContain(system);
      for (const carrier of on.flat()) {
        expect(ids, `${id} on ${carrier}`).toContain(carrier.split('@')[0]);
        expect(carrier.split('@')[0]).not.toBe(id);
      }
    }
  });

  it('has no name for two things', () => {
    const seen = new Map<string, string>();
    for (const { id, names } of THINGS)
      for (const name of names) {
        const key = name.replaceAll(' ', '');
        expect(seen.get(key) ?? id, name).toBe(id);
        seen.set(key, id);
      }
  });
});

describe('roles from names', () => {
  it('are the same in British and American usage, run together or apart, in any number', () => {
    for (const [british, american] of [
      ['Bonnet', 'HOOD'],
      ['Boot lid', 'Trunk lid'],
      ['Windscreen', 'windshield'],
      ['Head-lamp rims', 'Headlight bezel'],
      ['Silencer', 'Muffler'],
      ['Tyres, front', 'Front tire'],
      ['Shock absorber', 'shocks'],
      ['Propeller shaft', 'Driveshaft'],
      ['Petrol tank', 'Gas tank'],
      ['Wing mirror', 'Side mirror'],
    ] as const)
      expect([roleOf(british).thing, british], american).toEqual([roleOf(american).thing, british]);
  });

  it('tell side and end however they are written', () => {
    for (const name of ['Door, left', 'Left door', 'Door L/H', 'DOOR (L)', 'Door lh', 'Door, nearside'])
      expect(roleOf(name), name).toMatchObject({ thing: 'door', side: 'left' });
    expect(roleOf('Rear axle').end).toBe('rear');
    expect(roleOf('Springs, rear').end).toBe('rear');
    // Neither sits at the back.
    expect(roleOf('Back plates').end).toBeNull();
    expect(roleOf('Rear-view mirror').end).toBeNull();
  });

  it('go by what the name ends with: a steering wheel is no wheel, a wheel nut neither', () => {
    expect(roleOf('Steering wheel').thing).toBe('steering-wheel');
    expect(roleOf('Wheel, steering').thing).toBe('steering-wheel');
    expect(roleOf('Lens for headlamp').thing).toBe('headlamp-lens');
    expect(roleOf('Wheel nuts').thing).toBe('wheel-nut');
    expect(roleOf('Seat frame').thing).toBeNull();
    expect(roleOf('Wheel puller')).toMatchObject({ thing: null, confidence: 0 });
  });

  it('take any word for a word', () => {
    for (const name of ['Constructor plate', 'toString', '__proto__', '', '  ', '9', ',', 'Ünder-Böden 漢字'])
      expect(roleOf(name), name).toMatchObject({ side: null, end: null, level: null });
  });

  it('say not known rather than guess, and go by material and frame where these tell', () => {
    expect(roleOf('Gizmo')).toMatchObject({ thing: null, system: null, confidence: 0 });
    const [pane] = suggestRoles([plainPart('G1', { name: 'Gizmo', material: 'clear' })]);
    expect(pane).toMatchObject({ system: 'glass', thing: null });
    const engine = ['Sump', 'Distributor', 'Starter', 'Rocker cover'].map((name, at) =>
      plainPart(`C${at}`, { name }),
    );
    const [gizmo] = suggestRoles([plainPart('C9', { name: 'Gizmo' }), ...engine]);
    expect(gizmo).toMatchObject({ system: 'engine', confidence: 0.5 });
  });

  it('take a hood for the folding top where the list has a bonnet', () => {
    const [top] = suggestRoles([plainPart('A1', { name: 'Hood' }), plainPart('A2', { name: 'Bonnet' })]);
    expect(top!.thing).toBe('soft-top');
  });
});

describe('what is no thing of the table', () => {
  it('belongs to what its bracket, cover or stay is of', () => {
    for (const [name, system] of [
      ['Radiator brackets, left', roleOf('Radiator').system],
      ['Escort lamps', 'lamps'],
      ['Seat base', 'cabin'],
      ['Shock bodies', 'suspension'],
      ['Spokes, inner', 'wheels'],
      ['Deck posts x14', 'deck'],
      ['Stack guards', 'exhaust'],
    ] as const)
      expect([name, roleOf(name)], name).toMatchObject([name, { thing: null, system, confidence: 0.7 }]);
  });

  it('is not known where nothing but bracket, cover or stay is said, or a word of another trade', () => {
    for (const name of ['Bracket', 'Covers, left', 'Music stands', 'Body posts', 'Frame screws', 'Siren'])
      expect([name, roleOf(name).system]).toEqual([name, null]);
  });
});

describe('joints suggested from roles', () => {
  const joined = (...names: string[]) => {
    const parts = names.map((name, at) => plainPart(`A${at}`, { name, areaCm2: 10 }));
    return suggestJoints({ parts, joints: [] }).map(
      ({ joint: { a, b } }) =>
        `${parts.find(({ id }) => id === a)!.name} > ${parts.find(({ id }) => id === b)!.name}`,
    );
  };

  it('never are of a thing onto its like', () => {
    expect(joined('Tyres', 'Steering wheel')).toEqual([]);
    expect(joined('Front bumper', 'Rear bumper')).toEqual([]);
    expect(joined('Door card, left', 'Door card, right')).toEqual([]);
    expect(joined('Windscreen', 'Headlamp bezel')).toEqual([]);
    expect(joined('Silencer, left', 'Silencer, right')).toEqual([]);
  });

  it('keep to the side and the end', () => {
    expect(joined('Door L/H', 'Door R/H', 'Door card, right', 'Body')).toContain(
      'Door card, right > Door R/H',
    );
    expect(joined('Front wheels', 'Rear wheels', 'Tyres, rear')).toEqual(['Tyres, rear > Rear wheels']);
    expect(joined('Front wheels', 'Tyres, rear')).toEqual([]);
  });

  it('are several where a part lies between several', () => {
    expect(joined('Rear axle', 'Gearbox', 'Propeller shaft')).toEqual([
      'Propeller shaft > Gearbox',
      'Propeller shaft > Rear axle',
    ]);
    expect(joined('Frame rail, left', 'Frame rail, right', 'Cross-member')).toHaveLength(2);
  });

  it('are none where it cannot be told which of two carries it', () => {
    expect(joined('Door, left', 'Door, right', 'Door glass')).toEqual([]);
  });
});
