import { typedColour, type Lab } from '../colour/index.ts';

/** A colour as it was typed; undefined where nothing was. Throws RangeError for what is none, naming it. */
export function colourSaid(text: string, what: string): Lab | undefined {
  if (text.trim() === '') return undefined;
  try {
    return typedColour(text);
  } catch (error) {
    throw new RangeError(`${what}: ${(error as Error).message}`, { cause: error });
  }
}
