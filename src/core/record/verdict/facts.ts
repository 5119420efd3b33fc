import { formatMinutes } from '../../finish/index.ts';
import { counted, type Kit } from '../../kit/index.ts';
import { figure } from '../../figures.ts';
import type { Aspect, FaultId } from '../choices.ts';
import { mishapCosts } from '../log/costs.ts';
import { hoursBy, type PlannedStep } from '../log/hours.ts';
import type { LoggedCup, TickedStep } from '../log/logOf.ts';

/** What speaks for a mark: the records of the build and its log. */
export interface VerdictSources {
  kit: Pick<
    Kit,
    | 'parts'
    | 'fits'
    | 'evidence'
    | 'markings'
    | 'runs'
    | 'harnesses'
    | 'patterns'
    | 'dressings'
    | 'inspections'
    | 'mishaps'
    | 'logEntries'
  >;
  steps: readonly TickedStep[];
  operations: readonly PlannedStep[];
  cups: readonly Pick<LoggedCup, 'additions' | 'readings'>[];
  /** Of the paint that was used, cents; undefined where a price is not known. */
  paintCents: number | undefined;
}

/** Faults that show how the work was prepared, and how it was painted. */
const IN_PRIMER: readonly FaultId[] = ['scratch', 'sink', 'seam'];
const IN_PAINT: readonly FaultId[] = [
  'dust',
  'run',
  'orange-peel',
  'dry-spray',
  'burn-through',
  'silvered',
  'dull',
];

/** What the records say about each thing that is marked, in words; nothing where they say nothing. */
export function factsOf({
  kit,
  steps,
  operations,
  cups,
  paintCents,
}: VerdictSources): Readonly<Record<Aspect, string[]>> {
  const some = (count: number, words: string) => (count > 0 ? [words] : []);
  const tight = (stage: string) =>
    kit.fits.filter((fit) => fit.stage === stage && (fit.feel === 'tight' || fit.feel === 'forced')).length;
  const fitted = (stage: string) => kit.fits.filter((fit) => fit.stage === stage).length;
  const settled = kit.evidence.filter(({ verdict }) => verdict !== 'open');
  const added = kit.runs.length + kit.harnesses.length + kit.patterns.length + kit.dressings.length;
  const made = kit.parts.filter(({ state }) => state === 'scratch-built').length;
  const found = (faults: readonly FaultId[]) =>
    kit.inspections.filter(({ fault }) => fault !== null && faults.includes(fault));
  const regrets = (faults: readonly FaultId[]) =>
    found(faults).filter(({ outcome }) => outcome === 'live-with').length;
  const [all] = hoursBy(steps, operations, () => 'all');
  const again = mishapCosts(kit.mishaps, steps, operations).reduce((sum, { took }) => sum + took, 0);
  const bought = kit.logEntries.filter(({ entry }) => entry === 'bought');
  const paid = bought.reduce((sum, { amount }) => sum + (amount ?? 0), 0);
  const spoons = cups.reduce((sum, { readings }) => sum + readings.length, 0);
  return {
    fit: some(fitted('bare'), `${tight('bare')} of ${counted(fitted('bare'), 'dry fit')} tight or forced`),
    sheet: some(
      settled.length,
      `${counted(settled.length, 'conflict')} settled, ${settled.filter(({ verdict }) => verdict !== 'sheet').length} against the sheet`,
    ),
    detail: [
      ...some(added, `${counted(added, 'thing')} led, wired, cut or dressed beyond the kit`),
      ...some(made, `${counted(made, 'part')} made from scratch`),
    ],
    markings: some(kit.markings.length, counted(kit.markings.length, 'marking')),
    difficulty: [
      ...(all && all.planned > 0
        ? [`${formatMinutes(all.tookOfPlanned)} of hands against ${formatMinutes(all.planned)} planned`]
        : []),
      ...some(
        kit.mishaps.length,
        `${counted(kit.mishaps.length, 'mishap')}, ${formatMinutes(again)} of work done again`,
      ),
    ],
    price: [
      ...(paintCents === undefined || paintCents === 0 ? [] : [`${figure(paintCents, 'euro')} of paint`]),
      ...some(
        bought.length,
        `${counted(bought.length, 'thing')} bought beside it, ${figure(100 * paid, 'euro')}`,
      ),
    ],
    preparation: some(
      found(IN_PRIMER).length,
      `${counted(found(IN_PRIMER).length, 'fault')} found in primer, ${regrets(IN_PRIMER)} left`,
    ),
    colour: some(
      cups.length,
      `${counted(cups.length, 'cup')}, ${counted(spoons, 'spoon')} read, ${counted(
        cups.reduce((sum, { additions }) => sum + additions.length, 0),
        'correction',
      )}`,
    ),
    finish: some(
      found(IN_PAINT).length,
      `${counted(found(IN_PAINT).length, 'fault')} found in the paint, ${regrets(IN_PAINT)} left`,
    ),
    fitting: some(
      fitted('painted'),
      `${tight('painted')} of ${counted(fitted('painted'), 'fit')} after paint tight or forced`,
    ),
    pleasure: [],
  };
}
