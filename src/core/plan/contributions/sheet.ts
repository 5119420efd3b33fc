import { partsOfStep, type SheetStep } from '../../kit/index.ts';
import { BARE, type KitAdvice } from '../advice/kitAdvice.ts';
import { joinsOf, traysOf, type DividedKit, type PlanContribution } from '../contribution.ts';
import type { TaskKind } from '../tasks.ts';

function sheetAdvice(step: SheetStep, build: DividedKit): KitAdvice[] {
  const { id, number, drill, cut, note, absent } = step;
  const all = partsOfStep(step);
  const trays = traysOf(build, all);
  const joins = joinsOf(
    build,
    step.placements.flatMap(({ partIds }) => partIds),
  );
  const said = {
    subject: id,
    about: { trays, parts: all },
    source: 'the sheet of the kit',
    stage: 'kit' as const,
    page: 'sheet',
  };
  const bareWork = [drill && `drill ${drill}`, cut && `cut ${cut}`].filter((each) => each !== '').join('; ');
  return [
    ...(bareWork === ''
      ? []
      : [
          {
            ...said,
            rule: 'sheet-drills',
            severity: 'note' as const,
            topic: 'note' as const,
            text: `Step ${number} of the sheet: ${bareWork}`,
            why: 'It is done from the inside, before anything covers it.',
            at: { trays, joins: [], kinds: BARE, once: true },
          },
        ]),
    ...(note.trim() === ''
      ? []
      : [
          {
            ...said,
            rule: 'sheet-note',
            severity: 'note' as const,
            topic: 'note' as const,
            text: `Step ${number} of the sheet`,
            why: note.trim(),
            at: { trays, joins, kinds: ['join', 'assemble'] satisfies TaskKind[], once: false },
          },
        ]),
    ...(absent.length === 0
      ? []
      : [
          {
            ...said,
            rule: 'not-in-the-box',
            severity: 'warn' as const,
            text: `Not in the box: ${absent.join(', ')}`,
            why: `Step ${number} of the sheet names ${absent.length === 1 ? 'it' : 'them'}.`,
            remedy:
              'Look on the frames again; else ask for the part, or mend the step where it is a misprint.',
            at: { trays, joins, kinds: [...BARE, 'assemble'] as const, once: true },
          },
        ]),
  ];
}

/** What the instruction sheet says, at the steps that do it here. */
export const sheet: PlanContribution = {
  id: 'sheet',
  kitAdvice: (build) => build.kit.sheetSteps.flatMap((step) => sheetAdvice(step, build)),
};
