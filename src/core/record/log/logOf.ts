import { counted, type Evidence, type Kit } from '../../kit/index.ts';
import { foundWords } from '../inspections/faults.ts';
import { ENTRIES } from './entries.ts';

/** A step that was done, as it was ticked. */
export interface TickedStep {
  operationId: string;
  trayId: string | null;
  title: string;
  /** Minutes since 1970. */
  endedAt: number;
  minutes: number;
  note: string;
}

/** A cup of mixed paint, as far as the log tells of it. Times in minutes since 1970. */
export interface LoggedCup {
  id: string;
  trayId: string | null;
  name: string;
  note: string;
  mixedAt: number;
  /** Drops of each paint. */
  drops: Readonly<Record<string, number>>;
  additions: readonly { at: number; add: Readonly<Record<string, number>> }[];
  thrown: boolean;
  readings: readonly { id: string; at: number; filmUm: number; over: string; note: string; aside: boolean }[];
}

/** Everything that was written down while a build was at work. */
export interface LogSources {
  steps: readonly TickedStep[];
  cups: readonly LoggedCup[];
  kit: Pick<
    Kit,
    'mishaps' | 'inspections' | 'milestones' | 'photos' | 'evidence' | 'choices' | 'cureChecks' | 'logEntries'
  >;
  /** Name of a paint. */
  paintName: (id: string) => string;
}

export const EVENT_KINDS = {
  step: 'Steps',
  mishap: 'Mishaps',
  inspection: 'Looked over',
  picture: 'Pictures',
  decision: 'Decided',
  cup: 'Cups',
  spoon: 'Spoons',
  felt: 'Felt',
  entry: 'Written',
} as const;
export type EventKind = keyof typeof EVENT_KINDS;

/** Something that happened. */
export interface LogEvent {
  id: string;
  /** Minutes since 1970. */
  at: number;
  kind: EventKind;
  title: string;
  words: string;
  operationId: string | null;
  trayId: string | null;
  /** Minutes that it took; null where it took none of its own. */
  minutes: number | null;
  pictureId: string | null;
}

const dropsText = (drops: Readonly<Record<string, number>>, nameOf: (id: string) => string): string =>
  Object.entries(drops)
    .map(([id, count]) => `${counted(count, 'drop')} ${nameOf(id)}`)
    .join(', ');

const joined = (...parts: (string | false | null | undefined)[]): string => parts.filter(Boolean).join('; ');

/** Everything that happened, oldest first; of one moment, in the order of its sources. */
export function logOf({ steps, cups, kit, paintName }: LogSources): LogEvent[] {
  const ticked = new Map(steps.map((step) => [step.operationId, step]));
  const at = (operationId: string | null) => ({
    operationId,
    trayId: (operationId !== null && ticked.get(operationId)?.trayId) || null,
    minutes: null,
    pictureId: null,
  });
  const titleOf = (operationId: string) => ticked.get(operationId)?.title;
  const none = { operationId: null, minutes: null, pictureId: null };
  const events: LogEvent[] = [
    ...steps.map(({ operationId, trayId, title, endedAt, minutes, note }) => ({
      id: `step ${operationId}`,
      kind: 'step' as const,
      at: endedAt,
      title,
      words: note,
      operationId,
      trayId,
      minutes,
      pictureId: null,
    })),
    ...kit.mishaps.map((mishap) => ({
      ...at(mishap.operationId),
      id: `mishap ${mishap.id}`,
      kind: 'mishap' as const,
      at: mishap.at,
      title: mishap.what,
      words: joined(mishap.why && `because ${mishap.why}`, titleOf(mishap.operationId)),
    })),
    ...kit.inspections.map((inspection) => ({
      ...at(inspection.operationId),
      id: `inspection ${inspection.id}`,
      kind: 'inspection' as const,
      at: inspection.at,
      title: inspection.fault === null ? 'Looked over: nothing found' : foundWords(inspection),
      words: joined(titleOf(inspection.operationId), inspection.note),
    })),
    ...kit.milestones.map((milestone) => ({
      ...at(milestone.operationId),
      id: `picture ${milestone.id}`,
      kind: 'picture' as const,
      at: milestone.at,
      title: milestone.what,
      words: milestone.pictureId === null ? `no picture: ${milestone.note}` : '',
      pictureId: milestone.pictureId,
    })),
    // One without a time was taken nobody knows when.
    ...kit.photos
      .filter((photo) => photo.at > 0)
      .map((photo) => ({
        ...at(photo.operationId),
        id: `picture ${photo.id}`,
        kind: 'picture' as const,
        at: photo.at,
        title: photo.what || 'A picture',
        words: joined(
          photo.of === 'reference' && 'the real thing',
          photo.operationId && titleOf(photo.operationId),
        ),
        pictureId: photo.pictureId,
      })),
    ...decisionEvents(kit, none),
    ...cups.flatMap((cup) => cupEvents(cup, none, paintName)),
    // A coat that was felt before it was ticked, or whose tick was taken back, has no moment.
    ...kit.cureChecks.flatMap(({ id, operationId, minutes, isDry }) => {
      const step = ticked.get(operationId);
      if (!step) return [];
      return [
        {
          ...at(operationId),
          id: `felt ${id}`,
          kind: 'felt' as const,
          at: step.endedAt + minutes,
          title: isDry ? 'Felt dry' : 'Felt wet still',
          words: `${Math.round(minutes)} min after: ${step.title}`,
        },
      ];
    }),
    ...kit.logEntries.map((written) => {
      const { name, unit } = ENTRIES[written.entry];
      const amount = written.amount !== null && unit !== null ? `${written.amount} ${unit}` : '';
      return {
        ...at(written.operationId),
        id: `entry ${written.id}`,
        kind: 'entry' as const,
        at: written.at,
        title: written.text,
        words: joined(name, amount, written.operationId !== null && titleOf(written.operationId)),
        minutes: written.entry === 'pause' ? written.amount : null,
      };
    }),
  ];
  return events.sort((p, q) => p.at - q.at);
}

/** Conflicts and versions that were decided; of those without a time nobody knows when. */
function decisionEvents(
  { evidence, choices }: Pick<Kit, 'evidence' | 'choices'>,
  none: Pick<LogEvent, 'operationId' | 'minutes' | 'pictureId'>,
): LogEvent[] {
  const decided = { ...none, trayId: null, kind: 'decision' as const };
  return [
    ...evidence.flatMap(({ id, title, verdict, decision, decidedAt }): LogEvent[] =>
      verdict === 'open' || decidedAt === undefined
        ? []
        : [{ ...decided, id: `decided ${id}`, at: decidedAt, title, words: decision || FOLLOWED[verdict] }],
    ),
    ...choices.flatMap(({ id, name, options, chosen, chosenAt }): LogEvent[] => {
      const option = options.find((each) => each.id === chosen);
      return option && chosenAt !== undefined
        ? [{ ...decided, id: `chosen ${id}`, at: chosenAt, title: `${name}: ${option.name}`, words: '' }]
        : [];
    }),
  ];
}

const FOLLOWED = {
  sheet: 'as the sheet says',
  evidence: 'as the evidence says',
  other: 'otherwise than either says',
} as const satisfies Record<Exclude<Evidence['verdict'], 'open'>, string>;

function cupEvents(
  cup: LoggedCup,
  none: Pick<LogEvent, 'operationId' | 'minutes' | 'pictureId'>,
  paintName: (id: string) => string,
): LogEvent[] {
  const of = { ...none, trayId: cup.trayId };
  return [
    {
      ...of,
      id: `cup ${cup.id}`,
      kind: 'cup',
      at: cup.mixedAt,
      title: `Mixed: ${cup.name}`,
      words: joined(dropsText(cup.drops, paintName), cup.note, cup.thrown && 'thrown away since'),
    },
    ...cup.additions.map((addition, index): LogEvent => ({
      ...of,
      id: `cup ${cup.id} ${index}`,
      kind: 'cup',
      at: addition.at,
      title: `Added to ${cup.name}`,
      words: dropsText(addition.add, paintName),
    })),
    ...cup.readings.map((reading): LogEvent => ({
      ...of,
      id: `spoon ${reading.id}`,
      kind: 'spoon',
      at: reading.at,
      title: `Spoon read: ${cup.name}`,
      words: joined(`${reading.filmUm} µm over ${reading.over}`, reading.note, reading.aside && 'set aside'),
    })),
  ];
}

export interface LogFilter {
  /** Null for all. */
  kinds: ReadonlySet<EventKind> | null;
  trayId: string | null;
  /** Each of its words must be in what is said. */
  search: string;
}

/** What of a log is wanted. */
export function filterLog(events: readonly LogEvent[], { kinds, trayId, search }: LogFilter): LogEvent[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return events.filter(
    (event) =>
      (kinds === null || kinds.has(event.kind)) &&
      (trayId === null || event.trayId === trayId) &&
      words.every((word) => `${event.title} ${event.words}`.toLowerCase().includes(word)),
  );
}
