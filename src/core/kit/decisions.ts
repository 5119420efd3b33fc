import type { Evidence, VersionChoice } from './kit.ts';

/** A conflict of sheet and evidence, decided at a moment (minutes since 1970) or open again. */
export function decidedAs(
  { decidedAt: _, ...conflict }: Evidence,
  verdict: Evidence['verdict'],
  now: number,
): Evidence {
  return verdict === 'open' ? { ...conflict, verdict } : { ...conflict, verdict, decidedAt: now };
}

/** A choice of the version, taken at a moment (minutes since 1970) or open again. */
export function chosenAs(
  { chosenAt: _, ...choice }: VersionChoice,
  optionId: string | null,
  now: number,
): VersionChoice {
  return optionId === null ? { ...choice, chosen: null } : { ...choice, chosen: optionId, chosenAt: now };
}
