import { describe, expect, it } from 'vitest';
import {
  checkKit,
  chooseAdhesive,
  copyKit,
  glueJob,
  pinCost,
  proposeSubassemblies,
  resolveVersion,
  shimPlan,
  stretchOf,
  suggestJoints,
  takeProposal,
  type Kit,
} from '../src/core/kit/index.ts';
import { kitNeeds, summariseKit } from '../src/core/plan/index.ts';
import codes from './data/codes.json';
import stored from './data/kits.json';
import { pellam } from './kits/pellam.ts';
import { quillon } from './kits/quillon.ts';
import { saloon } from './kits/saloon.ts';
import { kitFrom, withoutEmptyLists } from './kits/sampleKit.ts';
import { tolliver } from './kits/tolliver.ts';

const kits: [string, Kit][] = Object.entries({ tolliver, pellam, quillon }).map(([id, kit]) => [
  id,
  kitFrom(id, kit),
]);
const pieces = ({ parts }: Kit) => parts.reduce((sum, { count }) => sum + count, 0);

describe('the sample kits', () => {
  it('are checked in as they are written', () => {
    const all: [string, Kit][] = [...kits, ['saloon', kitFrom('saloon', saloon)]];
    const written = all.map(([buildId, kit]) => ({ buildId, kit: withoutEmptyLists(kit) }));
    expect(stored).toEqual(JSON.parse(JSON.stringify(written)));
  });

  it('hold one that was finished: sound, divided by proof, nothing left to decide', () => {
    const kit = kitFrom('saloon', saloon);
    expect(checkKit(kit)).toEqual([]);
    expect(suggestJoints(kit)).toEqual([]);
    expect(proposeSubassemblies(kit).exact).toBe(true);
    expect(kit.evidence.filter(({ verdict }) => verdict === 'open')).toEqual([]);
  });

  it('are as large as the scenario says', () => {
    const [coupe, truck, motorcycle] = kits.map(([, kit]) => pieces(kit));
    expect(coupe).toBeGreaterThanOrEqual(110);
    expect(truck).toBeGreaterThanOrEqual(140);
    expect(motorcycle).toBeGreaterThanOrEqual(130);
  });

  it('name only codes that exist', () => {
    const known = new Set(codes.map(({ id }) => id));
    for (const [, { finishes }] of kits)
      for (const { codeId } of finishes) if (codeId !== null) expect(known.has(codeId), codeId).toBe(true);
  });

  it('have a truck with two engines, a stretched frame and a second-hand cab', () => {
    const truck = kits[1]![1];
    expect(truck.choices.find(({ name }) => name === 'Engine')!.options).toHaveLength(2);
    expect(truck.parts.filter(({ state }) => state === 'painted-before').length).toBeGreaterThan(1);
    const [stretch] = truck.stretches;
    const { members, gaps } = stretchOf(stretch!, truck);
    expect(members.filter(({ becomes }) => becomes === 'cut').length).toBeGreaterThan(1);
    expect(gaps).toEqual([]);
  });

  it.each(kits)('%s is sound: no twin, no stray joint, no circle, an open conflict', (_, kit) => {
    expect(checkKit(kit)).toEqual([]);
    expect(suggestJoints(kit)).toEqual([]);
    expect(kit.evidence.some(({ verdict }) => verdict === 'open')).toBe(true);
    const parts = new Set(kit.parts.map(({ id }) => id));
    for (const { partIds } of kit.evidence) for (const id of partIds) expect(parts.has(id), id).toBe(true);
    const joints = new Set(kit.joints.map(({ id }) => id));
    for (const { jointId } of kit.fits) expect(joints.has(jointId), jointId).toBe(true);
    for (const { options } of kit.choices)
      for (const { needs, rulesOut } of options)
        for (const id of [...needs, ...rulesOut]) expect(parts.has(id), id).toBe(true);
    for (const stance of kit.stances) expect(shimPlan(stance).residualMm).toBeLessThan(0.3);
  });

  it.each(kits)('%s shows every verdict on what cannot be taken back', (_, kit) => {
    const verdicts = new Set(
      [kit, { ...kit, choices: kit.choices.map((choice) => ({ ...choice, chosen: null })) }].flatMap((each) =>
        resolveVersion(each).works.map(({ verdict }) => verdict),
      ),
    );
    expect(verdicts.has('do') && verdicts.has('wait')).toBe(true);
    expect(resolveVersion(kit).works.some(({ verdict }) => verdict === 'refuse')).toBe(true);
  });

  for (const school of ['pieces', 'join-first'] as const) {
    it.each(kits)(`%s is divided, proved, by the school “${school}”`, (_, kit) => {
      const proposal = proposeSubassemblies({ ...kit, assembly: [{ id: 'a', school }] });
      expect(proposal.exact).toBe(true);
      const { used } = resolveVersion(kit);
      const held = proposal.trays.flatMap(({ partIds }) => partIds);
      expect([...held].sort()).toEqual([...used].sort());
      const late = proposal.decisions.filter(({ when }) => when === 'after').map(({ jointId }) => jointId);
      expect(proposal.assembly.flatMap(({ jointIds }) => jointIds).sort()).toEqual([...late].sort());
      for (const { because } of proposal.decisions) expect(because).toMatch(/\w{4}.*\.$/);
      expect(new Set(proposal.trays.map(({ name }) => name)).size).toBe(proposal.trays.length);
    });
  }

  it.each(kits)('%s gets glue for every joint, and cement only on bare styrene', (_, kit) => {
    const parts = new Map(kit.parts.map((part) => [part.id, part]));
    const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
    const joints = new Map(kit.joints.map((joint) => [joint.id, joint]));
    for (const { jointId, when } of proposeSubassemblies(kit).decisions) {
      const job = glueJob(joints.get(jointId)!, when, parts, finishes);
      const { adhesive, preparation } = chooseAdhesive(job);
      expect(preparation).toMatch(/\w/);
      if (adhesive.startsWith('cement')) expect(job.surfaces).toEqual(['bare', 'bare']);
    }
  });

  it.each(kits)('%s prices a few pins, none below nothing', (_, kit) => {
    for (const { jointId, when } of proposeSubassemblies(kit).decisions.slice(0, 12)) {
      const answer = pinCost(kit, jointId, when === 'before' ? 'after' : 'before');
      if ('minutes' in answer) expect(answer.minutes).toBeGreaterThanOrEqual(0);
      else expect(answer.refused).toMatch(/\w/);
    }
  });

  it.each(kits)('%s divides into what the plan can use, the same when taken again', (_, kit) => {
    const taken = takeProposal(proposeSubassemblies(kit), kit, []);
    expect(new Set(taken.joins.map(({ id }) => id)).size).toBe(taken.joins.length);
    taken.joins.forEach(({ after, minutes, trayKeys }, at) => {
      for (const before of after) expect(before).toBeLessThan(at);
      expect(minutes).toBeGreaterThan(0);
      expect(trayKeys.length).toBeGreaterThan(0);
    });
    const trays = taken.trays.map(({ key, tray: { partIds, ...tray } }) => ({
      ...tray,
      id: key,
      parts: kit.parts.filter(({ id }) => partIds.includes(id)),
    }));
    expect(takeProposal(proposeSubassemblies(kit), kit, trays).changes).toEqual([]);
    const summary = summariseKit(
      kit,
      taken.trays.map(({ key, tray: { partIds } }) => ({ id: key, partIds })),
      taken.joins,
    );
    const early = proposeSubassemblies(kit).decisions.filter(({ when }) => when === 'before').length;
    expect(Object.values(summary.joinsBefore).flat()).toHaveLength(early);
  });

  it.each(kits)('%s can be copied for another build and is as sound as before', (_, kit) => {
    const copy = copyKit(kit, (id) => `copy-${id}`);
    expect(checkKit(copy)).toEqual([]);
    const needs = kitNeeds({ kit: copy, paints: [], adhesives: [], spares: [], materials: [], scale: 24 });
    expect(needs.every(({ state }) => state !== 'have')).toBe(true);
    expect(proposeSubassemblies(copy).exact).toBe(true);
  });
});
