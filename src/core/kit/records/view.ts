import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import {
  amount,
  choice,
  group,
  ifAny,
  list,
  named,
  ownId,
  reference,
  referenceOrNull,
  text,
  type ValueOf,
} from './fields.ts';

export const VIEW_SIDES = [
  'left',
  'right',
  'top',
  'front',
  'rear',
  'tank-left',
  'tank-right',
  'deck',
  'panel',
] as const;
export type ViewSide = (typeof VIEW_SIDES)[number];

/** Letters of a path, and openings of a view: all of it together fits into one request. */
export const MOST_OUTLINE = 40_000;
export const MOST_OPENING = 8000;
export const MOST_OPENINGS = 60;
const MOST_NAME = 80;
/** Length or height of a view, and of what lies on it, mm. */
export const VIEW_MM = { least: 0.1, most: 2000 } as const;
export const viewSize = amount('a size on a view in mm', VIEW_MM.least, VIEW_MM.most, 10);

export const openingFields = {
  id: ownId(),
  name: named('the name of an opening', MOST_NAME),
  path: text('the path of an opening', MOST_OPENING),
};
/** Glass, an arch, a grille: what is not painted. */
export type ViewOpening = ValueOf<typeof openingFields>;

export const regionFields = {
  id: ownId(),
  partId: reference('the part of a region', 'part'),
  path: text('the path of a region', MOST_OPENING),
  /** Surface for every mm2 that is seen of it, where it slopes otherwise than the view. */
  slope: ifAny(amount('the slope factor of a region', 1, 5)),
};
/** What of a view belongs to another part than most of it: a door, a lid. */
export type ViewRegion = ValueOf<typeof regionFields>;

export const mouldingFields = {
  id: ownId(),
  name: named('the name of a moulded line', MOST_NAME),
  path: text('the course of a moulded line', MOST_OPENING),
};
/** A panel line, crease or moulding: it holds the knife and hides a slip. */
export type ViewMoulding = ValueOf<typeof mouldingFields>;

export const viewRecord = defineRecord(
  'view',
  'views',
  'view',
  {
    name: named('the name of the view', 80),
    side: choice('the side', VIEW_SIDES),
    /** Closed paths in SVG's language, mm on the model: x to the right, y downward. */
    outline: text('the outline', MOST_OUTLINE),
    openings: list('openings', group('an opening', openingFields), MOST_OPENINGS),
    regions: ifAny(list('regions', group('a region', regionFields), MOST_OPENINGS)),
    /** Courses, open or closed, in SVG's language. */
    mouldings: ifAny(list('moulded lines', group('a moulded line', mouldingFields), MOST_OPENINGS)),
    /** Surface for every mm2 that is seen: 1 where it is flat and faces the eye. */
    slope: amount('the slope factor', 1, 5),
    /** The part that it shows, and what is not covered by any area; null for what the part itself has. */
    partId: referenceOrNull('the part that it shows', 'part'),
    finishId: referenceOrNull('the finish under all areas', 'finish'),
  },
  { onCopy: asItIs },
);
/** The model from one side, as far as it is painted. */
export type LiveryView = RecordOf<typeof viewRecord>;
