import { joinsOf, traysOf, type PlanContribution } from '../contribution.ts';
import { EARLY, type KitAdvice } from '../advice/kitAdvice.ts';
import { TASKS, type TaskKind } from '../tasks.ts';

const kinds = Object.keys(TASKS) as TaskKind[];
const isKind = (kind: string | null): kind is TaskKind => kind !== null && Object.hasOwn(TASKS, kind);

/** What must be decided first, where the sheet and the evidence differ, and what was decided. */
export const decisions: PlanContribution = {
  id: 'decisions',

  kitAdvice: (build) =>
    build.kit.evidence.map((conflict): KitAdvice => {
      const { id, title, partIds, stepKind, sheet, evidence, source, verdict, decision } = conflict;
      const trays = traysOf(build, partIds);
      const only = isKind(stepKind) ? [stepKind] : undefined;
      const about = { trays, parts: partIds, taskKinds: only ?? [] };
      if (verdict === 'open') {
        return {
          rule: 'undecided',
          subject: id,
          severity: 'stop',
          about,
          text: `Not decided: ${title}`,
          why: 'The sheet and the evidence differ.',
          remedy: 'Decide it first: what is done cannot be taken back.',
          stage: 'kit',
          page: 'evidence',
          // A decision holds the steps of its parts; joining them to others waits only where it says so.
          at: only
            ? { trays, joins: joinsOf(build, partIds), between: true, kinds: only, once: false }
            : { trays, joins: [], kinds, once: false },
        };
      }
      return {
        rule: 'decided',
        subject: id,
        severity: 'note',
        topic: 'decided',
        about,
        text: title,
        why: decision || (verdict === 'sheet' ? sheet : verdict === 'evidence' ? evidence : ''),
        settledBy:
          verdict === 'sheet'
            ? 'as the sheet says'
            : verdict === 'evidence'
              ? 'as the evidence says'
              : 'by your own judgement',
        source: source || 'your own decision',
        stage: 'kit',
        page: 'evidence',
        at: { trays, joins: joinsOf(build, partIds), between: true, kinds: only ?? EARLY, once: false },
      };
    }),
};
