import { glassGauge } from '../../cabin/index.ts';
import { figure } from '../../figures.ts';
import { paneOrder, usedPanes, type Pane } from '../../kit/index.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { few, joinsOf, traysOf, type DividedKit } from '../contribution.ts';

/** What glass has to say: its order, and edges that are too thick. */
export const paneAdvice = (build: DividedKit): KitAdvice[] => [
  ...sayOrder(build),
  ...usedPanes(build.kit).flatMap((pane) => [...sayGauge(build, pane), ...sayEdge(build, pane)]),
];

/** How the edge of a pane is painted. */
export const edgeWords = ({ name, edge }: Pane): string =>
  `${name.toLowerCase()}: ${edge === 'bright' ? 'black first, then silver or foil on the trim: black under it keeps it bright' : 'satin black rubber, no shine'}`;

/** An edge that is painted once the pane sits: said where it is fitted. */
function sayEdge(build: DividedKit, pane: Pane): KitAdvice[] {
  if (pane.edge === 'none' || pane.edgeWhen === 'before' || pane.partId === null) return [];
  const trays = traysOf(build, [pane.partId]);
  return [
    {
      rule: 'edge-once-it-sits',
      subject: pane.id,
      severity: 'note',
      topic: 'after',
      about: { trays, parts: [pane.partId] },
      text: `Then its edge: ${edgeWords(pane)}`,
      why: 'You said that it is painted once the pane sits.',
      remedy: 'Once the glue is hard; tape on the glass and on the paint beside it.',
      source: 'what you noted',
      stage: 'detail',
      page: 'glass',
      at: { trays, joins: joinsOf(build, [pane.partId]), kinds: ['join', 'assemble'], once: true },
    },
  ];
}

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
    kinds: ['join', 'assemble'] as const,
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
          remedy: 'Look behind it once more, then set it down once.',
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
