/** A page at exact scale: paths in mm from its upper left corner, y downward. */
export interface PrintedPage {
  /** mm. */
  width: number;
  height: number;
  paths: PagePath[];
  /** Under the paths. */
  images?: PageImage[];
}

/** A picture laid on a page. */
export interface PageImage {
  type: 'image/png' | 'image/jpeg';
  base64: string;
  /** Takes the unit square, its picture upright and y downward, to mm of the page, as SVG's matrix(a b c d e f). */
  matrix: readonly [number, number, number, number, number, number];
}

export interface PagePath {
  /** SVG's language; holes run the other way round. */
  d: string;
  /** #rrggbb; absent for none. */
  fill?: string;
  stroke?: string;
  /** mm. */
  strokeMm?: number;
  dashMm?: number;
}
