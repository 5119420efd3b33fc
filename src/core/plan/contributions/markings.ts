import { figure } from '../../figures.ts';
import { formatMinutes } from '../../finish/index.ts';
import { counted, type Joint, type Marking } from '../../kit/index.ts';
import {
  applyMinutes,
  BESIDE_SHARE,
  applyOrder,
  crossingWays,
  placeMarkings,
  softenerFor,
  otherWhite,
  wantsWhiteUnder,
  type CrossingWay,
  type PlacedMarking,
} from '../../livery/index.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import {
  few,
  trayTask,
  traysOf,
  type Ahead,
  type CrossStep,
  type DividedKit,
  type LayerLines,
  type PlanContribution,
  type PrintedMarking,
  type TrayTask,
} from '../contribution.ts';
import type { TaskKind } from '../tasks.ts';

/** A marking of the version that is built, with where and how it is brought on. */
interface PlannedMarking extends PlacedMarking {
  trayIds: string[];
  /** The joint after paint, or between parts that move, that it lies across. */
  crossed?: { joint: Joint; joinId: string | null; ways: CrossingWay[]; way: CrossingWay };
}

const APPLIED: readonly TaskKind[] = ['decal', 'marking'];
const DRY_MINUTES = 12 * 60;

const isFilm = ({ route }: Marking) => route !== 'paint';
const hasDecalLayer = (build: DividedKit, trayId: string) =>
  build.trays.find(({ id }) => id === trayId)?.layers?.some(({ kind }) => kind === 'decal') === true;
const hasClear = (build: DividedKit, trayId: string) =>
  build.trays.find(({ id }) => id === trayId)?.layers?.some(({ kind }) => kind === 'clear') === true;

/** Whether the version that is picked has it: not while another option is picked. */
function inVersion({ optionId }: Marking, { kit }: DividedKit): 'yes' | 'no' | 'open' {
  const choice = kit.choices.find(({ options }) => options.some(({ id }) => id === optionId));
  if (optionId === null || !choice) return 'yes';
  if (choice.chosen === null) return 'open';
  return choice.chosen === optionId ? 'yes' : 'no';
}

/** Where a marking crosses from one part to another that is joined to it later, or moves. */
function crossedBy(placed: PlacedMarking, build: DividedKit): PlannedMarking['crossed'] {
  const ids = new Set(placed.on.map(({ partId }) => partId));
  const between = build.kit.joints.filter(({ a, b }) => ids.has(a) && ids.has(b));
  const moves = ({ motion }: Joint) => motion !== 'none';
  const joint =
    between.find((each) => build.joinOf.has(each.id) && moves(each)) ??
    between.find((each) => build.joinOf.has(each.id)) ??
    between.find(moves);
  if (!joint) return undefined;
  const joinId = build.joinOf.get(joint.id) ?? null;
  const cleared = traysOf(build, [...ids]).some((trayId) => hasClear(build, trayId));
  const ways = crossingWays(placed.marking, { moves: moves(joint), cleared });
  return { joint, joinId, ways, way: ways.find(({ way }) => way === placed.marking.crossing) ?? ways[0]! };
}

const planned = new WeakMap<DividedKit, PlannedMarking[]>();

/** The markings of a build; asked for by each part of this contribution, worked out once. */
function plannedMarkings(build: DividedKit): PlannedMarking[] {
  const known = planned.get(build) ?? planMarkings(build);
  planned.set(build, known);
  return known;
}

function planMarkings(build: DividedKit): PlannedMarking[] {
  if (build.kit.markings.length === 0) return [];
  return placeMarkings(build.kit)
    .filter(({ marking }) => inVersion(marking, build) !== 'no')
    .map((placed) => {
      const crossed = crossedBy(placed, build);
      return {
        ...placed,
        trayIds: traysOf(
          build,
          placed.on.map(({ partId }) => partId),
        ),
        ...(crossed ? { crossed } : {}),
      };
    });
}

/** Markings that are laid on one sub-assembly, in the order in which they go on; what waits for a join is not among them. */
const laidOn = (trayId: string, all: readonly PlannedMarking[]): PlannedMarking[] =>
  applyOrder(
    all.filter(
      ({ trayIds, crossed }) =>
        trayIds.includes(trayId) && !(crossed?.joinId && crossed.way.way === 'after-join'),
    ),
  ) as PlannedMarking[];

function lineOf({ marking, crossed }: PlannedMarking, at: number, { kit }: DividedKit): string {
  const view = kit.views.find(({ id }) => id === marking.viewId);
  return [
    `${at + 1}. ${marking.name}${marking.count > 1 ? ` × ${marking.count}` : ''}`,
    ...(marking.sheet === '' ? [] : [`sheet ${marking.sheet}`]),
    `${figure(marking.width, 'mm', 1)} by ${figure(marking.height, 'mm', 1)}`,
    ...(view
      ? [`${view.name}, ${figure(marking.x, 'mm', 1)} from its left, ${figure(marking.y, 'mm', 1)} down`]
      : []),
    ...(isFilm(marking) ? [softenerFor(marking)] : ['mask and paint']),
    ...(crossed ? [crossed.way.because] : []),
  ].join(', ');
}

const minutesOf = ({ marking, crossed, trayIds }: PlannedMarking): number =>
  (marking.count * (crossed?.way.minutes ?? applyMinutes(marking))) / Math.max(1, trayIds.length);

/** What the decal layer of a sub-assembly is about. */
const decalLines = (build: DividedKit, all: readonly PlannedMarking[]): LayerLines[] =>
  build.trays.flatMap(({ id: trayId }): LayerLines[] => {
    const laid = laidOn(trayId, all);
    if (laid.length === 0 || !hasDecalLayer(build, trayId)) return [];
    return [
      {
        trayId,
        kind: 'decal',
        lines: [
          ...few(laid.map((each, at) => lineOf(each, at, build))),
          'dry, and no setter left, before anything goes over them',
        ],
        minutes: Math.round(laid.reduce((sum, each) => sum + minutesOf(each), 5)),
      },
    ];
  });

/** Markings of sub-assemblies whose stack has no layer for them. */
const ownTasks = (build: DividedKit, all: readonly PlannedMarking[]): TrayTask[] =>
  build.trays.flatMap(({ id: trayId }): TrayTask[] => {
    const laid = laidOn(trayId, all);
    if (laid.length === 0 || hasDecalLayer(build, trayId)) return [];
    return [
      trayTask('marking', trayId, {
        title: 'Markings',
        minutes: laid.reduce((sum, each) => sum + minutesOf(each), 5),
        waitMinutes: laid.some(({ marking }) => isFilm(marking)) ? DRY_MINUTES : 0,
        waitBecause: 'film dries overnight',
        because: 'They go on once the finish beneath is dry, what lies beneath first.',
        details: few(laid.map((each, at) => lineOf(each, at, build))),
      }),
    ];
  });

/** Markings that go on over a joint, once it is made. */
const afterJoins = (build: DividedKit, all: readonly PlannedMarking[]): CrossStep[] =>
  all.flatMap((each): CrossStep[] => {
    const { marking, crossed, trayIds, on } = each;
    const [first, second] = trayIds;
    if (!crossed?.joinId || crossed.way.way !== 'after-join' || !first || !second) return [];
    return [
      {
        id: `marking-${marking.id}`,
        kind: 'marking',
        trayIds: [first, second],
        partIds: on.map(({ partId }) => partId),
        acrossJoinIds: [crossed.joinId],
        title: marking.name,
        minutes: Math.round(marking.count * crossed.way.minutes),
        because: crossed.way.because,
        details: [lineOf(each, 0, build)],
      },
    ];
  });

function adviceOf(each: PlannedMarking, build: DividedKit): KitAdvice[] {
  const { marking, trayIds, on, beside, crossed } = each;
  const { id, name, surface, film, route } = marking;
  const said = {
    subject: id,
    about: { trays: trayIds, parts: on.map(({ partId }) => partId) },
    stage: 'livery' as const,
    page: 'markings',
    at: {
      trays: trayIds.length > 0 ? trayIds : build.trays.map((tray) => tray.id),
      joins: crossed?.joinId ? [crossed.joinId] : [],
      between: true as const,
      kinds: APPLIED,
      once: true,
    },
  };
  const warn = (rule: string, text: string, why: string, remedy: string): KitAdvice => ({
    ...said,
    rule,
    severity: 'warn',
    text,
    why,
    remedy,
  });
  return [
    ...(inVersion(marking, build) === 'open'
      ? [
          warn(
            'marking-version-open',
            `Not decided: ${name}`,
            'It belongs to a version, and which one is built is still open.',
            'Choose the version before it goes on.',
          ),
        ]
      : []),
    ...(on.length === 0
      ? [
          warn(
            'marking-nowhere',
            `Where it goes is not known: ${name}`,
            'It is on no view and on no part, so no step can bring it on.',
            'Put it on a view, or name its part.',
          ),
        ]
      : []),
    ...(route === null
      ? [
          warn(
            'marking-not-decided',
            `How it comes on is not decided: ${name}`,
            'It is planned as a decal; paint and masks are another order of work.',
            'Choose a way: each is there with its minutes.',
          ),
        ]
      : []),
    ...(isFilm(marking) && (film === 'old' || film === 'cracked' || film === 'yellowed')
      ? [
          warn(
            'marking-old-film',
            `${film === 'yellowed' ? 'Yellowed' : 'Old'} film: ${name}`,
            film === 'yellowed'
              ? 'Yellow film shows on every pale paint.'
              : 'It may break up in the water, and strong softener wrinkles it.',
            film === 'yellowed'
              ? 'Trim it to the print, or let the sheet bleach in a window first; else print it anew.'
              : 'Float a spare first; coat the sheet with clear where that breaks, and trim each one out.',
          ),
        ]
      : []),
    ...(isFilm(marking) && surface === 'strong'
      ? [
          warn(
            'marking-strong-curve',
            `Film on a strong curve: ${name}`,
            'It stands up in creases where the surface curves both ways.',
            'Cut darts and soften in steps, or mask and paint it.',
          ),
        ]
      : []),
    ...(beside > BESIDE_SHARE
      ? [
          {
            ...said,
            rule: 'marking-beside',
            severity: 'note' as const,
            text: `${figure(100 * beside, '%', 0)} of it lies beside the outline: ${name}`,
            why: 'There is nothing to lie on there: it is trimmed, or stands elsewhere.',
          },
        ]
      : []),
    ...(crossed ? [crossing(each, crossed, said)] : []),
  ];
}

function crossing(
  { marking: { name, crossing: own } }: PlannedMarking,
  { joint, ways, way }: NonNullable<PlannedMarking['crossed']>,
  said: Pick<KitAdvice, 'subject' | 'about' | 'stage' | 'page' | 'at'>,
): KitAdvice {
  const others = ways
    .filter((each) => each !== way)
    .map((each) => `${each.way.replace('-', ' ')} ${formatMinutes(each.minutes)}`);
  const refused = own !== null && own !== way.way;
  return {
    ...said,
    rule: 'marking-crosses-joint',
    severity: refused ? 'warn' : 'note',
    topic: refused ? 'risk' : 'decided',
    about: { ...said.about, joints: [joint.id] },
    text: refused
      ? `Not over a joint that moves: ${name}`
      : `Over a joint: ${name}, ${way.way.replace('-', ' ')}`,
    why: refused
      ? 'Film across parts that move tears at the first opening.'
      : `${way.because[0]!.toUpperCase()}${way.because.slice(1)}: ${formatMinutes(way.minutes)}${others.length > 0 ? `; ${others.join(', ')}` : ''}.`,
    ...(refused ? { remedy: `Planned instead: ${way.because}.` } : {}),
  };
}

/** Markings that the version rules out, once for each sub-assembly. */
const leftOver = (build: DividedKit): KitAdvice[] => {
  const out = build.kit.markings.filter((marking) => inVersion(marking, build) === 'no');
  if (out.length === 0) return [];
  const trays = build.trays.map(({ id }) => id);
  return [
    {
      rule: 'markings-left-over',
      subject: 'version',
      severity: 'note',
      stage: 'livery',
      page: 'markings',
      about: {},
      text: `Left over: ${counted(out.length, 'marking')} of another version`,
      why: `${few(out.map(({ name }) => name)).join(', ')}.`,
      at: { trays, joins: [], kinds: APPLIED, once: true },
    },
  ];
};

/** What is printed on what colour, for the advice that knows the paint. */
export const printedMarkings = (build: DividedKit): PrintedMarking[] =>
  plannedMarkings(build).flatMap(({ marking, trayIds, under }) => {
    const ink = build.kit.decals.find(({ id }) => id === marking.colourId);
    const [trayId] = trayIds;
    if (!ink || trayId === undefined) return [];
    const { id, name, route } = marking;
    const { lab, transparent } = ink;
    return [{ id, name, route, trayId, finishId: under[0]?.finishId ?? null, ink: { lab, transparent } }];
  });

/** Whites that differ, and ink through which a dark base shows. */
function adviseOfColours({ build, own, advise }: Ahead): void {
  for (const { id, name, trayId, finishId, ink, route } of build.kit.printed) {
    const tray = build.trays.find((each) => each.id === trayId);
    const base = tray?.colours.find((each) => each.finishId === finishId)?.lab ?? tray?.colours.at(-1)?.lab;
    const steps = own.filter((step) => step.trayId === trayId && APPLIED.includes(step.kind)).slice(0, 1);
    if (!base || steps.length === 0 || route === 'paint') continue;
    const said = {
      subject: id,
      about: { trays: [trayId] },
      stage: 'livery' as const,
      page: 'markings',
      severity: 'warn' as const,
    };
    const white = otherWhite({ ink, base });
    if (white !== undefined)
      advise(steps, {
        ...said,
        rule: 'white-beside-white',
        text: `White beside white: ${name}`,
        why: `Its white is ${figure(white, 'dE')} from the paint that it lies on.`,
        remedy: 'Mask and paint it with the same white, or trim it so that the two do not meet.',
      });
    if (route !== 'decal' && wantsWhiteUnder({ ink, base }))
      advise(steps, {
        ...said,
        rule: 'ink-on-dark',
        text: `Ink on a dark base: ${name}`,
        why: 'The ink is transparent and its printer lays no white: what is beneath shows through.',
        remedy: 'Print it on white film, or put a white plate of its own under it.',
      });
  }
}

/** Numbers, names, plates and badges: in what order they go on, where, and what they cross. */
export const markings: PlanContribution = {
  id: 'markings',
  trayTasks: (build) => ownTasks(build, plannedMarkings(build)),
  crossSteps: (build) => afterJoins(build, plannedMarkings(build)),
  layerLines: (build) => decalLines(build, plannedMarkings(build)),
  kitAdvice: (build) => [
    ...plannedMarkings(build).flatMap((each) => adviceOf(each, build)),
    ...leftOver(build),
  ],
  advice: adviseOfColours,
};
