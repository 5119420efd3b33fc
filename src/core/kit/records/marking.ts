import { defineRecord, type RecordOf } from './defineRecord.ts';
import {
  amount,
  amountOrNull,
  choice,
  choiceOrNull,
  flag,
  group,
  ifAny,
  list,
  named,
  referenceIfAny,
  referenceOrNull,
  text,
  whole,
  type ValueOf,
} from './fields.ts';
import { VIEW_MM } from './view.ts';

/** How a marking comes onto the model. */
export const MARKING_ROUTES = ['decal', 'print', 'paint', 'foil', 'transfer', 'paper'] as const;
export type MarkingRoute = (typeof MARKING_ROUTES)[number];

/** What it lies on: how far film has to stretch. */
export const SURFACES = ['flat', 'curved', 'double', 'strong'] as const;
export type MarkingSurface = (typeof SURFACES)[number];

export const FILM_STATES = ['sound', 'old', 'cracked', 'yellowed'] as const;

/** What to do with one that lies across a joint made after paint. */
export const CROSSINGS = ['after-join', 'in-halves', 'dry-fitted'] as const;
export type Crossing = (typeof CROSSINGS)[number];

/** Own artwork that is drawn from figures; 'none' where it comes from elsewhere. */
export const ARTWORKS = [
  'none',
  'lettering',
  'scroll',
  'roundel',
  'plate',
  'stripes',
  'checks',
  'warning',
  'weave',
  'label',
  'drawing',
  'picture',
] as const;
export type ArtworkKind = (typeof ARTWORKS)[number];

/** A colour as it is written on the web, #rrggbb; '' for none. */
const hex = (label: string) => ({ ...text(label, 7), example: '#1a2b3c' });

/** Shapes of a drawing that are kept, and letters of each path. */
export const MOST_DRAWN = 40;
export const MOST_DRAWN_PATH = 6000;
const drawnFields = {
  path: text('the path of a shape', MOST_DRAWN_PATH),
  /** '' for the ink. */
  fill: hex('the colour of a shape'),
};
/** A filled shape of the builder's own drawing. */
export type DrawnPath = ValueOf<typeof drawnFields>;

export const artworkFields = {
  kind: choice('what is drawn', ARTWORKS),
  /** One line, or two with a stroke between them: "TL 57 / LARKSPUR". */
  text: text('the lettering', 80),
  ink: hex('the ink'),
  /** Behind the lettering; '' for bare film. */
  ground: hex('the ground'),
  /** Rise of the line that letters stand on, mm over their length; 0 for a straight one. */
  archMm: amount('the arch in mm', -500, 500, 0),
  /** One that Fanfare brings, or the id of the builder's own; '' for the signwriter's. */
  face: ifAny(text('the typeface', 60)),
  /** Thrown by the letters to their lower right; '' for none. */
  shade: ifAny(hex('the shade')),
  shadeMm: ifAny(amount('the depth of the shade in mm', 0, 50, 0.3)),
  /** Of a drawing: mm, of any size; it is brought to that of the marking. */
  drawn: ifAny(list('shapes', group('a shape', drawnFields), MOST_DRAWN)),
};
export type Artwork = ValueOf<typeof artworkFields>;

export const markingRecord = defineRecord(
  'marking',
  'markings',
  'marking',
  {
    name: named('the name of the marking', 80),
    /** Null while nobody decided. */
    route: choiceOrNull('how it comes on', MARKING_ROUTES),
    /** Its number on the kit's sheet; '' where the kit has none. */
    sheet: text('the number on the sheet', 12),
    viewId: referenceOrNull('the view', 'view'),
    /** Where no view shows it. */
    partId: referenceOrNull('the part', 'part'),
    /** Its centre, mm from the upper left of the view. */
    x: amount('x in mm', -VIEW_MM.most, VIEW_MM.most, 0),
    y: amount('y in mm', -VIEW_MM.most, VIEW_MM.most, 0),
    width: amount('the width in mm', VIEW_MM.least, VIEW_MM.most, 20),
    height: amount('the height in mm', VIEW_MM.least, VIEW_MM.most, 8),
    angle: amount('the angle in degrees', -180, 180, 0),
    round: flag('round'),
    /** What has more lies over what has less. */
    order: whole('the place in the order', 0, 9999),
    /** How many of it go on, all alike: two a side on four tyres are sixteen. */
    count: whole('how many', 1, 200),
    /** Lettering is never mirrored for the other side. */
    lettering: flag('lettering', true),
    /** Drawn the other way round: for the other side. */
    mirrored: flag('mirrored'),
    /** It goes on from behind, onto glass: printed the other way round. */
    behind: flag('from behind'),
    surface: choice('the surface', SURFACES),
    /** State of the film; null where nobody looked. */
    film: choiceOrNull('the state of the film', FILM_STATES),
    filmUm: amountOrNull('the film in µm', 1, 500),
    colourId: referenceOrNull('the printed colour', 'decal'),
    /** Version that it belongs to; null for all. */
    optionId: referenceIfAny('the version that it belongs to', 'option'),
    /** Where it lies across a joint made after paint; null for the way of least work. */
    crossing: choiceOrNull('what to do at the joint', CROSSINGS),
    /** Of a picture that is printed. */
    pictureId: ifAny(referenceOrNull('the picture that is printed', 'picture')),
    artwork: group('the artwork', artworkFields, ({ ink, ground, shade = '', drawn = [] }) =>
      [ink, ground, shade, ...drawn.map(({ fill }) => fill)].every(
        (colour) => colour === '' || /^#[0-9a-f]{6}$/i.test(colour),
      )
        ? null
        : 'a colour of the artwork is written like #1a2b3c',
    ),
  },
  // Pictures belong to the build that they were kept with.
  { onCopy: (marking) => ('pictureId' in marking ? { ...marking, pictureId: null } : marking) },
);
/** A number, a name, a plate, a badge: what is lettered or printed on the model. */
export type Marking = RecordOf<typeof markingRecord>;
