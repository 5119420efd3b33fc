import {
  gapRecord,
  holdingRecord,
  materialRecord,
  newRecord,
  pairRecord,
  type Part,
  type PartPair,
} from '../../kit/index.ts';
import { plainZones } from '../../kit/plainKit.ts';
import type { TrapBench } from './trapBench.ts';
import { body, holes, lamp, one, painted, two, type Trap } from './traps.ts';

const gap = (change: object) => ({
  ...newRecord(gapRecord),
  id: 'g',
  a: 'A1',
  b: 'B1',
  where: 'edge',
  ...change,
});
const held = (shows: 'hidden' | 'shows', partId = 'A1') => ({
  ...newRecord(holdingRecord),
  id: 'h',
  partId,
  where: 'inside the sill',
  shows,
});
const left = painted('A1', 'Door, left');
const right = painted('B1', 'Door, right');
const black = { zones: plainZones('black') };
/** The left door and another, each hung on something else. */
const apart = (other: Part, kit: TrapBench['kit'] = {}): TrapBench =>
  two([left, other], {}, { kit: { joints: [], ...kit } });
const pair = (kind: PartPair['kind']) => ({ ...newRecord(pairRecord), id: 'p', a: 'B1', b: 'A1', kind });
const inEveryVersion = holes({ always: true, neededBy: [] });
const SIDES: NonNullable<Trap['words']> = [
  { 'Door, left': 'LH door', 'Door, right': 'RH door', Body: 'LH door', Lamp: 'RH door' },
  { 'Door, left': 'Left door', 'Door, right': 'Right door' },
];

const glue = (kind: string, have: boolean) => ({
  ...newRecord(materialRecord),
  id: kind,
  name: kind,
  kind,
  have,
  leadDays: 9,
});
const GLUES = ['cement-thin', 'cement-gel', 'ca-clear', 'ca-thin', 'ca-gel', 'epoxy', 'pva'];
const stocked = (missing: readonly string[]) => GLUES.map((kind) => glue(kind, !missing.includes(kind)));

/** Mistakes of handling: where it is held, what locates it, what rubs, and what is done on one side only. */
export const HANDLING_TRAPS: readonly Trap[] = [
  {
    says: 'nothing-locates',
    severity: 'warn',
    bench: two([body, lamp], { locating: 'none' }),
    twin: two([body, lamp], { locating: 'pins' }),
  },
  {
    says: 'nothing-locates',
    severity: 'warn',
    bench: two([body, lamp], { locating: 'none' }),
    // Nothing is glued: a tyre seats itself.
    twin: two([body, lamp], { locating: 'none', kind: 'press' }),
  },
  {
    says: 'glue-not-in-stock',
    severity: 'warn',
    bench: two([body, lamp], {}, { materials: stocked(GLUES) }),
    twin: two([body, lamp], {}, { materials: stocked([]) }),
  },
  {
    says: 'glue-not-in-stock',
    severity: 'warn',
    // One bottle is known, and it is another.
    bench: two([body, lamp], {}, { materials: [glue('pva', true)] }),
    // Nothing is known of any.
    twin: two([body, lamp], {}, { materials: [] }),
  },
  {
    says: 'gap-closes',
    severity: 'warn',
    bench: two([body, lamp], {}, { kit: { gaps: [gap({ gapMm: 0.15, motion: 'swings' })] } }),
    twin: two([body, lamp], {}, { kit: { gaps: [gap({ gapMm: 1.5, motion: 'swings' })] } }),
  },
  {
    says: 'gap-closes',
    severity: 'warn',
    bench: two([body, lamp], {}, { kit: { gaps: [gap({ gapMm: 0.04 })] } }),
    // The same gap beside what stands still.
    twin: two([body, lamp], {}, { kit: { gaps: [gap({ gapMm: 0.28 })] } }),
  },
  {
    says: 'gap-figures',
    severity: 'note',
    bench: two([body, lamp], {}, { kit: { gaps: [gap({ gapMm: 1.5 })] } }),
    twin: two([body, lamp]),
  },
  {
    says: 'nowhere-to-hold',
    severity: 'note',
    bench: one([body]),
    twin: one([body], { holdings: [held('hidden')] }),
  },
  {
    says: 'nowhere-to-hold',
    severity: 'note',
    // The point is on the other sub-assembly.
    bench: two([body, lamp], {}, { kit: { holdings: [held('hidden', 'B1')] } }),
    twin: one([painted('A1', 'Body', { zones: [] })]),
  },
  {
    says: 'held-at',
    severity: 'note',
    bench: one([body], { holdings: [held('shows')] }),
    twin: one([body]),
  },
  {
    says: 'pair-differs',
    severity: 'warn',
    bench: apart({ ...right, ...black }),
    twin: apart(right),
    words: SIDES,
  },
  {
    says: 'pair-differs',
    severity: 'warn',
    // Named by the builder, whatever they are called.
    bench: two([body, { ...lamp, ...black }], {}, { kit: { pairs: [pair('mirrored')] } }),
    twin: apart({ ...right, ...black }, { pairs: [pair('no-pair')] }),
  },
  {
    says: 'pair-differs',
    severity: 'warn',
    bench: apart({ ...right, ...black }),
    // Joined to each other they are halves of something.
    twin: two([left, { ...right, ...black }]),
    words: SIDES,
  },
  {
    says: 'pair-one-sided',
    severity: 'note',
    bench: apart(right, { works: [inEveryVersion] }),
    twin: apart(right, { works: [inEveryVersion, { ...inEveryVersion, id: 'w2', partId: 'B1' }] }),
    words: SIDES,
  },
];
