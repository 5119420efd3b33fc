import { describe, expect, it } from 'vitest';
import { kitWith, plainJoint, plainPart } from '../plainKit.ts';
import type { Kit, Part } from '../records/index.ts';
import { takeFinishes } from '../roles/suggestFinishes.ts';
import { suggestEngineColours } from './engineColours.ts';

const zone = (finishId: string): Part['zones'] => [
  { id: 'z', name: '', finishId, share: 1, boundary: 'moulded', edgeMm: null },
];
const parts = [
  plainPart('C1', { name: 'Engine block, left half' }),
  plainPart('C2', { name: 'Engine block, right half' }),
  plainPart('C3', { name: 'Cylinder head' }),
  plainPart('C4', { name: 'Timing cover' }),
  plainPart('C5', { name: 'Gearbox' }),
  plainPart('C6', { name: 'Water pump' }),
];
const joints = [
  plainJoint('1', 'C1', 'C2'),
  plainJoint('2', 'C3', 'C1'),
  plainJoint('3', 'C4', 'C1'),
  plainJoint('4', 'C6', 'C4'),
  plainJoint('5', 'C5', 'C1'),
];
const colours = (more: Partial<Kit> = {}) => suggestEngineColours(kitWith({ parts, joints, ...more }));
const nameOf = ({ colours: all }: ReturnType<typeof colours>, thing: string) =>
  all.find((each) => each.thing === thing)?.suggested?.name;

describe('the colours of an engine', () => {
  it('are what is usual for each thing, both halves of one alike', () => {
    const answer = colours();
    expect(nameOf(answer, 'block')).toBe('Engine colour');
    expect(nameOf(answer, 'head')).toBe('Engine colour');
    expect(answer.suggestions.find(({ id }) => id === 'engine')!.partIds).toEqual(['C1', 'C2', 'C3']);
    expect(answer.alike).toEqual([]);
  });

  it('keep what touches unlike, by the least that is unusual', () => {
    const answer = colours();
    // Both are usually cast aluminium, and they touch: one of them gives way.
    const [cover, pump] = [nameOf(answer, 'timing-cover'), nameOf(answer, 'water-pump')];
    expect(cover).not.toBe(pump);
    expect([cover, pump]).toContain('Cast aluminium');
    // The gearbox touches neither and stays as usual.
    expect(nameOf(answer, 'gearbox')).toBe('Cast aluminium');
    const apart = colours({ joints: joints.filter(({ id }) => id !== '4') });
    expect([nameOf(apart, 'timing-cover'), nameOf(apart, 'water-pump')]).toEqual([
      'Cast aluminium',
      'Cast aluminium',
    ]);
  });

  it('are found beside the finishes that there are, which stay', () => {
    const finishes = [{ id: 'f', name: 'Cast aluminium', look: 'metal' as const, codeId: null }];
    const given = parts.map((part) => (part.id === 'C6' ? { ...part, zones: zone('f') } : part));
    const answer = colours({ parts: given, finishes });
    expect(answer.colours.find(({ thing }) => thing === 'water-pump')).toMatchObject({
      now: ['Cast aluminium'],
    });
    expect(nameOf(answer, 'water-pump')).toBeUndefined();
    expect(nameOf(answer, 'timing-cover')).toBe('New sheet steel');
    // The finish that is there is taken for others, not made twice.
    expect(answer.suggestions.find(({ id }) => id === 'aluminium-cast')).toMatchObject({ finishId: 'f' });
  });

  it('say which neighbours read as one once all have a finish', () => {
    const finishes = [{ id: 'f', name: 'cast aluminium', look: 'metal' as const, codeId: null }];
    const given = parts.map((part) => ({ ...part, zones: zone('f') }));
    const { alike, suggestions } = colours({ parts: given, finishes });
    expect(suggestions).toEqual([]);
    expect(alike).toContainEqual({ one: 'Timing cover', other: 'Water pump', finish: 'Cast aluminium' });
    // Two under one paint are meant to be one.
    const own = { finishes: [{ ...finishes[0]!, name: 'Engine colour' }], parts: given };
    expect(colours(own).alike).toEqual([]);
    const green = { finishes: [{ ...finishes[0]!, name: 'Green', look: 'gloss' as const }], parts: given };
    expect(colours(green).alike).toEqual([]);
  });

  it('leave plating as it is, and count it as bright', () => {
    const given = parts.map((part) => (part.id === 'C6' ? { ...part, plated: true } : part));
    const answer = colours({ parts: given });
    expect(answer.colours.find(({ thing }) => thing === 'water-pump')).toMatchObject({ now: ['plated'] });
    expect(answer.suggestions.flatMap(({ partIds }) => partIds)).not.toContain('C6');
  });

  it('claim nothing of parts that are not known, nor of those left off', () => {
    const odd = [plainPart('C1', { name: 'Thing 7' }), plainPart('C2', { name: 'Sump', use: 'left-off' })];
    expect(colours({ parts: odd, joints: [] })).toEqual({ colours: [], alike: [], suggestions: [] });
    expect(suggestEngineColours(kitWith({}))).toEqual({ colours: [], alike: [], suggestions: [] });
  });

  it('are taken as finishes and parts with them', () => {
    const { suggestions } = colours();
    const taken = takeFinishes({ parts }, suggestions, ({ id }) => `new-${id}`);
    expect(taken.finishes.map(({ name }) => name)).toContain('Engine colour');
    expect(taken.parts).toHaveLength(parts.length);
  });

  it('are the best there are: no other choice costs less, by trying all', () => {
    // A chain of things that share their first choice.
    const chain = ['Timing cover', 'Water pump', 'Gearbox', 'Intake manifold', 'Blower'].map((name, at) =>
      plainPart(`P${at}`, { name }),
    );
    const links = chain.slice(1).map((part, at) => plainJoint(String(at), chain[at]!.id, part.id));
    const { colours: all, alike } = colours({ parts: chain, joints: links });
    expect(alike).toEqual([]);
    // Of five in a row that all want one metal two must give way, and no more.
    expect(all.filter(({ suggested }) => suggested!.isUsual)).toHaveLength(3);
  });
});
