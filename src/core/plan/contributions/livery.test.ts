import { describe, expect, it } from 'vitest';
import {
  EMPTY_KIT,
  liveryAreaRecord,
  newRecord,
  viewRecord,
  type Kit,
  type LiveryArea,
} from '../../kit/index.ts';
import { plainFinish, plainPart } from '../../kit/plainKit.ts';
import { dividedKit, type DividedLayer } from '../contribution.ts';
import { livery } from './livery.ts';
import { stacks } from './stacks.ts';

const area = (more: Partial<LiveryArea>): LiveryArea => ({
  ...newRecord(liveryAreaRecord),
  id: 'a',
  viewId: 'v',
  finishId: 'cream',
  name: 'lower half',
  shape: 'rectangle',
  x: 50,
  y: 40,
  width: 100,
  height: 20,
  ...more,
});
const kitOf = (areas: LiveryArea[] = [area({})], slope = 1): Kit => ({
  ...EMPTY_KIT,
  finishes: [plainFinish('teal', 'gloss'), plainFinish('cream', 'gloss'), plainFinish('trim', 'plating')],
  parts: [plainPart('A1', { zones: zones('teal', 'cream') })],
  views: [
    { ...newRecord(viewRecord), id: 'v', name: 'side', outline: 'M0 0H100V50H0Z', partId: 'A1', slope },
  ],
  liveryAreas: areas,
});
const zones = (...ids: string[]) =>
  ids.map((finishId) => ({
    id: finishId,
    name: '',
    finishId,
    share: 0.5,
    boundary: 'masked' as const,
    edgeMm: 100,
  }));
const build = (kit: Kit, layers: DividedLayer[]) =>
  dividedKit(kit, { trays: [{ id: 'body', partIds: ['A1'], layers }], joins: [] });
const laid: DividedLayer[] = [
  { kind: 'primer' },
  { kind: 'colour', finishId: 'cream', share: 0.4 },
  { kind: 'mask', finishId: 'cream', share: 0.4 },
  { kind: 'colour', finishId: 'teal', share: 0.6 },
  { kind: 'unmask' },
];
const said = (kit: Kit, layers: DividedLayer[]) =>
  livery.kitAdvice!(build(kit, layers)).map(({ rule, text }) => `${rule} ${text}`);

describe('the livery in the plan', () => {
  it('tells every mask its tape, its length and what it covers', () => {
    const [mask] = livery.layerLines!(build(kitOf(), laid));
    expect(mask).toMatchObject({ trayId: 'body', kind: 'mask', finishId: 'cream' });
    expect(mask!.lines.slice(0, 2)).toEqual(['edge tape towards teal: 100 mm', 'cover 20.0 cm² of cream']);
    const [curved] = livery.layerLines!(build(kitOf([area({})], 1.5), laid));
    expect(curved!.lines[0]).toBe('liquid mask towards teal: 100 mm');
  });

  it('is quiet where the stack follows it, and where one colour is all there is', () => {
    expect(said(kitOf(), laid)).toEqual([]);
    expect(said(kitOf([]), [{ kind: 'colour' }])).toEqual([]);
    expect(said(kitOf(), [])).toEqual([]);
    // Bright trim is foiled or plated: no layer of the stack lays it.
    expect(said(kitOf([area({ finishId: 'trim' })]), [{ kind: 'colour' }])).toEqual([]);
  });

  it('names a colour that no layer lays, and areas that have moved since', () => {
    expect(said(kitOf(), laid.slice(0, 3))).toEqual([
      'colour-without-layers In the livery, not in the stack: teal',
    ]);
    expect(said(kitOf([area({ height: 30, y: 35 })]), laid)[0]).toMatch(/^areas-have-moved/);
  });

  it('takes the place of masking and painting a second zone afterwards', () => {
    const second = (layers: DividedLayer[]) =>
      stacks.trayTasks!(build(kitOf(), layers)).map(({ kind }) => kind);
    expect(second([{ kind: 'colour' }])).toEqual(['pick-out']);
    expect(second(laid)).toEqual([]);
  });
});
