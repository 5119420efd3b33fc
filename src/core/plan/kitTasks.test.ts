import { describe, expect, it } from 'vitest';
import { kitWith, plainFinish, plainJoint, plainPart, plainZones } from '../kit/plainKit.ts';
import { dividedKit } from './contribution.ts';
import { kitTasks } from './kitSummary.ts';

const kit = kitWith({
  finishes: [plainFinish('red', 'gloss'), plainFinish('glass', 'clear'), plainFinish('bright', 'plating')],
  parts: [
    plainPart('A1', { name: 'Body', needs: ['warp', 'seam', 'pins'], zones: plainZones('red') }),
    plainPart('A2', { name: 'Roof', needs: ['sink'], zones: plainZones('red') }),
    plainPart('A3', { name: 'Door', zones: plainZones('red') }),
    plainPart('A4', { name: 'Trim', zones: plainZones('bright'), areaCm2: 10 }),
    plainPart('G1', { name: 'Windscreen', material: 'clear', count: 2, zones: plainZones('glass') }),
  ],
  joints: [
    plainJoint('roof', 'A1', 'A2', { seam: 'vanish' }),
    plainJoint('door', 'A3', 'A1', { motion: 'swings' }),
    plainJoint('glass', 'G1', 'A1', { clearanceMm: 0.8 }),
  ],
  brightwork: [{ id: 'b', partId: 'A4', curvature: 'gentle', route: 'ink-marker' }],
});
const trays = [
  { id: 'body', partIds: ['A1', 'A2', 'A4'] },
  { id: 'doors', partIds: ['A3'] },
  { id: 'glass', partIds: ['G1'] },
];
const joins = [{ id: 'after', jointIds: ['door', 'glass'] }];
const of = (trayId: string, from = kit, division = trays) =>
  kitTasks(dividedKit(from, { trays: division, joins })).filter((task) => task.trayId === trayId);

describe('kitTasks', () => {
  it('straightens, fills and fits a body, then does its bright parts and fits again', () => {
    const tasks = of('body');
    expect(tasks.map(({ kind }) => kind)).toEqual([
      'straighten',
      'true',
      'fill',
      'dry-fit',
      // The trim is larger than body and roof, as far as anybody measured.
      'pick-out',
      'bright',
      'refit',
    ]);
    const [bent, trued, filled, fitted, , bright] = tasks;
    expect(bent!.details[0]).toBe('Body');
    expect(bent!.waitMinutes).toBe(60);
    expect(trued).toMatchObject({ minutes: 11, waitMinutes: 0 });
    expect(filled!.details.slice(0, 2)).toEqual(['Body to roof', 'sink marks of roof']);
    expect(filled!.minutes).toBe(20);
    expect(fitted!.details[0]).toBe('Door to body');
    // Chrome ink by marker: 6 min and 3 for every 10 cm2, then four days.
    expect(bright).toMatchObject({ minutes: 9, waitMinutes: 4 * 1440 });
    expect(bright!.details).toContain('Trim');
  });

  it('polishes glass that is on its own and asks nothing of a loose fit', () => {
    expect(of('glass').map(({ kind, minutes }) => [kind, minutes])).toEqual([['glass', 14]]);
  });

  it('leaves a bright part alone whose whole sub-assembly goes one way', () => {
    const alone = [{ id: 'trim', partIds: ['A4'] }];
    expect(of('trim', kit, alone)).toEqual([]);
    const two = {
      ...kit,
      parts: [...kit.parts, plainPart('A5', { name: 'Rim' })],
      brightwork: [
        ...kit.brightwork,
        { id: 'c', partId: 'A5', curvature: 'flat' as const, route: 'foil' as const },
      ],
    };
    expect(of('trim', two, [{ id: 'trim', partIds: ['A4', 'A5'] }]).map(({ id }) => id)).toEqual([
      'bright-ink-marker',
      'bright-foil',
    ]);
  });

  it('asks for no bare fit that was tried already, but for another after paint', () => {
    const tried = {
      ...kit,
      fits: [
        {
          id: 'f',
          jointId: 'door',
          stage: 'bare' as const,
          feel: 'snug' as const,
          clearanceMm: 0.1,
          motionChecked: true,
          done: '',
        },
      ],
    };
    expect(of('doors', tried).map(({ kind }) => kind)).toEqual(['refit']);
    expect(of('doors').map(({ kind }) => kind)).toEqual(['dry-fit', 'refit']);
  });

  it('asks for no fit after paint where neither face is painted', () => {
    const bare = { ...kit, parts: kit.parts.map((part) => ({ ...part, zones: [] })) };
    expect(of('doors', bare).map(({ kind }) => kind)).toEqual(['dry-fit']);
  });

  it('has no work for a kit that says nothing', () => {
    expect(
      kitTasks(
        dividedKit(kitWith({ parts: [plainPart('A1')] }), {
          trays: [{ id: 't', partIds: ['A1'] }],
          joins: [],
        }),
      ),
    ).toEqual([]);
  });
});
