import type { Spectrum } from '../../colour/index.ts';
import type { KitFinish, LiveryArea, LiveryView, Look } from '../../kit/index.ts';
import { measureView, type MeasuredView } from '../measureView.ts';
import { coatsOver } from './coatsOver.ts';
import { narrowAreas, stripsOf, takesMarker, type NarrowArea, type Strip } from './narrowAreas.ts';
import { MOST_COLOURS, planColours, type ColourPlan, type ColourQuestion } from './planColours.ts';
import {
  LIVERY_RATES,
  PRIMER,
  type ColourBorder,
  type LiveryColour,
  type LiveryRates,
  type Way,
} from './colourCosts.ts';

/** A finish with its colour, as far as that is known. */
export interface LiveryFinish extends Pick<KitFinish, 'id' | 'name' | 'look'> {
  spectrum: Spectrum | null;
}

export interface LiveryInput {
  /** Views of one body, each with what lies under all of its areas; null where nobody chose. */
  views: readonly { view: LiveryView; baseId: string | null }[];
  areas: readonly LiveryArea[];
  finishes: readonly LiveryFinish[];
  rates?: Partial<LiveryRates>;
}

export interface LiveryAnswer {
  measured: { viewId: string; measured: MeasuredView }[];
  plan: ColourPlan | null;
  narrow: NarrowArea[];
  /** What the order does not know of, in a builder's words. */
  unknown: string[];
}

/** Below this a spot can be brushed without streaks, cm2. */
const BRUSHED_CM2 = 6;
/** Above this slope tape puckers. */
export const PUCKERS_SLOPE = 1.2;
/** Hours before tape where nobody knows better. */
export const USUAL_TAPE_HOURS = 24;
const FOILED: readonly Look[] = ['plating', 'chrome-ink', 'metal'];
const SPRAYED: readonly Look[] = ['polished', 'gloss', 'satin', 'matt', 'metal', 'chrome-ink'];

const waysOf = (look: Look, cm2: number, strips: readonly Strip[]): Way[] => [
  ...(SPRAYED.includes(look) ? (['spray'] as const) : []),
  ...(cm2 < BRUSHED_CM2 ? (['brush'] as const) : []),
  ...(takesMarker(look, strips) ? (['marker'] as const) : []),
  ...(FOILED.includes(look) ? (['foil'] as const) : []),
];

/** Some views of a body measured, by their ids. */
export const measureViews = ({
  views,
  areas,
}: Pick<LiveryInput, 'views' | 'areas'>): LiveryAnswer['measured'] =>
  views.map(({ view, baseId }) => ({
    viewId: view.id,
    measured: measureView(
      view,
      areas.filter(({ viewId }) => viewId === view.id),
      baseId,
    ),
  }));

/** Measures the views of a body and works out the order of its colours. What has no finish is left out of the order and
 *  named. */
export function planLivery(input: LiveryInput): LiveryAnswer {
  const measured = measureViews(input);
  const { question, unknown } = questionOf(input, measured);
  const narrow = narrowOf(input, measured, question);
  const count = question.colours.length;
  const tooMany = `${count} colours are more than ${MOST_COLOURS}: no order is worked out.`;
  return {
    measured,
    narrow,
    plan: count > MOST_COLOURS || count === 0 ? null : planColours(question),
    unknown: count > MOST_COLOURS ? [...unknown, tooMany] : unknown,
  };
}

/** Where two finishes meet on the views of a body, as far as masking asks. */
export const bordersOfBody = (
  views: readonly { view: Pick<LiveryView, 'slope'>; measured: MeasuredView }[],
): ColourBorder[] =>
  views.flatMap(({ view, measured }) =>
    measured.borders.map((border) => ({
      ...border,
      doubleCurve: view.slope > PUCKERS_SLOPE,
    })),
  );

/** Rubbers, trims and the like of a body, each with every way of bringing it on. */
function narrowOf(
  { finishes, rates }: LiveryInput,
  measures: LiveryAnswer['measured'],
  { colours }: ColourQuestion,
): NarrowArea[] {
  const largest = [...colours].sort((p, q) => q.areaCm2 - p.areaCm2)[0];
  return narrowAreas(
    stripsIn(measures),
    (strip) => {
      const colour = colours.find(({ id }) => id === strip.finishId);
      const look = finishes.find(({ id }) => id === strip.finishId)?.look;
      return colour && look && { ...colour, areaCm2: strip.cm2, ways: waysOf(look, strip.cm2, [strip]) };
    },
    largest?.id ?? null,
    { ...LIVERY_RATES, ...rates },
  );
}

const stripsIn = (measures: LiveryAnswer['measured']): Strip[] =>
  stripsOf(measures.map(({ measured }) => measured));

function questionOf(
  { views, finishes, rates }: LiveryInput,
  measures: LiveryAnswer['measured'],
): { question: ColourQuestion; unknown: string[] } {
  const unknown: string[] = [];
  const cm2 = new Map<string, number>();
  const borders = bordersOfBody(views.map(({ view }, at) => ({ view, measured: measures[at]!.measured })));
  views.forEach(({ view }, at) => {
    const { measured } = measures[at]!;
    for (const { finishId, cm2: seen } of measured.areas) {
      if (finishId !== null) cm2.set(finishId, (cm2.get(finishId) ?? 0) + seen);
      else if (seen > 0.005) unknown.push(`${view.name}: what no area covers has no finish.`);
    }
  });
  const strips = stripsIn(measures);
  const seen = finishes.filter(({ id }) => (cm2.get(id) ?? 0) > 0);
  const colours = seen.flatMap((finish): LiveryColour[] => {
    const areaCm2 = cm2.get(finish.id)!;
    const ways = waysOf(
      finish.look,
      areaCm2,
      strips.filter(({ finishId }) => finishId === finish.id),
    );
    if (ways.length === 0) {
      unknown.push(`${finish.name} is ${finish.look} and is not painted: it is left out of the order.`);
      return [];
    }
    if (finish.spectrum === null)
      unknown.push(`${finish.name} has no colour yet: how many coats it takes over another is a guess.`);
    return [{ id: finish.id, areaCm2, ways, tapeAfterHours: USUAL_TAPE_HOURS, over: coatsOf(finish, seen) }];
  });
  const ids = new Set(colours.map(({ id }) => id));
  return {
    question: {
      colours,
      borders: borders.filter(({ a, b }) => ids.has(a) && ids.has(b)),
      ...(rates ? { rates } : {}),
    },
    unknown,
  };
}

/** Coats over each other colour and over the primer; null where one of the two is not known. */
const coatsOf = ({ id, spectrum }: LiveryFinish, others: readonly LiveryFinish[]): LiveryColour['over'] =>
  Object.fromEntries([
    [PRIMER, spectrum && coatsOver(spectrum, null)],
    ...others
      .filter((other) => other.id !== id)
      .map((other) => [other.id, spectrum && other.spectrum ? coatsOver(spectrum, other.spectrum) : null]),
  ]) as LiveryColour['over'];
