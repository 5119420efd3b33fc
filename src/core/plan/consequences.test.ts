import { describe, expect, it } from 'vitest';
import type { Kit } from '../kit/index.ts';
import { kitWith, plainFinish, plainJoint, plainPart, plainZones } from '../kit/plainKit.ts';
import { dividedKit } from './contribution.ts';
import { consequencesOf } from './kitSummary.ts';

const kit = kitWith({
  finishes: [plainFinish('red', 'gloss'), plainFinish('black', 'satin'), plainFinish('plate', 'plating')],
  parts: [
    plainPart('A1', { name: 'Left half', zones: plainZones('red'), areaCm2: 40 }),
    plainPart('A2', { name: 'Right half', zones: plainZones('red'), areaCm2: 40 }),
    plainPart('A3', { name: 'Fan', zones: plainZones('black') }),
    plainPart('A4', { name: 'Mirror', zones: plainZones('plate') }),
    plainPart('A5', { name: 'Lid', zones: plainZones('black') }),
  ],
  joints: [
    plainJoint('halves', 'A1', 'A2', { captured: ['A3'] }),
    plainJoint('fan', 'A3', 'A1', { motion: 'turns' }),
    plainJoint('mirror', 'A4', 'A1'),
    plainJoint('lid', 'A5', 'A1', { closes: ['mirror'] }),
  ],
  choices: [
    {
      id: 'trim',
      name: 'Trim',
      chosen: 'rich',
      options: [
        {
          id: 'rich',
          name: 'rich',
          needs: ['A4'],
          rulesOut: [],
          markings: [],
          finishIds: [],
        },
      ],
    },
  ],
  works: [{ id: 'hole', kind: 'hole', partId: 'A1', name: 'hole', neededBy: ['rich'], always: false }],
});
const trays = [
  { id: 'body', partIds: ['A1', 'A2', 'A3'] },
  { id: 'trim', partIds: ['A4'] },
  { id: 'lid', partIds: ['A5'] },
];
const joins = [
  { id: 'mirror-on', jointIds: ['mirror'] },
  { id: 'lid-on', jointIds: ['lid'] },
];
const brief = (from: Kit, division = { trays, joins }) =>
  consequencesOf(dividedKit(from, division)).map(({ effect, step, other }) => {
    const word = (at: typeof step) =>
      'trayId' in at ? `${at.work} ${at.trayId}` : 'joinId' in at ? at.joinId : at.runStepId;
    return `${word(step)} ${effect} ${word(other)}`;
  });

describe('consequencesOf', () => {
  it('says what a hole serves, what a lid closes off and what is masked inside', () => {
    expect(brief(kit)).toEqual([
      'open body serves mirror-on',
      'lid-on prevents mirror-on',
      'join body traps-mask paint body',
    ]);
    expect(consequencesOf(dividedKit(kit, { trays, joins }))[1]!.because).toBe(
      'once A5 Lid to A1 Left half is made, A4 Mirror to A1 Left half can no longer be',
    );
  });

  it('lets a hole that the version does not need serve nothing', () => {
    const plain = { ...kit, choices: kit.choices.map((choice) => ({ ...choice, chosen: null })) };
    expect(brief(plain)).not.toContain('open body serves mirror-on');
  });

  it('wants a part shut in after paint to be painted and in place before', () => {
    const late = { trays, joins: [...joins, { id: 'halves-on', jointIds: ['halves'] }] };
    expect(brief(kit, late)).toEqual(
      expect.arrayContaining(['halves-on prevents join body', 'halves-on prevents paint body']),
    );
    expect(brief(kit, late).join()).not.toContain('traps-mask');
  });

  it('sees no mask where what is shut in has the colour of the rest, or none', () => {
    for (const inside of ['red', 'plate']) {
      const parts = kit.parts.map((part) =>
        part.id === 'A3' ? { ...part, zones: plainZones(inside) } : part,
      );
      expect(brief({ ...kit, parts }).join()).not.toContain('traps-mask');
    }
  });

  it('knows nothing of joints that no step makes', () => {
    expect(brief(kit, { trays: [], joins: [] })).toEqual([]);
    expect(brief(kit, { trays, joins: [joins[1]!] })).toEqual(['join body traps-mask paint body']);
  });
});
