/** A link of the plan: `to` comes after `from`. */
interface Link {
  from: string;
  to: string;
}

interface Step {
  id: string;
  trayId?: string;
  kind: string;
}

/** Kinds of step that bury what lies under them. */
const BURIES: readonly string[] = [
  'colour',
  'metal',
  'tint',
  'decal',
  'marking',
  'clear',
  'foil',
  'assemble',
  'wash',
];

/** Whether a kind of step buries what lies under it. */
export const buries = (kind: string): boolean => BURIES.includes(kind);

/** The first step after another that buries a fault of it: the next coat, decal or clear on the same sub-assembly, or the join that
 *  puts it to the rest. `startOf` orders what stands side by side; undefined for what is done. Undefined where nothing does. */
export function firstToBury(
  stepId: string,
  steps: readonly Step[],
  links: readonly Link[],
  startOf: (id: string) => number | undefined,
): string | undefined {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const next = new Map<string, string[]>();
  for (const { from, to } of links) next.set(from, [...(next.get(from) ?? []), to]);
  const own = byId.get(stepId)?.trayId;
  const seen = new Set([stepId]);
  const queue = [stepId];
  let best: { id: string; start: number } | undefined;
  for (let at = 0; at < queue.length; at++)
    for (const id of next.get(queue[at]!) ?? []) {
      const step = byId.get(id);
      if (!step || seen.has(id)) continue;
      seen.add(id);
      const start = startOf(id);
      const isBurying = buries(step.kind) && (step.trayId === undefined || step.trayId === own);
      if (isBurying && start !== undefined && (!best || start < best.start)) best = { id, start };
      // Beyond a step that buries it everything is later.
      if (!isBurying && (step.trayId === undefined || step.trayId === own)) queue.push(id);
    }
  return best?.id;
}
