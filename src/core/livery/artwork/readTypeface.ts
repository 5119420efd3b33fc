import { parse, type Font } from 'opentype.js';

/** A typeface whose letters can be drawn as outlines. */
export type Typeface = Font;

export const MOST_FONT_BYTES = 5_000_000;
const MOST_NAME = 80;

/** How large a WOFF file says it becomes when it is opened, bytes; 0 for other files. */
function openedBytes(file: ArrayBuffer): number {
  const view = new DataView(file);
  if (view.byteLength < 44 || view.getUint32(0) !== 0x774f4646) return 0;
  const tables = view.getUint16(12);
  if (view.byteLength < 44 + 20 * tables) return 0;
  return Array.from({ length: tables }, (_, at) => view.getUint32(44 + 20 * at + 12)).reduce(
    (sum, bytes) => sum + bytes,
    0,
  );
}

/** What a typeface calls itself. */
export function nameOfTypeface(font: Typeface): string {
  const { fullName, fontFamily } = font.names as unknown as Record<
    string,
    Record<string, string> | undefined
  >;
  const said = Object.values(fullName ?? fontFamily ?? {})[0]?.trim() ?? '';
  return said.slice(0, MOST_NAME) || 'own typeface';
}

/** A font file (TrueType, OpenType or WOFF). Throws RangeError, saying why, for what is none. */
export function readTypeface(file: ArrayBuffer): Typeface {
  if (file.byteLength > MOST_FONT_BYTES || openedBytes(file) > 4 * MOST_FONT_BYTES)
    throw new RangeError(
      `The font file is larger than ${MOST_FONT_BYTES / 1e6} MB, or swells when it is opened.`,
    );
  try {
    const font = parse(file);
    if (font.numGlyphs < 2) throw new RangeError('it has no letters');
    return font;
  } catch (error) {
    throw new RangeError(`This is no font file that can be read: ${(error as Error).message}`, {
      cause: error,
    });
  }
}
