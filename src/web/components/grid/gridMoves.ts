/** A cell of a grid: row and column, both from 0. */
export interface Cell {
  row: number;
  column: number;
}

/** Rows that Page Up and Page Down go over. */
const PAGE = 12;

/** Where a key leads from a cell of a grid with so many rows and columns; null where it leads nowhere.
 *  Keys as in the grid pattern of the WAI-ARIA authoring practices. */
export function moved(
  { row, column }: Cell,
  { key, ctrl }: { key: string; ctrl: boolean },
  { rows, columns }: { rows: number; columns: number },
): Cell | null {
  const to: Partial<Record<string, Cell>> = {
    ArrowUp: { row: ctrl ? 0 : row - 1, column },
    ArrowDown: { row: ctrl ? rows - 1 : row + 1, column },
    ArrowLeft: { row, column: ctrl ? 0 : column - 1 },
    ArrowRight: { row, column: ctrl ? columns - 1 : column + 1 },
    PageUp: { row: row - PAGE, column },
    PageDown: { row: row + PAGE, column },
    Home: { row: ctrl ? 0 : row, column: 0 },
    End: { row: ctrl ? rows - 1 : row, column: columns - 1 },
  };
  const next = to[key];
  if (!next) return null;
  return {
    row: Math.min(rows - 1, Math.max(0, next.row)),
    column: Math.min(columns - 1, Math.max(0, next.column)),
  };
}

/** Whether a key types something, by itself or as the beginning of a composition. */
export const isTyping = ({ key, ctrl, alt }: { key: string; ctrl: boolean; alt: boolean }): boolean =>
  !ctrl && !alt && (key.length === 1 || key === 'Process' || key === 'Dead');
