/** A page at exact scale: paths in mm from its upper left corner, y downward. */
export interface PrintedPage {
  /** mm. */
  width: number;
  height: number;
  paths: PagePath[];
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
