import { convertSchema } from '@sodaru/yup-to-json-schema';
import { buildDocument } from './buildDocument.ts';

type Json = Record<string, unknown>;

/** Closes every object whose fields are listed, and leaves the values out that the checks would put in: a document says all of
 *  them itself. */
function closed(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(closed);
  if (typeof value !== 'object' || value === null) return value;
  const { default: _, ...said } = value as Json;
  const inside = Object.fromEntries(Object.entries(said).map(([key, each]) => [key, closed(each)]));
  return 'properties' in said && Object.keys(said.properties as Json).length > 0
    ? { ...inside, additionalProperties: false }
    : inside;
}

/** JSON Schema, draft 2020-12, of a build that is handed on: derived from what every record may say. */
export const documentSchema = (): Json => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'A build of Fanfare, handed on',
  ...(closed(convertSchema(buildDocument)) as Json),
});
