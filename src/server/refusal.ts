import { ProblemError } from './problem.ts';

/** For tests: the title with which something is refused; throws on what is no refusal. */
export function titleOf(act: () => unknown): string {
  try {
    act();
  } catch (error) {
    if (error instanceof ProblemError) return error.problem.title;
    throw error;
  }
  return 'no refusal';
}
