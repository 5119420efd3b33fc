import { UnstyledButton } from '@mantine/core';
import Papa from 'papaparse';
import type { CodeRecord } from '../../../api/index.ts';
import { DAYLIGHT, spectrumToDisplay, spectrumToLab } from '../../../core/colour/index.ts';
import { colourTableRows, writeCgats, writeCxf, writeGimpPalette } from '../../../core/formats/index.ts';
import { benchNow } from '../../data/clock.ts';
import { saveFile } from '../../data/saveFile.ts';

const FORMATS = [
  { name: 'CGATS text', file: 'codes.txt', type: 'text/plain' },
  { name: 'CxF 3', file: 'codes.cxf', type: 'application/xml' },
  { name: 'GIMP palette', file: 'codes.gpl', type: 'text/plain' },
  { name: 'CSV', file: 'codes.csv', type: 'text/csv' },
] as const;

function textOf(format: (typeof FORMATS)[number]['name'], codes: readonly CodeRecord[]): string {
  const colours = codes.map(({ maker, code, name, spectrum }) => ({
    name: [maker, code, name].filter(Boolean).join(' '),
    spectrum,
    lab: spectrumToLab(spectrum, DAYLIGHT),
    hex: spectrumToDisplay(spectrum).hex,
    // Codes are kept as they are seen.
    geometry: '45:0' as const,
  }));
  const created = new Date(benchNow()).toISOString();
  if (format === 'CGATS text') return writeCgats(colours, created);
  if (format === 'CxF 3') return writeCxf(colours, created);
  if (format === 'GIMP palette') return writeGimpPalette('Fanfare codes', colours);
  return Papa.unparse(colourTableRows(colours));
}

/** Writes the codes that are listed into a file. */
export function ExportCodes({ codes }: { codes: readonly CodeRecord[] }) {
  return (
    <div className="chips" role="group" aria-label="Write the listed codes to a file">
      {FORMATS.map((format) => (
        <UnstyledButton
          key={format.name}
          className="chip"
          disabled={codes.length === 0}
          onClick={() => saveFile(format.file, textOf(format.name, codes), format.type)}
        >
          write {format.name}
        </UnstyledButton>
      ))}
    </div>
  );
}
