import { glassGauge, PANE_POLISH } from '../../cabin/index.ts';
import { figure } from '../../figures.ts';
import { areaOf, paneOrder, usedPanes, type Kit, type Pane } from '../../kit/index.ts';
import type { Consequence } from '../benchStep.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import {
  few,
  joinsOf,
  traysOf,
  trayTask,
  type DividedKit,
  type PlanContribution,
  type StepOfJoint,
  type TrayTask,
} from '../contribution.ts';

/** Minutes at the bench; working values. */
const MINUTES = { rubber: 4, bright: 7, mask: 6 };
/** The pane for which minutes of polishing are told, cm2. */
const PANE_CM2 = 10;

/** Panes by the sub-assembly of their part. */
function byTray(
  { kit, trayOf }: DividedKit,
  some: (pane: Pane) => boolean,
): [trayId: string, panes: Pane[]][] {
  const found = new Map<string, Pane[]>();
  for (const pane of usedPanes(kit)) {
    const trayId = pane.partId === null ? undefined : trayOf.get(pane.partId);
    if (trayId !== undefined && some(pane)) found.set(trayId, [...(found.get(trayId) ?? []), pane]);
  }
  return [...found];
}

const polishMinutes = ({ flaws, partId }: Pane, { parts }: DividedKit): number => {
  const part = parts.get(partId ?? '');
  return (PANE_POLISH[flaws].minutes * (part ? areaOf(part) : PANE_CM2)) / PANE_CM2;
};

function trayTasks(build: DividedKit): TrayTask[] {
  const named = (panes: readonly Pane[]) => few(panes.map(({ name }) => name.toLowerCase())).join(', ');
  return [
    ...byTray(build, ({ flaws }) => flaws !== 'none').map(([trayId, panes]) =>
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
    ...byTray(
      build,
      ({ maskKept, viewId, openingId }) => !maskKept && viewId !== null && openingId !== '',
    ).map(([trayId, panes]) =>
      trayTask('detail', trayId, {
        id: 'cut-masks',
        title: 'Cut the masks of the glass',
        minutes: MINUTES.mask * panes.length,
        because: 'Masks are cut from the same outline for both sides, and a second set is kept for later.',
        details: [named(panes), 'burnish the edges down; peel while the paint is dry to the touch, not hard'],
      }),
    ),
    ...byTray(build, ({ edge, edgeWhen }) => edge !== 'none' && edgeWhen === 'before').map(
      ([trayId, panes]) =>
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

const edgeWords = ({ name, edge }: Pane): string =>
  `${name.toLowerCase()}: ${edge === 'bright' ? 'black first, then silver or foil on the trim: black under it keeps it bright' : 'satin black rubber, no shine'}`;

/** What is said where a pane goes in: what must be there before, and what comes after. */
function sayOrder(build: DividedKit): KitAdvice[] {
  const { items, answer, firsts } = paneOrder(build.kit);
  const partsOf = (panes: readonly Pane[]) => panes.flatMap(({ partId }) => partId ?? []);
  const panes = items.flatMap(({ pane }) => pane ?? []);
  const trays = traysOf(build, partsOf(panes));
  if (trays.length === 0) return [];
  const base = { stage: 'detail' as const, page: 'glass' };
  const at = (ids: readonly string[]) => ({
    trays: traysOf(build, ids),
    joins: joinsOf(build, ids),
    kinds: ['join', 'assemble', 'glass'] as const,
    once: false,
  });
  const ring = answer.ring;
  if (ring) {
    const ids = partsOf(panes);
    return [
      {
        ...base,
        rule: 'glass-no-order',
        subject: ring
          .map(({ first }) => first)
          .sort()
          .join(' '),
        severity: 'stop',
        about: { trays, parts: ids },
        text: 'The glass cannot be fitted in any order',
        why: `${ring.map(({ because }) => because).join('; ')}: each waits for the next.`,
        remedy: 'One of these is otherwise than it was said: try it dry, and mend it.',
        at: { ...at(ids), once: true },
      },
    ];
  }
  return [
    ...answer.order.flatMap(({ id, because }): KitAdvice[] => {
      const pane = items.find((each) => each.id === id)?.pane;
      if (!pane || pane.partId === null || because.length === 0) return [];
      return [
        {
          ...base,
          rule: 'before-the-glass',
          subject: pane.id,
          severity: 'note',
          topic: 'after',
          about: { trays: traysOf(build, [pane.partId]), parts: [pane.partId, ...pane.behind] },
          text: `Before ${pane.name.toLowerCase()} goes in: ${few(because.map((rule) => rule.because)).join('; ')}`,
          why: 'Once it sits, nothing is fitted, dusted or photographed behind it any more.',
          remedy:
            'Look behind it once more, gloves on, the inside polished; then carry it by a handle of tape.',
          at: at([pane.partId]),
        },
      ];
    }),
    ...(firsts.length > 0
      ? [
          {
            ...base,
            rule: 'glass-two-firsts',
            subject: firsts
              .map(({ id }) => id)
              .sort()
              .join(' '),
            severity: 'note' as const,
            topic: 'note' as const,
            about: { trays, parts: partsOf(firsts) },
            text: `More than one pane is said to come first: ${few(firsts.map(({ name }) => name.toLowerCase())).join(', ')}`,
            why: 'They come before the others, in the order in which they are listed.',
            remedy: 'Leave it at one where it matters.',
            at: { ...at(partsOf(firsts)), once: true },
          },
        ]
      : []),
  ];
}

/** A pane whose thickness shows at its open edge. */
function sayGauge(build: DividedKit, pane: Pane): KitAdvice[] {
  const { gaugeMm, realMm, partId, name, source } = pane;
  if (gaugeMm === null || partId === null) return [];
  const { times, isSeen, trueMm } = glassGauge(gaugeMm, realMm, build.scale);
  const trays = traysOf(build, [partId]);
  // An edge in rubber or trim hides it.
  if (!isSeen || pane.edge !== 'none' || trays.length === 0) return [];
  return [
    {
      rule: 'glass-too-thick',
      subject: pane.id,
      severity: 'note',
      topic: 'note',
      about: { trays, parts: [partId] },
      text: `${name} is ${figure(times, 'times')} as thick as the real glass, and its edge is open`,
      why: `True to scale it would be ${figure(trueMm, 'mm')}; it is ${figure(gaugeMm, 'mm')}.`,
      remedy:
        source === 'sheet'
          ? 'Take thinner sheet, or bevel the edge that is seen.'
          : 'Cut it anew from thin clear sheet with the old one as template, or bevel the edge that is seen.',
      stage: 'detail',
      page: 'glass',
      at: { trays, joins: [], kinds: ['clean', 'glass', 'join'], once: true },
    },
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
  trayTasks,
  kitAdvice: (build) => [
    ...sayOrder(build),
    ...usedPanes(build.kit).flatMap((pane) => sayGauge(build, pane)),
  ],
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
