import { COLD_C, type EntryPlan, type WayIn } from '../../cabin/index.ts';
import { figure } from '../../figures.ts';
import { wayIn, type Insertion } from '../../kit/index.ts';
import { worked } from '../../worked.ts';
import type { AdviceDraft } from '../advice/advice.ts';
import { traysOf, type Ahead, type DividedKit, type WayInAtJoin } from '../contribution.ts';

const SIDE_WORDS = { straight: 'straight down', front: 'front first', rear: 'rear first' } as const;

export const partsOfWayIn = ({ partId, shellPartId }: Insertion): string[] =>
  [partId, shellPartId].flatMap((id) => id ?? []);

/** Units and the shells that go over them, with the joins that bring them together. */
export const waysInOf = (build: DividedKit): WayInAtJoin[] =>
  build.kit.insertions.flatMap((insertion): WayInAtJoin[] => {
    const { partId, shellPartId } = insertion;
    if (partId === null || shellPartId === null) return [];
    const [unit] = traysOf(build, [partId]);
    const [shell] = traysOf(build, [shellPartId]);
    if (unit === undefined || shell === undefined || unit === shell) return [];
    const joins = build.joins.filter(({ trayIds = [] }) => trayIds.includes(unit) && trayIds.includes(shell));
    return [{ insertion, trayIds: [unit, shell], joinIds: joins.map(({ id }) => id) }];
  });

/** How a unit goes in, at the try of it and at its join, with the film that is on both by then. */
export function adviseOfWaysIn({ build, own, advise }: Ahead): void {
  const { kit, films, air } = build;
  const { temperatureC } = air.conditions;
  for (const { insertion, trayIds, joinIds } of kit.waysIn) {
    const steps = own.filter(
      ({ id, trayId, kind }) =>
        joinIds.some((join) => id === `${build.id}/join/${join}`) ||
        (kind === 'dry-fit' && trayIds.includes(trayId ?? '')),
    );
    if (steps.length === 0) continue;
    const filmMm = trayIds.reduce((sum, id) => sum + (films[id]?.usual ?? 0), 0) / 1000;
    const { answer, fault } = worked(() => wayIn(insertion, { filmMm, temperatureC }));
    const bare = worked(() => wayIn(insertion, { temperatureC })).answer?.ways[0]?.spreadMm;
    const draft =
      fault !== undefined
        ? notKnown(insertion, fault)
        : wayInWords(insertion, answer, {
            isCold: temperatureC < COLD_C,
            bareMm: filmMm > 0 ? bare : undefined,
          });
    advise(fault === undefined ? steps : steps.slice(0, 1), {
      ...draft,
      subject: insertion.id,
      about: { trays: [...trayIds], parts: partsOfWayIn(insertion) },
      stage: 'detail',
      page: 'way-in',
    });
  }
}

type Words = Pick<AdviceDraft, 'rule' | 'severity' | 'topic' | 'text' | 'why' | 'remedy'>;

const notKnown = ({ name }: Insertion, fault: string): Words => ({
  rule: 'way-in-unknown',
  severity: 'note',
  topic: 'note',
  text: `Not known whether it goes in: ${name}`,
  why: fault,
  remedy: 'Measure it, or try it dry with the bare parts before anything is painted.',
});

function wayInWords(
  { name }: Insertion,
  { ways: [way], shut, rubsMm }: EntryPlan,
  { isCold, bareMm }: { isCold: boolean; bareMm: number | undefined },
): Words {
  if (!way)
    return {
      rule: 'no-way-in',
      severity: 'warn',
      text: `It goes in neither end first: ${name}`,
      why: `${shut.map(({ end, because }) => `${SIDE_WORDS[end]}: ${because}`).join('; ')}.`,
      remedy: 'Measure again; then shorten what sticks out, or leave it off until the shell is on.',
    };
  const why = `${strainWords(way)}${bareMm === undefined ? '' : ` Bare it is ${figure(bareMm, 'mm')}; film takes the rest.`}`;
  if (way.verdict === 'breaks')
    return {
      rule: 'shell-breaks',
      severity: 'warn',
      text: `The shell would have to spread ${figure(way.spreadMm, 'mm')} on each side: ${name}`,
      why,
      remedy:
        'Thin the inner face of the sills or narrow the unit while both are bare; warm plastic gives more than cold.',
    };
  const rubs = rubsMm.map((mm) => figure(mm, 'mm', 0)).join(', ');
  return {
    rule: 'way-in',
    severity: 'note',
    topic: 'note',
    text: `${name}: ${SIDE_WORDS[way.end]}${way.shiftMm > 0 ? `, pushed on ${figure(way.shiftMm, 'mm', 1)}` : ''}${way.spreadMm > 0 ? `; each side gives way ${figure(way.spreadMm, 'mm')} at ${figure(way.atMm, 'mm', 0)} from the front` : '; it drops in'}`,
    why,
    remedy: `${rubs === '' ? '' : `Tape where they rub, at ${rubs} from the front. `}Try it with the bare parts, and again once both are painted${isCold ? '; warm the shell first, cold plastic cracks' : ''}.`,
  };
}

function strainWords({ strain, spreadMm, verdict }: WayIn): string {
  if (spreadMm === 0) return 'It is narrower than the opening all along.';
  if (strain === null)
    return 'What that asks of the plastic is not known: thickness and height of its sides are not measured.';
  const strained = `That strains its fold by ${figure(100 * strain, '%', 1)}`;
  const ends = {
    'drops in': '.',
    spreads: '.',
    strains: ', near what it takes: slowly, and warm.',
    breaks: ', more than it takes.',
    'not known': '; what it is made of is not known.',
  };
  return `${strained}${ends[verdict]}`;
}
