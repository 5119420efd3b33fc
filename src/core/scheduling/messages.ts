import type { ImpossibleBlock } from './infeasible/impossibleBlock.ts';
import type { ImpossibleWindow } from './infeasible/impossibleWindow.ts';

/** Why there is no schedule, in a builder's words. */

export const NO_SCHEDULE =
  'No plan keeps every recoat window within these sessions: add a session or make one longer.';

export const noneAmong = (tried: number): string =>
  `No plan that keeps every recoat window was found among ${tried} tried: add a session or make one longer, or let a paint wait.`;

export function whyTooMuch(work: number, open: number, sessions: number): string {
  const hours = (minutes: number) => `${Math.round(minutes / 6) / 10} h`;
  const all = sessions === 1 ? 'the only session is' : `all ${sessions} sessions together are`;
  return `The steps need your hands for ${hours(work)} and ${all} open for ${hours(open)}: keep more evenings for the bench, or longer ones.`;
}

export function whyImpossible({ from, to, maxLag, between, sessionMinutes }: ImpossibleWindow): string {
  const need = `"${to}" must follow "${from}" within ${maxLag} min, and`;
  return between
    ? `${need} ${between.ids.map((id) => `"${id}"`).join(', ')} between them ${between.ids.length === 1 ? 'takes' : 'take'} ${between.minutes} min with the waits: put that elsewhere, shorten it, or take a paint that can wait.`
    : `${need} no session holds both or lies that near to the next: one of ${sessionMinutes} min would, or a paint that can wait.`;
}

export function whyNotHeld({ ids, sessionMinutes }: ImpossibleBlock): string {
  const tied = `Recoat windows tie ${ids.length} steps together, from "${ids[0]!}" to "${ids.at(-1)!}",`;
  return sessionMinutes === null
    ? `${tied} and they need your hands at the same time, however long the session: take a paint that can wait, or let go of what you put between them.`
    : `${tied} and no session holds them all or lies near enough to the next: one of ${sessionMinutes} min would, or fewer coats, or a paint that can wait.`;
}
