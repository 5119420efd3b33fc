import { ciede2000, describeDifference, type Lab } from '../colour/index.ts';
import type { Provenance } from './provenance.ts';

/** One measurement or mention of a factory code's colour. */
export interface CodeSource {
  provenance: Provenance;
  note: string;
  lab: Lab;
  /** dE00 at about 90 %. */
  uncertainty: number;
  inForce: boolean;
  /** Where one was measured, 31 bands; absent where only Lab is known. */
  spectrum?: number[] | null;
  /** The builder put it in force by hand. */
  chosen?: boolean;
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
        source.uncertainty < held.uncertainty ||
        (source.uncertainty === held.uncertainty && Boolean(source.spectrum) >= Boolean(held.spectrum));
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

/** How each other source differs from the one in force, largest first. */
export function disagreements(sources: readonly CodeSource[]): Disagreement[] {
  const force = sources.find(({ inForce }) => inForce);
  if (!force) return [];
  return sources
    .filter((source) => source !== force)
    .map((source) => {
      const dE00 = ciede2000(force.lab, source.lab);
      return {
        source,
        dE00,
        words: describeDifference(source.lab, force.lab),
        beyondDoubt: dE00 > Math.hypot(force.uncertainty, source.uncertainty),
      };
    })
    .sort((p, q) => q.dE00 - p.dE00);
}
