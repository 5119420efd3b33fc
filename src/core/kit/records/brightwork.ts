import { CHROME_ROUTES, CURVATURES } from '../../finish/index.ts';
import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { choice, choiceOrNull, reference } from './fields.ts';

export const brightworkRecord = defineRecord(
  'brightwork',
  'brightwork',
  'bright part',
  {
    partId: reference('the part', 'part'),
    curvature: choice('the curvature', CURVATURES),
    /** The route pinned by the builder; null lets the best one win. */
    route: choiceOrNull('a route to bright metal', CHROME_ROUTES),
  },
  { onCopy: asItIs },
);
/** How a part becomes bright: what the builder knows of it and decided. */
export type Brightwork = RecordOf<typeof brightworkRecord>;
