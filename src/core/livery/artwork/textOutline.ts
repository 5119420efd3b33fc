import type { PathCommand } from 'opentype.js';
import type { Typeface } from './readTypeface.ts';

/** Height of a capital of a typeface, in its own units. */
const capHeight = (font: Typeface): number => {
  const { sCapHeight } = font.tables.os2 as { sCapHeight?: number };
  return sCapHeight && sCapHeight > 0 ? sCapHeight : 0.7 * font.unitsPerEm;
};

/** Letters as one path, mm: the middle of their line at (x, y), their capitals so high and no wider than said. Their line
 *  rises by `arch` in its middle. Gives the height that the capitals came out at; 0 where the text has no letter. */
export function textOutline(
  font: Typeface,
  text: string,
  { x, y, height, width, arch = 0 }: { x: number; y: number; height: number; width: number; arch?: number },
): { d: string; capitalMm: number } {
  const glyphs = font.stringToGlyphs(text.trim());
  const advances = glyphs.map(
    (glyph, at) =>
      (glyph.advanceWidth ?? 0) + (at + 1 < glyphs.length ? font.getKerningValue(glyph, glyphs[at + 1]!) : 0),
  );
  const units = advances.reduce((sum, each) => sum + each, 0);
  if (units <= 0 || !(height > 0) || !(width > 0)) return { d: '', capitalMm: 0 };
  const perUnit = Math.min(height / capHeight(font), width / units);
  const capitalMm = capHeight(font) * perUnit;
  const baseline = y + capitalMm / 2;
  const bow = bowOf(units * perUnit, arch);
  let along = (-units * perUnit) / 2;
  const parts = glyphs.map((glyph, at) => {
    const advance = advances[at]! * perUnit;
    const { dx, dy, turn } = bow(along + advance / 2);
    const path = glyph.getPath(-advance / 2, 0, perUnit * font.unitsPerEm);
    along += advance;
    return written(path.commands, x + dx, baseline + dy, turn);
  });
  return { d: parts.join(''), capitalMm };
}

/** Places along a line of a length that rises by `arch` in its middle: an arc of a circle, or straight. */
function bowOf(length: number, arch: number) {
  // A line cannot rise by more than half of it.
  const rise = Math.max(-length / 2, Math.min(length / 2, arch));
  if (Math.abs(rise) < 1e-6) return (along: number) => ({ dx: along, dy: 0, turn: 0 });
  const radius = (length * length) / 8 / rise + rise / 2;
  return (along: number) => {
    const turn = along / radius;
    return { dx: radius * Math.sin(turn), dy: radius * (1 - Math.cos(turn)) - rise / 2, turn };
  };
}

function written(commands: readonly PathCommand[], x: number, y: number, turn: number): string {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const at = (px: number, py: number) =>
    `${(x + px * cos - py * sin).toFixed(4)} ${(y + px * sin + py * cos).toFixed(4)}`;
  return commands
    .map((command) => {
      switch (command.type) {
        case 'Z':
          return 'Z';
        case 'C':
          return `C${at(command.x1, command.y1)} ${at(command.x2, command.y2)} ${at(command.x, command.y)}`;
        case 'Q':
          return `Q${at(command.x1, command.y1)} ${at(command.x, command.y)}`;
        default:
          return `${command.type}${at(command.x, command.y)}`;
      }
    })
    .join('');
}
