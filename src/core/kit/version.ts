import { partLabel, type IrreversibleWork, type Kit, type VersionOption } from './kit.ts';

/** What the version picked so far makes of the box. */
export interface ResolvedVersion {
  /** Parts that the build uses, or may still use while a choice is open. */
  used: Set<string>;
  /** Parts left over for the spares box, by part id, with the reason. */
  leftOver: Map<string, string>;
  /** Names of choices still open. */
  open: string[];
  works: WorkVerdict[];
  clashes: VersionClash[];
}

/** Whether a step that cannot be taken back may be done. */
export interface WorkVerdict {
  work: IrreversibleWork;
  verdict: 'do' | 'wait' | 'refuse';
  reason: string;
}

/** A part that one picked option needs and another rules out. */
export interface VersionClash {
  partId: string;
  needs: string;
  rulesOut: string;
  message: string;
}

/** Whether the version picked so far has what belongs to an option: not while another is picked; yes for what belongs to none. */
export function isInVersion(
  { choices }: Pick<Kit, 'choices'>,
  optionId: string | null,
): 'yes' | 'no' | 'open' {
  const choice = choices.find(({ options }) => options.some(({ id }) => id === optionId));
  if (optionId === null || !choice) return 'yes';
  if (choice.chosen === null) return 'open';
  return choice.chosen === optionId ? 'yes' : 'no';
}

/** What is built, what is left over, and what must not be cut, from the options picked. */
export function resolveVersion({
  parts,
  choices,
  works,
}: Pick<Kit, 'parts' | 'choices' | 'works'>): ResolvedVersion {
  const byId = new Map(parts.map((part) => [part.id, part]));
  const label = (id: string) => {
    const part = byId.get(id);
    return part ? `${partLabel(part)} ${part.name}` : id;
  };
  const leftOver = new Map<string, string>();
  const clashes: VersionClash[] = [];
  const picked: { name: string; option: VersionOption }[] = [];
  for (const { name, options, chosen } of choices) {
    const option = options.find(({ id }) => id === chosen);
    if (option) picked.push({ name: `${name}: ${option.name}`, option });
  }
  // A part that some option needs is used only while one of the options that need it is picked or open.
  for (const { name, options, chosen } of choices) {
    if (!options.some(({ id }) => id === chosen)) continue;
    for (const option of options) {
      if (option.id === chosen) continue;
      for (const part of option.needs) {
        const elsewhere = choices.some(({ options: others, chosen: pick }) =>
          others.some(({ id, needs }) => needs.includes(part) && (pick === null || pick === id)),
        );
        if (!elsewhere) leftOver.set(part, `Only “${name}: ${option.name}” uses it.`);
      }
    }
  }
  for (const { name, option } of picked) {
    for (const part of option.rulesOut) {
      const needed = picked.find(({ option: other }) => other !== option && other.needs.includes(part));
      if (needed) {
        clashes.push({
          partId: part,
          needs: needed.name,
          rulesOut: name,
          message: `“${needed.name}” needs ${label(part)}, but “${name}” rules it out: pick another option for one of them.`,
        });
      } else leftOver.set(part, `“${name}” leaves it off.`);
    }
  }
  for (const { id, use } of parts) {
    if (use !== 'left-off') continue;
    const needed = picked.find(({ option }) => option.needs.includes(id));
    if (needed)
      clashes.push({
        partId: id,
        needs: needed.name,
        rulesOut: 'left off',
        message: `“${needed.name}” needs ${label(id)}, and you leave it off: take it back, or pick another option.`,
      });
    leftOver.set(id, 'You leave it off.');
  }
  return {
    used: new Set(parts.map(({ id }) => id).filter((id) => !leftOver.has(id))),
    leftOver,
    open: choices
      .filter(({ options, chosen }) => !options.some(({ id }) => id === chosen))
      .map(({ name }) => name),
    works: works.map((work) => judgeWork(work, choices, leftOver.get(work.partId))),
    clashes,
  };
}

function judgeWork(
  work: IrreversibleWork,
  choices: Kit['choices'],
  partLeftOver: string | undefined,
): WorkVerdict {
  const refuse = (reason: string): WorkVerdict => ({ work, verdict: 'refuse', reason });
  if (partLeftOver !== undefined) return refuse(`The part is not used. ${partLeftOver}`);
  if (work.always) return { work, verdict: 'do', reason: 'Every version needs it.' };
  const naming = choices.flatMap((choice) =>
    choice.options
      .filter(({ id }) => work.neededBy.includes(id))
      .map((option) => ({ choice, option, name: `${choice.name}: ${option.name}` })),
  );
  if (naming.length === 0)
    return refuse('No version is named that needs it: name one first, or leave the plastic alone.');
  const chosen = naming.find(({ choice, option }) => choice.chosen === option.id);
  if (chosen) return { work, verdict: 'do', reason: `“${chosen.name}” needs it.` };
  const waiting = naming.find(({ choice }) => choice.chosen === null);
  if (waiting)
    return {
      work,
      verdict: 'wait',
      reason: `Not yet: only “${waiting.name}” needs it, and “${waiting.choice.name}” is still open.`,
    };
  const [{ choice, name }] = naming as [(typeof naming)[number]];
  const instead = choice.options.find(({ id }) => id === choice.chosen)?.name ?? 'another option';
  return refuse(
    `Only “${name}” needs it, and you are building “${instead}”.${work.kind === 'hole' ? ' A hole opened now would have to be plugged.' : ''}`,
  );
}
