import { spectrumFrom, type Spectrum } from '../src/core/colour/index.ts';

/** A generic pigment at the strength it has in a full-strength paint: K and S per um of dry film. Shapes are
 *  plausible, not measured: absorption edges and bands where such pigments have them. */
export interface Pigment {
  id: string;
  name: string;
  k: Spectrum;
  s: Spectrum;
  /** Largest common flake, um, for metal flake and mica. */
  flakeUm?: number;
}

/** Absorption below an edge (nm) that falls off over `width` nm. */
const edge = (at: number, width: number, height: number) => (nm: number) =>
  height / (1 + Math.exp((nm - at) / width));
const band = (at: number, width: number, height: number) => (nm: number) =>
  height * Math.exp(-(((nm - at) / width) ** 2));
const flat = (height: number) => () => height;

function pigment(
  id: string,
  name: string,
  scatter: [at550: number, slopePer100nm: number],
  absorption: ((nm: number) => number)[],
  flakeUm?: number,
): Pigment {
  const [level, slope] = scatter;
  return {
    id,
    name,
    k: spectrumFrom((nm) => absorption.reduce((sum, part) => sum + part(nm), 0)),
    s: spectrumFrom((nm) => Math.max(level * 0.3, level * (1 + (slope * (nm - 550)) / 100))),
    ...(flakeUm ? { flakeUm } : {}),
  };
}

export const PIGMENTS: readonly Pigment[] = [
  pigment('white', 'titanium white', [0.4, -0.12], [edge(404, 6, 0.06), flat(0.0004)]),
  pigment('black', 'carbon black', [0.02, -0.05], [flat(0.75), edge(470, 60, 0.05)]),
  pigment('lamp', 'bluish black', [0.03, -0.1], [flat(0.55), edge(640, 60, -0.05)]),
  pigment('red-oxide', 'red iron oxide', [0.09, 0.1], [edge(572, 11, 0.32), flat(0.012)]),
  pigment('yellow-oxide', 'yellow iron oxide', [0.1, 0.05], [edge(500, 16, 0.26), flat(0.012)]),
  pigment('trans-oxide', 'transparent red oxide', [0.015, 0], [edge(560, 22, 0.2), flat(0.006)]),
  pigment('umber', 'raw umber', [0.06, 0], [edge(600, 60, 0.22), flat(0.06)]),
  pigment(
    'phthalo-blue-g',
    'phthalocyanine blue, green shade',
    [0.03, -0.2],
    [band(620, 62, 0.55), band(690, 40, 0.35), edge(415, 18, 0.12), flat(0.002)],
  ),
  pigment(
    'phthalo-blue-r',
    'phthalocyanine blue, red shade',
    [0.03, -0.2],
    [band(600, 60, 0.5), band(680, 50, 0.4), edge(410, 14, 0.06), flat(0.003)],
  ),
  pigment(
    'phthalo-green',
    'phthalocyanine green',
    [0.03, -0.1],
    [band(640, 50, 0.5), band(700, 50, 0.3), edge(452, 20, 0.34), flat(0.002)],
  ),
  pigment('ultramarine', 'ultramarine', [0.03, -0.2], [band(600, 55, 0.24), flat(0.004)]),
  pigment('cobalt', 'cobalt blue', [0.06, -0.1], [band(590, 48, 0.2), band(540, 30, 0.05), flat(0.006)]),
  pigment('cerulean', 'cerulean', [0.08, 0], [band(640, 65, 0.16), edge(425, 20, 0.05), flat(0.006)]),
  pigment('violet', 'dioxazine violet', [0.02, -0.1], [band(560, 58, 0.5), band(620, 40, 0.28), flat(0.008)]),
  pigment(
    'magenta',
    'quinacridone magenta',
    [0.03, 0],
    [band(540, 44, 0.36), band(500, 40, 0.16), flat(0.002)],
  ),
  pigment(
    'red-violet',
    'quinacridone violet',
    [0.03, 0],
    [band(550, 46, 0.36), band(590, 25, 0.14), edge(450, 40, 0.05), flat(0.003)],
  ),
  pigment('maroon', 'perylene maroon', [0.04, 0.05], [edge(592, 13, 0.34), flat(0.008)]),
  pigment('red', 'naphthol red', [0.05, 0.05], [edge(582, 9, 0.36), flat(0.002)]),
  pigment('scarlet', 'pyrrole scarlet', [0.06, 0.05], [edge(568, 8, 0.34), flat(0.002)]),
  pigment('orange', 'benzimidazolone orange', [0.06, 0.05], [edge(546, 9, 0.3), flat(0.002)]),
  pigment('yellow-warm', 'diarylide yellow', [0.05, 0], [edge(510, 9, 0.28), flat(0.0015)]),
  pigment('yellow-cool', 'arylide yellow', [0.05, 0], [edge(486, 9, 0.26), flat(0.0012)]),
  pigment('vanadate', 'bismuth vanadate yellow', [0.14, 0], [edge(492, 8, 0.22), flat(0.002)]),
  pigment(
    'chromium-green',
    'chromium oxide green',
    [0.1, 0],
    [band(610, 50, 0.16), edge(470, 26, 0.2), flat(0.02)],
  ),
  pigment('flake-fine', 'fine aluminium flake', [1.1, -0.02], [flat(0.075)], 8),
  pigment('flake-coarse', 'coarse aluminium flake', [0.9, -0.02], [flat(0.045)], 22),
  pigment('mica', 'white mica', [0.12, -0.15], [flat(0.0012)], 20),
];
