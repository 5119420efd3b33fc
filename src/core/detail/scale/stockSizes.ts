/** Sizes as they are sold, mm: thickness of sheet and foil, diameter of rod, tube and wire, width of strip, opening of mesh. */
export const STOCK_SIZES = {
  sheet: [0.13, 0.25, 0.38, 0.5, 0.75, 1, 1.5, 2, 2.5, 3],
  foil: [0.016, 0.03, 0.05, 0.1],
  wire: [0.1, 0.15, 0.2, 0.25, 0.3, 0.35, 0.4, 0.5, 0.6, 0.7, 0.8, 1],
  rod: [0.3, 0.4, 0.5, 0.64, 0.8, 1, 1.2, 1.5, 2, 2.5, 3, 4, 5, 6],
  tube: [0.4, 0.5, 0.6, 0.8, 1, 1.2, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10],
  strip: [0.25, 0.38, 0.5, 0.75, 1, 1.5, 2, 2.5, 3.2, 4, 4.8, 6.3],
  mesh: [0.1, 0.15, 0.2, 0.3, 0.5, 0.8, 1, 1.5],
} as const;
export type StockForm = keyof typeof STOCK_SIZES;
export const STOCK_FORMS = Object.keys(STOCK_SIZES) as StockForm[];

export interface NearestStock {
  form: StockForm;
  mm: number;
  /** How far it is from what is wanted, as a share of that; negative where it is too small. */
  off: number;
}

/** What is sold in a form nearest to a size, mm, by ratio: half of it is as far off as twice it. Throws RangeError for a size
 *  that is not above zero. */
export function nearestStock(mm: number, form: StockForm): NearestStock {
  if (!(mm > 0 && Number.isFinite(mm))) throw new RangeError(`${mm} mm is no size: give more than 0.`);
  const far = (size: number) => Math.abs(Math.log(size / mm));
  const size = STOCK_SIZES[form].reduce<number>(
    (best, each) => (far(each) < far(best) - 1e-12 ? each : best),
    STOCK_SIZES[form][0],
  );
  return { form, mm: size, off: size / mm - 1 };
}
