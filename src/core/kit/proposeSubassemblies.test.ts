import { describe, expect, it } from 'vitest';
import { seededRandom } from '../seededRandom.ts';
import { jointCosts, sumOf } from './jointCosts.ts';
import { capturedJoints, mustWait, precedencesOf } from './hardConstraints.ts';
import { LOOKS, type Joint, type JointTime, type Kit, type KitFinish } from './kit.ts';
import { kitWith, plainJoint, plainPart } from './plainKit.ts';
import { pinCost, proposeSubassemblies } from './proposeSubassemblies.ts';
import { takeProposal } from './takeProposal.ts';

const finishes: KitFinish[] = LOOKS.map((look) => ({ id: look, name: look, look, codeId: null }));
const painted = (id: string, look: string, change: Parameters<typeof plainPart>[1] = {}) =>
  plainPart(id, {
    areaCm2: 20,
    zones: [{ id: 'main', name: '', finishId: look, share: 1, boundary: 'moulded', edgeMm: null }],
    ...change,
  });
const timeOf = (kit: Kit, id: string) =>
  proposeSubassemblies(kit).decisions.find(({ jointId }) => jointId === id)!;

function randomKit(random: () => number): Kit {
  const count = 4 + Math.floor(random() * 4);
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const parts = Array.from({ length: count }, (_, at) =>
    painted(`A${at + 1}`, pick(['polished', 'gloss', 'satin', 'metal', 'bare', 'chrome-ink']), {
      areaCm2: 1 + random() * 60,
      lengthMm: 10 + random() * 250,
      fragile: random() < 0.1,
    }),
  );
  const joints: Joint[] = [];
  for (let at = 1; at < count; at++)
    joints.push(plainJoint(`j${at}`, `A${at + 1}`, `A${1 + Math.floor(random() * at)}`));
  for (let at = 0; at < 3; at++) {
    const [a, b] = [1 + Math.floor(random() * count), 1 + Math.floor(random() * count)];
    if (a !== b) joints.push(plainJoint(`k${at}`, `A${a}`, `A${b}`));
  }
  for (const joint of joints) {
    joint.kind = pick(['cement', 'press', 'hinge', 'sits-in'] as const);
    joint.seam = pick(['hidden', 'vanish', 'panel-line'] as const);
    joint.motion = random() < 0.15 ? 'turns' : 'none';
    if (random() < 0.15) joint.captured = [pick(parts).id].filter((id) => id !== joint.a && id !== joint.b);
  }
  return kitWith({
    parts,
    finishes,
    joints,
    assembly: [{ id: 'a', school: pick(['pieces', 'join-first'] as const) }],
  });
}

/** Least cost by trying every set of joints made before paint, reading the rules anew. */
function leastCost(kit: Kit): number {
  const { joints, parts } = kit;
  const byId = new Map(parts.map((part) => [part.id, part]));
  const byFinish = new Map(finishes.map((finish) => [finish.id, finish]));
  const captured = capturedJoints(joints);
  const pairs = new Map<string, Set<string>>(parts.map(({ id }) => [id, new Set()]));
  for (const { a, b } of joints) {
    pairs.get(a)!.add(b);
    pairs.get(b)!.add(a);
  }
  const neighbours = new Map([...pairs].map(([id, others]) => [id, others.size]));
  const seen = new Set<string>();
  const costs = joints.map((joint) => {
    const { early, late } = jointCosts(joint, kit, byId, byFinish, neighbours);
    const key = [joint.a, joint.b].sort().join();
    const again = seen.has(key);
    seen.add(key);
    return { early: sumOf(early), late: sumOf(late.filter(({ id }) => !again || id !== 'one-more-piece')) };
  });
  const order = precedencesOf(joints);
  let best = Infinity;
  for (let choice = 0; choice < 1 << joints.length; choice++) {
    const late = joints.map((_, at) => ((choice >> at) & 1) === 1);
    const unit = new Map(parts.map(({ id }) => [id, id]));
    joints.forEach(({ a, b }, at) => {
      if (late[at]) return;
      const [keep, drop] = [unit.get(a)!, unit.get(b)!];
      for (const [id, value] of unit) if (value === drop) unit.set(id, keep);
    });
    if (joints.some(({ a, b }, at) => late[at] && unit.get(a) === unit.get(b))) continue;
    if (order.some(({ first, then }) => late[first] && !late[then])) continue;
    if (
      joints.some(
        (joint, at) =>
          !late[at] && joint.pin !== 'before' && mustWait(joint, byId, byFinish, captured.has(joint.id)),
      )
    )
      continue;
    best = Math.min(
      best,
      costs.reduce((sum, cost, at) => sum + (late[at] ? cost.late : cost.early), 0),
    );
  }
  return best;
}

describe('proposeSubassemblies', () => {
  it('joins halves whose seam should vanish and keeps unlike finishes apart', () => {
    const kit = kitWith({
      finishes,
      parts: [painted('A1', 'gloss'), painted('A2', 'gloss'), painted('A3', 'metal')],
      joints: [
        plainJoint('halves', 'A1', 'A2', { seam: 'vanish' }),
        plainJoint('trim', 'A3', 'A1', { kind: 'sits-in' }),
      ],
    });
    expect(timeOf(kit, 'halves').when).toBe('before');
    expect(timeOf(kit, 'halves').because).toMatch(/mm of seam that paint no longer lets you fill/);
    expect(timeOf(kit, 'trim').when).toBe('after');
    expect(proposeSubassemblies(kit).assembly.map(({ jointIds }) => jointIds)).toEqual([['trim']]);
  });

  it('weighs the two schools differently', () => {
    const parts = [painted('C1', 'satin', { areaCm2: 40 }), painted('C2', 'matt', { areaCm2: 2 })];
    const joints = [plainJoint('pump', 'C2', 'C1')];
    expect(
      timeOf(kitWith({ finishes, parts, joints, assembly: [{ id: 'a', school: 'pieces' }] }), 'pump').when,
    ).toBe('after');
    expect(
      timeOf(kitWith({ finishes, parts, joints, assembly: [{ id: 'a', school: 'join-first' }] }), 'pump')
        .when,
    ).toBe('before');
  });

  it('keeps glass, chrome ink, tyres and moving parts for after paint, and says so', () => {
    const parts = [
      painted('A1', 'polished'),
      plainPart('G1', { material: 'clear' }),
      painted('D1', 'chrome-ink'),
      painted('A2', 'polished'),
      plainPart('V1', { material: 'vinyl' }),
    ];
    const joints = [
      plainJoint('glass', 'G1', 'A1', { kind: 'glass' }),
      plainJoint('ink', 'D1', 'A1'),
      plainJoint('hinge', 'A2', 'A1', { kind: 'hinge', motion: 'swings' }),
      plainJoint('tyre', 'V1', 'D1', { kind: 'tyre' }),
    ];
    const { decisions } = proposeSubassemblies(kitWith({ finishes, parts, joints }));
    expect(decisions.map(({ when, forced }) => [when, forced?.by])).toEqual([
      ['after', 'glass'],
      ['after', 'chrome-ink'],
      ['after', 'motion'],
      ['after', 'tyre'],
    ]);
  });

  it('never closes over what is captured, before paint or after', () => {
    const parts = [painted('B1', 'satin'), painted('B2', 'satin'), painted('B3', 'satin')];
    const joints = [
      plainJoint('halves', 'B1', 'B2', { seam: 'vanish', captured: ['B3'] }),
      plainJoint('arm', 'B3', 'B1', { kind: 'press', motion: 'swings' }),
    ];
    const before = proposeSubassemblies(kitWith({ finishes, parts, joints }));
    expect(before.decisions.map(({ when }) => when)).toEqual(['before', 'before']);
    // Glass cannot go in before paint, so what shuts it in must wait.
    const glazed = proposeSubassemblies(
      kitWith({
        finishes,
        parts: [parts[0]!, parts[1]!, plainPart('B3', { material: 'clear' })],
        joints: [joints[0]!, { ...joints[1]!, kind: 'glass', motion: 'none' }],
      }),
    );
    expect(glazed.decisions.map(({ when, forced }) => [when, forced?.by])).toEqual([
      ['after', 'order'],
      ['after', 'glass'],
    ]);
    expect(glazed.assembly.map(({ jointIds }) => jointIds)).toEqual([['arm'], ['halves']]);
  });

  it('leaves out what the chosen version does not use', () => {
    const parts = [painted('A1', 'gloss'), painted('A2', 'gloss'), painted('A3', 'gloss')];
    const joints = [plainJoint('roof', 'A2', 'A1'), plainJoint('rack', 'A3', 'A2')];
    const option = (id: string, needs: string[]) => ({
      id,
      name: id,
      needs,
      rulesOut: [],
      markings: [],
      finishIds: [],
    });
    const choices = [
      { id: 'c', name: 'Roof', chosen: 'open', options: [option('open', []), option('rack', ['A3'])] },
    ];
    const proposal = proposeSubassemblies(kitWith({ finishes, parts, joints, choices }));
    expect(proposal.trays.flatMap(({ partIds }) => partIds).sort()).toEqual(['A1', 'A2']);
    expect(proposal.decisions.map(({ jointId }) => jointId)).toEqual(['roof']);
  });

  it('refuses circles, missing parts and impossible pins by name', () => {
    const parts = [painted('A1', 'gloss'), painted('A2', 'gloss'), painted('A3', 'gloss')];
    const circle = [
      plainJoint('one', 'A1', 'A2', { closes: ['two'] }),
      plainJoint('two', 'A2', 'A3', { closes: ['one'] }),
    ];
    expect(() => proposeSubassemblies(kitWith({ finishes, parts, joints: circle }))).toThrow(
      /circle: A1 Part A1 to A2 Part A2; A2 Part A2 to A3 Part A3/,
    );
    expect(() =>
      proposeSubassemblies(kitWith({ finishes, parts, joints: [plainJoint('x', 'A1', 'Z9')] })),
    ).toThrow(/Z9, which is not in the kit/);
    const glass = kitWith({
      finishes,
      parts: [parts[0]!, plainPart('G1', { material: 'clear' })],
      joints: [plainJoint('g', 'G1', 'A1', { kind: 'glass', pin: 'before' })],
    });
    expect(() => proposeSubassemblies(glass)).toThrow(
      /cannot be made before paint\. Glass goes in after polish/,
    );
    expect(pinCost({ ...glass, joints: [{ ...glass.joints[0]!, pin: null }] }, 'g', 'before')).toEqual({
      refused: expect.stringMatching(/Glass/) as string,
    });
  });

  it('names the joints whose pins cannot all be kept', () => {
    const parts = ['A1', 'A2', 'A3', 'A4'].map((id) => painted(id, 'gloss'));
    const joints = [
      plainJoint('one', 'A1', 'A2', { pin: 'before' }),
      plainJoint('two', 'A2', 'A3', { pin: 'before' }),
      plainJoint('three', 'A1', 'A3', { pin: 'after' }),
      plainJoint('free', 'A4', 'A1'),
    ];
    const kit = kitWith({ finishes, parts, joints });
    expect(() => proposeSubassemblies(kit)).toThrow(
      'these joints: A1 Part A1 to A2 Part A2; A2 Part A2 to A3 Part A3; A1 Part A1 to A3 Part A3. Release a pin',
    );
    expect(() => proposeSubassemblies(kit)).not.toThrow(/A4/);
  });

  it('agrees with trying everything, in cost and in every constraint, on 200 random kits', () => {
    const random = seededRandom(21);
    let compared = 0;
    for (let round = 0; round < 200; round++) {
      const kit = randomKit(random);
      let proposal;
      try {
        proposal = proposeSubassemblies(kit);
      } catch {
        continue;
      }
      compared++;
      // The enumeration does not ask for an order of assembly, so it may only be cheaper where there is none.
      const least = leastCost(kit);
      expect(proposal.cost, `round ${round}`).toBeGreaterThanOrEqual(least - 1e-6);
      if (kit.joints.every(({ captured }) => captured.length === 0))
        expect(proposal.cost).toBeCloseTo(least, 6);
      expect(proposal.exact).toBe(true);
      const late = new Map(proposal.decisions.map(({ jointId, when }) => [jointId, when === 'after']));
      const used = kit.joints.filter(({ id }) => late.has(id));
      for (const { first, then } of precedencesOf(used))
        expect(late.get(used[first]!.id) && !late.get(used[then]!.id)).toBe(false);
      const done = new Set(
        proposal.decisions.filter(({ when }) => when === 'before').map(({ jointId }) => jointId),
      );
      for (const { jointIds } of proposal.assembly) jointIds.forEach((id) => done.add(id));
      expect(done.size).toBe(used.length);
    }
    expect(compared).toBeGreaterThan(150);
  });

  it('never gets cheaper by a pin, and says the same twice', () => {
    const random = seededRandom(33);
    for (let round = 0; round < 60; round++) {
      const kit = randomKit(random);
      let proposal;
      try {
        proposal = proposeSubassemblies(kit);
      } catch {
        continue;
      }
      expect(proposeSubassemblies(kit)).toEqual(proposal);
      for (const { jointId, when } of proposal.decisions) {
        const other: JointTime = when === 'before' ? 'after' : 'before';
        const pinned: Kit = {
          ...kit,
          joints: kit.joints.map((joint) => (joint.id === jointId ? { ...joint, pin: other } : joint)),
        };
        try {
          expect(proposeSubassemblies(pinned).cost).toBeGreaterThanOrEqual(proposal.cost - 1e-6);
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError);
        }
      }
      const held: Kit = {
        ...kit,
        joints: kit.joints.map((joint) => ({
          ...joint,
          pin: proposal.decisions.find(({ jointId }) => jointId === joint.id)!.when,
        })),
      };
      const again = proposeSubassemblies({
        ...held,
        joints: held.joints.map((joint) => (joint.pin === 'before' ? joint : { ...joint, pin: null })),
      });
      expect(again.cost).toBeCloseTo(proposal.cost, 6);
      expect(again.trays.map(({ partIds }) => partIds)).toEqual(proposal.trays.map(({ partIds }) => partIds));
    }
  });

  it('tells how far it is and stops when asked', () => {
    const kit = randomKit(seededRandom(2));
    const shares: number[] = [];
    proposeSubassemblies(kit, { onProgress: (share) => shares.push(share) });
    expect(shares.length).toBeGreaterThan(0);
    expect(shares.every((share) => share >= 0 && share <= 1)).toBe(true);
    expect(() => proposeSubassemblies(kit, { signal: { aborted: true } })).toThrow(/cancelled/);
  });
});

describe('takeProposal', () => {
  const kit = kitWith({
    finishes,
    parts: [
      painted('A1', 'polished', { areaCm2: 200, name: 'Body' }),
      painted('A2', 'polished', { name: 'Cowl' }),
      painted('B1', 'satin', { areaCm2: 90, name: 'Chassis' }),
      painted('A3', 'polished', { areaCm2: 50, name: 'Hood' }),
    ],
    joints: [
      plainJoint('cowl', 'A2', 'A1', { seam: 'vanish' }),
      plainJoint('hood', 'A3', 'A1', { kind: 'hinge', motion: 'swings' }),
      plainJoint('mount', 'A1', 'B1', { closes: ['hood'] }),
    ],
  });
  const body = {
    id: 'tray-1',
    name: 'My shell',
    parts: kit.parts.slice(0, 1),
    substrateId: 'styrene-white',
    areaCm2: 200,
    layers: [{ id: 'own', kind: 'colour' as const, coats: 7, tool: 'can' as const }],
    codeId: 'X-1',
    position: 0,
  };

  it('keeps what is there, borrows stacks by finish, and orders the joins', () => {
    const { trays, joins, removed, changes } = takeProposal(proposeSubassemblies(kit), kit, [
      body,
      { ...body, id: 'tray-2', name: 'Nothing of this', parts: [] },
    ]);
    const byName = new Map(trays.map(({ tray }) => [tray.name, tray]));
    expect(byName.get('My shell')).toMatchObject({
      layers: body.layers,
      codeId: 'X-1',
      partIds: ['A1', 'A2'],
    });
    expect(byName.get('Hood')).toMatchObject({ layers: body.layers, codeId: 'X-1' });
    expect(byName.get('Chassis')!.layers.map(({ kind }) => kind)).toEqual(['primer', 'colour']);
    expect(removed).toEqual([{ id: 'tray-2', name: 'Nothing of this' }]);
    expect(changes).toContain('My shell: 1 parts in, 0 out');
    expect(joins.map(({ jointIds, after }) => [jointIds, after])).toEqual([
      [['hood'], []],
      [['mount'], [0]],
    ]);
    expect(joins[1]!.adhesive).toMatch(/epoxy/);
  });

  it('borrows of a stack in several colours the one that the borrower has', () => {
    const hand = { coats: 1, tool: 'hand' as const };
    const layers = [
      {
        id: 'stripe',
        kind: 'colour' as const,
        coats: 2,
        tool: 'can' as const,
        finishId: 'other',
        share: 0.2,
      },
      { id: 'tape', kind: 'mask' as const, ...hand, finishId: 'other', share: 0.2 },
      { ...body.layers[0]!, finishId: 'polished', share: 0.8 },
      { id: 'off', kind: 'unmask' as const, ...hand },
    ];
    const { trays } = takeProposal(proposeSubassemblies(kit), kit, [{ ...body, layers }]);
    const byName = new Map(trays.map(({ tray }) => [tray.name, tray]));
    expect(byName.get('My shell')!.layers).toEqual(layers);
    expect(byName.get('Hood')!.layers).toEqual(body.layers);
  });

  it('changes nothing when taken twice', () => {
    const once = takeProposal(proposeSubassemblies(kit), kit, [body]);
    const stored = once.trays.map(({ id, key, tray: { partIds, ...tray } }) => ({
      ...tray,
      id: id ?? key,
      parts: kit.parts.filter((part) => partIds.includes(part.id)),
    }));
    const twice = takeProposal(proposeSubassemblies(kit), kit, stored);
    expect(twice.changes).toEqual([]);
    expect(twice.trays.map(({ tray }) => tray)).toEqual(once.trays.map(({ tray }) => tray));
  });
});
