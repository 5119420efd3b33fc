import type { PagePath, PrintedPage } from './printedPage.ts';

const escaped = (text: string) =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);

function pathElement({ d, fill, stroke, strokeMm, dashMm }: PagePath): string {
  const line = stroke
    ? ` stroke="${escaped(stroke)}" stroke-width="${strokeMm ?? 0.1}"${dashMm ? ` stroke-dasharray="${dashMm}"` : ''}`
    : '';
  return `<path d="${escaped(d)}" fill="${fill ? escaped(fill) : 'none'}"${line}/>`;
}

/** A page as SVG whose units are millimetres. */
export const pageSvg = ({ width, height, paths }: PrintedPage): string =>
  [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">`,
    ...paths.map(pathElement),
    '</svg>',
    '',
  ].join('\n');
