import type { ReactNode } from 'react';

/** A column of a grid of cells. */
export interface GridColumn<R> {
  key: string;
  name: string;
  /** At first, px. */
  width: number;
  /** Stays in sight while the others scroll; such columns come first. */
  frozen?: boolean;
  /** What the cell holds, as it is typed. */
  text: (row: R) => string;
  /** What may be chosen, the empty text for nothing; where there is none, anything is typed. */
  options?: readonly { value: string; label: string }[];
  /** A cell that is yes or no, under its spoken name; undefined where a row has none. */
  check?: (row: R) => { checked: boolean; label: string } | undefined;
  cellClass?: (row: R) => string;
  shown?: (row: R) => ReactNode;
}
