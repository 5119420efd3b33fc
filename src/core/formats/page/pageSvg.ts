import XMLBuilder from 'fast-xml-builder';
import type { PagePath, PrintedPage } from './printedPage.ts';

const AT = '@';
const attributes = (all: Record<string, string | number | undefined>): Record<string, string | number> =>
  Object.fromEntries(
    Object.entries(all).flatMap(([name, value]) => (value === undefined ? [] : [[`${AT}${name}`, value]])),
  );

const pathElement = ({ d, fill = 'none', stroke, strokeMm = 0.1, dashMm }: PagePath) =>
  attributes({
    d,
    fill,
    ...(stroke === undefined ? {} : { stroke, 'stroke-width': strokeMm, 'stroke-dasharray': dashMm }),
  });

/** A page as SVG whose units are millimetres. */
export const pageSvg = ({ width, height, paths }: PrintedPage): string =>
  new XMLBuilder({
    ignoreAttributes: false,
    attributeNamePrefix: AT,
    format: true,
    suppressEmptyNode: true,
  }).build({
    '?xml': attributes({ version: '1.0', encoding: 'UTF-8' }),
    svg: {
      ...attributes({
        xmlns: 'http://www.w3.org/2000/svg',
        width: `${width}mm`,
        height: `${height}mm`,
        viewBox: `0 0 ${width} ${height}`,
      }),
      path: paths.map(pathElement),
    },
  });
