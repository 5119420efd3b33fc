import { describe, expect, it } from 'vitest';
import { assembleKit } from './assembleKit.ts';
import { copyKit } from './copyKit.ts';
import { inFrameOrder } from './frameOrder.ts';
import { precedencesOf, captureCycle, capturedJoints, mustWait } from './hardConstraints.ts';
import { jointCosts, seamLength, sumOf } from './jointCosts.ts';
import { areaOf, LOOKS, schoolOf, type KitFinish, type Part, type School } from './kit.ts';
import { kitWith, plainJoint, plainPart } from './plainKit.ts';

const finishes = new Map<string, KitFinish>(
  LOOKS.map((look) => [look, { id: look, name: look, look, codeId: null }]),
);
const zone = (finishId: string) => [
  { id: 'z', name: '', finishId, share: 1, boundary: 'moulded' as const, edgeMm: null },
];
const painted = (id: string, look: string, change: Partial<Part> = {}) =>
  plainPart(id, { areaCm2: 25, zones: zone(look), ...change });
const costsOf = (
  a: Part,
  b: Part,
  change: Parameters<typeof plainJoint>[3] = {},
  school: School = 'pieces',
) =>
  jointCosts(
    plainJoint('j', a.id, b.id, change),
    { assembly: [{ id: 'a', school }] },
    new Map([a, b].map((part) => [part.id, part])),
    finishes,
    new Map(),
  );
const ids = (terms: { id: string }[]) => terms.map(({ id }) => id).sort();

describe('jointCosts', () => {
  it('asks nothing before paint of two bare parts', () => {
    const { early, late } = costsOf(plainPart('A1'), plainPart('A2'));
    expect(early).toEqual([]);
    expect(ids(late)).toEqual(['one-more-piece']);
  });

  it('masks large unlike neighbours and brushes small ones', () => {
    const large = painted('A1', 'gloss');
    expect(ids(costsOf(large, painted('A2', 'satin')).early)).toContain('mask');
    expect(ids(costsOf(large, painted('A2', 'satin', { areaCm2: 3 })).early)).toContain('brush');
    expect(ids(costsOf(large, painted('A2', 'gloss')).early)).not.toContain('mask');
    // A brush does not go near a surface that is polished.
    expect(ids(costsOf(painted('A1', 'polished'), painted('A2', 'satin', { areaCm2: 3 })).early)).toContain(
      'mask',
    );
  });

  it('grows with the length of the seam', () => {
    const [a, b] = [painted('A1', 'gloss'), painted('A2', 'gloss')];
    const seam = (edgeMm: number) => sumOf(costsOf(a, b, { seam: 'vanish', edgeMm }).late);
    expect(seam(200)).toBeGreaterThan(seam(50));
    expect(seamLength(plainJoint('j', 'A1', 'A2'), a, b)).toBeCloseTo(20 * Math.sqrt(25));
    expect(seamLength(plainJoint('j', 'A1', 'A2', { edgeMm: 7 }), a, b)).toBe(7);
  });

  it('counts glue beside gloss, scraped paint, a closed clearance and fragile parts', () => {
    const [a, b] = [painted('A1', 'polished'), painted('A2', 'polished')];
    expect(ids(costsOf(a, b, { clearanceMm: 0.1 }).late)).toEqual([
      'film-in-joint',
      'glue-on-finish',
      'one-more-piece',
      'scrape',
    ]);
    expect(ids(costsOf(a, b, { clearanceMm: 0.5 }).late)).not.toContain('film-in-joint');
    expect(ids(costsOf(a, { ...b, fragile: true }).early)).toContain('handling');
    expect(ids(costsOf({ ...a, lengthMm: 240 }, b).early)).toContain('handling');
  });

  it('shares one more piece among the joints of the lonelier part', () => {
    const [a, b] = [painted('A1', 'satin'), painted('A2', 'satin')];
    const piece = (neighbours: [string, number][]) =>
      jointCosts(
        plainJoint('j', 'A1', 'A2'),
        { assembly: [{ id: 'a', school: 'pieces' }] },
        new Map([a, b].map((part) => [part.id, part])),
        finishes,
        new Map(neighbours),
      ).late.find(({ id }) => id === 'one-more-piece')!.minutes;
    expect(
      piece([
        ['A1', 5],
        ['A2', 3],
      ]),
    ).toBeCloseTo(
      piece([
        ['A1', 1],
        ['A2', 9],
      ]) / 3,
      1,
    );
  });

  it('lets the schools weigh brush against pieces', () => {
    const [a, b] = [painted('A1', 'satin'), painted('A2', 'matt', { areaCm2: 2 })];
    const brush = (school: School) =>
      costsOf(a, b, {}, school).early.find(({ id }) => id === 'brush')!.minutes;
    expect(brush('join-first')).toBeLessThan(brush('pieces') / 3);
    expect(sumOf(costsOf(a, b, {}, 'join-first').late)).toBeGreaterThan(sumOf(costsOf(a, b).late));
  });
});

describe('hard constraints', () => {
  const parts = new Map(
    [
      painted('A1', 'gloss'),
      painted('A2', 'gloss'),
      plainPart('G1', { material: 'clear' }),
      plainPart('G2', { material: 'clear' }),
      painted('D1', 'chrome-ink'),
      painted('D2', 'chrome-ink'),
    ].map((part) => [part.id, part]),
  );
  const rule = (a: string, b: string, change = {}, captured = false) =>
    mustWait(plainJoint('j', a, b, change), parts, finishes, captured)?.rule;

  it('settles glass, ink and motion, and nothing else', () => {
    expect(rule('G1', 'A1')).toBe('glass');
    expect(rule('G1', 'G2')).toBeUndefined();
    expect(rule('D1', 'A1')).toBe('chrome-ink');
    expect(rule('D1', 'D2')).toBeUndefined();
    expect(rule('A1', 'A2', { motion: 'turns' })).toBe('motion');
    expect(rule('A1', 'A2', { motion: 'turns' }, true)).toBeUndefined();
    expect(rule('A1', 'A2')).toBeUndefined();
  });

  it('puts what is captured or closed off before what shuts it in', () => {
    const joints = [
      plainJoint('halves', 'A1', 'A2', { captured: ['D1'], closes: ['far'] }),
      plainJoint('pin', 'D1', 'A1'),
      plainJoint('elsewhere', 'D1', 'D2'),
      plainJoint('far', 'G1', 'G2'),
    ];
    expect(precedencesOf(joints)).toEqual([
      { first: 3, then: 0 },
      { first: 1, then: 0 },
    ]);
    expect([...capturedJoints(joints)]).toEqual(['pin']);
    expect(captureCycle(joints)).toBeUndefined();
    const circle = [...joints, plainJoint('last', 'D2', 'G2', { closes: ['halves'] })];
    circle[1] = { ...circle[1]!, closes: ['last'] };
    expect(
      captureCycle(circle)!
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['halves', 'last', 'pin']);
  });
});

describe('records of a kit', () => {
  const kit = kitWith({
    parts: [painted('A1', 'gloss', { state: 'lost', checked: true })],
    finishes: [finishes.get('gloss')!],
    joints: [plainJoint('j', 'A1', 'A1', { captured: ['A1'], closes: ['j'], pin: 'after' })],
    choices: [
      {
        id: 'c',
        name: 'Roof',
        chosen: 'o',
        options: [
          { id: 'o', name: 'open', needs: ['A1'], rulesOut: [], markings: ['12'], finishIds: ['gloss'] },
        ],
      },
    ],
    works: [{ id: 'w', kind: 'hole', partId: 'A1', name: 'holes', neededBy: ['o'], always: false }],
    box: [{ id: 'b', name: 'Frame A', checked: true, note: '' }],
    wants: [
      { id: 'n', name: 'Mesh', why: '', optionId: 'o', leadDays: 3, have: true, substitute: '', looks: '' },
    ],
    fits: [
      {
        id: 'f',
        jointId: 'j',
        stage: 'bare',
        feel: 'snug',
        clearanceMm: null,
        motionChecked: true,
        done: '',
      },
    ],
  });

  it('come together by kind, in their order, with their ids', () => {
    const made = assembleKit([
      { kind: 'part', id: 'p2', value: { name: 'Second' } },
      { kind: 'part', id: 'p1', value: { name: 'First' } },
      { kind: 'assembly', id: 'x', value: { school: 'join-first' } },
      { kind: 'spare', id: 's', value: {} },
    ]);
    expect(made.parts.map(({ id, name }) => [id, name])).toEqual([
      ['p2', 'Second'],
      ['p1', 'First'],
    ]);
    expect(schoolOf(made)).toBe('join-first');
    expect(assembleKit([])).toEqual(kitWith({}));
  });

  it('are copied whole under new names, nothing done yet', () => {
    const copy = copyKit(kit, (id) => `new-${id}`);
    const text = JSON.stringify(copy);
    for (const id of ['A1', 'j', 'c', 'o', 'w', 'b', 'n'])
      expect(text).not.toMatch(new RegExp(`[:[]"${id}"`));
    expect(copy.parts[0]).toMatchObject({ id: 'new-A1', state: 'on-frame', checked: false });
    expect(copy.joints[0]).toMatchObject({ a: 'new-A1', captured: ['new-A1'], closes: ['new-j'], pin: null });
    expect(copy.choices[0]).toMatchObject({
      chosen: null,
      options: [{ needs: ['new-A1'], markings: ['12'] }],
    });
    expect(copy.works[0]!.neededBy).toEqual(['new-o']);
    expect(copy.box[0]!.checked).toBe(false);
    expect(copy.wants[0]).toMatchObject({ optionId: 'new-o', have: false });
    expect(copy.fits).toEqual([]);
  });

  it('hang in the order of their frames', () => {
    const labels = ['B2', 'A10', 'A2', 'A2b', 'A2a'].map((label) => plainPart(label));
    expect(inFrameOrder(labels).map(({ id }) => id)).toEqual(['A2', 'A2a', 'A2b', 'A10', 'B2']);
  });

  it('guess an area where nobody measured', () => {
    expect(areaOf(plainPart('A1', { areaCm2: 7, lengthMm: 99 }))).toBe(7);
    expect(areaOf(plainPart('A1', { lengthMm: 60 }))).toBeCloseTo(24);
    expect(areaOf(plainPart('A1'))).toBeGreaterThan(0);
  });
});
