import { mainFinish, pairsOf, partLabel } from '../../kit/index.ts';
import { COATS, type KitAdvice } from '../advice/kitAdvice.ts';
import { traysOf, type DividedKit, type PlanContribution } from '../contribution.ts';

/** A pair in two finishes, while paint can still be changed. */
function differs(build: DividedKit, a: string, b: string): KitAdvice[] {
  const [one, other] = [build.parts.get(a), build.parts.get(b)];
  const finishes = [one, other].map((part) => part && mainFinish(part, build.finishes));
  if (!one || !other || !finishes[0] || !finishes[1] || finishes[0].id === finishes[1].id) return [];
  const trays = traysOf(build, [a, b]);
  return [
    {
      rule: 'pair-differs',
      subject: [a, b].sort().join(' '),
      severity: 'warn',
      about: { trays, parts: [a, b] },
      text: `A pair in two finishes: ${one.name.toLowerCase()} ${finishes[0].name.toLowerCase()}, ${other.name.toLowerCase()} ${finishes[1].name.toLowerCase()}`,
      why: 'What stands on the left and on the right is seen side by side.',
      remedy: 'Give both the same finish, or say that they are no pair.',
      stage: 'kit',
      page: 'roles',
      at: { trays, joins: [], kinds: COATS, once: true },
    },
  ];
}

/** Holes and cuts in one of a pair. */
const oneSided = (build: DividedKit, a: string, b: string): KitAdvice[] =>
  [
    [a, b],
    [b, a],
  ].flatMap(([here, there]): KitAdvice[] => {
    const other = build.parts.get(there!);
    const isWorked = (id: string) =>
      build.version.works.filter(({ work, verdict }) => work.partId === id && verdict === 'do');
    const works = isWorked(here!);
    const trayId = build.trayOf.get(here!);
    if (works.length === 0 || isWorked(there!).length > 0 || !other || trayId === undefined) return [];
    return [
      {
        rule: 'pair-one-sided',
        subject: here!,
        severity: 'note',
        topic: 'note',
        about: { trays: [trayId], parts: [a, b] },
        text: `Its twin is left as it is: ${partLabel(other)} ${other.name}`,
        why: `${works.map(({ work }) => work.name).join(', ')} is noted for one side of the pair only.`,
        remedy: 'Measure both from the same edge, and do both in one sitting, if the other needs it too.',
        stage: 'kit',
        page: 'version',
        at: { trays: [trayId], joins: [], kinds: ['open'], once: false },
      },
    ];
  });

/** What is made in pairs: the same on both sides. */
export const pairs: PlanContribution = {
  id: 'pairs',
  kitAdvice: (build) =>
    pairsOf(build.kit)
      .filter(({ a, b }) => build.version.used.has(a) && build.version.used.has(b))
      .flatMap(({ a, b }) => [...differs(build, a, b), ...oneSided(build, a, b)]),
};
