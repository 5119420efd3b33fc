import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { flag, group, list, named, referenceOrNull, whole, type ValueOf } from './fields.ts';

/** A kind of engine part as the builder calls it: "head", "head with manifold". */
export const engineKind = (label: string) => named(label, 60);

/** One place on the engine, filled by parts of one of its kinds. */
export const enginePlaceFields = {
  name: named('the name of a place on the engine', 60),
  kinds: list('the kinds that fit it', engineKind('a kind of engine part'), 12),
  count: whole('how many it takes', 1, 24),
  seen: flag('whether it is seen', true),
};
export type EnginePlace = ValueOf<typeof enginePlaceFields>;

const apart = {
  one: engineKind('a kind that rules another out'),
  other: engineKind('a kind that is ruled out'),
};

export const engineRecord = defineRecord(
  'engine',
  'engines',
  'engine',
  {
    name: named('the name of the engine', 80),
    /** Against the other engines: nine times as much at most. */
    worth: whole('how much it is wanted', 1, 9),
    most: whole('how many of it at most', 1, 20),
    /** The option of the version that it is; it is picked when the engine is taken. */
    optionId: referenceOrNull('the option that it is', 'option'),
    slots: list('the places on an engine', group('a place on an engine', enginePlaceFields), 30),
    /** Kinds that never stand on this engine together: a belt drive and a fan. */
    apart: list('kinds that rule each other out', group('two kinds', apart), 40),
  },
  { onCopy: asItIs },
);
/** An engine that might be built: what stands in each of its places. */
export type Engine = RecordOf<typeof engineRecord>;
