import { asItIs, defineRecord, type RecordOf } from './defineRecord.ts';
import { amount, choice, flag, group, ifAny, named, reference, text, whole, type ValueOf } from './fields.ts';
import { MOST_OUTLINE, VIEW_MM } from './view.ts';

export const AREA_SHAPES = ['band', 'stripes', 'scallops', 'rectangle', 'ellipse', 'path'] as const;
export type AreaShape = (typeof AREA_SHAPES)[number];

export const filmFields = {
  marginMm: amount('the margin of the film in mm', 0, 30, 2),
  weaveDeg: amount('the direction of the weave in degrees', -90, 90, 45),
  bothSides: flag('one for the other side, mirrored', true),
};
export type FilmOfArea = ValueOf<typeof filmFields>;

export const liveryAreaRecord = defineRecord(
  'livery-area',
  'liveryAreas',
  'area of colour',
  {
    viewId: reference('the view', 'view'),
    finishId: reference('the finish of the area', 'finish'),
    name: named('the name of the area', 80),
    /** What has more lies over what has less. */
    order: whole('the place in the order', 0, 9999),
    shape: choice('the shape', AREA_SHAPES),
    /** Its centre, mm from the upper left of the view; a band runs through it. */
    x: amount('x in mm', -VIEW_MM.most, VIEW_MM.most, 0),
    y: amount('y in mm', -VIEW_MM.most, VIEW_MM.most, 0),
    width: amount('the width in mm', VIEW_MM.least, VIEW_MM.most, 20),
    height: amount('the height in mm', VIEW_MM.least, VIEW_MM.most, 10),
    /** Degrees, clockwise. */
    angle: amount('the angle in degrees', -180, 180, 0),
    /** Of stripes and scallops: how many, and mm between two stripes. */
    count: whole('how many', 1, 60, 3),
    gapMm: amount('the room between stripes in mm', 0, VIEW_MM.most, 2),
    /** Where it is covered with patterned film, cut by a template. */
    film: ifAny(group('the film', filmFields)),
    /** Of a path: SVG's language, mm. */
    path: text('the path', MOST_OUTLINE),
  },
  { onCopy: asItIs },
);
/** Where a finish lies on a view. */
export type LiveryArea = RecordOf<typeof liveryAreaRecord>;
