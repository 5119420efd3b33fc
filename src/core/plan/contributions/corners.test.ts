import { describe, expect, it } from 'vitest';
import {
  cornerRecord,
  newRecord,
  plainJoint,
  plainPart,
  unevenAxles,
  type Corner,
  type Kit,
} from '../../kit/index.ts';
import type { LayerKind } from '../../finish/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import { summariseKit } from '../kitSummary.ts';

const parts = ['Disc', 'Rubber', 'Beam'].map((name, at) => plainPart(`F${at + 1}`, { name }));
const joints = [plainJoint('rb', 'F1', 'F3')];
const trays = [
  { id: 'rims', partIds: ['F1'] },
  { id: 'rubber', partIds: ['F2'] },
  { id: 'axle', partIds: ['F3'] },
];
const joins = [{ id: 'on', jointIds: ['rb'] }];
const corner = (more: Partial<Corner> = {}): Corner => ({
  ...newRecord(cornerRecord),
  id: 'fl',
  name: 'Front left',
  rimPartId: 'F1',
  tyrePartId: 'F2',
  ...more,
});
const summary = (kit: Partial<Kit>) => summariseKit(kitWith({ parts, joints, ...kit }), trays, joins, 24);
const tasks = (...corners: Corner[]) => summary({ corners }).tasks.filter(({ kind }) => kind !== 'clean');
const said = (...corners: Corner[]) => summary({ corners }).advice.filter(({ page }) => page === 'corners');

describe('wheels by their corners', () => {
  it('ask for nothing as they come', () => {
    expect(tasks(corner())).toEqual([]);
    expect(said(corner())).toEqual([]);
  });

  it('are sanded on the bare tyre, lettered and ringed on what is painted', () => {
    const all = tasks(
      corner({ tread: 'sanded', flatMm: 0.4, letters: 'painted', rim: 'ringed' }),
      corner({ id: 'fr', name: 'Front right', side: 'right', tread: 'flattened' }),
    );
    expect(all.map(({ kind, trayId, title }) => [kind, trayId, title])).toEqual([
      ['true', 'rubber', 'Sand the tyres'],
      ['pick-out', 'rubber', 'Paint the letters of the tyres'],
      ['pick-out', 'rims', 'Ring the rims'],
    ]);
    expect(all[0]!.details).toEqual([
      'front left: tread dulled and its seam off, 0.40 mm off its foot, where it stands',
      'front right: tread sanded flat',
    ]);
  });

  it('say at the join what spins and where a flaw is turned', () => {
    const [note] = said(corner({ spins: true, flawHour: 4 }));
    expect(note).toMatchObject({ rule: 'wheel-at-corner', at: { joins: ['on'] } });
    expect(note!.text).toMatch(/^Front left: it spins: no glue on its axle.*; out of round at 4 o’clock/);
  });

  it('warn of a wheel that touches as it steers, and of sizes that cannot be', () => {
    const steered = { steers: true, radiusMm: 15, outerGapMm: 1 };
    expect(said(corner(steered))).toMatchObject([{ rule: 'steering-touches', severity: 'warn' }]);
    expect(said(corner(steered))[0]!.why).toMatch(/^It turns \d° before its tyre touches the wing\.$/);
    expect(said(corner({ ...steered, outerGapMm: 8 }))).toEqual([]);
    expect(said(corner({ ...steered, radiusMm: null }))).toEqual([]);
  });

  it('warn of an axle whose tyres stand at two heights, not of its springs', () => {
    const right = corner({ id: 'fr', name: 'Front right', side: 'right', radiusMm: 15.2 });
    expect(said(corner({ radiusMm: 14.8 }), right)).toMatchObject([
      { rule: 'wheels-uneven', text: 'Front left stands 0.40 mm lower than front right' },
    ]);
    expect(said(corner({ radiusMm: 14.8 }), { ...right, flatMm: 0.4 })).toEqual([]);
    expect(unevenAxles([corner({ radiusMm: 14 }), { ...right, axle: 2 }])).toEqual([]);
    expect(unevenAxles([corner(), right])).toEqual([]);
  });

  it('warn of plating that is to come off and that nothing takes off, where the stack is known', () => {
    const plated = parts.map((part) => ({ ...part, plated: part.id === 'F1' }));
    const kit = kitWith({ parts: plated, joints, corners: [corner({ rim: 'stripped' })] });
    const rules = (kinds?: LayerKind[]) => {
      const layers = kinds?.map((kind, at) => ({ id: String(at), kind }));
      const stacked = trays.map((tray) => ({ ...tray, ...(layers && tray.id === 'rims' ? { layers } : {}) }));
      return summariseKit(kit, stacked, joins, 24)
        .advice.map(({ rule }) => rule)
        .filter((rule) => rule === 'rim-still-plated');
    };
    expect(rules(['primer', 'colour'])).toEqual(['rim-still-plated']);
    expect(rules(['strip', 'primer'])).toEqual([]);
    expect(rules()).toEqual([]);
  });

  it('count as open where neither rim nor tyre is named', () => {
    expect(summary({ corners: [corner({ rimPartId: null, tyrePartId: null })] }).detail.open).toBe(1);
  });
});
