import { describe, expect, it } from 'vitest';
import { seededRandom } from '../seededRandom.ts';
import {
  ADHESIVE_RULES,
  chooseAdhesive,
  glueJob,
  SURFACES,
  type GlueJob,
  type Surface,
} from './adhesives.ts';
import { checkKit, partsInTwoTrays } from './checkKit.ts';
import { bareClearance, fitAfterPaint } from './fitAfterPaint.ts';
import type { DryFit, IrreversibleWork, Lesson, VersionChoice } from './kit.ts';
import { lessonsFor } from './lessons.ts';
import { lookInWords } from './kit.ts';
import { MOST_PARTS, readHeading, readPartRows } from './partTable.ts';
import { kitWith, plainJoint, plainPart } from './plainKit.ts';
import { shimPlan } from './stance.ts';
import { suggestJoints } from './suggestJoints.ts';
import { trayName } from './trayNames.ts';
import { resolveVersion } from './version.ts';

const job = (a: Surface, b: Surface, change: Partial<GlueJob> = {}): GlueJob => ({
  surfaces: [a, b],
  kind: 'cement',
  seam: 'hidden',
  loaded: false,
  light: false,
  moves: false,
  near: [],
  oldGlue: false,
  ...change,
});

describe('chooseAdhesive', () => {
  it('has an answer for every pair of surfaces, the same from either side', () => {
    for (const a of SURFACES) {
      for (const b of SURFACES) {
        const choice = chooseAdhesive(job(a, b));
        expect(choice.reason.length).toBeGreaterThan(20);
        expect(chooseAdhesive(job(b, a)).ruleId).toBe(choice.ruleId);
      }
    }
  });

  it('never welds what is not bare styrene, nor fogs clear parts', () => {
    for (const a of SURFACES) {
      for (const b of SURFACES) {
        for (const change of [{}, { light: true }, { loaded: true }, { seam: 'vanish' as const }]) {
          const { adhesive, risks } = chooseAdhesive(job(a, b, change));
          if (a !== 'bare' || b !== 'bare') expect(adhesive).not.toMatch(/^cement/);
          if (a === 'clear-plastic' || b === 'clear-plastic')
            expect(risks.map(({ id }) => id)).not.toContain('crazing');
        }
      }
    }
  });

  it.each([
    ['bare', 'bare', {}, 'cement-thin'],
    ['bare', 'bare', { loaded: true }, 'cement-gel'],
    ['plated', 'bare', {}, 'ca-gel'],
    ['etch', 'bare', {}, 'ca-thin'],
    ['resin', 'bare', { loaded: true }, 'epoxy'],
    ['clear-plastic', 'clear-coated', {}, 'pva'],
    ['painted', 'clear-coated', { light: true }, 'pva'],
    ['painted', 'painted', {}, 'ca-gel'],
    ['vinyl', 'painted', { kind: 'tyre' }, 'none'],
    ['poly', 'bare', {}, 'none'],
  ] as [Surface, Surface, Partial<GlueJob>, string][])(
    'glues %s to %s by the book',
    (a, b, change, adhesive) => {
      expect(chooseAdhesive(job(a, b, change)).adhesive).toBe(adhesive);
    },
  );

  it('warns of bloom, squeeze-out, old glue and hazards', () => {
    const ids = (change: Partial<GlueJob>, a: Surface, b: Surface) =>
      chooseAdhesive(job(a, b, change)).risks.map(({ id }) => id);
    expect(ids({ near: ['gloss'] }, 'painted', 'painted')).toEqual(
      expect.arrayContaining(['dulls-gloss', 'squeeze-out', 'cyanoacrylate-hazard']),
    );
    expect(ids({ oldGlue: true }, 'bare', 'bare')).toEqual(
      expect.arrayContaining(['old-glue', 'solvent-hazard']),
    );
    expect(ids({ near: ['clear'] }, 'bare', 'bare')).toContain('crazing');
    expect(ids({ kind: 'tyre' }, 'vinyl', 'bare')).toContain('plasticiser');
  });

  it('uses each of its rules somewhere', () => {
    const used = new Set<string>();
    for (const a of SURFACES)
      for (const b of SURFACES)
        for (const change of [
          {},
          { light: true },
          { loaded: true },
          { near: ['bright'] as const },
          { seam: 'vanish' as const },
          { kind: 'press' as const },
        ])
          used.add(chooseAdhesive(job(a, b, change)).ruleId);
    expect([...used].sort()).toEqual(ADHESIVE_RULES.map(({ id }) => id).sort());
  });

  it('sees finishes only once they are on', () => {
    const finishes = new Map([
      ['p', { id: 'p', name: 'turquoise', look: 'polished' as const, codeId: null }],
    ]);
    const zones = [
      { id: 'z', name: '', finishId: 'p', share: 1, boundary: 'moulded' as const, edgeMm: null },
    ];
    const parts = new Map(
      [plainPart('A1', { zones }), plainPart('A2', { plated: true })].map((part) => [part.id, part]),
    );
    const joint = plainJoint('j', 'A1', 'A2');
    expect(glueJob(joint, 'before', parts, finishes).surfaces).toEqual(['bare', 'plated']);
    const after = glueJob(joint, 'after', parts, finishes);
    expect(after.surfaces).toEqual(['clear-coated', 'plated']);
    expect(after.near).toEqual(expect.arrayContaining(['bright', 'gloss']));
  });
});

describe('fitAfterPaint', () => {
  it('takes the film of both faces off the clearance', () => {
    expect(fitAfterPaint([0.18, 0.2, 0.22], [60, 60])).toMatchObject({
      verdict: 'snug',
      leftMm: [0.06, 0.08, 0.1],
    });
    expect(fitAfterPaint([0.28, 0.3, 0.32], [60, 60]).verdict).toBe('goes');
    const forced = fitAfterPaint([0.08, 0.1, 0.12], [80, 60]);
    expect(forced.verdict).toBe('will not go');
    expect(forced.scrapeUm).toBe(70);
  });

  it('goes by the last dry fit, measured before felt', () => {
    const joint = plainJoint('j', 'A1', 'A2', { clearanceMm: 0.5 });
    const fit = (change: Partial<DryFit>): DryFit => ({
      id: 'f',
      jointId: 'j',
      stage: 'bare',
      feel: 'snug',
      clearanceMm: null,
      motionChecked: false,
      done: '',
      ...change,
    });
    expect(bareClearance(joint, [])).toEqual([0.48, 0.5, 0.52]);
    expect(bareClearance(joint, [fit({})])).toEqual([0.05, 0.1, 0.15]);
    expect(bareClearance(joint, [fit({}), fit({ clearanceMm: 0.2 })])![1]).toBe(0.2);
    expect(bareClearance(joint, [fit({ stage: 'painted', clearanceMm: 0.01 })])![1]).toBe(0.5);
    expect(bareClearance({ ...joint, clearanceMm: null }, [])).toBeUndefined();
  });
});

describe('shimPlan', () => {
  it('agrees with trying every stack under every corner', () => {
    const random = seededRandom(4);
    for (let round = 0; round < 40; round++) {
      const heightsMm = [0, 0, 0, 0].map(() => Math.round((20 + random() * 1.5) * 100) / 100) as [
        number,
        number,
        number,
        number,
      ];
      const shimsMm = [0.25, 0.5];
      const rakeMm = round % 2 ? 1 : 0;
      const sums = [0, 0.25, 0.5, 0.75, 1, 1.25, 1.5];
      let least = Infinity;
      for (const a of sums)
        for (const b of sums)
          for (const c of sums)
            for (const d of sums) {
              const raised = [a, b, c, d].map((shim, at) => heightsMm[at]! + shim - (at > 1 ? rakeMm : 0));
              const level = raised.reduce((sum, height) => sum + height, 0) / 4;
              least = Math.min(
                least,
                raised.reduce((sum, height) => sum + (height - level) ** 2, 0),
              );
            }
      const plan = shimPlan({ heightsMm, rakeMm, shimsMm });
      expect(plan.residualMm ** 2 * 4).toBeCloseTo(least, 2);
    }
  });

  it('names the corner and the hanging wheel', () => {
    const plan = shimPlan({ heightsMm: [20, 20, 20, 19.5], rakeMm: 0, shimsMm: [0.25, 0.5] });
    expect(plan.shims).toEqual([[], [], [], [0.5]]);
    expect(plan.twistMm).toBe(0.5);
    expect(plan.words).toBe('Shim 0.5 mm rear right.');
    expect(shimPlan({ heightsMm: [20, 20, 20, 20], rakeMm: 0, shimsMm: [] }).residualMm).toBe(0);
    expect(() => shimPlan({ heightsMm: [20, -1, 20, 20], rakeMm: 0, shimsMm: [] })).toThrow(
      /between 0 and 200/,
    );
  });
});

const option = (id: string, change: Partial<VersionChoice['options'][number]> = {}) => ({
  id,
  name: id,
  needs: [],
  rulesOut: [],
  markings: [],
  finishIds: [],
  ...change,
});
const work = (change: Partial<IrreversibleWork>): IrreversibleWork => ({
  id: 'w',
  kind: 'hole',
  partId: 'A1',
  name: 'holes for the rack',
  neededBy: [],
  always: false,
  ...change,
});

describe('resolveVersion', () => {
  const parts = [plainPart('A1'), plainPart('A2'), plainPart('A3')];
  const roof = (chosen: string | null): VersionChoice => ({
    id: 'roof',
    name: 'Roof',
    chosen,
    options: [option('plain'), option('rack', { needs: ['A2'] })],
  });

  it('opens a hole only when a chosen option names it', () => {
    const verdict = (chosen: string | null, change: Partial<IrreversibleWork> = { neededBy: ['rack'] }) =>
      resolveVersion({ parts, choices: [roof(chosen)], works: [work(change)] }).works[0]!;
    expect(verdict('rack').verdict).toBe('do');
    expect(verdict('rack').reason).toMatch(/Roof: rack/);
    expect(verdict(null).verdict).toBe('wait');
    expect(verdict(null).reason).toMatch(/Not yet/);
    expect(verdict('plain').verdict).toBe('refuse');
    expect(verdict('plain').reason).toMatch(/Only “Roof: rack” needs it, and you are building “plain”/);
    expect(verdict('rack', {}).verdict).toBe('refuse');
    expect(verdict(null, { always: true }).verdict).toBe('do');
    expect(verdict('plain', { partId: 'A2', always: true }).reason).toMatch(/not used/);
  });

  it('sends what is left over to the spares, and only when it is sure', () => {
    expect([...resolveVersion({ parts, choices: [roof(null)], works: [] }).leftOver.keys()]).toEqual([]);
    expect([...resolveVersion({ parts, choices: [roof('plain')], works: [] }).leftOver.keys()]).toEqual([
      'A2',
    ]);
    const engine = {
      id: 'e',
      name: 'Engine',
      chosen: null,
      options: [option('six'), option('eight', { needs: ['A2'] })],
    };
    expect(resolveVersion({ parts, choices: [roof('plain'), engine], works: [] }).used.has('A2')).toBe(true);
  });

  it('names both sides where one option rules out what another needs', () => {
    const deck = { id: 'd', name: 'Deck', chosen: 'band', options: [option('band', { rulesOut: ['A2'] })] };
    const { clashes, used } = resolveVersion({ parts, choices: [roof('rack'), deck], works: [] });
    expect(clashes[0]!.message).toBe(
      '“Roof: rack” needs A2 Part A2, but “Deck: band” rules it out: pick another option for one of them.',
    );
    expect(used.has('A2')).toBe(true);
  });
});

describe('checkKit', () => {
  it('names twins, missing parts, circles and clashes', () => {
    const messages = checkKit(
      kitWith({
        parts: [
          plainPart('A1'),
          { ...plainPart('A1'), id: 'other', name: 'Twin' },
          plainPart('A2'),
          plainPart('A3'),
        ],
        joints: [
          plainJoint('x', 'A1', 'Q7'),
          plainJoint('self', 'A2', 'A2'),
          plainJoint('c1', 'A1', 'A2', { captured: ['A3'] }),
          plainJoint('c2', 'A3', 'A1', { closes: ['c1'] }),
        ],
      }),
    ).map(({ message }) => message);
    expect(messages).toHaveLength(4);
    expect(messages[0]).toMatch(/A1 is there twice: “Part A1” and “Twin”/);
    expect(messages[1]).toMatch(/“Q7”, which is not in the kit/);
    expect(messages[2]).toMatch(/A2 Part A2 cannot be joined to itself/);
    expect(messages[3]).toMatch(/circle: A1 Part A1 to A2 Part A2; A3 Part A3 to A1 Part A1/);
    expect(checkKit(kitWith({ parts: [plainPart('A1')] }))).toEqual([]);
    const stripe = { id: 's', name: 'White stripe', look: 'gloss' as const, codeId: null };
    const choices = [
      { id: 'c', name: 'Stripe', chosen: 'yes', options: [option('yes', { finishIds: ['s'] })] },
    ];
    expect(checkKit(kitWith({ parts: [plainPart('A1')], finishes: [stripe], choices }))).toEqual([
      {
        kind: 'open',
        message: expect.stringMatching(/“Stripe: yes” needs White stripe, and no part/) as string,
      },
    ]);
  });

  it('finds a part that lies in two sub-assemblies', () => {
    const trays = [
      { name: 'Body', partIds: ['A1', 'A2'] },
      { name: 'Lids', partIds: ['A2'] },
    ];
    expect(partsInTwoTrays(trays, [plainPart('A2')])).toEqual(['A2 Part A2 lies in “Body” and in “Lids”.']);
  });
});

describe('readPartRows', () => {
  const heading = ['Part', 'Name', 'Qty', 'Material', 'Area cm2', 'Needs', 'Plated'];
  const columns = readHeading(heading)!;

  it('reads what people write', () => {
    const { parts, problems } = readPartRows(
      [
        ['A1', 'Body shell', '', 'styrene', '210', 'seam, sink', 'no'],
        ['d-12b', 'Rims', 'x4', 'Styrene', '3,5', '', 'yes'],
        ['', '', '', '', '', '', ''],
      ],
      columns,
      heading,
      2,
    );
    expect(problems).toEqual([]);
    expect(parts).toEqual([
      {
        frame: 'A',
        number: '1',
        name: 'Body shell',
        material: 'styrene',
        areaCm2: 210,
        needs: ['seam', 'sink'],
        plated: false,
      },
      { frame: 'D', number: '12b', name: 'Rims', count: 4, material: 'styrene', areaCm2: 3.5, plated: true },
    ]);
  });

  it('names line and column of what it cannot read and keeps the rest', () => {
    const { parts, problems } = readPartRows(
      [
        ['A1', 'Hood', 'many', '', '', '', ''],
        ['A2', 'Door', '1', 'cheese', '', '', ''],
        ['A3', '', '1', '', '', '', ''],
        ['A4', 'Sill', '1', '', '', '', '', 'extra'],
        ['A5', 'Roof', '1', '', '', '', ''],
      ],
      columns,
      heading,
      2,
    );
    expect(parts.map(({ name }) => name)).toEqual(['Roof']);
    expect(problems.map(({ line, column }) => [line, column])).toEqual([
      [2, 'Qty'],
      [3, 'Material'],
      [4, 'Name'],
      [5, 'column 8'],
    ]);
    expect(problems[1]!.problem).toMatch(/“cheese” is none of: styrene/);
  });

  it('reads usual headings and words, whatever their brackets, units and case', () => {
    const heading = [
      'ITEM NO.',
      'Description',
      'How many',
      'Mat.',
      'Surface (cm²)',
      'Size [mm]',
      'Plastic colour',
      'Paint',
    ];
    const told = readHeading(heading)!;
    expect(told).toEqual(['label', 'name', 'count', 'material', 'areaCm2', 'lengthMm', 'colour', 'finish']);
    const { parts, problems } = readPartRows(
      [
        ['A1', 'Body', 'x2', 'Chrome', '12,5 cm2', '40 mm', 'pale sea green', 'Lagoon turquoise'],
        ['A2', 'Screen', 'a pair', 'transparent', '3 sq cm', '', '', ''],
        ['A3', 'Arms', '4 pcs', 'polystyrene', '', '', '', 'satin black'],
      ],
      told,
      heading,
      2,
    );
    expect(problems).toEqual([]);
    expect(parts).toMatchObject([
      {
        count: 2,
        material: 'styrene',
        plated: true,
        areaCm2: 12.5,
        lengthMm: 40,
        colour: 'pale sea green',
        finish: 'Lagoon turquoise',
      },
      { count: 2, material: 'clear', areaCm2: 3 },
      { count: 4, material: 'styrene', finish: 'satin black' },
    ]);
  });

  it('takes frame and number from one cell, and what the builder says of a column', () => {
    const heading = ['No', 'Bezeichnung', 'Stück'];
    expect(readHeading(heading)).toBeUndefined();
    const told = readHeading(heading, { Bezeichnung: 'name', Stück: 'count' })!;
    expect(readPartRows([['B12', 'Achse', '2']], told, heading, 2).parts).toEqual([
      { frame: 'B', number: '12', name: 'Achse', count: 2 },
    ]);
  });

  it('guesses the look of a finish from its words, and else takes gloss', () => {
    const looks = [
      'Satin black',
      'matte grey',
      'Aluminium',
      'Lagoon turquoise',
      'clear',
      'unpainted',
      'kit chrome',
      'Metallic blue',
    ];
    expect(looks.map(lookInWords)).toEqual([
      'satin',
      'matt',
      'metal',
      'gloss',
      'clear',
      'bare',
      'plating',
      'gloss',
    ]);
  });

  it('knows a heading from a first row and stops at what no kit holds', () => {
    expect(readHeading(['A1', 'Body', '1'])).toBeUndefined();
    expect(readHeading(['Name', 'Colour'])).toBeUndefined();
    const rows = Array.from({ length: 10_000 }, (_, at) => [`A${at}`, 'thing']);
    const { parts, problems } = readPartRows(rows, ['label', 'name'], ['Part', 'Name'], 1);
    expect(parts).toHaveLength(MOST_PARTS);
    expect(problems).toHaveLength(10_000 - MOST_PARTS);
    expect(problems[0]!.problem).toMatch(/at most 3000 parts/);
  });
});

describe('suggestJoints', () => {
  const named = (id: string, name: string, areaCm2 = 5) => plainPart(id, { name, areaCm2 });

  it('knows halves, hosts and what moves', () => {
    const parts = [
      named('A1', 'Body shell', 200),
      named('A2', 'Hood', 40),
      named('C1', 'Block, left', 10),
      named('C2', 'Block, right', 10),
      named('C3', 'Sump'),
      named('E1', 'Rims'),
      named('E2', 'Tyres'),
      named('X1', 'Gizmo'),
    ];
    const found = suggestJoints({ parts, joints: [] }).map(({ joint: { a, b, kind, seam, motion } }) => [
      a,
      b,
      kind,
      seam,
      motion,
    ]);
    expect(found).toContainEqual(['A2', 'A1', 'hinge', 'panel-line', 'swings']);
    expect(found).toContainEqual(['C1', 'C2', 'cement', 'vanish', 'none']);
    expect(found).toContainEqual(['E2', 'E1', 'tyre', 'hidden', 'none']);
    expect(found.some(([a]) => a === 'X1')).toBe(false);
  });

  it('leaves alone what is joined already', () => {
    const parts = [named('A1', 'Body', 90), named('A2', 'Hood')];
    expect(suggestJoints({ parts, joints: [plainJoint('j', 'A1', 'A2')] })).toEqual([]);
  });
});

describe('lessons and names', () => {
  it('brings lessons back where they touch', () => {
    const lesson = (change: Partial<Lesson>): Lesson => ({
      id: 'l',
      text: 'x',
      origin: '',
      kit: null,
      partWord: null,
      material: null,
      stepKind: null,
      ...change,
    });
    const context = {
      kit: 'Tolliver Six',
      partNames: ['Hood'],
      materials: ['styrene' as const],
      stepKind: 'clear',
    };
    const count = (change: Partial<Lesson>) => lessonsFor([lesson(change)], context).length;
    expect(count({})).toBe(0);
    expect(count({ partWord: 'hood' })).toBe(1);
    expect(count({ partWord: 'hood', stepKind: 'join' })).toBe(0);
    expect(count({ kit: 'tolliver', stepKind: 'clear' })).toBe(1);
    expect(count({ material: 'clear' })).toBe(0);
  });

  it('names a tray by what it holds', () => {
    const named = (name: string, areaCm2: number) => plainPart(name, { name, areaCm2 });
    expect(trayName([named('Block, left', 20), named('Block, right', 20)])).toBe('Block');
    expect(trayName([named('Hood', 40), named('Boot lid', 35)])).toBe('Hood and boot lid');
    expect(trayName([named('Frame', 80), named('Axle', 4), named('Spring', 2)])).toBe('Frame with 2 parts');
  });
});
