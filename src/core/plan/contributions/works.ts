import { partLabel } from '../../kit/index.ts';
import { BARE, COATS, type KitAdvice } from '../advice/kitAdvice.ts';
import { joinsOf, type PlanContribution } from '../contribution.ts';

const WORK_MINUTES = { hole: 5, cut: 10, pin: 4, scribe: 15, plug: 12 } as const;
const WORK_WORDS = { hole: 'Open', cut: 'Cut', pin: 'Cut pin', scribe: 'Scribe', plug: 'Plug' } as const;

const capital = (text: string) => `${text[0]!.toUpperCase()}${text.slice(1)}`;

/** Holes, cuts and lines that a version needs, and those that it must not have. */
export const works: PlanContribution = {
  id: 'works',

  trayTasks: ({ version, trayOf, parts }) =>
    version.works.flatMap(({ work, verdict, reason }) => {
      const trayId = trayOf.get(work.partId);
      const part = parts.get(work.partId);
      if (trayId === undefined || !part || verdict !== 'do') return [];
      return [
        {
          id: work.id,
          kind: 'open' as const,
          trayId,
          title: `${WORK_WORDS[work.kind]}: ${work.name}`,
          minutes: WORK_MINUTES[work.kind],
          waitMinutes: 0,
          waitBecause: 'follows at once',
          because: `${reason} It cannot be taken back.`,
          details: [
            `on ${partLabel(part)} ${part.name}`,
            'mark it, look again, then drill or cut from the inside',
          ],
        },
      ];
    }),

  kitAdvice: (build) =>
    build.version.works.flatMap(({ work, verdict, reason }): KitAdvice[] => {
      const trayId = build.trayOf.get(work.partId);
      if (trayId === undefined) return [];
      const said = {
        subject: work.id,
        about: { trays: [trayId], parts: [work.partId] },
        stage: 'kit' as const,
      };
      if (verdict === 'wait') {
        return [
          {
            ...said,
            rule: 'version-open',
            severity: 'stop',
            text: `${capital(work.name)}: not decided`,
            why: reason,
            remedy:
              'Choose the version before anything is joined: a hole cannot be drilled from inside after that.',
            page: 'version',
            at: { trays: [trayId], joins: joinsOf(build, [work.partId]), kinds: ['join'], once: false },
          },
        ];
      }
      if (verdict !== 'refuse' || !build.version.used.has(work.partId)) return [];
      return [
        {
          ...said,
          rule: 'not-on-this-version',
          severity: 'warn',
          text: `Not on this version: ${work.name}`,
          why: reason,
          remedy: 'Leave the plastic alone, whatever the sheet says; or pick the other version first.',
          page: 'version',
          at: { trays: [trayId], joins: [], kinds: [...BARE, ...COATS], once: true },
        },
      ];
    }),

  /** Holes and cuts serve the joints of the parts for whose sake a version needs them. */
  consequences({ kit, version, trayOf, parts }, stepOf) {
    const options = new Map(
      kit.choices.flatMap(({ options: all }) => all.map((option) => [option.id, option] as const)),
    );
    return version.works.flatMap(({ work, verdict }) => {
      const trayId = trayOf.get(work.partId);
      if (verdict !== 'do' || trayId === undefined) return [];
      const wanted = new Set(work.neededBy.flatMap((id) => options.get(id)?.needs ?? []));
      return kit.joints.flatMap((joint) => {
        if (joint.a !== work.partId && joint.b !== work.partId) return [];
        const other = joint.a === work.partId ? joint.b : joint.a;
        const step = stepOf(joint);
        if (!wanted.has(other) || !step) return [];
        return [
          {
            id: `${work.id} serves ${joint.id}`,
            step: { work: 'open' as const, trayId, workId: work.id },
            effect: 'serves' as const,
            other: step,
            because: `${parts.get(other)?.name ?? other} needs it`,
          },
        ];
      });
    });
  },
};
