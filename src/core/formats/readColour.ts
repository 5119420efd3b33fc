import type { Lab, MeasuringGeometry, ObserverId } from '../colour/index.ts';

/** A colour as a file has it. */
export interface ReadColour {
  name: string;
  /** Its number in a list, where the file has one beside the name. */
  code?: string;
  /** Reflectance as a fraction in the canonical 31 bands. */
  spectrum?: number[];
  /** CIELAB with the light and observer it was computed for, as far as the file says. */
  lab?: Lab & { illuminant?: string; observer?: ObserverId };
  /** How it was measured, where the file says. */
  geometry?: MeasuringGeometry;
}

/** What a caller may tell a reader that the file does not, or says wrongly. */
export interface ReadChoices {
  scale?: 'fraction' | 'percent';
  /** What the Lab values were computed for. */
  light?: { illuminant: string; observer: ObserverId };
  geometry?: MeasuringGeometry;
}

/** What a file gave. */
export interface ReadFile {
  colours: ReadColour[];
  /** What was mended, taken for granted or left out, in a builder's words. */
  notes: string[];
  /** What the file leaves open and was taken for granted: to be asked. */
  assumed?: ('light' | 'geometry')[];
}

/** Longest text that is read, characters. */
export const LONGEST_FILE = 20_000_000;
/** Most colours that one file may bring. */
export const MOST_COLOURS = 20_000;

/** Throws RangeError for text that is too long to be a colour file. */
export function requireReadable(text: string): void {
  if (text.length > LONGEST_FILE) {
    throw new RangeError(
      `The file has ${Math.round(text.length / 1e6)} million characters; colour files of up to ${LONGEST_FILE / 1e6} million are read. Nothing was kept.`,
    );
  }
}
