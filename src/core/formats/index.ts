/** Open formats of colour: CGATS text, CxF 3, GIMP palettes and tables, read and written. */
export { LONGEST_FILE, type ReadChoices, type ReadColour, type ReadFile } from './readColour.ts';
export { asFractions, reflectanceScale, sprague, toBands, type EvenSpectrum } from './resample.ts';
export { readCgats, writeCgats, type WrittenColour } from './cgats.ts';
export { readCxf, writeCxf } from './cxf.ts';
export { readGimpPalette, writeGimpPalette } from './gimpPalette.ts';
export { colourTableRows, guessColourColumns, readColourTable, type ColourColumn } from './colourTable.ts';
export type { PageImage, PagePath, PrintedPage } from './page/printedPage.ts';
export { pageSvg } from './page/pageSvg.ts';
export { pagesPdf } from './page/pagesPdf.ts';
