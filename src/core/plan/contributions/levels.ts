import { figure } from '../../figures.ts';
import { levelOf, packingFor, packingWords, type Kit, type Level } from '../../kit/index.ts';
import { worked } from '../../worked.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { joinsOf, traysOf, type DividedKit } from '../contribution.ts';

/** On the card whose step it touches, the measures are filled in. */
export const LEVEL_RULE = 'set-straight';

/** What is set straight: to be measured where it is glued, and shimmed while the glue is soft. */
export function sayLevels(build: DividedKit): KitAdvice[] {
  return build.kit.levels.flatMap((level): KitAdvice[] => {
    const { partId } = level;
    const trays = partId === null ? [] : traysOf(build, [partId]);
    const joins = partId === null ? [] : joinsOf(build, [partId]);
    if (partId === null || joins.length === 0) return [];
    return [
      {
        rule: LEVEL_RULE,
        subject: level.id,
        about: { trays, parts: [partId] },
        stage: 'detail',
        page: 'straight',
        at: { trays: [], joins, kinds: ['assemble'], once: false },
        ...levelWords(level, build.kit),
      },
    ];
  });
}

/** What the measures of a thing to be set straight say. */
export function levelWords(
  level: Level,
  kit: Pick<Kit, 'stances'>,
): Pick<KitAdvice, 'severity' | 'topic' | 'text' | 'why' | 'settledBy'> & { remedy: string } {
  const { name } = level;
  const { answer, fault } = worked(() => levelOf(level));
  const note = { severity: 'note' as const, topic: 'fit' as const };
  if (fault !== undefined)
    return { ...note, text: `Not known whether it is straight: ${name}`, why: fault, remedy: '' };
  const { verdict, shim, tiltDeg } = answer;
  if (verdict === 'agrees')
    return {
      ...note,
      text: `${name} is straight`,
      why: `Left and right agree within ${figure(level.mayDifferMm, 'mm')}.`,
      remedy: '',
      settledBy: 'measured on both sides',
    };
  if (verdict === 'off')
    return {
      severity: 'warn',
      text: `${name} hangs: ${figure(shim!.mm, 'mm')} under its ${shim!.side} seat`,
      why: `It hangs by ${tiltDeg!.toFixed(1)}°, more than the ${figure(level.mayDifferMm, 'mm')} that nobody sees.`,
      remedy: `Shim it while the glue is soft (${packingWords(packingFor(shim!.mm, kit))}), measure again, and hold it with tape until it has set.`,
    };
  if (verdict === 'twisted')
    return {
      severity: 'warn',
      text: `${name} is twisted`,
      why: 'One measure says that the left is high, another that the right is.',
      remedy: 'Take it off and true it on a flat plate before it is shimmed; measure again.',
    };
  return {
    ...note,
    text: `Measure ${name.toLowerCase()} left and right before the glue sets`,
    why: 'A bumper or wing that hangs is seen from across the room.',
    remedy: 'Fill in both sides at its card or under Set straight; Fanfare works the shim out.',
  };
}
