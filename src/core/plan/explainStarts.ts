import { formatMinutes } from '../finish/index.ts';
import type { PlanArc } from './operation.ts';
import type { ScheduleInstance } from '../scheduling/index.ts';

export type BindingKind = 'cure' | 'hands' | 'session' | 'window' | 'set-up' | 'done-step' | 'pin' | 'free';

/** Why an operation starts when it does. */
export interface StartReason {
  kind: BindingKind;
  text: string;
  /** The step that binds it, where one does. */
  byOperation?: string;
}

/** What binds each start of a schedule: the cure before it, the builder's hands, the session, a recoat window.
 *  `titles` names operations; `arcs` carry the reasons of the lags; `pinned`: those that start when the builder wants. */
export function explainStarts(
  instance: ScheduleInstance,
  starts: Readonly<Record<string, number>>,
  arcs: readonly PlanArc[],
  titles: ReadonlyMap<string, string>,
  pinned: ReadonlySet<string> = new Set(),
): Map<string, StartReason> {
  const byTime = [...instance.operations].sort((a, b) => starts[a.id]! - starts[b.id]!);
  const handsOf = new Map(instance.operations.map(({ id, hands }) => [id, hands]));
  const end = (id: string) => starts[id]! + (handsOf.get(id) ?? 0);
  const incomingOf = new Map<string, PlanArc[]>();
  const heldBy = new Map<string, PlanArc>();
  for (const arc of arcs) {
    if (starts[arc.from] !== undefined) {
      const known = incomingOf.get(arc.to);
      if (known) known.push(arc);
      else incomingOf.set(arc.to, [arc]);
    }
    if (arc.maxLag !== null && !heldBy.has(arc.from)) heldBy.set(arc.from, arc);
  }
  const windowOf = sessionFinder(instance.windows);
  /** The operation with paint that came last before the one at hand. */
  let painted: ScheduleInstance['operations'][number] | undefined;
  const name = (id: string) => titles.get(id) ?? id;
  const reasons = new Map<string, StartReason>();

  byTime.forEach(({ id, hands, family, needsBooth = false, earliest = 0 }, at) => {
    const start = starts[id]!;
    const before = byTime[at - 1];
    const binding = (incomingOf.get(id) ?? [])
      .map((arc) => ({ arc, ready: end(arc.from) + arc.minLag }))
      .sort((a, b) => b.ready - a.ready)[0];
    const ready = Math.max(earliest, binding?.ready ?? 0);
    const windowIndex = windowOf(start);
    const [opens] = instance.windows[windowIndex] ?? [0];
    let setup = 0;
    if (family !== null) {
      const { families, change, newWindow } = instance.setup;
      const changeOver =
        painted && painted.family !== family
          ? change[families.indexOf(painted.family!)]![families.indexOf(family)]!
          : 0;
      const fresh = !painted || windowOf(starts[painted.id]!) !== windowIndex;
      setup = Math.max(changeOver, fresh ? newWindow : 0);
      painted = byTime[at];
    }
    const busyUntil = before ? end(before.id) : -Infinity;

    const cure = (prefix: string): StartReason => {
      if (binding && binding.ready >= earliest) {
        const { arc } = binding;
        return arc.minLag > 0
          ? {
              kind: 'cure',
              byOperation: arc.from,
              text: `${prefix}${formatMinutes(arc.minLag)} after “${name(arc.from)}”: ${arc.because}.`,
            }
          : { kind: 'cure', byOperation: arc.from, text: `${prefix}right after “${name(arc.from)}”.` };
      }
      return { kind: 'done-step', text: `${prefix}a step already done must dry until then.` };
    };

    if (pinned.has(id)) {
      const clean = setup > 0 ? `, with ${setup} min to set up` : '';
      reasons.set(id, { kind: 'pin', text: `You pinned it to this moment${clean}.` });
    } else if (start < 0) {
      reasons.set(id, { kind: 'session', text: 'It could have begun by now: the bench is open.' });
    } else if (start === ready && ready > 0) {
      reasons.set(id, cure(''));
    } else if (start - setup === busyUntil && busyUntil >= opens) {
      const clean = setup > 0 ? `, then ${setup} min to set up or change over` : '';
      reasons.set(id, {
        kind: setup > 0 ? 'set-up' : 'hands',
        byOperation: before?.id,
        text: `Your hands are on “${name(before!.id)}” until then${clean}.`,
      });
    } else if (start - setup === opens) {
      const earlier = instance.windows[windowIndex - 1];
      const noBooth = needsBooth && instance.boothOpen?.[windowIndex - 1] === false;
      const missed = earlier && ready + hands > earlier[1];
      const clean = setup > 0 ? ` with ${setup} min to set up` : '';
      if (missed && ready > earlier[0]) {
        const { byOperation, text } = cure('The session before is too early: ready only ');
        reasons.set(id, {
          kind: 'session',
          byOperation,
          text: `First session after it is ready${clean}. ${text}`,
        });
      } else if (noBooth) {
        reasons.set(id, {
          kind: 'session',
          text: `The first session in which you can spray opens${clean}; in the one before you cannot.`,
        });
      } else if (opens <= 0) {
        reasons.set(id, { kind: 'session', text: `The bench is open: you can begin now${clean}.` });
      } else {
        reasons.set(id, {
          kind: 'session',
          text: earlier
            ? `The session opens${clean}; the one before is full.`
            : `The next session opens${clean}.`,
        });
      }
    } else {
      const held = heldBy.get(id);
      reasons.set(
        id,
        held
          ? {
              kind: 'window',
              byOperation: held.to,
              text: `Held back so that “${name(held.to)}” falls inside its window of ${formatMinutes(held.maxLag!)}.`,
            }
          : {
              kind: 'free',
              text: 'Nothing binds it here: it fits between its neighbours and could move a little.',
            },
      );
    }
  });
  return reasons;
}

/** A function that finds the session a moment lies in, -1 for none. */
function sessionFinder(windows: ScheduleInstance['windows']): (minute: number) => number {
  return (minute) => {
    let first = 0;
    let beyond = windows.length;
    while (first < beyond) {
      const middle = (first + beyond) >> 1;
      if (windows[middle]![1] < minute) first = middle + 1;
      else beyond = middle;
    }
    return first < windows.length && windows[first]![0] <= minute ? first : -1;
  };
}
