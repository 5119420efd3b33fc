import type { BuildRecord } from '../../api/index.ts';
import { counted, targetLayer } from '../../core/kit/index.ts';
import { dayText, whenText } from '../components/time.ts';
import { problemOf, sessionSteps, upcomingSteps } from '../data/plan.tsx';
import { pointsDue } from '../screens/record/pointsDue.ts';
import type { StagePath } from '../drawers.ts';
import { adviceAhead, type PlanView } from '../../core/plan/index.ts';

export interface StageState {
  text: string;
  done: boolean;
}

const DETAIL_WORDS = [
  ['runs', 'run', 'runs'],
  ['harnesses', 'harness', 'harnesses'],
  ['wheels', 'laced wheel', 'laced wheels'],
  ['chains', 'chain', 'chains'],
  ['patterns', 'pattern', 'patterns'],
  ['gauges', 'thickness', 'thicknesses'],
  ['stretches', 'stretched frame', 'stretched frames'],
  ['dressings', 'fork or disc', 'forks and discs'],
  ['panels', 'panel', 'panels'],
  ['carpets', 'carpet', 'carpets'],
  ['belts', 'belt', 'belts'],
  ['panes', 'pane', 'panes'],
  ['seats', 'seat', 'seats'],
  ['effects', 'piece of cloth or wood', 'pieces of cloth and wood'],
  ['lamps', 'lamp', 'lamps'],
  ['insertions', 'way in', 'ways in'],
  ['levels', 'thing to set straight', 'things to set straight'],
] as const;

/** What is added to a kit, the first two kinds of it. */
function detailText(detail: BuildRecord['kit']['detail']): string {
  const some = DETAIL_WORDS.flatMap(([key, one, many]) =>
    detail[key] > 0 ? [counted(detail[key], one, many)] : [],
  );
  if (some.length === 0) return 'nothing added';
  return some.length > 2 ? `${some[0]!}, ${some.length - 1} kinds more` : some.join(', ');
}

/** What is to be looked over, and what was found and is not settled. */
function recordState({ id, kit: { inspections, end } }: BuildRecord, view: PlanView | null): StageState {
  if (end) return { text: end === 'finished' ? 'finished' : 'given up', done: true };
  const open = inspections.filter(({ fault, outcome }) => fault !== null && outcome === null).length;
  const later = inspections.filter(({ outcome }) => outcome === 'fix-later').length;
  const due = view ? pointsDue(view, id, inspections).length : 0;
  return {
    text:
      open > 0
        ? `${open} found, not decided`
        : due > 0
          ? `${due} to look over`
          : later > 0
            ? `${later} to fix later`
            : inspections.length > 0
              ? `${inspections.length} looked over`
              : 'nothing to look over yet',
    done: inspections.length > 0 && open + due + later === 0,
  };
}

/** The state of each stage in a few words. */
export function stageStates(build: BuildRecord, view: PlanView | null): Record<StagePath, StageState> {
  const { pieces, openConflicts, openChoices, unfinished, toPaint, livery, detail } = build.kit;
  const undecided = [
    openConflicts > 0 ? counted(openConflicts, 'conflict') : '',
    openChoices.length > 0 ? counted(openChoices.length, 'choice') + ' open' : '',
    // What is divided without finishes is divided by nothing.
    unfinished > 0 ? `${unfinished} without a finish` : '',
  ].filter(Boolean);
  const coloured = build.trays.flatMap((tray) => {
    const layer = targetLayer(tray.layers);
    return layer ? [layer] : [];
  });
  const chosen = coloured.filter(({ mix }) => mix !== undefined).length;
  const isStacked = build.trays.some(({ layers }) => layers.length > 0);
  const bare = build.trays.filter(({ id, layers }) => layers.length === 0 && (toPaint[id] ?? 0) > 0).length;
  const grave = adviceAhead(view?.advice ?? [], build.id).filter(({ stage }) => stage === 'finish').length;
  const hasDetail = DETAIL_WORDS.some(([key]) => detail[key] > 0);
  const wrongDetail = adviceAhead(view?.advice ?? [], build.id).filter(
    ({ stage }) => stage === 'detail',
  ).length;
  const left = view ? upcomingSteps(view, build.id) : [];
  const tonight = view && sessionSteps(view, build.id);
  const last = left.reduce(
    (latest, { operation, start }) => Math.max(latest, start + operation.hands + operation.dry),
    0,
  );
  const problem = view && problemOf(view, build.id);
  const minutes = tonight?.steps.reduce((sum, { operation }) => sum + operation.hands, 0) ?? 0;
  return {
    kit: {
      text:
        build.trays.length === 0
          ? pieces > 0
            ? `${counted(pieces, 'part')}, not divided yet`
            : 'no sub-assembly yet'
          : undecided.length > 0
            ? `${counted(pieces, 'part')}, ${undecided[0]!}`
            : `${counted(pieces, 'part')} in ${counted(build.trays.length, 'tray')}`,
      done: build.trays.length > 0 && undecided.length === 0,
    },
    colour: {
      text:
        coloured.length === 0 ? 'nothing to colour yet' : `${chosen} of ${coloured.length} colours chosen`,
      done: coloured.length > 0 && chosen === coloured.length,
    },
    livery: {
      text:
        livery.views > 0
          ? [
              livery.areas > 0
                ? counted(livery.areas, 'area')
                : `${counted(livery.views, 'view')}, no area yet`,
              ...(livery.markings > 0 ? [counted(livery.markings, 'marking')] : []),
            ].join(', ')
          : livery.severalColours > 0
            ? `${counted(livery.severalColours, 'part')} in several colours, no view yet`
            : 'every part in one colour',
      done: livery.views > 0 ? livery.areas > 0 : livery.severalColours === 0,
    },
    finish: {
      text: !isStacked
        ? 'no stack yet'
        : grave > 0
          ? counted(grave, 'warning')
          : bare > 0
            ? `${counted(bare, 'tray')} without a stack`
            : unfinished > 0
              ? `${counted(unfinished, 'part')} without a finish`
              : 'no warnings',
      done: isStacked && bare === 0 && unfinished === 0 && grave === 0 && view !== null,
    },
    detail: {
      text: detail.open > 0 ? `${detail.open} still open` : detailText(detail),
      done: hasDetail && detail.open === 0 && wrongDetail === 0,
    },
    plan: {
      text:
        problem !== null
          ? 'cannot be planned'
          : left.length > 0
            ? `ready ${dayText(last)}`
            : view === null
              ? 'working it out'
              : build.trays.length === 0
                ? 'nothing to plan yet'
                : 'nothing left to do',
      done: view !== null && problem === null && left.length === 0 && build.trays.length > 0,
    },
    tonight: {
      text:
        tonight && tonight.steps.length > 0
          ? `${counted(tonight.steps.length, 'step')}, ${minutes} min, ${whenText(tonight.steps[0]!.start)}`
          : problem !== null
            ? 'no plan to follow'
            : 'no step waiting',
      done: false,
    },
    record: recordState(build, view),
  };
}
