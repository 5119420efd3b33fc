import { formatMinutes } from '../finish/index.ts';
import type { PlanArc } from './operations.ts';
import type { ScheduleInstance } from './scheduleInstance.ts';

export type BindingKind = 'cure' | 'hands' | 'session' | 'window' | 'set-up' | 'done-step' | 'free';

/** Why an operation starts when it does. */
export interface StartReason {
  kind: BindingKind;
  text: string;
  /** The step that binds it, where one does. */
  byOperation?: string;
}

/** What binds each start of a schedule: the cure before it, the builder's hands, the session, a recoat window.
 *  `titles` names operations; `arcs` carry the reasons of the lags. */
export function explainStarts(
  instance: ScheduleInstance,
  starts: Readonly<Record<string, number>>,
  arcs: readonly PlanArc[],
  titles: ReadonlyMap<string, string>,
): Map<string, StartReason> {
  const byTime = [...instance.operations].sort((a, b) => starts[a.id]! - starts[b.id]!);
  const end = (id: string) => starts[id]! + (instance.operations.find((o) => o.id === id)?.hands ?? 0);
  const name = (id: string) => titles.get(id) ?? id;
  const reasons = new Map<string, StartReason>();

  byTime.forEach(({ id, hands, family, earliest = 0 }, at) => {
    const start = starts[id]!;
    const before = byTime[at - 1];
    const incoming = arcs.filter((arc) => arc.to === id && starts[arc.from] !== undefined);
    const binding = incoming
      .map((arc) => ({ arc, ready: end(arc.from) + arc.minLag }))
      .sort((a, b) => b.ready - a.ready)[0];
    const ready = Math.max(earliest, binding?.ready ?? 0);
    const windowIndex = instance.windows.findIndex(([from, to]) => from <= start && start + hands <= to);
    const [opens] = instance.windows[windowIndex] ?? [0];
    const setup = family === null ? 0 : setupBefore(instance, byTime, at, starts);
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

    if (start === ready && ready > 0) {
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
      const missed = earlier && ready + hands > earlier[1];
      const clean = setup > 0 ? ` with ${setup} min to set up` : '';
      if (missed && ready > earlier[0]) {
        const { byOperation, text } = cure('The session before is too early: ready only ');
        reasons.set(id, {
          kind: 'session',
          byOperation,
          text: `First session after it is ready${clean}. ${text}`,
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
      const held = arcs.find((arc) => arc.from === id && arc.maxLag !== null);
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

function setupBefore(
  instance: ScheduleInstance,
  byTime: ScheduleInstance['operations'],
  at: number,
  starts: Readonly<Record<string, number>>,
): number {
  const { family, id } = byTime[at]!;
  const last = byTime.slice(0, at).findLast((operation) => operation.family !== null);
  const windowOf = (start: number) =>
    instance.windows.findIndex(([from, to]) => from <= start && start <= to);
  const { families, change, newWindow } = instance.setup;
  const changeOver =
    last && last.family !== family ? change[families.indexOf(last.family!)]![families.indexOf(family!)]! : 0;
  const fresh = !last || windowOf(starts[last.id]!) !== windowOf(starts[id]!);
  return Math.max(changeOver, fresh ? newWindow : 0);
}
