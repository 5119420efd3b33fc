import { describe, expect, it } from 'vitest';
import { EMPTY_KIT, markingRecord, newRecord, viewRecord, type Kit, type Marking } from '../../kit/index.ts';
import { plainFinish, plainJoint, plainPart } from '../../kit/plainKit.ts';
import { REGISTER, registerOn } from '../../livery/index.ts';
import { dividedKit, type Ahead, type DividedLayer } from '../contribution.ts';
import { markings } from './markings.ts';

const marking = (id: string, more: Partial<Marking> = {}): Marking => ({
  ...newRecord(markingRecord),
  id,
  name: `The ${id}`,
  viewId: 'v',
  route: 'decal',
  film: 'sound',
  ...more,
});
const overDoor = marking('name', { x: 40, y: 25, width: 20, height: 6 });
const onBody = marking('badge', { x: 10, y: 10, width: 5, height: 5, sheet: '7' });
const kitOf = (all: Marking[], motion: 'none' | 'swings' = 'none'): Kit => ({
  ...EMPTY_KIT,
  finishes: [plainFinish('teal', 'gloss')],
  parts: [plainPart('body'), plainPart('door')],
  joints: [plainJoint('j', 'body', 'door', { motion })],
  views: [
    {
      ...newRecord(viewRecord),
      id: 'v',
      name: 'side',
      outline: 'M0 0H100V50H0Z',
      partId: 'body',
      regions: [{ id: 'r', partId: 'door', path: 'M40 10H70V50H40Z' }],
    },
  ],
  markings: all,
});
const stack = (...kinds: DividedLayer['kind'][]): DividedLayer[] => kinds.map((kind) => ({ id: kind, kind }));
const DECALS = stack('colour', 'decal', 'clear');
const apart = (kit: Kit, layers: DividedLayer[] = DECALS) =>
  dividedKit(kit, {
    trays: [
      { id: 'shell', partIds: ['body'], layers },
      { id: 'doors', partIds: ['door'], layers },
    ],
    joins: [{ id: 'hang', trayIds: ['shell', 'doors'], jointIds: ['j'] }],
  });
const together = (kit: Kit) =>
  dividedKit(kit, { trays: [{ id: 'shell', partIds: ['body', 'door'], layers: DECALS }], joins: [] });
const rules = (build: ReturnType<typeof apart>) => markings.kitAdvice!(build).map(({ rule }) => rule);

describe('markings in the plan', () => {
  it('are told at the decals of their sub-assembly, in order, with place and softener', () => {
    const [said, ...more] = markings.layerLines!(apart(kitOf([onBody])));
    expect(more).toEqual([]);
    expect(said).toMatchObject({
      trayId: 'shell',
      kind: 'decal',
      on: { viewIds: ['v'], markingIds: ['badge'] },
    });
    expect(said!.lines[0]).toBe(
      '1. The badge, sheet 7, 5.0 mm by 5.0 mm, side, 10.0 mm from its left, 10.0 mm down, leave its film, or trim where it crosses an edge, 15 to 30 s in water, then on a wet cloth until it slides, setter only',
    );
    expect(markings.trayTasks!(apart(kitOf([onBody])))).toEqual([]);
  });

  it('of two parts come true onto each other: the second is told where, and its time', () => {
    const field = marking('field', { x: 20, y: 20, width: 9, height: 9, round: true });
    const number = marking('number', { x: 20, y: 20.3, width: 4, height: 4, order: 1 });
    const minutes = (...all: Marking[]) =>
      markings.layerLines!(apart(kitOf(all))).map((each) => each.minutes)[0]!;
    const { lines } = markings.layerLines!(apart(kitOf([number, field])))[0]!;
    expect(lines[0]).not.toContain('onto');
    expect(lines[1]).toContain('onto The field once that holds: its middle 0.3 mm down of that one’s');
    expect(registerOn({ ...number, y: 20 }, field)).toContain('middle on middle');
    const beside = { ...number, x: 80 };
    expect(minutes(field, number) - minutes(field, beside)).toBe(REGISTER);
    // Paint beneath is no film to be brought true onto.
    const painted = { ...field, route: 'paint' as const };
    expect(markings.layerLines!(apart(kitOf([number, painted])))[0]!.lines.join()).not.toContain('onto');
  });

  it('have a step of their own where no layer is for them', () => {
    const [task] = markings.trayTasks!(apart(kitOf([onBody]), stack('colour')));
    expect(task).toMatchObject({
      kind: 'marking',
      trayId: 'shell',
      waitMinutes: 720,
      on: { markingIds: ['badge'] },
    });
    const painted = { ...onBody, route: 'paint' as const };
    expect(markings.trayTasks!(apart(kitOf([painted]), []))[0]!.waitMinutes).toBe(0);
  });

  it('that cross a joint made later are held back, slit or laid after it; one made before asks nothing', () => {
    const bare = stack('colour');
    const [step] = markings.crossSteps!(apart(kitOf([overDoor]), bare));
    expect(step).toMatchObject({ kind: 'marking', trayIds: ['doors', 'shell'], acrossJoinIds: ['hang'] });
    expect(markings.trayTasks!(apart(kitOf([overDoor]), bare))).toEqual([]);
    // Under a clear coat it is cheaper to lay it first.
    expect(markings.crossSteps!(apart(kitOf([overDoor])))).toEqual([]);
    expect(rules(apart(kitOf([overDoor])))).toEqual(['marking-crosses-joint']);
    expect(rules(together(kitOf([overDoor])))).toEqual([]);
    expect(rules(apart(kitOf([onBody])))).toEqual([]);
  });

  it('are never left uncut over parts that move, whoever asked for it', () => {
    const asked = { ...overDoor, crossing: 'after-join' as const };
    const build = apart(kitOf([asked], 'swings'), stack('colour'));
    expect(markings.crossSteps!(build)).toEqual([]);
    const [said] = markings.kitAdvice!(build);
    expect(said).toMatchObject({ severity: 'warn', rule: 'marking-crosses-joint' });
    // Joined before paint, a door still opens.
    expect(rules(together(kitOf([overDoor], 'swings')))).toEqual(['marking-crosses-joint']);
  });

  it('follow the version: ruled out is left over, open is asked about', () => {
    const own = { ...onBody, optionId: 'parade' };
    const choices = (chosen: string | null) => [
      {
        id: 'c',
        name: 'Duty',
        chosen,
        options: ['parade', 'private'].map((id) => ({
          id,
          name: id,
          needs: [],
          rulesOut: [],
          markings: [],
          finishIds: [],
        })),
      },
    ];
    const at = (chosen: string | null) => apart({ ...kitOf([own]), choices: choices(chosen) });
    expect(rules(at('parade'))).toEqual([]);
    expect(rules(at(null))).toEqual(['marking-version-open']);
    expect(rules(at('private'))).toEqual(['markings-left-over']);
    expect(markings.layerLines!(at('private'))).toEqual([]);
  });

  it('warn of old film, strong curves, no place and no decision, and of none of it on a clean one', () => {
    const one = (more: Partial<Marking>) => rules(apart(kitOf([{ ...onBody, ...more }])));
    expect(one({})).toEqual([]);
    expect(one({ film: 'cracked' })).toEqual(['marking-old-film']);
    expect(one({ film: 'cracked', route: 'paint' })).toEqual([]);
    expect(one({ surface: 'strong' })).toEqual(['marking-strong-curve']);
    expect(one({ viewId: null })).toEqual(['marking-nowhere']);
    expect(one({ route: null })).toEqual(['marking-not-decided']);
    expect(one({ x: 0 })).toEqual(['marking-beside']);
  });

  it('compare white with the white that the stack names, and ink with how dark it is', () => {
    let [stack, onBase]: [string | null, boolean] = ['cream', true];
    const said = (
      ink: { lab: { L: number; a: number; b: number }; transparent: boolean },
      base: { L: number; a: number; b: number } | null,
      route: Marking['route'] = 'print',
      onWhite = false,
    ) => {
      const rulesSaid: string[] = [];
      const step = { id: 's', trayId: 'shell', kind: 'decal' };
      markings.advice!({
        build: {
          trays: [{ id: 'shell', colours: base ? [{ finishId: stack, lab: base }] : [] }],
          kit: {
            printed: [
              { id: 'm', name: 'It', trayId: 'shell', finishId: 'cream', onBase, ink, route, onWhite },
            ],
          },
        },
        own: [step],
        advise: (_: unknown, { rule }: { rule: string }) => rulesSaid.push(rule),
      } as unknown as Ahead);
      return rulesSaid;
    };
    const white = { lab: { L: 95, a: 0, b: 1 }, transparent: false };
    const red = { lab: { L: 42, a: 58, b: 36 }, transparent: true };
    expect(said(white, { L: 91, a: 0, b: 8 })).toEqual(['white-beside-white']);
    expect(said(white, { L: 95, a: 0, b: 1.5 })).toEqual([]);
    expect(said(white, { L: 30, a: 0, b: 0 })).toEqual([]);
    expect(said(white, { L: 91, a: 0, b: 8 }, 'paint')).toEqual([]);
    expect(said(white, null)).toEqual([]);
    expect(said(red, { L: 30, a: 0, b: 0 })).toEqual(['ink-on-dark']);
    expect(said(red, { L: 92, a: 0, b: 3 })).toEqual([]);
    expect(said(red, { L: 30, a: 0, b: 0 }, 'print', true)).toEqual([]);
    // A kit's decal is printed with a white of its own.
    expect(said(red, { L: 30, a: 0, b: 0 }, 'decal')).toEqual([]);
    // A stack of one colour says nothing of an area in another, nor of a colour that it does not lay.
    [stack, onBase] = [null, true];
    expect(said(red, { L: 30, a: 0, b: 0 })).toEqual(['ink-on-dark']);
    [stack, onBase] = [null, false];
    expect(said(red, { L: 30, a: 0, b: 0 })).toEqual([]);
    [stack, onBase] = ['teal', true];
    expect(said(red, { L: 30, a: 0, b: 0 })).toEqual([]);
  });
});
