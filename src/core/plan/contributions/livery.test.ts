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
const stack = (...layers: Omit<DividedLayer, 'id'>[]): DividedLayer[] =>
  layers.map((layer, at) => ({ id: `layer-${at}`, ...layer }));
const laid = stack(
  { kind: 'primer' },
  { kind: 'colour', finishId: 'cream', share: 0.4 },
  { kind: 'mask', finishId: 'cream', share: 0.4 },
  { kind: 'colour', finishId: 'teal', share: 0.6 },
  { kind: 'unmask' },
);
const said = (kit: Kit, layers: DividedLayer[]) =>
  livery.kitAdvice!(build(kit, layers)).map(({ rule, text }) => `${rule} ${text}`);

describe('the livery in the plan', () => {
  it('tells every mask its tape, its length and what it covers', () => {
    const masks = (kit: Kit) => livery.layerLines!(build(kit, laid)).filter(({ kind }) => kind === 'mask');
    const [mask] = masks(kitOf());
    expect(mask).toMatchObject({ trayId: 'body', kind: 'mask', finishId: 'cream' });
    expect(mask!.lines.slice(0, 2)).toEqual(['edge tape towards teal: 100 mm', 'cover 20.0 cm² of cream']);
    const [curved] = masks(kitOf([area({})], 1.5));
    expect(curved!.lines[0]).toBe('liquid mask towards teal: 100 mm');
  });

  it('shows what lies open and what is under tape, at each colour and each mask', () => {
    const onTop = area({ id: 'flash', finishId: 'red', height: 2 });
    const third = stack(
      { kind: 'colour', finishId: 'cream' },
      { kind: 'mask', finishId: 'cream' },
      { kind: 'colour', finishId: 'teal' },
      { kind: 'unmask' },
      { kind: 'mask', finishId: 'teal' },
      { kind: 'colour', finishId: 'red' },
    );
    const kit = kitOf([area({}), onTop]);
    const shown = livery.layerLines!(build(kit, third)).map(({ layerId, on }) => [
      layerId,
      on!.colourId,
      on!.masked,
    ]);
    expect(shown.sort()).toEqual([
      ['layer-0', 'cream', []],
      ['layer-1', 'teal', ['cream']],
      ['layer-2', 'teal', ['cream']],
      ['layer-4', 'red', ['teal']],
      ['layer-5', 'red', ['teal']],
    ]);
    expect(livery.layerLines!(build(kit, third))[0]!.on!.viewIds).toEqual(['v']);
  });

  it('is quiet where the stack follows it, and where one colour is all there is', () => {
    expect(said(kitOf(), laid)).toEqual([]);
    expect(said(kitOf([]), stack({ kind: 'colour' }))).toEqual([]);
    expect(said(kitOf(), [])).toEqual([]);
    // Bright trim is foiled or plated: no layer of the stack lays it.
    expect(said(kitOf([area({ finishId: 'trim' })]), stack({ kind: 'colour' }))).toEqual([]);
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
    expect(second(stack({ kind: 'colour' }))).toEqual(['pick-out']);
    expect(second(laid)).toEqual([]);
  });
});
