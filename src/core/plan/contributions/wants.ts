import type { PlanContribution } from '../contribution.ts';

const DAY = 24 * 60;

/** What the builder noted as needed, and the markings of the version. */
export const wants: PlanContribution = {
  id: 'wants',

  needs({ kit }) {
    const picked = new Set(kit.choices.map(({ chosen }) => chosen));
    const hasMarkings = kit.box.some(({ name, checked }) => checked && /decal|marking/i.test(name));
    return [
      ...kit.choices.flatMap((choice) => {
        const option = choice.options.find(({ id }) => id === choice.chosen);
        return (option?.markings ?? []).map((marking) => ({
          id: `marking:${choice.id}:${marking}`,
          group: 'detail' as const,
          what: marking,
          why: `${choice.name}: ${option!.name}`,
          state: hasMarkings ? ('have' as const) : ('buy' as const),
          leadDays: 0,
          substitute: 'mask and paint it',
          looks: 'edges as sharp as the tape',
        }));
      }),
      ...kit.wants
        .filter(({ optionId }) => optionId === null || picked.has(optionId))
        .map(({ id, name, why, have, leadDays, substitute, looks }) => ({
          id: `want:${id}`,
          group: 'detail' as const,
          what: name,
          why,
          state: have ? ('have' as const) : ('buy' as const),
          leadDays: have ? 0 : leadDays,
          substitute,
          looks,
        })),
    ];
  },

  advice({ build, own, startOf, now, advise }) {
    const last = Math.max(...own.map(startOf));
    for (const { id, name, leadDays, have, substitute, looks, trayId, stepKind } of build.wants) {
      if (have) continue;
      const isTied = trayId !== null || stepKind !== null;
      const step = isTied
        ? own.find(
            (each) =>
              (trayId === null || each.trayId === trayId) && (stepKind === null || each.kind === stepKind),
          )
        : undefined;
      const arrives = now + leadDays * DAY;
      const days = `${leadDays} ${leadDays === 1 ? 'day' : 'days'}`;
      const late = step ? arrives > startOf(step) : own.length > 0 && arrives > last;
      advise(step ? [step] : [], {
        rule: 'still-to-get',
        subject: id,
        severity: 'warn',
        text: `Still to get: ${name}`,
        why: late
          ? `It takes ${days} to come, ${step ? 'and the step comes before that' : 'longer than the whole plan'}.`
          : `It takes ${days} to come.`,
        remedy: substitute
          ? `Order it now, or take ${substitute}${looks ? ` (${looks})` : ''}.`
          : 'Order it now; no substitute is noted.',
        stage: 'kit',
        page: 'needs',
      });
    }
  },
};
