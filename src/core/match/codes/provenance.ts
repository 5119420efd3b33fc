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

/** How surely a paint's strength (K and S together: how it hides and how much of it a mixture needs) is known,
 *  standard deviation of its ln, by where its optics came from. A masstone says nothing of it: from the class of
 *  hiding alone it is a guess within a factor of 1.6 either way; charts are drawn down over black and white. */
export const STRENGTH_DOUBT: Readonly<Record<Provenance, number>> = {
  instrument: 0.06,
  chip: 0.08,
  restored: 0.5,
  photograph: 0.6,
  swatch: 0.15,
  typed: 0.45,
  guess: 0.7,
};
/** The same where the builder has measured the strength against another paint. */
export const MEASURED_STRENGTH_DOUBT = 0.08;
/** Doubt of the size of a drop that was measured: ten drops weighed or counted into a millilitre. */
export const MEASURED_DROP_DOUBT = 0.03;
/** The usual drop of a bottle or dropper, ml. */
export const USUAL_DROP_ML = 0.05;
