import { formatMinutes } from '../../finish/index.ts';
import type { Kit, Lesson } from '../../kit/index.ts';
import { foundWords } from '../inspections/faults.ts';
import type { Elapsed, MishapCost } from '../log/costs.ts';
import type { Hours } from '../log/hours.ts';
import { ASPECT_FACTS } from '../verdict/aspects.ts';
import type { BookBlock } from './blocks.ts';

/** What was planned beside what happened. */
export function hoursBlocks(hours: readonly Hours[], elapsed: Elapsed): BookBlock[] {
  const done = hours.filter(({ took }) => took > 0);
  if (done.length === 0) return [];
  const sum = (of: (hours: Hours) => number) => done.reduce((all, each) => all + of(each), 0);
  const share = (planned: number, took: number): string =>
    planned > 0 ? `${Math.round((100 * took) / planned)} %` : '';
  const row = (
    name: string,
    planned: number,
    tookOfPlanned: number,
    took: number,
    steps: number,
  ): string[] => [
    name,
    String(steps),
    planned > 0 ? formatMinutes(planned) : 'not planned',
    formatMinutes(took),
    share(planned, tookOfPlanned),
  ];
  return [
    {
      kind: 'table',
      head: ['Sub-assembly', 'Steps', 'Planned', 'Took', 'Of the plan'],
      right: [false, true, true, true, true],
      rows: [
        ...done.map((each) => row(each.key, each.planned, each.tookOfPlanned, each.took, each.steps)),
        row(
          'Together',
          sum(({ planned }) => planned),
          sum(({ tookOfPlanned }) => tookOfPlanned),
          sum(({ took }) => took),
          sum(({ steps }) => steps),
        ),
      ],
    },
    {
      kind: 'text',
      text: `From the first step to the last: ${formatMinutes(elapsed.work)} of hands on the model, ${formatMinutes(elapsed.waiting)} in which what came next still dried or cured, ${formatMinutes(elapsed.away)} away from the bench.`,
    },
  ];
}

/** What went wrong and what it cost; and what was found and lived with. */
export function mishapBlocks(
  { mishaps, inspections }: Pick<Kit, 'mishaps' | 'inspections'>,
  costs: readonly MishapCost[],
  day: (minutes: number) => string,
): BookBlock[] {
  const costOf = new Map(costs.map((cost) => [cost.mishapId, cost]));
  const blocks: BookBlock[] = [];
  if (mishaps.length > 0)
    blocks.push({
      kind: 'table',
      head: ['When', 'What went wrong', 'Why', 'Cost so far'],
      right: [false, false, false, true],
      rows: mishaps
        .toSorted((p, q) => p.at - q.at)
        .map(({ id, at, what, why }) => [
          day(at),
          what,
          why || 'nobody said',
          formatMinutes(costOf.get(id)?.took ?? 0),
        ]),
    });
  const lived = inspections.filter(({ fault, outcome }) => fault !== null && outcome === 'live-with');
  if (lived.length > 0)
    blocks.push(
      { kind: 'part', text: 'Lived with' },
      {
        kind: 'table',
        head: ['When', 'What', 'Note'],
        right: [false, false, false],
        rows: lived.map((inspection) => [day(inspection.at), foundWords(inspection), inspection.note]),
      },
    );
  return blocks;
}

const AGAIN: Readonly<Record<string, string>> = { yes: 'Yes', perhaps: 'Perhaps', no: 'No' };

/** Marks and words on the kit and on the work. */
export function verdictBlocks({ verdicts }: Pick<Kit, 'verdicts'>): BookBlock[] {
  const verdict = verdicts[0];
  if (!verdict) return [];
  const marks = verdict.marks.map(({ aspect, mark }) => [
    ASPECT_FACTS[aspect].name,
    ASPECT_FACTS[aspect].of === 'kit' ? 'the kit' : 'the work',
    `${mark} of ${verdict.best}`,
  ]);
  return [
    ...(marks.length > 0
      ? [{ kind: 'table' as const, head: ['Mark', 'Of', 'Given'], right: [false, false, true], rows: marks }]
      : []),
    ...(verdict.again === null
      ? []
      : [
          {
            kind: 'rows' as const,
            rows: [{ label: 'Build it again', value: AGAIN[verdict.again] ?? verdict.again }],
          },
        ]),
    ...[verdict.onKit, verdict.onWork]
      .filter((words) => words.trim() !== '')
      .map((text) => ({ kind: 'text' as const, text })),
  ];
}

/** What it taught. */
export const lessonBlocks = (lessons: readonly Lesson[]): BookBlock[] =>
  lessons.length === 0
    ? []
    : [
        {
          kind: 'table',
          head: ['Lesson', 'From'],
          right: [false, false],
          rows: lessons.map(({ text, origin }) => [text, origin]),
        },
      ];
