/** How surely a colour is known, in dE00 at about 90 %, by where it came from. Working values. */
export const PROVENANCE_UNCERTAINTY = {
  instrument: 0.4,
  chip: 1.0,
  restored: 1.5,
  photograph: 4.5,
  swatch: 2.5,
  typed: 2.0,
  guess: 6.0,
} as const;

export type Provenance = keyof typeof PROVENANCE_UNCERTAINTY;

/** Drops from a pipette vary by about a tenth; in a recipe of whole drops that is worth about this much. */
const DROP_UNCERTAINTY = 0.6;

/** Half-width of the band around a predicted dE00: the independent uncertainties of target, paints and drops
 *  added in quadrature. A mixture's paints weigh by their share. */
export function differenceBand(
  target: number,
  paints: readonly { share: number; uncertainty: number }[],
): number {
  const drops = paints.length > 1 ? DROP_UNCERTAINTY : 0;
  const squares = paints.reduce((sum, { share, uncertainty }) => sum + (share * uncertainty) ** 2, 0);
  return Math.sqrt(target ** 2 + squares + drops ** 2);
}
