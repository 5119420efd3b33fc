import { describe, expect, it } from 'vitest';
import {
  initialOf,
  newRecord,
  onPanelFields,
  panelRecord,
  panelRoutesOf,
  piecesOf,
  plainPart,
  trimOf,
  type InstrumentPanel,
  type OnPanel,
} from '../../kit/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import { kitNeeds } from '../kitNeeds.ts';
import { summariseKit } from '../kitSummary.ts';

const dial = (name: string, xMm: number, widthMm = 4, more: Partial<OnPanel> = {}): OnPanel => ({
  ...initialOf(onPanelFields),
  name,
  xMm,
  yMm: 6,
  widthMm,
  ...more,
});
const panel = (more: Partial<InstrumentPanel> = {}): InstrumentPanel => ({
  ...newRecord(panelRecord),
  id: 'p',
  name: 'Dash face',
  partId: 'D1',
  art: 'kit-decal',
  on: [dial('Speed', 10), dial('Revs', 20), dial('Clock', 30, 2.9)],
  drills: [0.5, 1, 2, 3, 4],
  ...more,
});
const kit = (one: InstrumentPanel) =>
  kitWith({ parts: [plainPart('D1', { name: 'Face 3' })], panels: [one] });
const summary = (one: InstrumentPanel) => summariseKit(kit(one), [{ id: 't', partIds: ['D1'] }], [], 24);
const tasks = (one: InstrumentPanel) =>
  summary(one).tasks.filter(({ kind }) => kind === 'drill' || kind === 'detail');

describe('an instrument panel', () => {
  it('is left out of the plan until a way to it is taken', () => {
    expect(tasks(panel())).toEqual([]);
    expect(summary(panel()).detail.open).toBe(1);
    expect(summary(panel({ route: 'decal-relief' })).detail.open).toBe(0);
  });

  it('is opened while it is bare and made once it is painted', () => {
    const [open, make] = tasks(panel({ route: 'decal-overlay' }));
    expect(open).toMatchObject({ kind: 'drill', title: 'Open the overlay of dash face' });
    expect(open!.details).toContain('Clock: 0.50 mm, 1.00 mm, then 3.00 mm (0.10 mm wide)');
    expect(make).toMatchObject({ kind: 'detail', title: 'Make dash face', minutes: 25 + 3 * 4 });
    expect(tasks(panel({ route: 'decal-relief' }))).toHaveLength(1);
  });

  it('warns of a web that will break, only where it is drilled', () => {
    const close = panel({ route: 'decal-overlay', on: [dial('Speed', 10), dial('Revs', 14.4)] });
    const said = summary(close).advice.find(({ rule }) => rule === 'panel-web-breaks')!;
    expect(said.text).toBe('It will break: 0.40 mm between speed and revs');
    expect(summary({ ...close, route: 'decal-relief' }).advice.map(({ rule }) => rule)).not.toContain(
      'panel-web-breaks',
    );
    expect(panelRoutesOf(close).find(({ id }) => id === 'decal-overlay')!.score).toBeLessThan(
      panelRoutesOf(panel()).find(({ id }) => id === 'decal-overlay')!.score + 1,
    );
  });

  it('says what cannot be: dials that overlap, a face larger than its recess', () => {
    for (const [bad, words] of [
      [{ on: [dial('Speed', 10), dial('Revs', 12)] }, /Speed and Revs overlap by 2\.00 mm/],
      [{ recessWidthMm: 48 }, /2\.00 mm wider than its recess/],
      [{ recessHeightMm: 10 }, /2\.00 mm higher than its recess/],
      [{ on: [dial('Speed', 1)] }, /Speed and the edge overlap/],
    ] as const) {
      const wrong = panel({ route: 'decal-overlay', ...bad, on: [...('on' in bad ? bad.on : panel().on)] });
      const { advice, tasks: all, detail } = summary(wrong);
      expect(advice.find(({ rule }) => rule === 'detail-wrong')!.why).toMatch(words);
      expect(all.filter(({ kind }) => kind === 'drill')).toEqual([]);
      expect(detail.open).toBe(1);
      expect(panelRoutesOf(wrong).find(({ id }) => id === 'decal-overlay')!.not).toMatch(words);
    }
  });

  it('cuts a decal whose pitch drifts, and trims one that is too large', () => {
    const drifting = panel({
      route: 'decal-overlay',
      decalWidthMm: 52,
      decalHeightMm: 12,
      on: [dial('Speed', 10), dial('Revs', 20, 4, { printedXMm: 20.6 })],
    });
    expect(piecesOf(drifting).map(({ ids }) => ids)).toEqual([['1'], ['2']]);
    expect(trimOf(drifting)).toEqual({ sides: 1, ends: 0 });
    const details = tasks(drifting).at(-1)!.details.join('\n');
    expect(details).toMatch(/1\.0 mm off each side/);
    expect(details).toMatch(/a piece with revs, moved 0\.60 mm left and 0\.00 mm down/);
    expect(piecesOf({ ...drifting, route: 'decal-relief' })).toEqual([]);
  });

  it('needs sheet for an overlay and softener over relief', () => {
    const needs = (one: InstrumentPanel) =>
      kitNeeds({ kit: kit(one), paints: [], adhesives: [], spares: [], materials: [], scale: 24 }).map(
        ({ what }) => what,
      );
    expect(needs(panel({ route: 'decal-overlay' }))).toContain('plastic sheet, 0.25 mm');
    expect(needs(panel({ route: 'decal-relief' }))).toContain('decal softener');
    expect(needs(panel())).toEqual([]);
  });
});
