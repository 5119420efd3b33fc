import type { PagePath } from '../../formats/index.ts';

/** What a printed book is made of, top to bottom; each way of printing lays the same blocks. */
export type BookBlock =
  | { kind: 'title'; text: string; under: string }
  | { kind: 'heading'; text: string }
  | { kind: 'part'; text: string }
  | { kind: 'text'; text: string }
  | { kind: 'rows'; rows: { label: string; value: string }[] }
  /** `right`: columns of figures. */
  | { kind: 'table'; head: string[]; right: boolean[]; rows: string[][] }
  | { kind: 'swatches'; swatches: { hex: string; label: string }[] }
  /** So many side by side; two where it is not said. */
  | { kind: 'pictures'; inRow?: number; pictures: { pictureId: string; caption: string }[] }
  /** Paths in mm from the upper left corner. */
  | { kind: 'drawing'; width: number; height: number; paths: PagePath[]; caption: string };

export type BlockKind = BookBlock['kind'];
export const BLOCK_KINDS = [
  'title',
  'heading',
  'part',
  'text',
  'rows',
  'table',
  'swatches',
  'pictures',
  'drawing',
] as const satisfies readonly BlockKind[];
