import { describe, expect, it } from 'vitest';
import { newRecord, sheetStepRecord } from '../kit.ts';
import { kitWith, plainJoint, plainPart } from '../plainKit.ts';
import { elsewhere, learntRoles } from './otherKits.ts';
import { pairsOf } from './pairs.ts';

const said = (partId: string, system: 'trim' | 'deck' | 'body') => ({ id: `r-${partId}`, partId, system });
const before = (system: 'trim' | 'deck' = 'deck') => ({
  name: 'The truck',
  kit: kitWith({ parts: [plainPart('A1', { name: 'Thingummies, left' })], roles: [said('A1', system)] }),
});

describe('what other kits teach', () => {
  const kit = kitWith({ parts: [plainPart('G7', { name: 'thingummy right' })] });

  it('is where a part of that name belongs, whatever its side and number', () => {
    expect(learntRoles(kit, [before()])).toEqual([{ partId: 'G7', system: 'deck', from: ['The truck'] }]);
    // Nothing where it was said here, where two kits differ, or where it is taken for that anyway.
    expect(learntRoles({ ...kit, roles: [said('G7', 'trim')] }, [before()])).toEqual([]);
    expect(learntRoles(kit, [before(), before('trim')])).toEqual([]);
    const bodies = kitWith({ parts: [plainPart('A1', { name: 'Body' })], roles: [said('A1', 'body')] });
    expect(
      learntRoles(kitWith({ parts: [plainPart('B1', { name: 'Body' })] }), [{ name: 'x', kit: bodies }]),
    ).toEqual([]);
  });

  it('is what became of it there', () => {
    const part = kit.parts[0]!;
    const other = before().kit;
    const named = [plainPart('A1', { name: 'Thingummy' }), plainPart('A2', { name: 'Body' })];
    expect(elsewhere(part, [{ name: 'The truck', kit: other }])).toEqual([]);
    expect(
      elsewhere(part, [
        { name: 'One', kit: kitWith({ parts: [{ ...named[0]!, use: 'left-off' }] }) },
        { name: 'Two', kit: kitWith({ parts: named, joints: [plainJoint('j', 'A1', 'A2')] }) },
        {
          name: 'Three',
          kit: kitWith({
            parts: named,
            sheetSteps: [
              {
                ...newRecord(sheetStepRecord),
                id: 's',
                number: '7',
                placements: [{ partIds: ['A1'], ontoIds: ['A2'] }],
              },
            ],
          }),
        },
      ]),
    ).toEqual(['left over on One', 'built in on Two', 'in step 7 on Three']);
  });
});

describe('a pair', () => {
  const door = (id: string, name: string, more = {}) => plainPart(id, { name, ...more });

  it('is a left and a right of one thing, in any usual words', () => {
    const parts = [door('A1', 'Front door, left'), door('A2', 'Door front RH'), door('A3', 'Rear door left')];
    expect(pairsOf(kitWith({ parts })).map(({ a, b, kind }) => [a, b, kind])).toEqual([
      ['A1', 'A2', 'mirrored'],
    ]);
  });

  it('is not made of what is of two materials, of three, or of what the builder calls none', () => {
    const parts = [door('A1', 'Door left'), door('A2', 'Door right')];
    expect(pairsOf(kitWith({ parts: [parts[0]!, { ...parts[1]!, material: 'clear' }] }))).toEqual([]);
    expect(pairsOf(kitWith({ parts: [...parts, door('A3', 'Left door')] }))).toEqual([]);
    expect(pairsOf(kitWith({ parts, joints: [plainJoint('j', 'A1', 'A2')] }))).toEqual([]);
    const none = { id: 'p', a: 'A2', b: 'A1', kind: 'no-pair' as const };
    expect(pairsOf(kitWith({ parts, pairs: [none] }))).toEqual([]);
    expect(pairsOf(kitWith({ parts, pairs: [{ ...none, kind: 'alike' }] }))).toEqual([
      { a: 'A2', b: 'A1', kind: 'alike', because: 'you said so' },
    ]);
  });
});
