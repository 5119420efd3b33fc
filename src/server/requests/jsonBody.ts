import express, { type RequestHandler } from 'express';
import { MOST_BODY_BYTES, MOST_STARTS } from '../../api/index.ts';
import { ProblemError } from '../problem.ts';

/** What a request may be: larger than anything that Fanfare sends, small enough to be looked at in a moment. */
export const BODY_LIMITS = {
  bytes: MOST_BODY_BYTES,
  /** Lists in records in lists. */
  depth: 24,
  /** Items of one list, or fields of one record. */
  width: MOST_STARTS,
  /** Values in all. */
  values: 60_000,
} as const;

const [QUOTE, BACKSLASH, COMMA] = [0x22, 0x5c, 0x2c];
const [OPEN_LIST, CLOSE_LIST, OPEN_RECORD, CLOSE_RECORD] = [0x5b, 0x5d, 0x7b, 0x7d];

/** Looks through the bytes of a JSON text, once and without reading its values, for what is too deep, too wide or too
 *  much. Throws ProblemError (413) where it is; text that is no JSON is left to the parser. */
export function requireWithinLimits(text: Uint8Array): void {
  const widths = new Uint32Array(BODY_LIMITS.depth + 1);
  let depth = 0;
  let values = 1;
  let inString = false;
  for (let at = 0; at < text.length; at++) {
    const byte = text[at]!;
    if (inString) {
      if (byte === BACKSLASH) at++;
      else if (byte === QUOTE) inString = false;
    } else if (byte === QUOTE) inString = true;
    else if (byte === OPEN_LIST || byte === OPEN_RECORD) {
      if (++depth > BODY_LIMITS.depth)
        throw tooMuch(`is nested more than ${BODY_LIMITS.depth} deep`, 'Send it flatter.');
      widths[depth] = 1;
      values++;
    } else if (byte === CLOSE_LIST || byte === CLOSE_RECORD) depth = Math.max(0, depth - 1);
    else if (byte === COMMA) {
      values++;
      if (++widths[depth]! > BODY_LIMITS.width)
        throw tooMuch(`has a list of more than ${BODY_LIMITS.width} items`, 'Send it in smaller parts.');
    }
    if (values > BODY_LIMITS.values)
      throw tooMuch(`holds more than ${BODY_LIMITS.values} values`, 'Send it in smaller parts.');
  }
}

function tooMuch(what: string, remedy: string): ProblemError {
  return new ProblemError({
    status: 413,
    type: '/problems/too-large',
    title: 'Too much at once',
    detail: `The request ${what}.`,
    remedy: `Nothing was changed. ${remedy}`,
  });
}

/** Reads JSON bodies within the limits. */
export const jsonBody: RequestHandler = express.json({
  limit: BODY_LIMITS.bytes,
  verify: (_request, _response, bytes) => requireWithinLimits(bytes),
});
