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
