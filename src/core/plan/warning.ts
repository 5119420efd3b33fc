import type { PlanOperation } from './operation.ts';

/** Something later that a step now would make impossible or worse. */
export interface Warning {
  id: string;
  /** The step that it stops or spoils; undefined where it is about the whole build. */
  operationId: string | undefined;
  title: string;
  reason: string;
  remedy: string;
  /** Where it is cleared: the stage of the build. */
  stage: 'kit' | 'colour' | 'finish' | 'plan' | 'shelf';
}

/** Takes down a warning at the step that it stops; undefined where it is about the whole build. */
export type Warn = (operation: PlanOperation | undefined, warning: Omit<Warning, 'operationId'>) => void;
