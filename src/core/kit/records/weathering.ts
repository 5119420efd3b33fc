import { LIVES, USUAL_LIFE, WEATHER_PLACES } from '../../finish/index.ts';
import { defineRecord, staysBehind, type RecordOf } from './defineRecord.ts';
import { choice, choiceById } from './fields.ts';

export const weatheringRecord = defineRecord(
  'weathering',
  'weathering',
  'weathering',
  {
    life: choice('how hard a life', LIVES, USUAL_LIFE),
    /** By sub-assembly. */
    places: choiceById('the place of each sub-assembly', WEATHER_PLACES, 600),
  },
  { single: true, onCopy: staysBehind },
);
/** How hard a life the vehicle had, and what each sub-assembly is as far as dirt cares. */
export type Weathering = RecordOf<typeof weatheringRecord>;
