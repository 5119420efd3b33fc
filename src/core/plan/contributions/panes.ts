import { PANE_POLISH } from '../../cabin/index.ts';
import { areaOf, paneOrder, usedPanes, type Kit, type Pane } from '../../kit/index.ts';
import type { Consequence } from '../benchStep.ts';
import {
  byTray,
  few,
  trayTask,
  type DividedKit,
  type PlanContribution,
  type StepOfJoint,
  type TrayTask,
} from '../contribution.ts';
import { adviseOfFogging } from './fogging.ts';
import { edgeWords, paneAdvice } from './paneAdvice.ts';

/** Minutes at the bench; working values. */
const MINUTES = { rubber: 4, bright: 7, mask: 6, ready: 4, readyEach: 2 };
/** The pane for which minutes of polishing are told, cm2. */
const PANE_CM2 = 10;

const polishMinutes = ({ flaws, partId }: Pane, { parts }: DividedKit): number => {
  const part = parts.get(partId ?? '');
  return (PANE_POLISH[flaws].minutes * (part ? areaOf(part) * part.count : PANE_CM2)) / PANE_CM2;
};

function trayTasks(build: DividedKit): TrayTask[] {
  const panesBy = (some: (pane: Pane) => boolean) =>
    byTray(build, usedPanes(build.kit).filter(some), ({ partId }) => partId);
  const named = (panes: readonly Pane[]) => few(panes.map(({ name }) => name.toLowerCase())).join(', ');
  return [
    ...panesBy(({ flaws }) => flaws !== 'none').map(([trayId, panes]) =>
      trayTask('glass', trayId, {
        id: 'polish-panes',
        title: 'Polish the glass out',
        minutes: panes.reduce((sum, pane) => sum + polishMinutes(pane, build), 0),
        because: 'Scratches are polished out before the pane is fitted: behind it no cloth comes any more.',
        details: panes.map(
          ({ name, flaws }) => `${name.toLowerCase()}: ${PANE_POLISH[flaws].grades.join(', ')}`,
        ),
      }),
    ),
    ...panesBy(({ maskKept, viewId, openingId }) => !maskKept && viewId !== null && openingId !== '').map(
      ([trayId, panes]) =>
        trayTask('detail', trayId, {
          id: 'cut-masks',
          title: 'Cut the masks of the glass',
          minutes: MINUTES.mask * panes.length,
          because: 'Masks are cut from the same outline for both sides, and a second set is kept for later.',
          details: [
            named(panes),
            'burnish the edges down; peel while the paint is dry to the touch, not hard',
          ],
        }),
    ),
    ...panesBy(({ edge, edgeWhen }) => edge !== 'none' && edgeWhen === 'before').map(([trayId, panes]) =>
      trayTask('pick-out', trayId, {
        id: 'glass-edges',
        title: 'Paint the edges of the glass',
        minutes: panes.reduce(
          (sum, { edge }) => sum + (edge === 'bright' ? MINUTES.bright : MINUTES.rubber),
          0,
        ),
        because: 'On the bench the edge is reached all round, and a slip is wiped off bare plastic.',
        details: panes.map(edgeWords),
      }),
    ),
  ];
}

/** What is done once, before the first pane goes in, rather than at each. */
function readyTheGlass(build: DividedKit): TrayTask[] {
  const { items, answer } = paneOrder(build.kit);
  const byId = new Map(items.map((item) => [item.id, item.pane]));
  const panes = (answer.ring ? [...byId.keys()] : answer.order.map(({ id }) => id)).flatMap(
    (id) => byId.get(id) ?? [],
  );
  const first = panes.find(({ partId }) => partId !== null && build.trayOf.has(partId));
  if (!first) return [];
  return [
    trayTask('detail', build.trayOf.get(first.partId!)!, {
      id: 'ready-glass',
      title: 'Ready the glass for fitting',
      minutes: MINUTES.ready + MINUTES.readyEach * panes.length,
      because: 'Done once for all panes: behind a pane that is in, no cloth comes any more.',
      details: [
        'cotton gloves on, and they stay on until the last pane sits',
        'both faces polished with a dry cloth, dust blown off the cabin',
        'a handle of folded tape on the outer face of each: it is carried by that, and set down once',
        few(panes.map(({ name }) => name.toLowerCase())).join(', '),
      ],
    }),
  ];
}

/** Joints of what covers a pane end the chance of its own, and its own that of what lies behind it. */
function consequences({ kit, version: { used }, parts }: DividedKit, stepOf: StepOfJoint): Consequence[] {
  const jointsOf = (partId: string) => kit.joints.filter(({ a, b }) => a === partId || b === partId);
  const ends = (then: string, first: string, because: string): Consequence[] =>
    jointsOf(then).flatMap((closing) =>
      jointsOf(first).flatMap((open): Consequence[] => {
        const [step, other] = [stepOf(closing), stepOf(open)];
        if (closing.id === open.id || !step || !other || JSON.stringify(step) === JSON.stringify(other))
          return [];
        return [{ id: `${closing.id} ends ${open.id}`, step, effect: 'prevents', other, because }];
      }),
    );
  const name = (id: string) => parts.get(id)?.name ?? id;
  const found = usedPanes(kit).flatMap(({ partId, name: called, behind, coveredBy }) =>
    partId === null
      ? []
      : [
          ...behind
            .filter((id) => used.has(id))
            .flatMap((id) => ends(partId, id, `${called} shuts in ${name(id).toLowerCase()}`)),
          ...coveredBy
            .filter((id) => used.has(id))
            .flatMap((id) => ends(id, partId, `${called} is covered by ${name(id).toLowerCase()}`)),
        ],
  );
  return [...new Map(found.map((each) => [each.id, each])).values()];
}

/** Panes that name no part or nothing that they go into. */
const isOpen = (pane: Pane, { joints }: Pick<Kit, 'joints'>): boolean =>
  pane.partId === null ||
  (pane.intoPartId === null && !joints.some(({ a, b }) => a === pane.partId || b === pane.partId));

/** Glass: polish, masks, edges, and an order of fitting that exists. */
export const panes: PlanContribution = {
  id: 'panes',
  trayTasks: (build) => [...trayTasks(build), ...readyTheGlass(build)],
  kitAdvice: paneAdvice,
  advice: adviseOfFogging,
  consequences,
  stillOpen: ({ kit }) => usedPanes(kit).filter((pane) => isOpen(pane, kit)).length,
  needs: ({ kit, material }) => {
    const cut = usedPanes(kit).filter(({ source }) => source === 'sheet');
    return cut.length === 0
      ? []
      : [
          material(
            'clear-sheet',
            'thin clear sheet',
            few(cut.map(({ name }) => name.toLowerCase())).join(', '),
            {
              substitute: 'the lid of a clear package',
              looks: 'none where it is flat and without scratches',
            },
          ),
        ];
  },
};
