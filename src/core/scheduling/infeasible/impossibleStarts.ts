import { earliestStarts } from '../model/bounds.ts';
import { indexInstance, type ScheduleInstance } from '../model/instance.ts';

/** A recoat window can push back what opens it, and that what follows, so often before it is given up. */
const MOST_ROUNDS = 50;

/** Operations that must not start after some time and cannot start by then, even if the builder had endless hands: by
 *  lags, recoat windows both ways, and sessions. Where there are none, one that needs the hands while another must have them.
 *  Throws RangeError where the instance makes no sense. */
export function impossibleStarts(instance: ScheduleInstance): string[] {
  if (instance.operations.every(({ latest }) => latest === undefined)) return [];
  const indexed = indexInstance(instance);
  const operations = indexed.operations.map((operation) => ({ ...operation }));
  let starts = earliestStarts({ ...indexed, operations });
  for (let round = 0; round < MOST_ROUNDS && pushedBack(); round++)
    starts = earliestStarts({ ...indexed, operations });
  const late = operations.flatMap(({ id, latest }, index) =>
    latest !== undefined && starts[index]! > latest ? [id] : [],
  );
  return late.length > 0 ? late : handsTwice();

  /** A step whose hands must be on it while they must be on another one. */
  function handsTwice(): string[] {
    const fixed = operations.flatMap(({ id, hands, latest = Infinity }, index) => {
      const end = starts[index]! + hands;
      return latest < end ? [{ id, start: latest, end }] : [];
    });
    fixed.sort((a, b) => a.start - b.start || a.end - b.end);
    const second = fixed.find(({ start }, at) => at > 0 && start < fixed[at - 1]!.end);
    return second ? [second.id] : [];
  }

  /** Whether a window pushes back what opens it, because what closes it comes later than that. */
  function pushedBack(): boolean {
    let any = false;
    for (const [from, arcs] of indexed.succs.entries()) {
      for (const { other, maxLag } of arcs) {
        const floor = starts[other]! - maxLag - operations[from]!.hands;
        if (floor <= starts[from]! || maxLag === Infinity) continue;
        operations[from]!.earliest = floor;
        any = true;
      }
    }
    return any;
  }
}
