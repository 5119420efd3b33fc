import {
  ASSUMED_GEOMETRY,
  ciede2000,
  DAYLIGHT,
  describeDifference,
  labToXyz,
  possibleSpectrum,
  spectrumToLab,
  tristimulusWeights,
  xyzToLab,
  type Lab,
  type MeasuringGeometry,
  type Spectrum,
} from '../../colour/index.ts';
import { EXTERNAL_REFLECTION, FULL_GLOSS, surfaceOf } from '../../paint/index.ts';
import type { Provenance } from './provenance.ts';

/** One measurement or mention of a factory code's colour. */
export interface CodeSource {
  provenance: Provenance;
  note: string;
  /** As it was read: through the shine or without it, as `geometry` says. */
  lab: Lab;
  /** dE00 at about 90 %, without what an unknown geometry adds: see sourceUncertainty. */
  uncertainty: number;
  /** How it was measured; unknown where absent. */
  geometry?: MeasuringGeometry;
  /** Gloss of what was read, gloss units at 60 degrees; not known where absent. */
  gloss?: number | null;
  inForce: boolean;
  /** Where one was measured, 31 bands; absent where only Lab is known. */
  spectrum?: number[] | null;
  /** The builder put it in force by hand. */
  chosen?: boolean;
}

/** A satin finish's gloss where nobody measured it. */
const SATIN_GLOSS = 30;

/** Gloss that a code is to be seen with: that of the source in force where it was measured, else a full gloss, or a
 *  satin where the code is a satin one. */
export function targetGloss(kind: string, sources: readonly CodeSource[]): number {
  const told = sources.find(({ inForce }) => inForce)?.gloss;
  return told ?? (kind === 'satin' ? SATIN_GLOSS : FULL_GLOSS);
}

/** Sources that an instrument took: of the others the eye or a camera says what is seen without the shine. */
const BY_INSTRUMENT: ReadonlySet<Provenance> = new Set(['instrument', 'restored'] as const);

const geometryOf = ({ geometry = 'unknown', provenance }: CodeSource): MeasuringGeometry =>
  geometry !== 'unknown' || BY_INSTRUMENT.has(provenance) ? geometry : ASSUMED_GEOMETRY;

/** A Lab colour with `added` more reflectance at every wavelength (less, where below zero), in daylight. Undefined
 *  where less than nothing would be left. */
function withAdded(lab: Lab, added: number): Lab | undefined {
  const { white } = tristimulusWeights(DAYLIGHT);
  const { X, Y, Z } = labToXyz(lab, white);
  const moved = { X: X + added * white.X, Y: Y + added, Z: Z + added * white.Z };
  return moved.X < 0 || moved.Y < 0 || moved.Z < 0 ? undefined : xyzToLab(moved, white);
}

/** What an unknown geometry leaves open of a colour: half the way to what it would be, had the shine been read along
 *  with it; nothing where it is too dark for that. dE00 at about 90 %. */
function geometryDoubt(source: CodeSource): number {
  if (geometryOf(source) !== 'unknown') return 0;
  const other = withAdded(source.lab, -EXTERNAL_REFLECTION);
  return other ? ciede2000(source.lab, other) / 2 : 0;
}

/** How surely a source tells its colour, dE00 at about 90 %. */
export function sourceUncertainty(source: CodeSource): number {
  return Math.hypot(source.uncertainty, geometryDoubt(source));
}

/** The colour of a source as it is seen, at 45:0 and with the gloss told: reflectance, 31 bands. The spectrum that was
 *  read, or the smooth one of its Lab; what cannot be is brought to the nearest that can. */
export function seenSource(source: CodeSource, gloss: number): number[] {
  const read = surfaceOf(geometryOf(source), source.gloss ?? gloss).added;
  const more = surfaceOf(ASSUMED_GEOMETRY, gloss).added - read;
  if (source.spectrum) return source.spectrum.map((value) => Math.min(1, Math.max(0, value + more)));
  const lab = more === 0 ? source.lab : (withAdded(source.lab, more) ?? { L: 0, a: 0, b: 0 });
  return possibleSpectrum(lab);
}

/** CIELAB of a code as it is wanted, from its reflectance, in daylight and 2 degree. */
export function codeLab({ spectrum }: { spectrum: Spectrum }): Lab {
  return spectrumToLab(spectrum, DAYLIGHT);
}

/** The sources with the surest in force, unless the builder chose one; of equally sure ones the one with a spectrum,
 *  then the newest (last). */
export function withSourceInForce<S extends CodeSource>(sources: readonly S[]): S[] {
  const chosen = sources.findLastIndex((source) => source.chosen === true);
  let best = chosen;
  if (best < 0) {
    sources.forEach((source, at) => {
      const held = sources[best];
      const surer =
        held === undefined ||
        sourceUncertainty(source) < sourceUncertainty(held) ||
        (sourceUncertainty(source) === sourceUncertainty(held) &&
          Boolean(source.spectrum) >= Boolean(held.spectrum));
      if (surer) best = at;
    });
  }
  return sources.map((source, at) => ({ ...source, inForce: at === best }));
}

export interface Disagreement {
  source: CodeSource;
  /** From the source in force, dE00, and in words. */
  dE00: number;
  words: string;
  /** Further apart than the two uncertainties together explain. */
  beyondDoubt: boolean;
}

/** How each other source differs from the one in force as seen with a gloss, largest first. */
export function disagreements(sources: readonly CodeSource[], gloss: number): Disagreement[] {
  const force = sources.find(({ inForce }) => inForce);
  if (!force) return [];
  const seen = (source: CodeSource) => codeLab({ spectrum: seenSource(source, gloss) });
  const held = seen(force);
  return sources
    .filter((source) => source !== force)
    .map((source) => {
      const lab = seen(source);
      const dE00 = ciede2000(held, lab);
      return {
        source,
        dE00,
        words: describeDifference(lab, held),
        beyondDoubt: dE00 > Math.hypot(sourceUncertainty(force), sourceUncertainty(source)),
      };
    })
    .sort((p, q) => q.dE00 - p.dE00);
}
