import XMLBuilder from 'fast-xml-builder';
import type { PageImage, PagePath, PrintedPage } from './printedPage.ts';

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

const imageElement = ({ type, base64, matrix }: PageImage) =>
  attributes({
    width: 1,
    height: 1,
    preserveAspectRatio: 'none',
    transform: `matrix(${matrix.join(' ')})`,
    href: `data:${type};base64,${base64}`,
  });

/** A page as SVG whose units are millimetres. */
export const pageSvg = ({ width, height, paths, images = [] }: PrintedPage): string =>
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
      ...(images.length > 0 ? { image: images.map(imageElement) } : {}),
      path: paths.map(pathElement),
    },
  });
