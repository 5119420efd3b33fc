import { describe, expect, it } from 'vitest';
import {
  EMPTY_KIT,
  newRecord,
  partBoxRecord,
  plainPart,
  runRecord,
  type Kit,
  type PartBox,
  type Run,
} from '../../kit/index.ts';
import { dividedKit } from '../contribution.ts';
import { cutList } from './cutList.ts';
import { bundleLines, routeAdvice, routeLines } from './runLines.ts';
import { runs } from './runs.ts';

const place = (partId: string, behindMm: number, upMm = 0): PartBox => ({
  ...newRecord(partBoxRecord),
  id: partId,
  partId,
  behindMm,
  upMm,
});
const pipe = (more: Partial<Run> = {}): Run => ({
  ...newRecord(runRecord),
  id: 'p',
  kind: 'brake-pipe',
  fromPartId: 'a',
  toPartId: 'c',
  ...more,
});
const kit = (run: Run, more: Partial<Kit> = {}): Kit => ({
  ...EMPTY_KIT,
  parts: ['a', 'b', 'c'].map((id) => ({ ...plainPart(id), name: `Part ${id}` })),
  partBoxes: [place('a', 0), place('b', 30), place('c', 60)],
  runs: [run],
  ...more,
});
const divided = (run: Run, more: Partial<Kit> = {}) =>
  dividedKit(kit(run, more), { trays: [{ id: 't', partIds: ['a', 'b', 'c'] }], joins: [] }, 24);
const rules = (run: Run, more: Partial<Kit> = {}) =>
  routeAdvice(divided(run, more), run).map(({ rule }) => rule);

describe('how a run is led', () => {
  it('gives the bends of a rod from its beginning, of wire only how tight they may be', () => {
    const over = pipe({ past: [{ partId: 'b', side: 'over' }] });
    expect(routeLines(over, kit(over), 24)).toEqual([
      'led over part b',
      expect.stringMatching(/^bends, radius 0\.5 mm, from where it begins: at 25\.\d mm by \d°$/),
    ]);
    const wire = { ...over, make: 'metal-core' as const };
    expect(routeLines(wire, kit(wire), 24)[1]).toBe('no bend tighter than 0.3 mm');
    expect(routeLines(over, { ...kit(over), partBoxes: [] }, 24)).toEqual(['led over part b']);
  });

  it('warns of what is in its way, while its holes are not drilled; not once it goes past', () => {
    expect(rules(pipe())).toEqual(['run-goes-through']);
    expect(rules(pipe({ past: [{ partId: 'b', side: 'left' }] }))).toEqual([]);
    const other = place('b', 30, 40);
    expect(rules(pipe(), { partBoxes: [place('a', 0), other, place('c', 60)] })).toEqual([]);
    // Nothing is claimed where a place is not known.
    expect(rules(pipe(), { partBoxes: [other, place('c', 60)] })).toEqual([]);
  });

  it('warns of a bend without room, and of two places that are one', () => {
    const hose = pipe({
      kind: 'radiator-hose',
      past: [
        { partId: 'b', side: 'over' },
        { partId: 'b', side: 'ahead' },
        { partId: 'b', side: 'under' },
      ],
    });
    const thin = { ...place('b', 30), lengthMm: 2, heightMm: 2 };
    expect(rules(hose, { partBoxes: [place('a', 0), thin, place('c', 60)] })).toEqual(['run-bends-tight']);
    expect(rules(pipe(), { partBoxes: [place('a', 0), place('c', 4)] })).toEqual(['run-has-no-route']);
  });

  it('says how it looks: as usual, or as the builder has it', () => {
    const details = (run: Run) => runs.trayTasks!(divided(run)).find(({ kind }) => kind === 'plumb')!.details;
    expect(details(pipe())).toContain('brake pipe: dull steel or copper');
    expect(details(pipe({ look: 'green, gloss' }))).toContain('brake pipe: green, gloss');
    expect(details(pipe())[0]).toMatch(/about 54 mm long/);
  });

  it('drills no hole where an end is not seen', () => {
    const drilled = (run: Run) => runs.trayTasks!(divided(run)).filter(({ kind }) => kind === 'drill');
    expect(drilled(pipe())[0]!.details[0]).toMatch(/^2 holes/);
    expect(drilled(pipe({ toEnd: 'unseen' }))[0]!.details[0]).toMatch(/^1 hole /);
    expect(drilled(pipe({ fromEnd: 'unseen', toEnd: 'unseen' }))).toEqual([]);
  });

  it('cuts the strands of a braid, and a route as long as it is', () => {
    const braided = pipe({ kind: 'heater-hose', cover: 'braid', lengthMm: 50 });
    const [strands] = cutList(kit(braided), 24);
    // 0.7 mm of three strands: the nearest to 0.32 mm each, and a little longer than the braid.
    expect(strands!.wireMm).toBe(0.35);
    expect(strands!.pieces).toEqual([expect.objectContaining({ count: 3 })]);
    expect(strands!.pieces[0]!.length).toBeGreaterThan(51);
    expect(routeLines(braided, kit(braided), 24).at(-1)).toMatch(/three strands of 0\.35 mm/);
    expect(cutList(kit(pipe()), 24)[0]!.pieces).toEqual([expect.objectContaining({ length: 54, count: 1 })]);
  });

  it('ties what bears one name', () => {
    expect(bundleLines([pipe({ bundle: 'Loom', count: 4 })], 24)).toEqual([
      expect.stringMatching(/^Loom: 4 tied together are 0\.5 mm thick/),
    ]);
    expect(bundleLines([pipe({ bundle: 'Loom' })], 24)).toEqual([]);
  });
});
