import type { TrayTask } from '../contribution.ts';

/** A step as far as what is made says it. */
export type Made = Pick<TrayTask, 'title' | 'minutes' | 'because' | 'details'>;
