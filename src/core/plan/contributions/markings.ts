import { figure } from '../../figures.ts';
import { applyMinutes, applyOrder, handlingOf, REGISTER, registerOn } from '../../livery/index.ts';
import {
  few,
  trayTask,
  type CrossStep,
  type DividedKit,
  type LayerLines,
  type PlanContribution,
  type TrayTask,
} from '../contribution.ts';
import type { Marking } from '../../kit/index.ts';
import type { StepPlace } from '../operation.ts';
import { adviceOnColours, adviceOnMarkings } from './markingAdvice.ts';
import { isFilm, plannedMarkings, type PlannedMarking } from './plannedMarkings.ts';

const DRY_MINUTES = 12 * 60;

const hasDecalLayer = (build: DividedKit, trayId: string) =>
  build.trays.find(({ id }) => id === trayId)?.layers?.some(({ kind }) => kind === 'decal') === true;
/** Markings that are laid on one sub-assembly, in the order in which they go on; what waits for a join is not among them. */
const laidOn = (trayId: string, all: readonly PlannedMarking[]): PlannedMarking[] =>
  applyOrder(
    all.filter(
      ({ trayIds, crossed }) =>
        trayIds.includes(trayId) && !(crossed?.joinId && crossed.way.way === 'after-join'),
    ),
  ) as PlannedMarking[];

/** The film that a film is laid onto, the uppermost of several. */
const filmBelow = ({ marking, over }: PlannedMarking, { kit }: DividedKit): Marking | undefined =>
  isFilm(marking)
    ? kit.markings
        .filter((other) => over.includes(other.id) && isFilm(other))
        .sort((p, q) => q.order - p.order)[0]
    : undefined;

function lineOf(each: PlannedMarking, at: number, build: DividedKit): string {
  const { marking, crossed } = each;
  const { kit } = build;
  const below = filmBelow(each, build);
  const view = kit.views.find(({ id }) => id === marking.viewId);
  return [
    `${at + 1}. ${marking.name}${marking.count > 1 ? ` × ${marking.count}` : ''}`,
    ...(marking.sheet === '' ? [] : [`sheet ${marking.sheet}`]),
    `${figure(marking.width, 'mm', 1)} by ${figure(marking.height, 'mm', 1)}`,
    ...(view
      ? [`${view.name}, ${figure(marking.x, 'mm', 1)} from its left, ${figure(marking.y, 'mm', 1)} down`]
      : []),
    ...handlingOf(marking),
    ...(below ? [registerOn(marking, below)] : []),
    ...(crossed ? [crossed.way.because] : []),
  ].join(', ');
}

function minutesOf(each: PlannedMarking, build: DividedKit): number {
  const { marking, crossed, trayIds } = each;
  const once = (crossed?.way.minutes ?? applyMinutes(marking)) + (filmBelow(each, build) ? REGISTER : 0);
  return (marking.count * once) / Math.max(1, trayIds.length);
}

/** Where these go on, in their order. */
const placeOf = (laid: readonly PlannedMarking[]): StepPlace => ({
  viewIds: [...new Set(laid.flatMap(({ marking }) => marking.viewId ?? []))],
  markingIds: laid.map(({ marking }) => marking.id),
  colourId: null,
  masked: [],
});

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
        minutes: Math.round(laid.reduce((sum, each) => sum + minutesOf(each, build), 5)),
        on: placeOf(laid),
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
        minutes: laid.reduce((sum, each) => sum + minutesOf(each, build), 5),
        waitMinutes: laid.some(({ marking }) => isFilm(marking)) ? DRY_MINUTES : 0,
        waitBecause: 'film dries overnight',
        because: 'They go on once the finish beneath is dry, what lies beneath first.',
        details: few(laid.map((each, at) => lineOf(each, at, build))),
        on: placeOf(laid),
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
        on: placeOf([each]),
      },
    ];
  });

/** Numbers, names, plates and badges: in what order they go on, where, and what they cross. */
export const markings: PlanContribution = {
  id: 'markings',
  trayTasks: (build) => ownTasks(build, plannedMarkings(build)),
  crossSteps: (build) => afterJoins(build, plannedMarkings(build)),
  layerLines: (build) => decalLines(build, plannedMarkings(build)),
  kitAdvice: adviceOnMarkings,
  advice: adviceOnColours,
};
