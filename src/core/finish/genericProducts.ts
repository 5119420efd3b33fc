import { spectrumFrom } from '../colour/index.ts';
import type { PaintOptics } from '../paint/index.ts';
import type { Product } from './stack.ts';
import { TINTS } from './tints.ts';

/** K and S per um: a white pigment share that scatters, a black share that absorbs. */
function grey(scatter: number, black: number): PaintOptics {
  return {
    k: spectrumFrom(() => 0.0006 + black),
    s: spectrumFrom((nm) => scatter * (1 - (nm - 550) / 2500)),
  };
}

/** A clear film: nearly no scattering, and a trace of yellow. */
function clearFilm(yellow: number): PaintOptics {
  return {
    k: spectrumFrom((nm) => 1e-6 + yellow * Math.exp(-(((nm - 400) / 60) ** 2))),
    s: spectrumFrom(() => 1e-7),
  };
}

/** Plain products that any shelf could hold, so that a stack can be planned before a paint is chosen.
 *  Their optics are typical, not measured. */
export const GENERIC_PRODUCTS: readonly (Product & {
  role:
    | 'primer'
    | 'undercoat'
    | 'metal'
    | 'clear'
    | 'wash'
    | 'tint'
    | 'stain'
    | 'dry-brush'
    | 'powder'
    | 'flock'
    | 'foil';
})[] = [
  {
    id: 'generic-primer-grey',
    name: 'Grey primer',
    role: 'primer',
    family: 'lacquer',
    sheen: 'matt',
    optics: grey(0.3, 0.045),
  },
  {
    id: 'generic-primer-white',
    name: 'White primer',
    role: 'primer',
    family: 'lacquer',
    sheen: 'matt',
    optics: grey(0.34, 0),
  },
  {
    id: 'generic-primer-black',
    name: 'Black primer',
    role: 'primer',
    family: 'lacquer',
    sheen: 'matt',
    optics: grey(0.03, 0.6),
  },
  {
    id: 'generic-primer-pink',
    name: 'Pink primer',
    role: 'primer',
    family: 'lacquer',
    sheen: 'matt',
    optics: { k: spectrumFrom((nm) => 0.001 + (nm < 600 ? 0.03 : 0)), s: spectrumFrom(() => 0.3) },
  },
  {
    id: 'generic-primer-acrylic',
    name: 'Grey acrylic primer',
    role: 'primer',
    family: 'water-acrylic',
    sheen: 'matt',
    optics: grey(0.26, 0.04),
  },
  {
    id: 'generic-black-gloss',
    name: 'Gloss black undercoat',
    role: 'undercoat',
    family: 'lacquer',
    sheen: 'gloss',
    optics: grey(0.02, 0.8),
  },
  {
    id: 'generic-rust-brown',
    name: 'Rust brown undercoat',
    role: 'undercoat',
    family: 'lacquer',
    sheen: 'matt',
    optics: earth(0.12, 0.06, 0.35, 590),
  },
  {
    id: 'generic-silver',
    name: 'Fine silver undercoat',
    role: 'undercoat',
    family: 'lacquer',
    sheen: 'semi-gloss',
    optics: { k: spectrumFrom(() => 0.07), s: spectrumFrom(() => 0.9) },
    flakeUm: 8,
  },
  {
    id: 'generic-gold',
    name: 'Fine gold',
    role: 'metal',
    family: 'lacquer',
    sheen: 'semi-gloss',
    optics: { k: spectrumFrom((nm) => 0.07 + (nm < 540 ? 0.35 : 0)), s: spectrumFrom(() => 0.9) },
    flakeUm: 8,
  },
  {
    id: 'generic-metal-lacquer',
    name: 'Metal lacquer',
    role: 'metal',
    family: 'metal-lacquer',
    sheen: 'metal',
    optics: { k: spectrumFrom(() => 0.09), s: spectrumFrom(() => 2) },
    flakeUm: 5,
  },
  {
    id: 'generic-chrome-ink',
    name: 'Chrome ink',
    role: 'metal',
    family: 'chrome-ink',
    sheen: 'metal',
    optics: { k: spectrumFrom(() => 0.08), s: spectrumFrom(() => 2.4) },
    flakeUm: 4,
  },
  {
    id: 'generic-clear-lacquer',
    name: 'Gloss clear, lacquer',
    role: 'clear',
    family: 'lacquer',
    sheen: 'gloss',
    optics: clearFilm(0.0002),
  },
  {
    id: 'generic-clear-2k',
    name: 'Gloss clear, two-part',
    role: 'clear',
    family: 'urethane-2k',
    sheen: 'gloss',
    optics: clearFilm(0.00004),
  },
  {
    id: 'generic-clear-enamel',
    name: 'Gloss clear, enamel',
    role: 'clear',
    family: 'enamel',
    sheen: 'gloss',
    optics: clearFilm(0.0022),
  },
  {
    id: 'generic-clear-acrylic',
    name: 'Gloss clear, water-based',
    role: 'clear',
    family: 'water-acrylic',
    sheen: 'gloss',
    optics: clearFilm(0.0001),
  },
  {
    id: 'generic-clear-satin',
    name: 'Satin clear, lacquer',
    role: 'clear',
    family: 'lacquer',
    sheen: 'satin',
    optics: clearFilm(0.0002),
  },
  {
    id: 'generic-clear-matt',
    name: 'Matt clear, water-based',
    role: 'clear',
    family: 'water-acrylic',
    sheen: 'matt',
    optics: clearFilm(0.0001),
  },
  {
    id: 'generic-wash',
    name: 'Dark panel-line wash',
    role: 'wash',
    family: 'oil-wash',
    sheen: 'satin',
    optics: clearFilm(0),
  },
  ...TINTS.map(({ id, name, k }) => ({
    id: `generic-tint-${id}`,
    name: `${name[0]!.toUpperCase()}${name.slice(1)}`,
    role: 'tint' as const,
    family: 'lacquer' as const,
    sheen: 'gloss' as const,
    optics: { k, s: spectrumFrom(() => 1e-7) },
  })),
  {
    id: 'generic-stain-brown',
    name: 'Brown wood stain',
    role: 'stain',
    family: 'water-acrylic',
    sheen: 'satin',
    optics: {
      k: spectrumFrom((nm) => 0.004 + 0.07 / (1 + Math.exp((nm - 560) / 45))),
      s: spectrumFrom(() => 0.004),
    },
  },
  dry('generic-drybrush-pale', 'Pale grey, dry-brushed', 'dry-brush', 'enamel', grey(0.3, 0.01)),
  dry('generic-drybrush-steel', 'Steel, dry-brushed', 'dry-brush', 'enamel', grey(0.6, 0.09)),
  dry('generic-powder-dust', 'Dust powder', 'powder', 'powder', earth(0.5, 0.02, 0.06, 520)),
  dry('generic-powder-rust', 'Rust powder', 'powder', 'powder', earth(0.25, 0.03, 0.5, 590)),
  dry('generic-powder-soot', 'Soot powder', 'powder', 'powder', grey(0.02, 0.8)),
  dry('generic-flock-black', 'Black fibres', 'flock', 'fibre', grey(0.01, 0.3)),
  dry('generic-flock-grey', 'Grey fibres', 'flock', 'fibre', grey(0.06, 0.06)),
  dry('generic-flock-red', 'Dark red fibres', 'flock', 'fibre', earth(0.05, 0.02, 0.4, 600)),
  dry('generic-flock-tan', 'Tan fibres', 'flock', 'fibre', earth(0.08, 0.01, 0.06, 540)),
  {
    id: 'generic-foil',
    name: 'Bright adhesive foil',
    role: 'foil',
    family: 'foil',
    sheen: 'metal',
    optics: { k: spectrumFrom(() => 0.02), s: spectrumFrom(() => 3) },
  },
];

/** Something that lies matt and dry. */
function dry<R extends string, F extends Product['family']>(
  id: string,
  name: string,
  role: R,
  family: F,
  optics: PaintOptics,
) {
  return { id, name, role, family, sheen: 'matt' as const, optics };
}

/** An earth: scatters, and absorbs below an edge in nm. */
function earth(scatter: number, black: number, blue: number, edge: number): PaintOptics {
  return {
    k: spectrumFrom((nm) => black + blue / (1 + Math.exp((nm - edge) / 18))),
    s: spectrumFrom(() => scatter),
  };
}
