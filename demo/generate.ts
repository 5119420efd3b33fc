/** Makes the sample catalogue: paints of five made-up ranges and factory codes of made-up makers, the same on
 *  every run. Run with `npm run demo:generate`; the output is checked in under demo/data. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import {
  ciede2000,
  DAYLIGHT,
  spectrumToLab,
  type Lab,
  type MeasuringGeometry,
} from '../src/core/colour/index.ts';
import {
  coatsToHide,
  mixOptics,
  opaqueSpectrum,
  type HidingClass,
  type PaintOptics,
} from '../src/core/paint/index.ts';
import { seededRandom } from '../src/core/seededRandom.ts';
import type { FamilyId, Sheen } from '../src/core/finish/index.ts';
import type { CodeUse, SamplePaint } from '../src/api/index.ts';
import { kitFrom, withoutEmptyLists } from './kits/sampleKit.ts';
import { pellam } from './kits/pellam.ts';
import { saloon } from './kits/saloon.ts';
import { quillon } from './kits/quillon.ts';
import { tolliver } from './kits/tolliver.ts';
import { trueAngles } from './flakeTruth.ts';
import { colourName } from './names.ts';
import { PIGMENTS } from './pigments.ts';

type Shares = Record<string, number>;

const random = seededRandom(1964);
const pigments = new Map(PIGMENTS.map((pigment) => [pigment.id, pigment]));
const round = (value: number) => Number(value.toPrecision(4));

function optics(shares: Shares, strength = 1): PaintOptics {
  const parts = Object.entries(shares).map(([id, share]) => ({ optics: pigments.get(id)!, share }));
  const { k, s } = mixOptics(parts);
  return { k: k.map((value) => round(value * strength)), s: s.map((value) => round(value * strength)) };
}

function flakeOf(shares: Shares): number | undefined {
  const flakes = Object.keys(shares).flatMap((id) => pigments.get(id)!.flakeUm ?? []);
  return flakes.length > 0 ? Math.max(...flakes) : undefined;
}

const labOf = (paint: PaintOptics): Lab => spectrumToLab(opaqueSpectrum(paint), DAYLIGHT);

function hidingOf(paint: PaintOptics): HidingClass {
  const coats = coatsToHide(paint, 8, 14);
  if (coats !== undefined && coats <= 4) return 'opaque';
  return coats !== undefined && coats <= 8 ? 'semi-opaque' : 'transparent';
}

interface Range {
  name: string;
  prefix: string;
  family: FamilyId;
  container: SamplePaint['container'];
  count: number;
  strength: number;
  volumeMl: number;
  priceCents: number;
  firstNumber: number;
  metallics: boolean;
}

const RANGES: Range[] = [
  {
    name: 'Oriel',
    prefix: 'OR',
    family: 'water-acrylic',
    container: 'bottle',
    count: 200,
    strength: 0.95,
    volumeMl: 17,
    priceCents: 290,
    firstNumber: 1,
    metallics: true,
  },
  {
    name: 'Brindle',
    prefix: 'BR',
    family: 'lacquer',
    container: 'bottle',
    count: 150,
    strength: 1.1,
    volumeMl: 30,
    priceCents: 420,
    firstNumber: 1,
    metallics: true,
  },
  {
    name: 'Brindle',
    prefix: 'BR',
    family: 'lacquer',
    container: 'can',
    count: 60,
    strength: 1,
    volumeMl: 150,
    priceCents: 990,
    firstNumber: 501,
    metallics: true,
  },
  {
    name: 'Carrow',
    prefix: 'CA',
    family: 'enamel',
    container: 'bottle',
    count: 130,
    strength: 1,
    volumeMl: 14,
    priceCents: 260,
    firstNumber: 1,
    metallics: true,
  },
  {
    name: 'Argent Bench',
    prefix: 'AB',
    family: 'metal-lacquer',
    container: 'bottle',
    count: 44,
    strength: 1.6,
    volumeMl: 20,
    priceCents: 750,
    firstNumber: 1,
    metallics: true,
  },
];

/** Colours that every full range has, with the recipes that the sample builds rely on. */
const BASICS: [number: number, name: string, shares: Shares, sheen: Sheen][] = [
  [1, 'Plain White', { white: 1 }, 'gloss'],
  [2, 'Plain Black', { black: 1 }, 'gloss'],
  [3, 'Middle Grey', { white: 0.84, black: 0.16 }, 'gloss'],
  [4, 'Flag Red', { scarlet: 0.7, red: 0.3 }, 'gloss'],
  [5, 'Flag Yellow', { vanadate: 0.6, 'yellow-warm': 0.4 }, 'gloss'],
  [6, 'Flag Blue', { 'phthalo-blue-r': 0.3, ultramarine: 0.5, white: 0.2 }, 'gloss'],
  [7, 'Flag Green', { 'phthalo-green': 0.4, 'yellow-cool': 0.4, white: 0.2 }, 'gloss'],
  [8, 'Parade Silver', { 'flake-fine': 1 }, 'gloss'],
  [9, 'Glitter Silver', { 'flake-coarse': 1 }, 'gloss'],
  [10, 'Cream Base', { white: 0.955, 'yellow-oxide': 0.044, 'red-oxide': 0.001 }, 'gloss'],
  [11, 'Deep Water', { 'phthalo-blue-g': 0.55, 'phthalo-green': 0.35, white: 0.1 }, 'gloss'],
  [12, 'Oxblood', { maroon: 0.7, 'red-oxide': 0.2, black: 0.1 }, 'satin'],
  [13, 'Tyre Black', { black: 0.8, white: 0.08, umber: 0.12 }, 'matt'],
  [14, 'Candy Red Base', { magenta: 0.25, scarlet: 0.75 }, 'gloss'],
  [15, 'Leaf Gold', { 'flake-fine': 0.5, 'trans-oxide': 0.12, 'yellow-warm': 0.38 }, 'gloss'],
  [16, 'Quiet Butter', { white: 0.62, 'yellow-oxide': 0.3, umber: 0.08 }, 'gloss'],
  [17, 'Primrose', { white: 0.55, 'yellow-cool': 0.45 }, 'gloss'],
  [18, 'Midnight Blue', { ultramarine: 0.5, 'phthalo-blue-r': 0.32, lamp: 0.18 }, 'gloss'],
];

function randomShares(metallic: boolean): Shares {
  const solids = PIGMENTS.filter(({ flakeUm }) => flakeUm === undefined).map(({ id }) => id);
  const chromatic = solids.filter((id) => !['white', 'black', 'lamp'].includes(id));
  const pick = () => chromatic[Math.floor(random() * chromatic.length)]!;
  const shares: Shares = {};
  const add = (id: string, share: number) => (shares[id] = (shares[id] ?? 0) + share);
  add(pick(), 0.2 + random());
  if (random() < 0.55) add(pick(), 0.5 * random());
  if (metallic) {
    add(random() < 0.5 ? 'flake-fine' : 'flake-coarse', 0.15 + random());
    return shares;
  }
  if (random() < 0.75) add('white', 2.4 * random() ** 1.5);
  if (random() < 0.45) add('black', 0.25 * random() ** 2);
  return shares;
}

const SHEENS: Sheen[] = ['gloss', 'gloss', 'semi-gloss', 'satin', 'matt'];

function makeRange(range: Range): SamplePaint[] {
  const paints: SamplePaint[] = [];
  const used = new Set<string>();
  const labs: Lab[] = [];
  const isMetalRange = range.family === 'metal-lacquer';
  const add = (number: number, name: string, shares: Shares, sheen: Sheen) => {
    const paint = optics(shares, range.strength * (0.95 + 0.1 * random()));
    const flakeUm = flakeOf(shares);
    used.add(name);
    labs.push(labOf(paint));
    paints.push({
      id: `${range.prefix}-${String(number).padStart(3, '0')}`,
      range: range.name,
      name,
      family: range.family,
      container: range.container,
      role: isMetalRange ? 'metal' : 'colour',
      sheen: isMetalRange ? 'metal' : sheen,
      hiding: hidingOf(paint),
      priceCents: range.priceCents + 10 * Math.floor(6 * random()) + (flakeUm ? 60 : 0),
      volumeMl: range.volumeMl,
      ...(flakeUm ? { flakeUm } : {}),
      k: [...paint.k],
      s: [...paint.s],
    });
  };
  let number = range.firstNumber;
  if (isMetalRange) {
    METALS.forEach(([name, shares]) => add(number++, name, shares, 'metal'));
  } else if (range.container === 'bottle') {
    BASICS.forEach(([at, name, shares, sheen]) => add(at, name, shares, sheen));
    number = BASICS.length + 1;
  }
  for (let attempt = 0; paints.length < range.count; attempt++) {
    const metallic = isMetalRange || (range.metallics && random() < 0.18);
    const shares = isMetalRange ? randomMetal() : randomShares(metallic);
    const lab = labOf(optics(shares, range.strength));
    const apart = isMetalRange ? 1.2 : 3.2 - attempt / 4000;
    if (labs.some((other) => ciede2000(lab, other) < apart)) continue;
    add(number++, colourName(lab, used, random), shares, SHEENS[Math.floor(random() * SHEENS.length)]!);
  }
  return paints;
}

const METALS: [name: string, shares: Shares][] = [
  ['Bright Chrome', { 'flake-fine': 1 }],
  ['Cast Aluminium', { 'flake-fine': 0.8, 'flake-coarse': 0.16, black: 0.04 }],
  ['Machined Aluminium', { 'flake-fine': 0.95, white: 0.05 }],
  ['Magnesium', { 'flake-fine': 0.84, umber: 0.06, black: 0.1 }],
  ['Steel', { 'flake-fine': 0.9, lamp: 0.1 }],
  ['Stainless', { 'flake-fine': 0.97, lamp: 0.03 }],
  ['Titanium', { 'flake-fine': 0.86, 'trans-oxide': 0.06, black: 0.08 }],
  ['Gunmetal', { 'flake-fine': 0.6, lamp: 0.4 }],
  ['Copper', { 'flake-fine': 0.62, 'trans-oxide': 0.3, scarlet: 0.08 }],
  ['Brass', { 'flake-fine': 0.76, 'yellow-warm': 0.16, 'trans-oxide': 0.08 }],
  ['Burnt Exhaust', { 'flake-fine': 0.5, 'trans-oxide': 0.25, umber: 0.25 }],
];

function randomMetal(): Shares {
  const tint = ['trans-oxide', 'lamp', 'black', 'umber', 'yellow-warm', 'phthalo-blue-r', 'violet'][
    Math.floor(random() * 7)
  ]!;
  return { 'flake-fine': 0.5 + 0.5 * random(), [tint]: 0.3 * random(), black: 0.15 * random() ** 2 };
}

/** Chrome inks, clears and primers: few, and made one by one. */
function specials(): SamplePaint[] {
  const clear = (yellow: number): PaintOptics => ({
    k: pigments.get('yellow-cool')!.k.map((value) => round(1e-6 + value * yellow)),
    s: pigments.get('white')!.s.map((value) => round(1e-6 * value)),
  });
  const make = (
    id: string,
    range: string,
    name: string,
    family: FamilyId,
    role: SamplePaint['role'],
    sheen: Sheen,
    paint: PaintOptics,
    rest: Partial<SamplePaint> = {},
  ): SamplePaint => ({
    id,
    range,
    name,
    family,
    role,
    sheen,
    container: 'bottle',
    hiding: role === 'clear' ? 'transparent' : 'opaque',
    priceCents: 690,
    volumeMl: 30,
    k: [...paint.k],
    s: [...paint.s],
    ...rest,
  });
  const pink = optics({ white: 0.93, scarlet: 0.07 }, 1.3);
  return [
    make(
      'AB-101',
      'Argent Bench',
      'Mirror Ink',
      'chrome-ink',
      'metal',
      'metal',
      optics({ 'flake-fine': 1 }, 2),
      { priceCents: 1450, volumeMl: 15, flakeUm: 4 },
    ),
    make(
      'AB-102',
      'Argent Bench',
      'Mirror Marker 1 mm',
      'chrome-ink',
      'metal',
      'metal',
      optics({ 'flake-fine': 1 }, 2),
      { container: 'marker', priceCents: 620, volumeMl: 4, flakeUm: 4 },
    ),
    make(
      'AB-103',
      'Argent Bench',
      'Mirror Marker 5 mm',
      'chrome-ink',
      'metal',
      'metal',
      optics({ 'flake-fine': 1 }, 2),
      { container: 'marker', priceCents: 840, volumeMl: 8, flakeUm: 4 },
    ),
    make(
      'AB-104',
      'Argent Bench',
      'Dark Mirror Ink',
      'chrome-ink',
      'metal',
      'metal',
      optics({ 'flake-fine': 0.9, lamp: 0.1 }, 2),
      { priceCents: 1450, volumeMl: 15, flakeUm: 4 },
    ),
    make('KE-001', 'Kestle', 'Deep Gloss 2K', 'urethane-2k', 'clear', 'gloss', clear(0.0001), {
      priceCents: 1890,
      volumeMl: 60,
    }),
    make('KE-002', 'Kestle', 'Quick Gloss 2K', 'urethane-2k', 'clear', 'gloss', clear(0.0002), {
      priceCents: 1690,
      volumeMl: 60,
    }),
    make('KE-003', 'Kestle', 'Silk 2K', 'urethane-2k', 'clear', 'satin', clear(0.0001), {
      priceCents: 1790,
      volumeMl: 60,
    }),
    make('KE-004', 'Kestle', 'Flat 2K', 'urethane-2k', 'clear', 'matt', clear(0.0001), {
      priceCents: 1790,
      volumeMl: 60,
    }),
    make('KE-005', 'Kestle', 'Deep Gloss 2K can', 'urethane-2k', 'clear', 'gloss', clear(0.0002), {
      container: 'can',
      priceCents: 2490,
      volumeMl: 200,
    }),
    make(
      'BR-401',
      'Brindle',
      'Grey Surfacer',
      'lacquer',
      'primer',
      'matt',
      optics({ white: 0.86, black: 0.14 }, 1.4),
    ),
    make('BR-402', 'Brindle', 'White Surfacer', 'lacquer', 'primer', 'matt', optics({ white: 1 }, 1.4)),
    make(
      'BR-403',
      'Brindle',
      'Black Surfacer',
      'lacquer',
      'primer',
      'matt',
      optics({ black: 0.9, white: 0.1 }, 1.2),
    ),
    make('BR-404', 'Brindle', 'Pink Surfacer', 'lacquer', 'primer', 'matt', pink),
    make('BR-411', 'Brindle', 'Gloss Clear', 'lacquer', 'clear', 'gloss', clear(0.0008)),
    make('BR-412', 'Brindle', 'Satin Clear', 'lacquer', 'clear', 'satin', clear(0.0008)),
    make('BR-421', 'Brindle', 'Mirror Black', 'lacquer', 'undercoat', 'gloss', optics({ black: 1 }, 1.4)),
    make(
      'OR-401',
      'Oriel',
      'Grey Ground',
      'water-acrylic',
      'primer',
      'matt',
      optics({ white: 0.85, black: 0.15 }, 1.2),
      { priceCents: 390 },
    ),
    make('OR-411', 'Oriel', 'Gloss Glaze', 'water-acrylic', 'clear', 'gloss', clear(0.0004), {
      priceCents: 420,
    }),
    make('OR-412', 'Oriel', 'Matt Glaze', 'water-acrylic', 'clear', 'matt', clear(0.0004), {
      priceCents: 420,
    }),
    make('CA-411', 'Carrow', 'Gloss Varnish', 'enamel', 'clear', 'gloss', clear(0.009), { priceCents: 350 }),
  ];
}

type CodeKind = 'solid' | 'metallic' | 'pearl' | 'candy';
interface SampleCode {
  id: string;
  maker: string;
  code: string;
  name: string;
  years: string;
  kind: CodeKind;
  use?: CodeUse;
  spectrum: number[];
  angles?: { degrees: number; lab: Lab }[];
  sources: {
    provenance: string;
    note: string;
    lab: Lab;
    uncertainty: number;
    geometry: MeasuringGeometry;
    inForce: boolean;
    spectrum?: number[];
  }[];
}

const MAKERS: { maker: string; prefix: string; count: number; from: number }[] = [
  { maker: 'Tolliver', prefix: 'TL', count: 44, from: 1954 },
  { maker: 'Pellam', prefix: 'PM', count: 34, from: 1956 },
  { maker: 'Quillon', prefix: 'QC', count: 24, from: 1958 },
  { maker: 'Vessery', prefix: 'VS', count: 18, from: 1960 },
];

/** The codes that the sample builds wear. */
const FIXED_CODES: [maker: string, code: string, name: string, kind: CodeKind, shares: Shares][] = [
  [
    'Tolliver',
    'TL-4417',
    'Lagoon Mist',
    'metallic',
    { 'flake-fine': 0.32, 'phthalo-blue-g': 0.36, 'phthalo-green': 0.24, white: 0.08 },
  ],
  [
    'Tolliver',
    'TL-2203',
    'Clotted Cream',
    'solid',
    { white: 0.945, 'yellow-oxide': 0.053, 'red-oxide': 0.002 },
  ],
  [
    'Tolliver',
    'TL-9014',
    'Oxblood Hide',
    'solid',
    { maroon: 0.62, 'red-oxide': 0.22, black: 0.1, white: 0.06 },
  ],
  [
    'Tolliver',
    'TL-2045',
    'Boathouse Moss',
    'solid',
    { white: 0.8, 'chromium-green': 0.14, 'phthalo-green': 0.01, umber: 0.05 },
  ],
  [
    'Tolliver',
    'TL-8800',
    'Regatta Night',
    'solid',
    { ultramarine: 0.46, 'phthalo-blue-r': 0.3, lamp: 0.18, white: 0.06 },
  ],
  ['Pellam', 'PM-310', 'Bandstand Red', 'solid', { scarlet: 0.6, red: 0.32, 'red-oxide': 0.08 }],
  ['Pellam', 'PM-118', 'Bay Cream', 'solid', { white: 0.9, vanadate: 0.08, 'yellow-oxide': 0.02 }],
  ['Pellam', 'PM-700', 'Chassis Black', 'solid', { black: 0.94, white: 0.06 }],
  ['Quillon', 'QC-52', 'Cordial Candy', 'candy', { magenta: 0.22, scarlet: 0.6, 'flake-fine': 0.18 }],
  [
    'Quillon',
    'QC-07',
    'Escort Ivory',
    'solid',
    { white: 0.924, 'yellow-cool': 0.036, 'yellow-oxide': 0.031, umber: 0.009 },
  ],
];

function makeCodes(): SampleCode[] {
  const used = new Set(FIXED_CODES.map(([, , name]) => name));
  const codes: SampleCode[] = [];
  const labs: Lab[] = [];
  const add = (maker: string, code: string, name: string, kind: CodeKind, shares: Shares, from: number) => {
    const spectrum = opaqueSpectrum(optics(shares)).map(round);
    const lab = spectrumToLab(spectrum, DAYLIGHT);
    const flake = flakeOf(shares);
    labs.push(lab);
    const start = from + Math.floor(8 * random());
    codes.push({
      id: code,
      maker,
      code,
      name,
      kind,
      ...useOf(code),
      years: `${start}-${String(start + 1 + Math.floor(4 * random())).slice(2)}`,
      spectrum,
      ...(flake === undefined ? {} : { angles: trueAngles(spectrum, flake, random) }),
      sources: sourcesOf(
        lab,
        spectrum,
        FIXED_CODES.some(([, fixed]) => fixed === code),
      ),
    });
  };
  for (const { maker, prefix, count, from } of MAKERS) {
    const fixed = FIXED_CODES.filter(([owner]) => owner === maker);
    fixed.forEach(([, code, name, kind, shares]) => add(maker, code, name, kind, shares, from));
    for (let made = fixed.length; made < count;) {
      const dice = random();
      const kind: CodeKind = dice < 0.55 ? 'solid' : dice < 0.8 ? 'metallic' : dice < 0.9 ? 'pearl' : 'candy';
      const shares = codeShares(kind);
      const lab = labOf(optics(shares));
      if (labs.some((other) => ciede2000(lab, other) < 2.2)) continue;
      const code = `${prefix}-${1000 + Math.floor(8999 * random())}`;
      if (codes.some(({ id }) => id === code)) continue;
      add(maker, code, colourName(lab, used, random), kind, shares, from);
      made++;
    }
  }
  return codes;
}

/** These makers number what is not for the body apart: 7 at the end for engines, 3 for the cabin. */
function useOf(code: string): { use?: CodeUse } {
  if (FIXED_CODES.some(([, fixed]) => fixed === code)) return {};
  if (code.endsWith('7')) return { use: 'engine' };
  return code.endsWith('3') ? { use: 'cabin' } : {};
}

function codeShares(kind: CodeKind): Shares {
  if (kind === 'solid') return randomShares(false);
  if (kind === 'metallic') return randomShares(true);
  const shares = randomShares(false);
  delete shares.black;
  if (kind === 'pearl') return { ...shares, mica: 1 + random() };
  delete shares.white;
  return { ...shares, 'flake-fine': 0.25 + 0.2 * random() };
}

function sourcesOf(lab: Lab, spectrum: number[], alsoRestored: boolean): SampleCode['sources'] {
  const near = (spread: number): Lab => ({
    L: round(Math.min(99, lab.L + spread * (random() - 0.5))),
    a: round(lab.a + spread * (random() - 0.5)),
    b: round(lab.b + spread * (random() - 0.5)),
  });
  const sources: SampleCode['sources'] = [
    {
      provenance: 'instrument',
      note: 'chip, reader, 3 places',
      lab: { L: round(lab.L), a: round(lab.a), b: round(lab.b) },
      uncertainty: 0.4,
      geometry: '45:0',
      inForce: true,
      spectrum,
    },
  ];
  if (random() < 0.6 || alsoRestored)
    sources.push({
      provenance: 'restored',
      note: 'restored vehicle, reader',
      lab: near(3),
      uncertainty: 1.5,
      geometry: '45:0',
      inForce: false,
    });
  if (random() < 0.4)
    sources.push({
      provenance: 'photograph',
      note: 'period picture, grey card',
      lab: near(9),
      uncertainty: 4.5,
      geometry: 'unknown',
      inForce: false,
    });
  return sources;
}

const target = join(dirname(fileURLToPath(import.meta.url)), 'data');
mkdirSync(target, { recursive: true });
const write = (name: string, rows: readonly unknown[]) =>
  writeFileSync(join(target, name), `[\n${rows.map((row) => JSON.stringify(row)).join(',\n')}\n]\n`);
const paints = [...RANGES.flatMap(makeRange), ...specials()];
const codes = makeCodes();
write(
  'pigments.json',
  PIGMENTS.map(({ k, s, ...rest }) => ({ ...rest, k: k.map(round), s: s.map(round) })),
);
write('paints.json', paints);
write('codes.json', codes);
const kits = Object.entries({ tolliver, pellam, quillon, saloon }).map(([buildId, kit]) => ({
  buildId,
  kit: withoutEmptyLists(kitFrom(buildId, kit)),
}));
write('kits.json', kits);
console.log(
  `${PIGMENTS.length} pigments, ${paints.length} paints, ${codes.length} factory codes, ${kits.length} kits`,
);
