import { ciede2000, DAYLIGHT, spectrumToDisplay, spectrumToLab, type Spectrum } from '../../colour/index.ts';
import { figure } from '../../figures.ts';
import { counted, resolveMix, targetLayer, type PlannedLayer, type ProductIndex } from '../../kit/index.ts';
import { dropsInCup, type Drops } from '../../match/index.ts';
import { opaqueSpectrum, seenSurface } from '../../paint/index.ts';
import type { LoggedCup } from '../log/logOf.ts';
import type { BookBlock } from './blocks.ts';

/** A sub-assembly as a book tells of it. */
export interface BookTray {
  id: string;
  name: string;
  areaCm2: number;
  codeId: string | null;
  layers: readonly PlannedLayer[];
}

export interface BookCode {
  id: string;
  code: string;
  name: string;
  maker: string;
  spectrum: Spectrum;
  gloss: number | null;
}

/** A cup with what its spoons showed. */
export type BookCup = Omit<LoggedCup, 'readings' | 'additions' | 'drops'> & {
  drops: Drops;
  additions: { at: number; add: Drops }[];
  readings: readonly (LoggedCup['readings'][number] & { spectrum: Spectrum })[];
};

export interface ColourSources {
  trays: readonly BookTray[];
  codes: readonly BookCode[];
  cups: readonly BookCup[];
  products: ProductIndex;
  paintName: (paintId: string) => string;
}

/** The colour of one sub-assembly: what was wanted, what went into the cup, and how near it came; undefined where none is known. */
function colourOf(tray: BookTray, { codes, cups, products, paintName }: ColourSources) {
  const about = targetLayer(tray.layers);
  const cup = cups.findLast(({ trayId, thrown }) => trayId === tray.id && !thrown);
  const mix = cup ? dropsInCup(cup) : about?.mix;
  const code = codes.find(({ id }) => id === tray.codeId);
  const product = mix ? resolveMix(mix, products) : undefined;
  if (!code && !product) return undefined;
  const target = code && spectrumToLab(code.spectrum, DAYLIGHT);
  const spectrum = product && opaqueSpectrum(product.optics, seenSurface(code?.gloss ?? undefined));
  const spoon = cup?.readings.findLast(({ aside }) => !aside);
  const drops = Object.entries(mix ?? {});
  const from = (seen: Spectrum | undefined): string =>
    target && seen ? figure(ciede2000(target, spectrumToLab(seen, DAYLIGHT)), 'dE') : '';
  return {
    row: [
      tray.name,
      code ? `${code.code} ${code.name}, ${code.maker}` : 'no code',
      drops.length === 0
        ? 'not chosen'
        : drops
            .map(([id, count]) =>
              drops.length === 1 && !cup ? paintName(id) : `${counted(count, 'drop')} ${paintName(id)}`,
            )
            .join(', '),
      from(spectrum),
      from(spoon?.spectrum),
    ],
    swatches: [
      ...(code
        ? [{ hex: spectrumToDisplay(code.spectrum).hex, as: `${code.code} ${code.name}, wanted` }]
        : []),
      ...(spoon
        ? [{ hex: spectrumToDisplay(spoon.spectrum).hex, as: 'as the spoon read' }]
        : spectrum
          ? [{ hex: spectrumToDisplay(spectrum).hex, as: 'as reckoned' }]
          : []),
    ].map((swatch) => ({ ...swatch, tray: tray.name })),
  };
}

/** One swatch for what is the same on several sub-assemblies. */
function grouped(swatches: readonly { hex: string; as: string; tray: string }[]) {
  const groups = new Map<string, { hex: string; as: string; trays: string[] }>();
  for (const { hex, as, tray } of swatches) {
    const group = groups.get(`${hex} ${as}`) ?? { hex, as, trays: [] };
    group.trays.push(tray);
    groups.set(`${hex} ${as}`, group);
  }
  return [...groups.values()].map(({ hex, as, trays }) => ({ hex, label: `${as}: ${trays.join(', ')}` }));
}

/** Colours with recipes and targets. */
export function colourBlocks(sources: ColourSources): BookBlock[] {
  const found = sources.trays.flatMap((tray) => colourOf(tray, sources) ?? []);
  if (found.length === 0) return [];
  return [
    { kind: 'swatches', swatches: grouped(found.flatMap(({ swatches }) => swatches)) },
    {
      kind: 'table',
      head: ['Sub-assembly', 'Wanted', 'In the cup', 'Reckoned', 'Spoon read'],
      right: [false, false, false, true, true],
      rows: found.map(({ row }) => row),
    },
    {
      kind: 'text',
      text: 'Differences are CIEDE2000 from the code in daylight (D65): below 1 is hard to see side by side. Print and screen show colours nearly, not exactly.',
    },
  ];
}
