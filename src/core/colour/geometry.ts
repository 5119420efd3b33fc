/** How a colour was lit and seen when it was measured (CIE 15:2004, 5.1). 45:0 and 0:45 leave the mirror reflection
 *  of the surface out; d:8 holds it (specular included) or catches it in a trap (excluded). */
export const GEOMETRIES = ['45:0', '0:45', 'd:8 included', 'd:8 excluded', 'unknown'] as const;
export type MeasuringGeometry = (typeof GEOMETRIES)[number];

/** What a colour of unknown geometry is taken for: what a handheld reader, a chart and the eye see. */
export const ASSUMED_GEOMETRY: MeasuringGeometry = '45:0';

/** A geometry in a builder's words. */
export const GEOMETRY_NAMES: Readonly<Record<MeasuringGeometry, string>> = {
  '45:0': '45:0, without the shine',
  '0:45': '0:45, without the shine',
  'd:8 included': 'd:8, shine included',
  'd:8 excluded': 'd:8, shine excluded',
  unknown: 'not known',
};

/** Reads a geometry as files and people write it ("45/0", "0/45 ring", "d/8 SCI", "diffuse, specular excluded");
 *  'unknown' where the words say none of the known ones. */
export function readGeometry(text: string): MeasuringGeometry {
  const words = text.toLowerCase().replace(/[°º_]/g, ' ');
  if (/\b45\s*(?:a|x|c)?\s*[:/-]\s*0\b/.test(words)) return '45:0';
  if (/\b0\s*[:/-]\s*45/.test(words)) return '0:45';
  const excluded = /exclu|\bsce\b|\bspex\b|\brsex\b|\bde\s*[:/-]?\s*8\b/.test(words);
  const included = /inclu|\bsci\b|\bspin\b|\brsin\b|\bdi\s*[:/-]?\s*8\b/.test(words);
  if (excluded && !included) return 'd:8 excluded';
  if (included && !excluded) return 'd:8 included';
  // A sphere that says nothing of its trap could be either.
  return 'unknown';
}
