/** A step of the bench as far as a kit can name it: a hole or cut, what a sub-assembly is joined from before paint, its
 *  paint, a join after paint, or the wires and pipes between two sub-assemblies. */
export type BenchStep =
  | { work: 'open'; trayId: string; workId: string }
  | { work: 'join'; trayId: string }
  | { work: 'paint'; trayId: string }
  | { work: 'assemble'; joinId: string }
  | { work: 'run'; runStepId: string };

/** What a step that cannot be taken back, or that shuts something in, means for another. */
export interface Consequence {
  id: string;
  step: BenchStep;
  /** It makes the other possible, or ends its chance, or shuts in a mask that the other needs. */
  effect: 'serves' | 'prevents' | 'traps-mask';
  other: BenchStep;
  because: string;
}
